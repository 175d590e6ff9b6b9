// Where a cluster is kept whose folder PostgreSQL's user cannot reach: never another folder's, also of the same ending.
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, beforeAll, expect, test } from "vitest";
import { elsewhereFor, formerElsewhereFor, mustBeOurs } from "./postgres.ts";

let within: string;
beforeAll(() => {
  within = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-elsewhere-"));
});
afterAll(() => fs.rmSync(within, { recursive: true, force: true }));

const ONE = "/root/a-long-name-of-a-folder/cabinet/.data/postgres";
const OTHER = "/root/another-name-of-one/a-long-name-of-a-folder/cabinet/.data/postgres";

test("two folders whose paths end alike have places of their own", () => {
  expect(formerElsewhereFor(ONE, within)).toBe(formerElsewhereFor(OTHER, within));
  expect(elsewhereFor(ONE, within)).not.toBe(elsewhereFor(OTHER, within));
});

test("a place says whose it is, and another's is refused and left alone", () => {
  const home = elsewhereFor(ONE, within);
  const former = path.join(within, "nothing");
  mustBeOurs(home, ONE, former);
  mustBeOurs(home, ONE, former);
  fs.mkdirSync(path.join(home, "data"));
  mustBeOurs(home, ONE, former);
  expect(() => mustBeOurs(home, OTHER, former)).toThrow(`belong to ${ONE}`);
  expect(fs.readdirSync(home).sort()).toEqual(["data", "records-of"]);
  expect(fs.statSync(path.join(home, "records-of")).mode & 0o077).toBe(0);
});

test("records of an earlier version, of which nobody can tell whose they are, are not taken", () => {
  const former = formerElsewhereFor(ONE, within);
  fs.mkdirSync(path.join(former, "data"), { recursive: true });
  const home = elsewhereFor(OTHER, within);
  expect(() => mustBeOurs(home, OTHER, former)).toThrow("nothing in it says to which folder they belong");
  expect(fs.existsSync(home)).toBe(false);
  // As the message says: moved and marked, they are ours.
  fs.renameSync(former, home);
  fs.writeFileSync(path.join(home, "records-of"), `${OTHER}\n`);
  mustBeOurs(home, OTHER, former);
  expect(fs.existsSync(path.join(home, "data"))).toBe(true);
});
