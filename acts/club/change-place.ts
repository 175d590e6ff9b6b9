// A place is corrected.
import { bad, good } from "#core/quantities/index.ts";
import { places, putPlace } from "#db/club/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { placeShape, readKind } from "./place-fields.ts";

/** Problems: `no-place`; `taken`, if another place has that name. */
export const changePlace = defineAct({
  name: "change-place",
  input: placeShape.extend({ place: id }),
  may: "edit-club",
  corrects: {
    id: ({ place }) => place,
    stored: async (tx, { place }) => {
      const row = (await places(tx)).find((p) => p.id === place);
      return row && { name: row.name, kind: readKind(row.kind), note: row.note };
    },
  },
  run: async (tx, { place, ...input }) => {
    const before = (await places(tx)).find((p) => p.id === place);
    if (!before) return bad({ kind: "no-place" as const });
    if (before.name === input.name && before.kind === input.kind && before.note === input.note)
      return good({ answer: {}, log: [] });
    try {
      await putPlace(tx, place, input);
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
    return good({
      answer: {},
      log: [{ entry: { kind: "club-changed" as const, what: `the place ${input.name}` } }],
    });
  },
});
