// What is said of a choice is said in its words, and nothing else of the sentence is touched.
import { expect, test } from "vitest";
import { inWords } from "./baseline.tsx";

const places = [
  ["", "none yet"],
  ["7", "Tool hut"],
  ["71", "The van"],
] as const;

test("a value of a choice becomes its words; several become all of theirs", () => {
  const says = (value: string) => `Somebody has made this “${value}” meanwhile.`;
  expect(inWords(says("7"), places)).toBe(says("Tool hut"));
  expect(inWords(says("71\n7"), places)).toBe(says("The van, Tool hut"));
  expect(inWords(says("routine"), ["routine", "safety"])).toBe(says("routine"));
});

test("what is no choice stays as it was typed", () => {
  const says = "Somebody has made this “7” meanwhile.";
  expect(inWords(says, undefined)).toBe(says);
  expect(inWords("Somebody has made this “9” meanwhile.", places)).toContain("“9”");
  expect(inWords("Somebody has made this “7\n9” meanwhile.", places)).toContain("“7\n9”");
  expect(inWords("Choose 7 of them.", places)).toBe("Choose 7 of them.");
});
