// A programmer keeps a profile: a file that was read from one of our radios, under a name.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { addProfile, deviceById, profilesOf } from "#db/kit/index.ts";
import { backupById } from "#db/run/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problems: `no-device`; `not-programmer`; `no-backup`; `taken`, if it keeps another of that name. */
export const keepProfile = defineAct({
  name: "keep-profile",
  input: z.object({
    device: id,
    backup: id,
    name: z.string().trim().min(1, "A profile has a name.").max(80, "At most 80 signs."),
  }),
  may: "work-at-bench",
  run: async (tx, { device, backup, name }, who) => {
    const here = await deviceById(tx, device);
    if (!here) return bad({ kind: "no-device" as const });
    if (here.kind !== "programmer") return bad({ kind: "not-programmer" as const });
    const base = await backupById(tx, backup);
    if (!base) return bad({ kind: "no-backup" as const });
    const others = await profilesOf(tx, device);
    if (others.some((one) => one.name.toLowerCase() === name.toLowerCase()))
      return bad({ kind: "taken" as const });
    const profile = await addProfile(tx, { device, name, backup, by: who.person });
    return good({
      answer: { profile },
      log: [
        {
          entry: { kind: "profile-kept" as const, device: here.tag, name, from: base.tag },
          unit: base.unit_id,
        },
      ],
    });
  },
});
