// A backup's one file, read where there is no room, or where it is no backup.
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { Writable } from "node:stream";
import { afterEach, expect, test, vi } from "vitest";
import { hashOf, readArchive, writeArchive } from "./archive.ts";
import { plainly } from "./plain.ts";

const folder = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-archive-"));
afterEach(() => vi.restoreAllMocks());

const told = async (work: Promise<unknown>): Promise<string> => {
  try {
    await work;
    return "nothing went wrong";
  } catch (error) {
    return plainly(error);
  }
};

async function backup(): Promise<string> {
  const dump = path.join(folder, "given.dump");
  fs.writeFileSync(dump, "rows ".repeat(1000));
  const file = path.join(folder, "club.mossy");
  await writeArchive(
    file,
    {
      format: "mossy-cabinet/backup",
      version: 1,
      madeAt: "2026-12-01",
      migrations: [],
      tables: {},
      dumpSha256: await hashOf(dump),
      dumpBytes: fs.statSync(dump).size,
    },
    dump,
  );
  return file;
}

test("where there is no room a good file is not called damaged: the disk is full", async () => {
  const file = await backup();
  const full = Object.assign(new Error("write ENOSPC: no space left on device"), { code: "ENOSPC" });
  vi.spyOn(fs, "createWriteStream").mockImplementation(
    () => new Writable({ write: (_chunk, _encoding, done) => done(full) }) as unknown as fs.WriteStream,
  );
  expect(await told(readArchive(file, path.join(folder, "read.dump")))).toMatch(/^The disk is full\./);
});

test("what is read is private, and what is no backup says so", async () => {
  const file = await backup();
  const dump = path.join(folder, "again.dump");
  expect((await readArchive(file, dump)).madeAt).toBe("2026-12-01");
  expect(fs.statSync(dump).mode & 0o777).toBe(0o600);
  expect(fs.statSync(file).mode & 0o777).toBe(0o600);
  const other = path.join(folder, "other.mossy");
  fs.writeFileSync(other, "no archive at all".repeat(100));
  expect(await told(readArchive(other, path.join(folder, "x.dump")))).toMatch(
    /is no backup of Mossy Cabinet/,
  );
  fs.writeFileSync(other, fs.readFileSync(file).subarray(0, 2000));
  expect(await told(readArchive(other, path.join(folder, "y.dump")))).toMatch(/is cut short|is no backup/);
});
