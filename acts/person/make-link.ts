// A keeper has a link made with which somebody chooses a password. Whoever has it can, once, within a day.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import { makeLink as make, personById } from "#db/club/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** The link itself is known to who asks; only its hash comes here. Problems: `no-person`; `cannot-sign-in`. */
export const makeLink = defineAct({
  name: "make-link",
  input: z.object({ person: id, tokenHash: z.string().regex(/^[0-9a-f]{64}$/) }),
  may: "edit-club",
  run: async (tx, { person, tokenHash }) => {
    const row = await personById(tx, person);
    if (!row) return bad({ kind: "no-person" as const });
    if (row.shelved_at !== null || row.email === null) return bad({ kind: "cannot-sign-in" as const });
    await make(tx, person, Buffer.from(tokenHash, "hex"));
    return good({ answer: {}, log: [{ entry: { kind: "link-made" as const, name: row.name } }] });
  },
});
