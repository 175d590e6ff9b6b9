// For rows whose radios may stand in two places: the two, so that one press says which. A few models at most have that open.

import type { PlainDate } from "#core/quantities/date.ts";
import { type BoardRow, needsOfUnit } from "#db/board.ts";
import { loadCatalogues } from "#db/facts.ts";
import type { Tx } from "#db/pool.ts";
import type { Counting } from "../shared/how-counted.tsx";
import { releaseNamer } from "../ui/words/preview.ts";
import { sayWhere } from "../ui/words/standing.ts";

/** So many models are asked about on one page; the others are on their radios' pages. */
const MOST = 10;

/** By `unit component`. */
export async function countingOf(
  tx: Tx,
  rows: readonly BoardRow[],
  today: PlainDate,
): Promise<ReadonlyMap<string, Counting>> {
  const open = rows.filter(({ cause }) => cause === "uncounted");
  const found = new Map<string, Counting>();
  if (open.length === 0) return found;
  const catalogues = await loadCatalogues(tx, [...new Set(open.map((row) => row.model_id))].slice(0, MOST));
  for (const row of open) {
    const catalogue = catalogues.get(row.model_id);
    const own =
      catalogue &&
      (await needsOfUnit(tx, row.unit_id, today)).find(
        (need) => need.cause === "uncounted" && need.component_id === row.component_id,
      );
    const places = own?.because.flatMap((fact) => (fact.kind === "two-places" ? fact.places : [])) ?? [];
    if (!catalogue || places.length === 0) continue;
    const names = { release: releaseNamer(catalogue) };
    found.set(`${row.unit_id} ${row.component_id}`, {
      ...{ model: row.model_id, component: row.component_id },
      orders: places.map((place) => ({ numbering: place.numbering, where: sayWhere(place, names) })),
    });
    if (found.size >= MOST) break;
  }
  return found;
}
