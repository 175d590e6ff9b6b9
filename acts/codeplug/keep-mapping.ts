// A dialect of channel tables is kept under a name: tables are read and written in it.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { channelMapping } from "#core/codeplug/index.ts";
import { good } from "#core/quantities/index.ts";
import { mappings, putMapping } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";

/** Under a name that is there already it takes its place. */
export const keepMapping = defineAct({
  name: "keep-mapping",
  input: z.object({
    name: z.string().trim().min(1, "A dialect has a name.").max(60, "At most 60 signs."),
    mapping: channelMapping,
  }),
  may: "work-at-bench",
  run: async (tx, { name, mapping }, who) => {
    const before = (await mappings(tx)).find((one) => one.name.toLowerCase() === name.toLowerCase());
    if (before && isDeepStrictEqual(before.mapping, mapping))
      return good({ answer: { mapping: before.id }, log: [] });
    const id = await putMapping(tx, name, mapping, who.person);
    const entry = { kind: "mapping-kept" as const, name, columns: mapping.columns.length };
    return good({ answer: { mapping: id }, log: [{ entry }] });
  },
});
