// The wall's units with their moss, standing and readings, and what the cabinet needs.
import { URGENCIES } from "#core/firmware/catalogue.ts";
import { type StandingName, standingOf } from "#core/firmware/standing.ts";
import { type MossLevel, mossOf } from "#core/needs/moss.ts";
import { type SummaryItem, summarise } from "#core/needs/summary.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { groupBy } from "#core/quantities/group.ts";
import { openNeeds } from "#db/board.ts";
import { loadFacts, policyOf } from "#db/facts.ts";
import type { Tx } from "#db/pool.ts";
import { wallUnits } from "#db/units.ts";
import { releaseNamer } from "../unit/say.ts";

export type Drawer = {
  readonly id: string;
  readonly tag: string;
  readonly model: string;
  readonly moss: MossLevel;
  readonly safety: boolean;
  readonly community: boolean;
  readonly standing: StandingName;
  readonly version: string | undefined;
  readonly others: readonly string[];
  readonly components: readonly string[];
  readonly group: string | null;
  readonly holder: string | null;
  readonly holderId: string | null;
  readonly dueBack: PlainDate | null;
  readonly held: boolean;
  readonly needs: number;
};

export type Shelf = { readonly name: string; readonly drawers: readonly Drawer[] };

export type SaidItem = SummaryItem & {
  readonly tags: readonly string[];
  readonly releaseName?: string;
  readonly modelName?: string;
};

export async function loadWall(tx: Tx, today: PlainDate): Promise<{ shelves: Shelf[]; items: SaidItem[] }> {
  const rows = await wallUnits(tx);
  const facts = await loadFacts(tx, { of: "club" });
  const needs = await openNeeds(tx, today);
  const byUnit = groupBy(needs, (need) => need.unit_id);
  const known = new Map(facts.units.map((unit) => [unit.id, unit]));
  const tags = new Map(rows.map((row) => [row.id, row]));
  const places = new Map<string, Drawer[]>();
  for (const row of rows) {
    const unit = known.get(row.id);
    const catalogue = facts.catalogues.get(row.model_id);
    if (!unit || !catalogue) continue;
    const components = [...catalogue.values()];
    const standings = components.map((c) =>
      standingOf(unit, c.component.id, catalogue, policyOf(facts, unit), today),
    );
    const [main] = standings;
    const own = byUnit.get(row.id) ?? [];
    const running = main?.release === undefined ? undefined : components[0]?.byId.get(main.release);
    const drawer: Drawer = {
      id: row.id,
      tag: row.tag,
      model: row.model,
      moss: mossOf(
        own.map((n) => ({ dueFrom: n.due_from, urgency: URGENCIES[n.urgency] ?? "routine" })),
        today,
      ),
      safety: own.some((n) => n.urgency === 2),
      community: running?.track === "community",
      standing: main?.standing ?? "unread",
      version: main?.reading?.raw,
      others: standings
        .slice(1)
        .map((s, i) => `${components[i + 1]?.component.name} ${s.reading?.raw ?? "not read"}`),
      components: components.map((c) => c.component.name),
      group: row.group_name,
      holder: row.holder,
      holderId: row.holder_id,
      dueBack: row.due_back,
      held: row.hold_until !== null && row.hold_until >= today,
      needs: own.length,
    };
    const place = row.place ?? "No place yet";
    const shelf = places.get(place);
    if (shelf) shelf.push(drawer);
    else places.set(place, [drawer]);
  }
  const items = summarise(
    needs.map((n) => ({
      unit: n.unit_id,
      model: tags.get(n.unit_id)?.model_id ?? "",
      component: n.component_id,
      cause: n.cause,
      doing: n.doing,
      urgency: URGENCIES[n.urgency] ?? "routine",
      dueFrom: n.due_from,
      targets: n.targets,
    })),
    rows.map((row) => ({
      unit: row.id,
      away: row.holder !== null,
      ...(row.due_back && { dueBack: row.due_back }),
    })),
    today,
  );
  return {
    shelves: [...places].map(([name, drawers]) => ({ name, drawers })),
    items: items.map((item) => ({
      ...item,
      tags: item.units.map((id) => tags.get(id)?.tag ?? "?"),
      ...(item.kind === "safety" && {
        modelName: tags.get(item.units[0] ?? "")?.model ?? "",
        releaseName:
          item.release && releaseNamer(facts.catalogues.get(item.model) ?? new Map())(item.release),
      }),
    })),
  };
}
