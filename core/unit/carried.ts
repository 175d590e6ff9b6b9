// How radios stand to the club's plan of channels, and how many of them stand so.

/** The plan itself; an earlier revision of it; a table of its own; nobody knows. */
export type Carries = "plan" | "older" | "other" | "unknown";

/** A table that is no revision of the plan; and that nobody knows which one it is. */
export const OTHER_TABLE = 0;
export const NOT_KNOWN = -1;

/**
 * How a radio stands to the plan.
 * @param carried the number of the last revision whose table for its model it carries; `OTHER_TABLE`; `NOT_KNOWN`.
 * @param newest the number of the revision that counts; undefined: there is no plan.
 */
export function carriesOf(carried: number, newest: number | undefined): Carries {
  if (carried === NOT_KNOWN) return "unknown";
  if (carried === OTHER_TABLE) return "other";
  return carried === newest ? "plan" : "older";
}

export type CarriedCount = { readonly units: number; readonly tags: readonly string[] };
export type CarriedCounts = CarriedCount & { readonly state: Carries };

const STATES: readonly Carries[] = ["plan", "older", "other", "unknown"];
// As the database orders tags: H-2 before H-10.
const inOrder = new Intl.Collator("en", { numeric: true });

/**
 * Counts of one model's radios, revision by revision and mode by mode, put together by how they stand to the plan. States that no radio is in are not told.
 * @param most so many tags of each state at most, the first in order; each count must bring as many of its own.
 */
export function countsOf(
  rows: readonly (CarriedCount & { readonly plan: number })[],
  newest: number | undefined,
  most: number,
): CarriedCounts[] {
  return STATES.flatMap((state) => {
    const alike = rows.filter((row) => carriesOf(row.plan, newest) === state);
    const units = alike.reduce((sum, row) => sum + row.units, 0);
    const tags = alike.flatMap((row) => row.tags).sort(inOrder.compare);
    return units === 0 ? [] : [{ state, units, tags: tags.slice(0, most) }];
  });
}
