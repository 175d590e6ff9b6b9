// A repeater is put into the club's directory, or what stands of it is changed.
import { z } from "zod";
import { hertz } from "#core/modes/index.ts";
import { bad, good, sameValue } from "#core/quantities/index.ts";
import { accessShape, putRepeater, repeaterById } from "#db/codeplug/index.ts";
import { isDuplicate } from "#db/errors.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

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

async function stored(tx: Tx, { repeater }: { readonly repeater?: string | undefined }) {
  const row = repeater === undefined ? undefined : await repeaterById(tx, repeater);
  if (!row) return undefined;
  const { name, receive, transmit, digital, open, access, latitude, longitude, note } = row;
  const place = { latitude: latitude ?? undefined, longitude: longitude ?? undefined };
  return { fields: { name, receive, transmit, digital, open, access, ...place, note } };
}

/** Problems: `no-repeater`; `taken`, if another of that name is on that frequency. */
export const writeRepeater = defineAct({
  name: "write-repeater",
  input: z.object({ repeater: id.optional(), fields: repeaterFields }),
  may: "edit-plan",
  corrects: { id: ({ repeater }) => repeater, stored },
  run: async (tx, { repeater, fields }) => {
    const stands = await stored(tx, { repeater });
    if (repeater !== undefined && !stands) return bad({ kind: "no-repeater" as const });
    if (repeater !== undefined && sameValue(stands?.fields, fields))
      return good({ answer: { repeater }, log: [] });
    try {
      const put = await putRepeater(tx, repeater, fields);
      const entry = { kind: "repeater-written" as const, name: fields.name, receive: fields.receive };
      return good({ answer: { repeater: put }, log: [{ entry }] });
    } catch (error) {
      if (isDuplicate(error, "repeater_once")) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
