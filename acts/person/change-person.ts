// Who somebody is gets corrected; whose role or address changes signs in anew.
import { bad, good } from "#core/quantities/index.ts";
import { type PersonFields, type PersonRow, personById, putPerson } from "#db/club/index.ts";
import { heldBy } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { personFields, personRefused, personShape, personStands } from "./person-fields.ts";

/** Problems: `no-person`; `address-taken`; `last-keeper`: the club keeps one who can sign in. */
export const changePerson = defineAct({
  name: "change-person",
  input: personShape.extend({ person: id }),
  may: "edit-club",
  corrects: {
    id: ({ person }) => person,
    stored: async (tx, { person }) => {
      const row = await personById(tx, person);
      return row && personStands(row);
    },
  },
  run: async (tx, { person, ...input }) => {
    const before = await personById(tx, person);
    if (!before) return bad({ kind: "no-person" as const });
    const fields = personFields(input);
    const what = whatChanged(before, fields);
    if (what === "") return good({ answer: {}, log: [] });
    try {
      await putPerson(tx, person, fields);
    } catch (error) {
      return personRefused(error);
    }
    return good({
      answer: {},
      log: [{ entry: { kind: "person-changed" as const, name: input.name, what } }],
      // What they may use may be something else for what they have.
      touches:
        before.licence_class === fields.licence
          ? []
          : [
              {
                scope: { of: "units" as const, ids: await heldBy(tx, person) },
                why: `the licence of ${input.name}`,
              },
            ],
    });
  },
});

function whatChanged(before: PersonRow, now: PersonFields): string {
  const parts = [
    before.name !== now.name && `name, before ${before.name}`,
    before.role !== now.role && `role ${now.role}, before ${before.role}`,
    before.email !== now.email && "address",
    before.call_sign !== now.callSign && "call sign",
    before.licence_class !== now.licence && "licence class",
  ];
  return parts.filter((part) => part !== false).join(", ");
}
