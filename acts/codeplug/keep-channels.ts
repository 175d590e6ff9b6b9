// The channels of a radio, as a table had them, are kept; the last ones count.
import { z } from "zod";
import { codeplugChannel, MOST_CHANNELS } from "#core/codeplug/index.ts";
import { good } from "#core/quantities/index.ts";
import { addCodeplug, codeplugNow, sumOf } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

/** Problems: those of a unit. */
export const keepChannels = defineAct({
  name: "keep-channels",
  input: z.object({
    unit: id,
    /** The file's name, or how else they came. */
    name: z.string().trim().max(200),
    channels: z.array(codeplugChannel).min(1, "Not one channel.").max(MOST_CHANNELS),
  }),
  may: "work-at-bench",
  pace: "work",
  run: async (tx, { unit, name, channels }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const last = await codeplugNow(tx, unit);
    if (last?.sum === sumOf(channels)) return good({ answer: {}, log: [] });
    await addCodeplug(tx, {
      unit,
      source: "brought",
      name,
      channels,
      by: who.person,
      parent: last?.id,
      lists: last?.lists,
    });
    const entry = { kind: "channels-kept" as const, what: name, channels: channels.length };
    return good({
      answer: {},
      log: [{ entry, unit }],
      touches: [{ scope: { of: "units" as const, ids: [unit] }, why: `channels of ${here.value.tag}` }],
    });
  },
});
