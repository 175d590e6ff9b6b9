// What was done to a radio is written down: a note, a flash, a backup, a repair; today, or on a day before.
import { z } from "zod";
import { bad, dateInZone, good, plainDate } from "#core/quantities/index.ts";
import { DEEDS, deedDoubts, previewReading } from "#core/unit/index.ts";
import { clubZone } from "#db/clock.ts";
import { addReading, loadSituation, readingsOf } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "./unit-here.ts";

const short = (most: number) => z.string().trim().max(most).default("");

/**
 * A flash that worked is a reading of its day, too. Problems: those of a unit; `nothing`, if nothing is said; `ahead`; `doubts`, for what is
 * to be looked at before it is kept all the same.
 */
export const writeDown = defineAct({
  name: "write-down",
  input: z.object({
    unit: id,
    did: z.enum([...DEEDS, "note"]),
    on: plainDate.optional(),
    from: short(60),
    to: short(60),
    /** By its tag, and by its name: as they were called that day. */
    lead: short(40),
    computer: short(80),
    worked: z.boolean().default(true),
    text: z.string().trim().max(2000, "At most 2,000 signs.").default(""),
    /** It is kept all the same. */
    sure: z.boolean().default(false),
  }),
  may: "work-at-bench",
  tells: true,
  run: async (tx, { unit, did, text, sure, ...told }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const said = [text, told.from, told.to, told.lead, told.computer].some((one) => one !== "");
    if (!said) return bad({ kind: "nothing" as const });
    const on = told.on ?? who.today;
    if (on > who.today) return bad({ kind: "ahead" as const });
    const situation = await loadSituation(tx, unit, who.today);
    const flashed = did === "flash" && told.worked && told.to !== "" && situation;
    const seen = flashed ? previewReading(situation, told.to) : undefined;
    const put = seen?.ok ? seen.value : undefined;
    const zone = await clubZone(tx);
    const readings = (await readingsOf(tx, unit)).flatMap(({ component_id, raw, read_at, struck_at }) =>
      component_id === put?.component && read_at && !struck_at
        ? [{ raw, on: dateInZone(read_at, zone) }]
        : [],
    );
    const doubts = deedDoubts({ on, to: put?.raw }, here.value.added_on, readings);
    if (doubts.length > 0 && !sure) return bad({ kind: "doubts" as const, doubts });
    const past = on === who.today ? undefined : on;
    if (put)
      await addReading(tx, {
        unit,
        component: put.component,
        raw: put.raw,
        source: "flash",
        on: past,
        by: who.person,
      });
    const day = past && { on: past };
    const entry =
      did === "note"
        ? { kind: "note" as const, text, ...day }
        : { kind: "work-done" as const, did, ...told, on: past, text };
    return good({
      answer: { read: put?.raw },
      log: [
        { entry, unit },
        ...(put
          ? [
              {
                entry: {
                  kind: "reading" as const,
                  component: put.componentName,
                  raw: put.raw,
                  source: "flash",
                  ...day,
                },
                unit,
              },
            ]
          : []),
      ],
      ...(put && {
        touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `a reading of ${here.value.tag}` }],
      }),
    });
  },
});
