// Somebody leaves the club's lists and is signed out; what history says of them stays.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { personById, shelvePerson as shelve } from "#db/club/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { personRefused } from "./person-fields.ts";

/** Problems: `no-person`; `last-keeper`. */
export const shelvePerson = defineAct({
  name: "shelve-person",
  input: z.object({ person: id }),
  may: "edit-club",
  run: async (tx, { person }) => {
    const before = await personById(tx, person);
    if (!before) return bad({ kind: "no-person" as const });
    if (before.shelved_at !== null) return good({ answer: {}, log: [] });
    try {
      await shelve(tx, person);
    } catch (error) {
      return personRefused(error);
    }
    return good({
      answer: {},
      log: [{ entry: { kind: "person-changed" as const, name: before.name, what: "shelved" } }],
    });
  },
});
