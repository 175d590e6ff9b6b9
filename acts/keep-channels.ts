// The channels of a radio, as a table had them, are kept; the last ones count.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { MOST_CHANNELS } from "#core/codeplug/channel-table.ts";
import { channelShape } from "#core/modes/mode.ts";
import { good } from "#core/quantities/result.ts";
import { addChannels, channelsOf } from "#db/channels.ts";
import { defineAct } from "./define.ts";
import { id } from "./shapes.ts";
import { unitHere } from "./unit-here.ts";

/** Problems: those of a unit. */
export const keepChannels = defineAct({
  name: "keep-channels",
  input: z.object({
    unit: id,
    /** The file's name, or how else they came. */
    name: z.string().trim().max(200),
    channels: z.array(channelShape).min(1, "Not one channel.").max(MOST_CHANNELS),
  }),
  may: "work-at-bench",
  pace: "work",
  run: async (tx, { unit, name, channels }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const last = await channelsOf(tx, unit);
    if (last && isDeepStrictEqual(last.channels, channels)) return good({ answer: {}, log: [] });
    await addChannels(tx, { unit, name, channels, by: who.person });
    const entry = { kind: "channels-kept" as const, what: name, channels: channels.length };
    return good({ answer: {}, log: [{ entry, unit }] });
  },
});
