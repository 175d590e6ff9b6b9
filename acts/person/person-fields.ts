// Who somebody is in the club, as the form and the acts take it: the one shape, with its bounds.
import { z } from "zod";
import { LONGEST_ADDRESS, ROLES, readRole } from "#core/club/index.ts";
import { bad } from "#core/quantities/index.ts";
import { isLastKeeper, type PersonFields, type PersonRow } from "#db/club/index.ts";
import { isDuplicate } from "#db/errors.ts";

export const personShape = z.object({
  name: z.string({ error: "A person has a name." }).trim().min(1).max(100, "At most 100 signs."),
  role: z.enum(ROLES),
  email: z
    .email({ error: "An e-mail address such as wren@example.org, or nothing." })
    .max(LONGEST_ADDRESS, `At most ${LONGEST_ADDRESS} signs.`)
    .optional(),
  callSign: z.string().trim().max(20, "At most 20 signs.").optional(),
  licence: z.string().trim().max(60, "At most 60 signs.").optional(),
});

/** Somebody as they stand, in the same shape. */
export const personStands = (row: PersonRow): z.infer<typeof personShape> => ({
  name: row.name,
  role: readRole(row.role),
  email: row.email ?? undefined,
  callSign: row.call_sign ?? undefined,
  licence: row.licence_class ?? undefined,
});

/** A person as the database keeps one. */
export const personFields = (told: z.infer<typeof personShape>): PersonFields => ({
  name: told.name,
  role: told.role,
  email: told.email ?? null,
  callSign: told.callSign || null,
  licence: told.licence || null,
});

/** What the database refuses about people, as problems: an address that is taken, a club without a keeper. */
export function personRefused(error: unknown) {
  if (isDuplicate(error, "person_email")) return bad({ kind: "address-taken" as const });
  if (isLastKeeper(error)) return bad({ kind: "last-keeper" as const });
  throw error;
}
