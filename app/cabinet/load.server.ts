// The wall's units with their moss, standing and readings, and what the cabinet needs.

import type { BatteryState } from "#core/kit/index.ts";
import { type Action, type MossLevel, mossOf, type SummaryItem, summarise } from "#core/needs/index.ts";
import { groupBy, type PlainDate } from "#core/quantities/index.ts";
import { URGENCIES } from "#core/release/index.ts";
import { type Standing, type StandingName, standingsOf } from "#core/unit/index.ts";
import { now as nowIn } from "#db/clock.ts";
import { modesByModel } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { drawersOfWall, loadSituations, openNeeds, type WallNeed } from "#db/unit/index.ts";
import { loadCharge } from "../shared/load-charge.server.ts";
import { releaseNamer } from "../ui/words/unit/preview.ts";

/** What a drawer shows; what is not so is left out, since there are hundreds of them. */
export type Drawer = {
  readonly tag: string;
  readonly model: string;
  readonly moss: MossLevel;
  readonly standing: StandingName;
  readonly version?: string;
  readonly safety?: true;
  readonly community?: true;
  readonly group?: string;
  readonly holder?: string;
  readonly dueBack?: PlainDate;
  readonly mode?: string;
  /** Its model has one way only. */
  readonly plain?: true;
  /** In its mode it transmits where its user may not. */
  readonly beyond?: true;
  /** In percent, of one whose battery is looked after; asked for under the lens of charge only. */
  readonly charge?: number | "unknown" | Exclude<BatteryState, "sound">;
  /** How many needs are open. */
  readonly needs?: number;
};

/** The drawer that is pulled open. */
export type ChosenDrawer = {
  readonly drawer: Drawer;
  readonly components: readonly string[];
  /** What its other parts run. */
  readonly others: readonly string[];
  readonly holderId: string | null;
  /** How its first part stands, and what is due for it, the most pressing first. */
  readonly standing: Standing | undefined;
  readonly due: readonly (Pick<WallNeed, "kind" | "cause" | "targets" | "urgency"> & {
    readonly component: string;
    readonly dueFrom: PlainDate;
    readonly action: Action;
  })[];
  /** Versions by their ids. */
  readonly releases: Readonly<Record<string, string>>;
};

export type Shelf = { readonly name: string; readonly drawers: readonly Drawer[] };

export type SaidItem = SummaryItem & {
  readonly tags: readonly string[];
  readonly releaseName?: string;
  readonly modelName?: string;
};

export type LoadedWall = {
  readonly shelves: Shelf[];
  readonly items: SaidItem[];
  readonly chosen?: ChosenDrawer;
};

/** How full the batteries are that are looked after, by the radio. */
async function chargesByUnit(tx: Tx): Promise<Map<string, NonNullable<Drawer["charge"]>>> {
  const { rows, now } = await loadCharge(tx, (await nowIn(tx)).getTime());
  return new Map(
    rows.flatMap(({ id, kind, unit_id }) => {
      const known = now.get(id);
      if (kind !== "radio" || unit_id === null || !known) return [];
      const charge =
        known.kind === "known"
          ? Math.round(known.percent)
          : known.kind === "out"
            ? known.battery
            : known.kind;
      return [[unit_id, charge] as const];
    }),
  );
}

/** `chosen` is the tag of the drawer to pull open, in any case of letters. */
export async function loadWall(
  tx: Tx,
  today: PlainDate,
  chosen?: string | null,
  lens?: string,
): Promise<LoadedWall> {
  const wanted = chosen?.toLowerCase();
  let open: ChosenDrawer | undefined;
  const [rows, situations, needs] = await Promise.all([
    drawersOfWall(tx),
    loadSituations(tx, { of: "club" }, today),
    openNeeds(tx, today),
  ]);
  const withModes = lens === "mode" ? await modesByModel(tx) : undefined;
  const charges = lens === "charge" ? await chargesByUnit(tx) : undefined;
  const byUnit = groupBy(needs, (need) => need.unit_id);
  const tags = new Map(rows.map((row) => [row.id, row]));
  const places = new Map<string, Drawer[]>();
  /** Of which something was read. */
  const known = new Set<string>();
  for (const row of rows) {
    const situation = situations.of.get(row.id);
    if (!situation) continue;
    const standings = standingsOf(situation);
    if (standings.some(({ reading }) => reading !== undefined)) known.add(row.id);
    const own = byUnit.get(row.id) ?? [];
    const drawer: Drawer = {
      ...drawerOf(row, situation, standings, own, today),
      ...(withModes && !withModes.has(situation.unit.model) && { plain: true }),
      ...(charges?.has(row.id) && { charge: charges.get(row.id) ?? "unknown" }),
    };
    if (row.tag.toLowerCase() === wanted) open = openedDrawer(drawer, row, situation, standings, own);
    const place = row.place ?? "No place yet";
    const shelf = places.get(place);
    if (shelf) shelf.push(drawer);
    else places.set(place, [drawer]);
  }
  const items = summarise(
    needs.map((need) => countedNeed(need, tags)),
    rows.map((row) => ({ unit: row.id, read: known.has(row.id), atBench: row.at_bench })),
    today,
  );
  return {
    ...(open && { chosen: open }),
    shelves: [...places].map(([name, drawers]) => ({ name, drawers })),
    items: items.map((item) => ({
      ...item,
      tags: item.units.map((id) => tags.get(id)?.tag ?? "?"),
      ...(item.kind === "safety" && {
        modelName: tags.get(item.units[0] ?? "")?.model ?? "",
        releaseName:
          item.release && releaseNamer(situations.catalogues.get(item.model) ?? new Map())(item.release),
      }),
    })),
  };
}

type Row = Awaited<ReturnType<typeof drawersOfWall>>[number];
type Situation = NonNullable<ReturnType<Awaited<ReturnType<typeof loadSituations>>["of"]["get"]>>;
type Standings = ReturnType<typeof standingsOf>;
type Need = Awaited<ReturnType<typeof openNeeds>>[number];

const countedNeed = (need: Need, tags: ReadonlyMap<string, Row>) => ({
  unit: need.unit_id,
  model: tags.get(need.unit_id)?.model_id ?? "",
  component: need.component_id,
  kind: need.kind,
  cause: need.cause,
  action: need.action,
  urgency: URGENCIES[need.urgency] ?? ("routine" as const),
  dueFrom: need.due_from,
  targets: need.targets,
});

function drawerOf(
  row: Row,
  situation: Situation,
  [main]: Standings,
  own: readonly Need[],
  today: PlainDate,
): Drawer {
  const [first] = situation.catalogue.values();
  const running = main?.release === undefined ? undefined : first?.byId.get(main.release);
  const version = main?.reading?.raw;
  const dues = own.map((n) => ({ dueFrom: n.due_from, urgency: URGENCIES[n.urgency] ?? "routine" }));
  return {
    tag: row.tag,
    model: row.model,
    moss: mossOf(dues, today),
    standing: main?.standing ?? "unread",
    ...(version !== undefined && { version }),
    ...(own.some((n) => n.urgency === 2) && { safety: true }),
    ...(running?.track === "community" && { community: true }),
    ...(row.group_name !== null && { group: row.group_name }),
    ...(row.holder !== null && { holder: row.holder }),
    ...(row.due_back !== null && { dueBack: row.due_back }),
    ...(situation.unit.mode && { mode: situation.unit.mode.now.name }),
    ...(own.some((n) => n.cause === "transmits-beyond") && { beyond: true }),
    ...(own.length > 0 && { needs: own.length }),
  };
}

/** What the drawer shows once it is pulled open. */
function openedDrawer(
  drawer: Drawer,
  row: Row,
  situation: Situation,
  standings: Standings,
  own: readonly Need[],
): ChosenDrawer {
  const components = [...situation.catalogue.values()];
  return {
    drawer,
    components: components.map((c) => c.component.name),
    others: standings
      .slice(1)
      .map((s, i) => `${components[i + 1]?.component.name} ${s.reading?.raw ?? "not read"}`),
    holderId: row.holder_id,
    standing: standings[0],
    due: own.map(({ kind, cause, targets, urgency, component_id, due_from, action }) => ({
      kind,
      cause,
      targets,
      urgency,
      dueFrom: due_from,
      action,
      component: components.find(({ component }) => component.id === component_id)?.component.name ?? "",
    })),
    releases: Object.fromEntries(components.flatMap((c) => c.releases.map((r) => [r.id, r.version]))),
  };
}
