// A file that came with a form: its sum, and its bytes kept in parts.
import { createHash } from "node:crypto";
import { keepBackup } from "#acts/run/keep-backup.ts";
import { keepFilePart } from "#acts/run/keep-file-part.ts";
import { type BackupDoubt, MOST_BYTES } from "#core/run/index.ts";
import { PART } from "#db/run/index.ts";
import type { SignedIn } from "../context.ts";
import { KEY } from "../forms/form-key.tsx";
import { performForm } from "../forms/perform.server.ts";
import { sayBytes } from "../ui/words/bytes.ts";

const partsOf = (file: File): Blob[] =>
  Array.from({ length: Math.ceil(file.size / PART) }, (_, n) => file.slice(n * PART, (n + 1) * PART));

/** The SHA-256 of a file, read a part at a time. */
export async function sumOf(file: File): Promise<string> {
  const hash = createHash("sha256");
  for (const part of partsOf(file)) hash.update(new Uint8Array(await part.arrayBuffer()));
  return hash.digest("hex");
}

/** What an act is asked for with a file: what it is kept as. */
type Wanted = Readonly<Record<string, unknown>>;

/**
 * Keeps a file as the backup of a radio. The act is asked first: its parts are kept only if nothing but they are missing, so that nothing is
 * left of what was refused.
 */
export async function keepAsBackup(who: SignedIn, form: FormData, file: File, wanted: Wanted) {
  const sha256 = await sumOf(file);
  const input = { ...wanted, sha256, size: file.size, name: file.name.slice(0, 200) };
  const done = await performForm(keepBackup, who, form, input);
  if (done.ok || done.problem.kind !== "not-whole" || file.size > MOST_BYTES) return done;
  await keepParts(who, form, file, sha256);
  return performForm(keepBackup, who, form, input);
}

async function keepParts(who: SignedIn, form: FormData, file: File, sha256: string): Promise<void> {
  const key = String(form.get(KEY) ?? "");
  for (const [number, part] of partsOf(file).entries()) {
    const own = new FormData();
    own.set(KEY, `${key.slice(0, 80)}-part-${number}`);
    await performForm(keepFilePart, who, own, {
      sha256,
      number,
      content: new Uint8Array(await part.arrayBuffer()),
    });
  }
}

/** What speaks against a file as a backup, in a sentence. */
export function sayDoubt(doubt: BackupDoubt, tag: string): string {
  switch (doubt.kind) {
    case "empty":
      return "The file is empty: nothing was read out. Read it out again.";
    case "huge":
      return `The file has ${sayBytes(doubt.size)}; no backup has more than ${sayBytes(doubt.most)}.`;
    case "size":
      return `The file has ${sayBytes(doubt.size)}; backups of this model have about ${sayBytes(doubt.usual)}. Tick that it is right all the same, or read it out again.`;
    case "same-as":
      return `These are the very bytes of ${doubt.tags.join(", ")}: is it the file of ${tag}? Tick that it is, or read it out again.`;
  }
}
