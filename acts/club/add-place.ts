// A place where radios live is added.
import { bad, good } from "#core/quantities/index.ts";
import { putPlace } from "#db/club/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { defineAct } from "../define.ts";
import { placeShape } from "./place-fields.ts";

/** Problem: `taken`, if a place has that name. */
export const addPlace = defineAct({
  name: "add-place",
  input: placeShape,
  may: "edit-club",
  run: async (tx, input) => {
    try {
      const place = await putPlace(tx, undefined, input);
      return good({
        answer: { place },
        log: [{ entry: { kind: "place-added" as const, name: input.name } }],
      });
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
