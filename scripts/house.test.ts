// The rooms of the house: no folder and no file holds so much that nobody finds anything in it, and subjects of commits are read at a glance.
import { execFileSync } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { expect, it } from "vitest";

const root = fileURLToPath(new URL("..", import.meta.url));
const git = (...words: string[]) => execFileSync("git", words, { cwd: root, encoding: "utf8" }).trim();
const MOST_FILES = 25;
const MOST_LINES = 300;
const MOST_SIGNS = 72;
const LONGEST_COMMENT = 200;

const ALL = git("ls-files", "-c", "-o", "--exclude-standard")
  .split("\n")
  .filter((file) => /\.tsx?$/.test(file) && fs.existsSync(path.join(root, file)));
const CODE = ALL.filter((file) => !/\.(?:test|spec)\.tsx?$/.test(file));
const textOf = (file: string) => fs.readFileSync(path.join(root, file), "utf8");

it("no folder holds more than 25 files of code", () => {
  const counts = new Map<string, number>();
  for (const file of ALL) counts.set(path.dirname(file), (counts.get(path.dirname(file)) ?? 0) + 1);
  expect(ALL.length).toBeGreaterThan(900);
  expect([...counts].filter(([, count]) => count > MOST_FILES)).toEqual([]);
});

it("no file of code has more than 300 lines, but for the demo's data", () => {
  const linesOf = (file: string) => textOf(file).split("\n").length - 1;
  const long = CODE.filter((file) => !file.startsWith("demo/data/") && linesOf(file) > MOST_LINES);
  expect(long).toEqual([]);
});

it("every file of code says in its first line what it holds", () => {
  expect(CODE.filter((file) => !/^(?:\/\/|\/\*|#!)/.test(textOf(file)))).toEqual([]);
});

it("a comment by two strokes says why in 200 signs, or is a decision", () => {
  // What a script is called with, and how a line of data is read, is a table rather than a sentence.
  const said = (file: string) =>
    [...textOf(file).matchAll(/^[ \t]*\/\/ ?(.*(?:\n[ \t]*\/\/ ?.*)*)/gm)].map(([, text = ""]) =>
      text.replaceAll(/\n[ \t]*\/\/ ?/g, " "),
    );
  const long = ALL.filter((file) => !file.startsWith("demo/data/")).flatMap((file) =>
    said(file)
      .filter((text) => text.length > LONGEST_COMMENT && !text.includes("   "))
      .map((text) => `${file}: ${text}`),
  );
  expect(long).toEqual([]);
});

it("a decision has at most fifteen lines, and stands in the index", () => {
  const folder = path.join(root, "docs/decisions");
  const names = fs.readdirSync(folder).filter((name) => /^\d/.test(name));
  const linesOf = (name: string) =>
    fs.readFileSync(path.join(folder, name), "utf8").trim().split("\n").length;
  expect(names.length).toBeGreaterThan(25);
  expect(names.filter((name) => linesOf(name) > 15)).toEqual([]);
  const index = fs.readFileSync(path.join(folder, "README.md"), "utf8");
  expect(names.filter((name) => !index.includes(`(${name})`))).toEqual([]);
});

it("the subject of the last commit has at most 72 signs", () => {
  expect(git("log", "-1", "--no-merges", "--format=%s").length).toBeLessThanOrEqual(MOST_SIGNS);
});
