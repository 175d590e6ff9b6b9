// The build is made anew when anything that goes into it has changed.
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { expect, it } from "vitest";
import { SOURCES } from "./build.ts";

const root = fileURLToPath(new URL("..", import.meta.url));
const files = (folder: string): string[] =>
  fs
    .readdirSync(path.join(root, folder), { recursive: true, encoding: "utf8" })
    .map((name) => path.join(folder, name));

it("every room that a source of it imports from is one of its sources", () => {
  const code = SOURCES.filter((source) => fs.statSync(path.join(root, source)).isDirectory())
    .flatMap(files)
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$|testing/.test(file));
  const rooms = code.flatMap((file) =>
    [...fs.readFileSync(path.join(root, file), "utf8").matchAll(/from "#(\w+)\//g)].map(
      ([, room]) => room ?? "",
    ),
  );
  expect(SOURCES).toEqual(expect.arrayContaining([...new Set(rooms)]));
});
