// A reading that was written down for the wrong radio goes to the right one: struck there, kept here, of the same day.
import { z } from "zod";
import { bad, dateInZone, good } from "#core/quantities/index.ts";
import { clubZone } from "#db/clock.ts";
import { copyReading, loadSituation, readingsOf, strikeReading, unitByTag } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

/** Problems: those of a unit; `struck`; `no-target`, if no radio has the tag; `same`; `no-part`, if that radio has no such part. */
export const moveReading = defineAct({
  name: "move-reading",
  input: z.object({ unit: id, reading: id, tag: z.string().trim().min(1).max(40) }),
  may: "strike-reading",
  run: async (tx, { unit, reading, tag }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const target = await unitByTag(tx, tag);
    if (!target || target.shelved_at !== null) return bad({ kind: "no-target" as const });
    if (target.id === unit) return bad({ kind: "same" as const });
    const row = (await readingsOf(tx, unit)).find((one) => one.id === reading);
    if (!row || row.struck_at) return bad({ kind: "struck" as const });
    const there = await loadSituation(tx, target.id, who.today);
    const parts = [...(there?.catalogue.values() ?? [])];
    const part = parts.find(({ component }) => component.name.toLowerCase() === row.component.toLowerCase());
    if (!part) return bad({ kind: "no-part" as const, component: row.component, tag: target.tag });
    const why = `it is of ${target.tag}`;
    const struck = await strikeReading(tx, unit, reading, why);
    if (!struck) return bad({ kind: "struck" as const });
    const day = row.read_at && dateInZone(row.read_at, await clubZone(tx));
    const on = day && day !== who.today ? day : undefined;
    const note = `first written down for ${here.value.tag}`;
    await copyReading(tx, reading, { unit: target.id, component: part.component.id, note });
    const read = { component: part.component.name, raw: row.raw, source: row.source };
    return good({
      answer: { tag: target.tag, ...read },
      log: [
        { entry: { kind: "reading-struck" as const, ...struck, why }, unit },
        { entry: { kind: "reading" as const, ...read, ...(on && { on }) }, unit: target.id },
      ],
      touches: [{ scope: { of: "units" as const, ids: [unit, target.id] }, why: "a reading that was moved" }],
    });
  },
});
