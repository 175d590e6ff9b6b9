// Somebody ends sessions of their own: one, or all but one.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { endSessions as end } from "#db/club/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** A person ends own sessions: one, or all but this one. */
export const endSessions = defineAct({
  name: "end-sessions",
  input: z.object({ which: z.union([z.object({ only: id }), z.object({ butFor: id })]) }),
  may: "look",
  run: async (tx, { which }, who) => {
    const count = await end(tx, who.person, which);
    const entry = { kind: "sessions-ended" as const, count };
    return good({ answer: { count }, log: count > 0 ? [{ entry }] : [] });
  },
});
