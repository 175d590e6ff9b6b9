// What a file that was read out of a radio, or is written into one, says of its channels: our own document does, others keep it to themselves.
import { createHash } from "node:crypto";
import { z } from "zod";
import { type CodeplugDocument, readDocument } from "#core/codeplug/index.ts";
import { lastFile, nextStep } from "#core/run/index.ts";
import {
  addCodeplug,
  codeplugBefore,
  codeplugById,
  codeplugNow,
  codeplugOfBackup,
  proveCodeplug,
} from "#db/codeplug/index.ts";
import type { Tx } from "#db/pool.ts";
import { fileContent, filePart, fileSize, PART } from "#db/run/index.ts";
import type { Happened, Outcome } from "../run/run-happened.ts";
import { id } from "../shapes.ts";

/** Larger ones are none of ours. */
const MOST_BYTES = 4_000_000;

export const sumOfFile = (content: string | Uint8Array): string =>
  createHash("sha256").update(content).digest("hex");

/** The document that a kept file is; undefined: it is none, or is not kept. */
export async function documentIn(tx: Tx, sha256: string): Promise<CodeplugDocument | undefined> {
  const size = await fileSize(tx, sha256);
  if (size === undefined || size > MOST_BYTES) return undefined;
  const read = readDocument((await wholeOf(tx, sha256, size)).toString("utf8"));
  return read.ok ? read.value : undefined;
}

/** What was sent in parts is kept in parts. */
async function wholeOf(tx: Tx, sha256: string, size: number): Promise<Buffer> {
  const content = await fileContent(tx, sha256);
  if (content) return content;
  const parts: Buffer[] = [];
  for (let number = 0; number * PART < size; number++) {
    const part = await filePart(tx, sha256, number);
    if (part) parts.push(part);
  }
  return Buffer.concat(parts);
}

/** A file was read out of a radio and kept: where it says which channels are in it, they are known from now on. */
export async function readInto(
  tx: Tx,
  kept: { readonly unit: string; readonly backup: string; readonly sha256: string; readonly name: string },
  by: string,
  run?: string,
): Promise<boolean> {
  const document = await documentIn(tx, kept.sha256);
  if (!document) return false;
  const last = await codeplugNow(tx, kept.unit);
  await addCodeplug(tx, {
    unit: kept.unit,
    source: "read",
    name: kept.name,
    backup: kept.backup,
    by,
    run,
    parent: last?.id,
    channels: document.channels,
    lists: document.lists,
  });
  return true;
}

const errands = z.union([
  z.object({ restore: z.object({ backup: id }) }),
  z.object({ write: z.object({ codeplug: id.optional() }) }),
  z.object({ program: z.object({ profile: id }) }),
]);

const touched = ({ row }: Happened) => ({
  scope: { of: "units" as const, ids: [row.unit_id] },
  why: `what is programmed into ${row.tag}`,
});

/** Something was written into it. Until it was read again, nobody knows what it has. */
export async function pluggedNow(tx: Tx, happened: Happened, outcome: Outcome): Promise<void> {
  const { row, who } = happened;
  const errand = errands.safeParse(row.errand);
  const last = await codeplugNow(tx, row.unit_id);
  const parent =
    errand.success && "write" in errand.data && errand.data.write.codeplug !== undefined
      ? errand.data.write.codeplug
      : last?.id;
  const made =
    parent === undefined || parent === last?.id || (await codeplugById(tx, parent))?.source === "made";
  const back = !errand.success || "restore" in errand.data || !made;
  if (!errand.success && !last) return;
  await addCodeplug(tx, {
    unit: row.unit_id,
    source: back ? "restored" : "written",
    name: row.title,
    parent,
    run: row.id,
    by: who.person,
  });
  outcome.touches.push(touched(happened));
}

/** It was read again and is what was written: its channels are known, if the file says them, or the radio's line does. */
export async function pluggedProved(tx: Tx, happened: Happened, outcome: Outcome): Promise<void> {
  const { row, run, before } = happened;
  const step = nextStep(before)?.step;
  if (step?.kind !== "gate" || step.gate !== "same" || nextStep(run)?.place === nextStep(before)?.place)
    return;
  const sha256 = step.sha256 ?? lastFile(run, "backup");
  if (sha256 === undefined) return;
  const errand = errands.safeParse(row.errand);
  const document = await documentIn(tx, sha256);
  const known =
    document ??
    (errand.success && "restore" in errand.data
      ? await codeplugOfBackup(tx, errand.data.restore.backup)
      : errand.success
        ? undefined
        : await codeplugBefore(tx, row.unit_id, row.id));
  if (!known?.channels) return;
  if (!(await proveCodeplug(tx, row.id, known.channels, known.lists))) return;
  outcome.log.push({
    entry: { kind: "codeplug-proved" as const, what: row.title, channels: known.channels.length },
    unit: row.unit_id,
  });
  outcome.touches.push(touched(happened));
}

/** What was erased has none of what was known to be in it. */
export async function unplugged(tx: Tx, happened: Happened, outcome: Outcome): Promise<void> {
  const { row, who } = happened;
  const last = await codeplugNow(tx, row.unit_id);
  if (!last) return;
  await addCodeplug(tx, {
    unit: row.unit_id,
    source: "erased",
    name: row.title,
    parent: last.id,
    run: row.id,
    by: who.person,
  });
  outcome.touches.push(touched(happened));
}
