// What stops a way, in words: each a sentence of its own that names the release, and says nothing that is not so.
import { expect, test } from "vitest";
import type { Stop } from "#core/firmware/route.ts";
import { sayStop } from "./route.ts";

const names = { release: (id: string) => `R${id}`, component: (id: string) => `C${id}` };
const at = { component: "1", release: "7" };
const range = [{ atLeast: "1.1" }];

test("every stop has words that name what it is of", () => {
  const stops: Stop[] = [
    { ...at, kind: "draft" },
    { ...at, kind: "does-not-fit" },
    { ...at, kind: "may-fit" },
    { ...at, kind: "not-allowed", track: "community" },
    { ...at, kind: "erases" },
    { ...at, kind: "from", range, listed: true },
    { ...at, kind: "from", range, listed: false },
    { ...at, kind: "from-tracks", tracks: ["factory"] },
    { ...at, kind: "floor", floors: ["1.2"] },
    { ...at, kind: "requires", of: "dsp", range, listed: true },
    { ...at, kind: "together" },
  ];
  const said = stops.map((stop) => sayStop(stop, names));
  expect(new Set(said).size).toBe(stops.length);
  for (const text of said) expect(text).toMatch(/^C1 R7 .*\.$/);
  expect(sayStop({ ...at, kind: "not-listed" }, names)).toMatch(/^C1: /);
});

test("a track that is not admitted and what erases are told apart", () => {
  expect(sayStop({ ...at, kind: "not-allowed", track: "community" }, names)).not.toMatch(/erases/);
  expect(sayStop({ ...at, kind: "erases" }, names)).toBe("C1 R7 erases what was to be kept.");
});
