// The carrier of a radio and its harmonics, as a meter showed them, are written down; with the attenuation, and what the meter may be off by.
import { z } from "zod";
import { harmonicOf, lineShape, parseMeterError } from "#core/measure/index.ts";
import { bad, good, plainDate } from "#core/quantities/index.ts";
import { gearRows } from "#db/kit/index.ts";
import { addSpectrum, limitsOf } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

export const MOST_LINES = 30;

/**
 * Problems: those of a unit; `ahead`; `no-meter`; `no-limit`; `no-harmonic`, with a frequency that is no multiple of the carrier's;
 * `above-carrier`, with one that is stronger than what is called the carrier.
 */
export const noteSpectrum = defineAct({
  name: "note-spectrum",
  input: z.object({
    unit: id,
    carrier: lineShape,
    lines: z.array(lineShape).max(MOST_LINES, "At most 30 harmonics."),
    attenuation: z.number().min(0, "Nothing or more, in dB.").max(200, "At most 200 dB."),
    /** A meter of the kit. */
    meter: id.optional(),
    /** In dBm: its own noise, and the most before it makes harmonics itself. */
    floor: z.number().min(-300).max(100).optional(),
    most: z.number().min(-300).max(100).optional(),
    limit: id.optional(),
    on: plainDate.optional(),
    note: z.string().trim().max(500, "At most 500 signs."),
  }),
  may: "work-at-bench",
  run: async (tx, { unit, meter, on, limit, floor, most, ...input }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    if (on !== undefined && on > who.today) return bad({ kind: "ahead" as const });
    const gear = meter === undefined ? undefined : (await gearRows(tx)).find((one) => one.id === meter);
    if (meter !== undefined && gear?.kind !== "meter") return bad({ kind: "no-meter" as const });
    if (limit !== undefined && !(await limitsOf(tx)).some((one) => one.id === limit))
      return bad({ kind: "no-limit" as const });
    const { carrier, lines } = input;
    const stray = lines.find((line) => harmonicOf(carrier.frequency, line.frequency) === undefined);
    if (stray) return bad({ kind: "no-harmonic" as const, frequency: stray.frequency });
    const above = lines.find((line) => line.dbm > carrier.dbm);
    if (above) return bad({ kind: "above-carrier" as const, frequency: above.frequency });
    const error = gear && parseMeterError(gear.error);
    // A share of reading or scale says nothing of decibels.
    const off = error?.ok ? error.value.decibels : undefined;
    const known = {
      ...(off !== undefined && { error: off }),
      ...(floor !== undefined && { floor }),
      ...(most !== undefined && { most }),
    };
    const tag = gear?.tag ?? "";
    await addSpectrum(
      tx,
      unit,
      who.person,
      { ...input, known, limit, meter: tag },
      on === who.today ? undefined : on,
    );
    const entry = { kind: "spectrum-taken" as const, carrier: carrier.frequency, harmonics: lines.length };
    return good({ answer: {}, log: [{ entry: { ...entry, meter: tag }, unit }] });
  },
});
