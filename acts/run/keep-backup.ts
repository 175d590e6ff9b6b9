// A file is kept as what was in a radio on this day; in a run it passes the gate that asks for one.
import { createHash } from "node:crypto";
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { applyEvent, doubtsOf, foldRun, isFinalDoubt, MOST_BYTES } from "#core/run/index.ts";
import type { Tx } from "#db/pool.ts";
import {
  addBackup,
  addEvent,
  eventsOf,
  filePart,
  fileSize,
  hearFrom,
  keepWhole,
  lockRun,
  othersWith,
  PART,
  runById,
  usualSizes,
} from "#db/run/index.ts";
import { readInto } from "../codeplug/codeplug-file.ts";
import { defineAct } from "../define.ts";
import { id, sha256 as sum } from "../shapes.ts";
import { heldByOther } from "../unit/held-by.ts";
import { unitHere } from "../unit/unit-here.ts";

/**
 * `confirmed`: what speaks against it is known, and it is the backup all the same. `run`: the run of this radio that asks for it; the event goes
 * by `event`. Problems: those of a unit; `doubts`, with all of them; `not-whole`, if its parts are not there, or not what the sum says, and nothing else is wrong; `no-run`; `held`.
 */
export const keepBackup = defineAct({
  name: "keep-backup",
  input: z.object({
    unit: id,
    sha256: sum,
    size: z
      .number()
      .int()
      .min(0)
      .max(10 * MOST_BYTES),
    name: z.string().trim().min(1).max(200),
    confirmed: z.boolean(),
    run: id.optional(),
    event: z.string().min(8).max(60).optional(),
  }),
  may: "work-at-bench",
  run: async (tx, { unit, sha256, size, name, confirmed, run, event }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const usual = await usualSizes(tx, here.value.model_id);
    const doubts = doubtsOf(size, usual, await othersWith(tx, sha256, unit));
    if (doubts.some(isFinalDoubt) || (doubts.length > 0 && !confirmed))
      return bad({ kind: "doubts" as const, doubts });
    if (run !== undefined) {
      await lockRun(tx, run);
      const row = await runById(tx, run);
      if (!row || row.unit_id !== unit || row.ended_at !== null) return bad({ kind: "no-run" as const });
      const held = heldByOther(row, who);
      if (held) return bad(held);
      const state = foldRun(row.plan, (await eventsOf(tx, [run])).get(run) ?? []);
      const what = { kind: "file-kept" as const, sha256, role: "backup" as const };
      const sent = { id: event ?? `kept ${sha256.slice(0, 40)}`, number: state.number + 1, what };
      if (applyEvent(state, { ...sent, at: new Date().toISOString(), by: who.person }).kind !== "applied")
        return bad({ kind: "not-wanted" as const });
      await addEvent(tx, run, sent, who.person);
      await hearFrom(tx, run);
    }
    // Last of all: its parts are sent only where nothing else speaks against it.
    const had = await fileSize(tx, sha256);
    if (had === undefined && !(await isWhole(tx, sha256, size))) return bad({ kind: "not-whole" as const });
    if (had === undefined) await keepWhole(tx, sha256, size);
    const backup = await addBackup(tx, { unit, sha256, name, run, by: who.person });
    await readInto(tx, { unit, backup, sha256, name }, who.person, run);
    return good({
      answer: { backup, doubts: doubts.length },
      log: [{ entry: { kind: "backup-kept" as const, what: name, size }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `a backup of ${here.value.tag}` }],
      topics: ["run", ...(run === undefined ? [] : [`run:${run}`])],
    });
  },
});

/** Whether the parts that are there come to this sum and size. One is in memory at a time. */
async function isWhole(tx: Tx, sha256: string, size: number): Promise<boolean> {
  const hash = createHash("sha256");
  let length = 0;
  for (let number = 0; number * PART < size; number++) {
    const part = await filePart(tx, sha256, number);
    if (!part) return false;
    hash.update(part);
    length += part.length;
  }
  return length === size && hash.digest("hex") === sha256;
}
