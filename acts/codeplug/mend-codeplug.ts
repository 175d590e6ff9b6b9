// A cure for what is wrong with a codeplug makes a revision of it in which that is so: what is in the radio stays until that is written.
import { z } from "zod";
import { CURES, mended } from "#core/codeplug/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { addCodeplug, codeplugById, sumOf } from "#db/codeplug/index.ts";
import { loadSituation } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";
import { codeplugCheck } from "./codeplug-check.ts";

/** `codeplug`: the revision of this radio that is mended. Problems: those of a unit; `no-codeplug`; `nothing`, if the cure changes nothing. */
export const mendCodeplug = defineAct({
  name: "mend-codeplug",
  input: z.object({ unit: id, codeplug: id, cure: z.enum(CURES) }),
  may: "work-at-bench",
  run: async (tx, { unit, codeplug, cure }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const row = await codeplugById(tx, codeplug);
    const situation = await loadSituation(tx, unit, who.today);
    if (row?.unit_id !== unit || !row.channels || !situation) return bad({ kind: "no-codeplug" as const });
    const after = mended(row.channels, cure, await codeplugCheck(tx, situation, row.lists, who.today));
    if (sumOf(after) === row.sum) return bad({ kind: "nothing" as const });
    const made = await addCodeplug(tx, {
      unit,
      source: "made",
      name: CURE_NAME[cure],
      parent: row.id,
      by: who.person,
      channels: after,
      lists: row.lists,
    });
    const entry = { kind: "codeplug-made" as const, what: CURE_NAME[cure], channels: after.length };
    return good({ answer: { codeplug: made }, log: [{ entry, unit }] });
  },
});

const CURE_NAME = {
  narrow: "made narrow where the plan asks for it",
  "listen-only": "to listen only where it may or can not transmit",
  "shorten-names": "names shortened so that no two are alike",
  "drop-doubles": "without channels that were there twice",
} as const;
