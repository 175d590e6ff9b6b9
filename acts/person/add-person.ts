// Somebody comes into the club.
import { good, must } from "#core/quantities/index.ts";
import { putPerson } from "#db/club/index.ts";
import { defineAct } from "../define.ts";
import { personFields, personRefused, personShape } from "./person-fields.ts";

/** Problem: `address-taken`. */
export const addPerson = defineAct({
  name: "add-person",
  input: personShape,
  may: "edit-club",
  run: async (tx, input) => {
    try {
      const person = must(await putPerson(tx, undefined, personFields(input)), "the new person");
      return good({
        answer: { person },
        log: [{ entry: { kind: "person-added" as const, name: input.name, role: input.role } }],
      });
    } catch (error) {
      return personRefused(error);
    }
  },
});
