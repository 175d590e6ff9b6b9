// A list that a radio refers to by position is merged with another: who is there keeps their number. It makes a revision.
import { z } from "zod";
import { LIST_KINDS, mergeList as merged } from "#core/codeplug/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { addCodeplug, codeplugById } from "#db/codeplug/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";

const member = z.object({ key: z.string().trim().min(1).max(80), name: z.string().trim().max(120) });

/** `codeplug`: the revision of this radio that it is merged into. Problems: those of a unit; `no-codeplug`; `too-many`; `nothing`, if it is the same already. */
export const mergeList = defineAct({
  name: "merge-list",
  input: z.object({
    unit: id,
    codeplug: id,
    list: z.enum(LIST_KINDS),
    incoming: z.array(member).min(1, "Not one member.").max(20_000, "At most 20,000 members."),
  }),
  may: "work-at-bench",
  pace: "work",
  run: async (tx, { unit, codeplug, list, incoming }, who) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const row = await codeplugById(tx, codeplug);
    if (row?.unit_id !== unit || !row.channels) return bad({ kind: "no-codeplug" as const });
    const present = (row.lists[list]?.members ?? []).map((one) => one ?? undefined);
    const { list: after, added, renamed } = merged(present, incoming);
    if (after.length > 20_000) return bad({ kind: "too-many" as const });
    if (added.length + renamed.length === 0) return bad({ kind: "nothing" as const });
    const made = await addCodeplug(tx, {
      unit,
      source: "made",
      name: `${list} merged`,
      parent: row.id,
      by: who.person,
      channels: row.channels,
      lists: {
        ...row.lists,
        [list]: { by: row.lists[list]?.by ?? "position", members: after.map((one) => one ?? null) },
      },
    });
    const entry = { kind: "list-merged" as const, what: list, added: added.length, renamed: renamed.length };
    return good({ answer: { codeplug: made }, log: [{ entry, unit }] });
  },
});
