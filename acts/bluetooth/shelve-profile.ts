// A profile goes on the shelf: it is written into nothing any more. Where it was written stays known.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { deviceById, profileById, shelveProfile as shelve } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problems: `no-profile`. */
export const shelveProfile = defineAct({
  name: "shelve-profile",
  input: z.object({ profile: id }),
  may: "work-at-bench",
  run: async (tx, { profile }) => {
    const here = await profileById(tx, profile);
    if (!here || !(await shelve(tx, profile))) return bad({ kind: "no-profile" as const });
    const device = (await deviceById(tx, here.device_id))?.tag ?? "";
    return good({
      answer: {},
      log: [{ entry: { kind: "profile-shelved" as const, device, name: here.name } }],
    });
  },
});
