// For rows whose radios may stand in two places: the two, so that one press says which. A few models at most have that open.

import { groupBy, type PlainDate } from "#core/quantities/index.ts";
import { loadCatalogues } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { type BoardRow, needsOfUnit } from "#db/unit/index.ts";
import { type Counting, ordersOf } from "../shared/how-counted.tsx";
import { releaseNamer } from "../ui/words/unit/preview.ts";

/** So many models are asked about on one page; the others are on their radios' pages. */
const MOST = 10;

/** Radios of one model that show the same can stand in the same places: they are asked about once. */
export const countingKey = (row: Pick<BoardRow, "model_id" | "component_id" | "raw">): string =>
  JSON.stringify([row.model_id, row.component_id, row.raw]);

export async function countingOf(
  tx: Tx,
  rows: readonly BoardRow[],
  today: PlainDate,
): Promise<ReadonlyMap<string, Counting>> {
  const open = rows.filter(({ cause }) => cause === "uncounted");
  const asked = [...groupBy(open, countingKey)]
    .flatMap(([key, [first]]) => (first ? [[key, first] as const] : []))
    .slice(0, MOST);
  const found = new Map<string, Counting>();
  if (asked.length === 0) return found;
  const catalogues = await loadCatalogues(tx, [...new Set(asked.map(([, row]) => row.model_id))]);
  for (const [key, { unit_id, model_id: model, component_id: component }] of asked) {
    const need = (await needsOfUnit(tx, unit_id, today)).find(
      (one) => one.cause === "uncounted" && one.component_id === component,
    );
    const orders = ordersOf(need?.because ?? [], {
      release: releaseNamer(catalogues.get(model) ?? new Map()),
    });
    if (orders.length > 0) found.set(key, { model, component, orders });
  }
  return found;
}
