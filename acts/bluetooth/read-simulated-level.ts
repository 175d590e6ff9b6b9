// A simulated device is asked how full it is, and what it answers is noted.
import { z } from "zod";
import { chargeNow } from "#core/bluetooth/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { now } from "#db/clock.ts";
import { addCharge, chargesOf, deviceById } from "#db/kit/index.ts";
import { simulatedLevel } from "#simulators/bluetooth/air.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { chargedOf } from "./charge-notes.ts";

/** Problems: `no-device`; `real`, if none is simulated for it; `no-battery`. */
export const readSimulatedLevel = defineAct({
  name: "read-simulated-level",
  input: z.object({ device: id }),
  may: "work-at-bench",
  run: async (tx, { device }, who) => {
    const here = await deviceById(tx, device);
    if (!here) return bad({ kind: "no-device" as const });
    if (!here.simulated) return bad({ kind: "real" as const });
    if (here.battery !== "sound") return bad({ kind: "no-battery" as const });
    const at = (await now(tx)).getTime();
    const known = chargeNow(chargedOf(here, await chargesOf(tx, device)), at);
    const seed = Number(device) % 100_000;
    const percent = simulatedLevel(seed, known.kind === "known" ? known.percent : undefined, at);
    await addCharge(tx, who.person, { device, kind: "level", how: "read", percent });
    return good({
      answer: { percent },
      log: [
        {
          entry: { kind: "charge-noted" as const, device: here.tag, how: "level" as const, percent },
          ...(here.kind === "radio" && here.unit_id && { unit: here.unit_id }),
        },
      ],
    });
  },
});
