// The plan that pairs a radio with a device of ours.
import { z } from "zod";
import { isOutOfUse } from "#core/kit/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { composePair } from "#core/run/index.ts";
import { deviceById } from "#db/kit/index.ts";
import { unitById } from "#db/unit/index.ts";
import { pairFacts } from "../bluetooth/pair-facts.ts";
import { id } from "../shapes.ts";
import { defineErrand } from "./errand.ts";

/** Problems: `no-device`. */
export const pair = defineErrand({
  shape: z.object({ device: id }),
  isWork: false,
  plan: async ({ tx, situation: { unit } }, asked) => {
    const device = await deviceById(tx, asked.device);
    const row = await unitById(tx, unit.id);
    if (!device || !row || isOutOfUse(device.battery) || device.unit_id === unit.id)
      return bad({ kind: "no-device" });
    return good({
      plan: composePair(await pairFacts(tx, unit, row.tag, device)),
      title: `Pair it with ${device.tag}`,
      things: [],
      ways: [],
      erasing: [],
    });
  },
});
