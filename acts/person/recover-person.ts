// Somebody who had left comes back.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { personById, recoverPerson as recover } from "#db/club/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { personRefused } from "./person-fields.ts";

/** Problems: `no-person`; `address-taken`, if somebody else has the address by now. */
export const recoverPerson = defineAct({
  name: "recover-person",
  input: z.object({ person: id }),
  may: "edit-club",
  run: async (tx, { person }) => {
    const before = await personById(tx, person);
    if (!before) return bad({ kind: "no-person" as const });
    try {
      if (!(await recover(tx, person))) return good({ answer: {}, log: [] });
    } catch (error) {
      return personRefused(error);
    }
    return good({ answer: {}, log: [{ entry: { kind: "person-recovered" as const, name: before.name } }] });
  },
});
