// A digital ID or a call sign: that one is wanted for a radio or a person, that it was asked for, that it has come.
import { isDeepStrictEqual } from "node:util";
import { z } from "zod";
import { bad, good, plainDate } from "#core/quantities/index.ts";
import { personById } from "#db/club/index.ts";
import { identityById, putIdentity } from "#db/codeplug/index.ts";
import { unitById } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** `identity`: the one that is changed; without it `unit` or `owner` says whose a new one is. Problems: `no-identity`; `nobody`, if it is neither's. */
export const noteIdentity = defineAct({
  name: "note-identity",
  input: z.object({
    identity: id.optional(),
    unit: id.optional(),
    owner: id.optional(),
    kind: z.enum(["digital", "call"]),
    value: z.string().trim().min(1).max(20, "At most 20 signs.").optional(),
    askedOn: plainDate.optional(),
    usuallyDays: z.number().int().min(0).max(3650).optional(),
    note: z.string().trim().max(300, "At most 300 signs."),
  }),
  may: "edit-plan",
  run: async (tx, { identity, unit, owner, ...fields }, who) => {
    const before = identity === undefined ? undefined : await identityById(tx, identity);
    if (identity !== undefined && !before) return bad({ kind: "no-identity" as const });
    const radio = before ? before.unit_id : unit;
    const person = before ? before.owner_id : owner;
    const tag = radio ? (await unitById(tx, radio))?.tag : undefined;
    const name = person ? (await personById(tx, person))?.name : undefined;
    const whose = tag ?? name;
    if (whose === undefined || (tag !== undefined && name !== undefined))
      return bad({ kind: "nobody" as const });
    if (
      before &&
      isDeepStrictEqual(
        [before.value, before.asked_on, before.usually_days, before.note],
        [fields.value ?? null, fields.askedOn ?? null, fields.usuallyDays ?? null, fields.note],
      )
    )
      return good({ answer: { identity: before.id }, log: [] });
    const put = await putIdentity(
      tx,
      identity,
      { ...fields, unit: tag === undefined ? undefined : (radio ?? undefined), owner: person ?? undefined },
      who.person,
    );
    const entry = {
      kind: "identity-noted" as const,
      what: before?.kind ?? fields.kind,
      whose,
      how:
        fields.value !== undefined
          ? ("there" as const)
          : fields.askedOn
            ? ("asked" as const)
            : ("wanted" as const),
      value: fields.value ?? "",
    };
    return good({
      answer: { identity: put },
      log: [{ entry, ...(radio && { unit: radio }) }],
      touches: radio ? [{ scope: { of: "units" as const, ids: [radio] }, why: `an ID of ${whose}` }] : [],
    });
  },
});
