// Needs that are alike: one row that opens, in the place of a hundred that say the same.
import { groupBy } from "#core/quantities/index.ts";
import type { ShownRow } from "./shown.server.ts";

/** So many rows that say the same are one. */
export const LEAST_ALIKE = 8;

export type Bundle = { readonly key: string; readonly rows: readonly ShownRow[] };

// As the database orders tags: H-2 before H-10.
const inOrder = new Intl.Collator("en", { numeric: true });

/** What a row says, but for whose it is, where it is and since when. */
const sayingOf = ({ model, kind, component, raw, urgency, says, tooling }: ShownRow): string =>
  JSON.stringify([model, kind, component, raw ?? "", urgency ?? "", says, tooling ?? ""]);

/** Rows in their order, alike ones together at the place of the first; fewer than `LEAST_ALIKE` stand by themselves. */
export function bundled(rows: readonly ShownRow[]): (ShownRow | Bundle)[] {
  const by = groupBy(rows, sayingOf);
  const told = new Set<string>();
  return rows.flatMap((row): (ShownRow | Bundle)[] => {
    const key = sayingOf(row);
    const alike = by.get(key) ?? [];
    if (alike.length < LEAST_ALIKE) return [row];
    if (told.has(key)) return [];
    told.add(key);
    return [{ key, rows: [...alike].sort((a, b) => inOrder.compare(a.tag, b.tag)) }];
  });
}
