// What a radio shows is recorded: now, or on a day before, never ahead. Who has the radio may, whatever their role.
import { z } from "zod";
import { bad, good, plainDate } from "#core/quantities/index.ts";
import { placeReading, previewReading, READING_SOURCES, type ReadingPreview } from "#core/unit/index.ts";
import { addReading, loadSituation } from "#db/unit/index.ts";
import { losePairings } from "../bluetooth/lose-pairings.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { hasUnit, noUnit } from "../unit/unit-here.ts";

/** Problems: those of a unit; those of `readEntry`, in words of the one who typed it; `ahead`. */
export const recordReading = defineAct({
  name: "record-reading",
  input: z.object({
    unit: id,
    typed: z.string().max(20_000),
    source: z.enum(READING_SOURCES),
    /** The day it was read, if that was not today. */
    readOn: plainDate.optional(),
    note: z.string().max(500).optional(),
  }),
  may: "record-reading",
  holdsUnit: (tx, { unit }, who) => hasUnit(tx, unit, who.person),
  run: async (tx, { unit, typed, source, readOn, note }, who) => {
    const situation = await loadSituation(tx, unit, who.today);
    if (!situation) return noUnit(tx, unit);
    const preview = previewReading(situation, typed);
    if (!preview.ok) return preview;
    const on = readOn === undefined || readOn === who.today ? undefined : readOn;
    if (on !== undefined && on > who.today) return bad({ kind: "ahead" as const });
    const { component, componentName, raw } = preview.value;
    await addReading(tx, { unit, component, raw, source, note, on, by: who.person });
    // What was flashed today and erases has forgotten what it was paired with.
    const prepared = situation.catalogue.get(component);
    const placed = prepared && placeReading(prepared, raw);
    const release = placed?.ok ? prepared?.byId.get(placed.value.release ?? "") : undefined;
    const erases = source === "flash" && on === undefined && release?.conditions?.erases;
    const lost =
      erases && erases !== "nothing" ? await losePairings(tx, unit, who.person, `flashed to ${raw}`) : [];
    return good({
      answer: preview.value satisfies ReadingPreview,
      log: [
        {
          entry: { kind: "reading" as const, component: componentName, raw, source, ...(on && { on }) },
          unit,
        },
        ...lost,
      ],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: "a reading" }],
    });
  },
});
