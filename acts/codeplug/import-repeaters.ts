// A table of repeaters comes into the club's directory: who is there already, by name and frequency, is changed, the others are added.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { putRepeater, repeaters } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";
import { repeaterFields } from "./write-repeater.ts";

/** Nothing is taken out. What is twice in it counts as it is there last. */
export const importRepeaters = defineAct({
  name: "import-repeaters",
  input: z.object({
    /** The file's name, or how else it came. */
    name: z.string().trim().max(200),
    list: z.array(repeaterFields).min(1, "Not one repeater.").max(2000, "At most 2,000 at once."),
  }),
  may: "edit-plan",
  pace: "work",
  run: async (tx, { name, list }) => {
    const keyOf = (one: { readonly name: string; readonly receive: number }) =>
      `${one.name.toLowerCase()} ${one.receive}`;
    const there = new Map((await repeaters(tx)).map((row) => [keyOf(row), row]));
    const wanted = new Map(list.map((one) => [keyOf(one), one]));
    let added = 0;
    let changed = 0;
    for (const [key, { latitude, longitude, ...fields }] of wanted) {
      const row = there.get(key);
      // A table without places takes none away.
      const place = {
        latitude: latitude ?? row?.latitude ?? null,
        longitude: longitude ?? row?.longitude ?? null,
      };
      const now = { ...fields, ...place };
      const stands =
        row && Object.fromEntries(Object.keys(now).map((field) => [field, row[field as keyof typeof row]]));
      if (stands && isDeepStrictEqual(stands, now)) continue;
      await putRepeater(tx, row?.id, {
        ...fields,
        latitude: place.latitude ?? undefined,
        longitude: place.longitude ?? undefined,
      });
      if (row) changed++;
      else added++;
    }
    if (added + changed === 0) return good({ answer: { added, changed }, log: [] });
    const entry = { kind: "repeaters-imported" as const, file: name, added, changed };
    return good({ answer: { added, changed }, log: [{ entry }] });
  },
});
