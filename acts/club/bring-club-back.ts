// A whole club comes back from its document, into a club that is new. All of it comes in, or nothing.
import { z } from "zod";
import { readClubDocument } from "#core/club/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { bringClubBack as bring } from "#db/club/index.ts";
import { isAway } from "#db/errors.ts";
import { defineAct } from "../define.ts";

/** Signs of a document at most; a larger club is taken by the commands for keeping and restoring. */
const LONGEST_CLUB = 400_000_000;

/** Problems: those of reading it; `newer`; `not-empty`; `unfit`, with what the tables themselves do not take. */
export const bringClubBack = defineAct({
  name: "bring-club-back",
  input: z.object({ text: z.string().max(LONGEST_CLUB) }),
  may: "edit-club",
  pace: "work",
  run: async (tx, { text }) => {
    const read = readClubDocument(text);
    if (!read.ok) return bad(read.problem);
    try {
      const brought = await bring(tx, read.value);
      if (!brought.ok) return bad({ kind: brought.problem });
      const { rows, filesMissing, madeAt } = brought;
      const entry = { kind: "club-changed" as const, what: `brought back from its document of ${madeAt}` };
      return good({
        answer: { rows, filesMissing },
        log: [{ entry }],
        touches: [{ scope: { of: "club" as const }, why: "the club's document" }],
      });
    } catch (error) {
      if (isAway(error)) throw error;
      // What a table does not take, or what cannot be worked out from it: nothing has happened.
      return bad({ kind: "unfit" as const, why: error instanceof Error ? error.message.slice(0, 200) : "" });
    }
  },
});
