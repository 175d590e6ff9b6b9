// A thing of the kit goes on the shelf; not while something still refers to it.
import { z } from "zod";
import { KINDS } from "#core/kit/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { loadKnown, shelveThing as shelve, usersOf, valuesOf } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { kindShape } from "./thing-fields.ts";

/** Problems: `no-thing`; `in-use`, with what still has it. */
export const shelveThing = defineAct({
  name: "shelve-thing",
  input: z.object({ kind: kindShape, thing: id }),
  may: "edit-kit",
  run: async (tx, { kind: name, thing }) => {
    const kind = KINDS[name];
    const row = (await valuesOf(tx, name, await loadKnown(tx))).find((one) => one.id === thing);
    if (!row) return bad({ kind: "no-thing" as const });
    const users = await usersOf(tx, kind.table, thing);
    if (users.length > 0) return bad({ kind: "in-use" as const, users });
    await shelve(tx, kind.table, thing);
    const what = `${kind.one} ${row[kind.name] ?? ""}`;
    return good({
      answer: {},
      log: [{ entry: { kind: "kit-shelved" as const, what } }],
      touches: [{ scope: { of: "club" as const }, why: what }],
    });
  },
});
