// A repeater is put into the club's directory, or what stands of it is changed.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { hertz } from "#core/modes/band.ts";
import { bad, good } from "#core/quantities/result.ts";
import { isDuplicate } from "#db/errors.ts";
import { accessShape, putRepeater, repeaterById } from "#db/repeaters.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";

export const repeaterFields = z
  .object({
    name: z.string().trim().min(1, "A repeater has a name.").max(60, "At most 60 signs."),
    receive: hertz,
    transmit: hertz,
    digital: z.boolean(),
    open: z.boolean(),
    access: accessShape,
    latitude: z.number().min(-90).max(90).optional(),
    longitude: z.number().min(-180).max(180).optional(),
    note: z.string().trim().max(300, "At most 300 signs."),
  })
  .refine((one) => (one.latitude === undefined) === (one.longitude === undefined), {
    path: ["longitude"],
    message: "Degrees north and east, or neither.",
  });

/** Problems: `no-repeater`; `taken`, if another of that name is on that frequency. */
export const writeRepeater = defineAct({
  name: "write-repeater",
  input: z.object({ repeater: id.optional(), fields: repeaterFields }),
  may: "edit-plan",
  run: async (tx, { repeater, fields }) => {
    const before = repeater === undefined ? undefined : await repeaterById(tx, repeater);
    if (repeater !== undefined && !before) return bad({ kind: "no-repeater" as const });
    if (before) {
      const { latitude, longitude, ...rest } = fields;
      const now = { ...rest, latitude: latitude ?? null, longitude: longitude ?? null };
      const stands = Object.fromEntries(
        Object.keys(now).map((name) => [name, before[name as keyof typeof before]]),
      );
      if (isDeepStrictEqual(stands, now)) return good({ answer: { repeater: before.id }, log: [] });
    }
    try {
      const put = await putRepeater(tx, repeater, fields);
      const entry = { kind: "repeater-written" as const, name: fields.name, receive: fields.receive };
      return good({ answer: { repeater: put }, log: [{ entry }], topics: ["club" as const] });
    } catch (error) {
      if (isDuplicate(error, "repeater_once")) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
