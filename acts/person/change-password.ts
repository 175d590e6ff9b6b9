// Somebody has chosen another password for themselves; every other session of theirs ends.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { setPassword } from "#db/club/index.ts";
import { defineAct } from "../define.ts";

/** A person changes the own password; all other sessions of theirs end. */
export const changePassword = defineAct({
  name: "change-password",
  input: z.object({ hash: z.string().min(1).max(300), session: z.string().regex(/^\d{1,18}$/) }),
  may: "look",
  run: async (tx, { hash, session }, who) => {
    await setPassword(tx, who.person, hash, session);
    return good({ answer: {}, log: [{ entry: { kind: "password-changed" as const, how: "own" as const } }] });
  },
});
