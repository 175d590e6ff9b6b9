// What a meter said of a radio is written down, with the meter and what that may be off by: now, or on a day before, never ahead.
import { z } from "zod";
import {
  fullScaleOf,
  isUnlikely,
  MEASURED,
  measuredKind,
  parseCounterError,
  parseMeterError,
} from "#core/measure/index.ts";
import { hertz } from "#core/modes/index.ts";
import { bad, good, plainDate } from "#core/quantities/index.ts";
import { gearRows } from "#db/kit/index.ts";
import { addMeasurement } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";
import { ratedHere } from "./rated-here.ts";

/**
 * Problems: those of a unit; `ahead`; `unlikely`, with what it is rated for, if it shows far more than that; `no-meter`;
 * `error-unreadable`, if nobody can tell what the meter may be off by.
 */
export const noteMeasurement = defineAct({
  name: "note-measurement",
  input: z
    .object({
      unit: id,
      kind: z.enum(MEASURED),
      value: z
        .number({ error: "Type what the meter shows, as a number." })
        .min(-999_999, "That is more than any radio of ours has.")
        .max(999_999, "That is more than any radio of ours has."),
      frequency: hertz.min(1).optional(),
      supply: z.number().positive().max(1000).optional(),
      /** A meter of the kit. */
      meter: id.optional(),
      on: plainDate.optional(),
      /** It was asked about, being far more than the radio is rated for, and is so. */
      sure: z.boolean().optional(),
      note: z.string().trim().max(500, "At most 500 signs."),
    })
    .refine(({ kind, value }) => value >= 0 || measuredKind(kind).signed, {
      path: ["value"],
      message: "That cannot be less than nothing.",
    })
    .refine(({ kind, frequency }) => frequency !== undefined || !measuredKind(kind).needsFrequency, {
      path: ["frequency"],
      message: "Say on which frequency: it says nothing without.",
    }),
  may: "work-at-bench",
  run: async (tx, { unit, meter, on, sure, ...input }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    if (on !== undefined && on > who.today) return bad({ kind: "ahead" as const });
    const rated = input.kind === "power" ? await ratedHere(tx, here.value) : undefined;
    if (!sure && isUnlikely(input.value, rated)) return bad({ kind: "unlikely" as const, rated: rated ?? 0 });
    const gear = meter === undefined ? undefined : (await gearRows(tx)).find((one) => one.id === meter);
    if (meter !== undefined && gear?.kind !== "meter") return bad({ kind: "no-meter" as const });
    const parsed = input.kind === "frequency error" ? parseCounterError : parseMeterError;
    if (gear && gear.error !== "" && !parsed(gear.error).ok)
      return bad({ kind: "error-unreadable" as const, tag: gear.tag, error: gear.error });
    const fields = {
      ...input,
      meter: gear?.tag ?? "",
      error: gear?.error ?? "",
      fullScale: gear && fullScaleOf(gear.rating),
    };
    await addMeasurement(tx, unit, who.person, fields, on === who.today ? undefined : on);
    const { kind, value } = input;
    return good({
      answer: {},
      log: [{ entry: { kind: "measured" as const, what: kind, value, meter: fields.meter }, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `a measurement of ${here.value.tag}` }],
    });
  },
});
