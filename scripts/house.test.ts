// The rooms of the house: no folder holds so much that nobody finds anything in it, and subjects of commits are read at a glance.
import { execFileSync } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { expect, it } from "vitest";

const root = fileURLToPath(new URL("..", import.meta.url));
const git = (...words: string[]) => execFileSync("git", words, { cwd: root, encoding: "utf8" }).trim();
const MOST_FILES = 25;
const MOST_SIGNS = 72;

it("no folder holds more than 25 files of code", () => {
  const files = git("ls-files", "-c", "-o", "--exclude-standard")
    .split("\n")
    .filter((file) => /\.tsx?$/.test(file) && fs.existsSync(path.join(root, file)));
  const counts = new Map<string, number>();
  for (const file of files) counts.set(path.dirname(file), (counts.get(path.dirname(file)) ?? 0) + 1);
  expect(files.length).toBeGreaterThan(900);
  expect([...counts].filter(([, count]) => count > MOST_FILES)).toEqual([]);
});

it("the subject of the last commit has at most 72 signs", () => {
  expect(git("log", "-1", "--no-merges", "--format=%s").length).toBeLessThanOrEqual(MOST_SIGNS);
});
