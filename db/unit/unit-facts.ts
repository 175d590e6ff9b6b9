// Loads what the computations need of units: what each is, with the newest reading of each component and who has it.

import { z } from "zod";
import type { InMode, Segment } from "#core/modes/index.ts";
import { groupBy, type PlainDate } from "#core/quantities/index.ts";
import { carriesOf, NOT_KNOWN, type Reading, type UnitFacts } from "#core/unit/index.ts";
import { ask, countRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

/** Which units a change concerns. */
export const scopeShape = z.discriminatedUnion("of", [
  z.object({ of: z.literal("units"), ids: z.array(z.string()).readonly() }),
  z.object({ of: z.literal("model"), id: z.string() }),
  z.object({ of: z.literal("group"), id: z.string() }),
  z.object({ of: z.literal("club") }),
]);
export type Scope = Readonly<z.output<typeof scopeShape>>;

export type KnownUnit = UnitFacts & {
  readonly model: string;
  readonly group: string | null;
  /** With somebody now. */
  readonly away: boolean;
};

/** The condition that selects a scope's units from `unit u`; its value is $1. */
export function scopeCondition(scope: Scope): { where: string; values: unknown[] } {
  switch (scope.of) {
    case "units":
      return { where: "u.id = any($1::bigint[])", values: [scope.ids] };
    case "model":
      return { where: "u.model_id = $1", values: [scope.id] };
    case "group":
      return { where: "u.group_id = $1", values: [scope.id] };
    case "club":
      return { where: "$1::boolean", values: [true] };
  }
}

/** The condition that selects what belongs to a scope's units by its `unit_id`. */
export const theirsOf = (scope: Scope): string =>
  scope.of === "units"
    ? "unit_id = any($1::bigint[])"
    : `unit_id in (select u.id from unit u where ${scopeCondition(scope).where})`;

// Each kind of row is found for all units at once, and comes as one list of lists: that takes us a third of reading lines.
/** `words` are told as text, nothing at all as ""; `typed` is what somebody typed, as it is. */
const list = (words: readonly string[], ...typed: readonly string[]) => {
  const cells = [...words.map((word) => `coalesce((${word})::text, '')`), ...typed];
  return `json_agg(json_build_array(${cells.join(", ")}))`;
};
export const listed = z.array(z.array(z.string().nullable())).nullable();
type Listed = z.output<typeof listed>;
export const cellsOf = <Cells>(rows: Listed): Cells[] => (rows ?? []) as Cells[];

/** A scope's units that are not shelved, as the database tells them. */
const unitRows = z.object({ units: listed });
export type UnitCells = [
  id: string,
  model: string,
  group: string,
  hardwareRevision: string,
  addedOn: PlainDate,
  holdUntil: PlainDate | "",
  region: string | null,
  holdWhy: string | null,
];
/** The units of a list that is called `u` as one value. */
export const unitList = `select ${list(
  ["id", "model_id", "group_id", "hardware_revision_id", "added_on", "hold_until"],
  "region",
  "hold_why",
)}`;

const seenRows = z.object({
  readings: listed,
  custody: listed,
  backups: listed,
  modes: listed,
  measured: listed,
  unpaired: listed,
  plugs: listed,
  awaited: listed,
});
type SeenRows = z.output<typeof seenRows>;
type ReadingCells = [
  unit: string,
  id: string,
  component: string,
  source: Reading["source"],
  on: PlainDate | "",
  raw: string,
];
type BackupCells = [unit: string, on: PlainDate, writtenOn: PlainDate | ""];
type CustodyCells = [
  unit: string,
  backOn: PlainDate | "",
  away: "away" | "",
  dueBack: PlainDate | "",
  licence: string | null,
];
type MeasuredCells = [unit: string, on: PlainDate, flashedOn: PlainDate | ""];
type UnpairedCells = [unit: string, why: "dropped" | "failed" | "lost", on: PlainDate, device: string];
type PlugCells = [unit: string, plan: string, since: PlainDate, carried: string, on: PlainDate | ""];
type AwaitedCells = [
  unit: string,
  what: "digital" | "call",
  since: PlainDate,
  askedOn: PlainDate | "",
  by: PlainDate | "",
];
type ModeCells = [unit: string, mode: string, on: PlainDate];
const dayIn = (instant: string) => `(${instant} at time zone (select time_zone from club))::date`;
const ON = dayIn("read_at");
const seen = (theirs: string, only = "") => `
  (select ${list(["unit_id", "id", "component_id", "source", ON], "raw")} readings
   from (select distinct on (unit_id, component_id) * from reading where ${theirs}${only} and struck_at is null
         order by unit_id, component_id, placed_at desc, id desc) newest) r,
  (select ${list(["unit_id", "back", "case when away then 'away' end", "due"], "licence")} custody
   from (select unit_id, max(back_on) back, bool_or(back_on is null) away, max(due_back) filter (where back_on is null) due,
           max((select p.licence_class from person p where p.club_id = c.club_id and p.id = c.person_id)) filter (where back_on is null) licence
         from custody c where ${theirs} group by unit_id) had) c,
  (select ${list(["unit_id", "measured", "flashed"])} measured
   from (select m.unit_id, max(${dayIn("m.at")}) measured,
           (select max(${dayIn("r.read_at")}) from reading r where r.club_id = m.club_id and r.unit_id = m.unit_id
              and r.source = 'flash' and r.struck_at is null) flashed
         from measurement m where ${theirs} and m.kind = 'power' and m.struck_at is null group by m.club_id, m.unit_id) last) p,
  (select ${list(["unit_id", "kind", dayIn("at")], "device")} unpaired
   from (select g.unit_id, last.kind, last.at,
           case d.kind when 'programmer' then (select l.tag from lead l where l.club_id = d.club_id and l.id = d.lead_id) else d.tag end device
         from (select * from pairing where ended_at is null and ${theirs}) g
         join device d on d.club_id = g.club_id and d.id = g.device_id and d.shelved_at is null
         cross join lateral (select e.kind, e.at from pairing_event e where e.club_id = g.club_id and e.pairing_id = g.id
           order by e.at desc, e.id desc limit 1) last
         where last.kind <> 'proved') broken) q,
  (select ${list(["unit_id", "plan", dayIn("since"), "carried", `case when carried <> ${NOT_KNOWN} then ${dayIn("at")} end`])} plugs
   from (select o.unit_id, t.number plan, t.issued_at since, n.at, o.plan carried
         from carrying o
         join (select t.club_id, t.model_id, l.number, l.issued_at from plan_table t
               join channel_plan l on l.club_id = t.club_id and l.id = t.plan_id
               where l.number = (select max(number) from channel_plan where issued_at is not null)) t
           on t.club_id = o.club_id and t.model_id = o.model_id
         left join codeplug_now n on n.club_id = o.club_id and n.unit_id = o.unit_id
         where ${theirs.replaceAll("unit_id", "o.unit_id")} and o.plan <> t.number) unlike) g,
  (select ${list(["unit_id", "kind", dayIn("at"), "asked_on", "asked_on + usually_days"])} awaited
   from (select * from identity where ${theirs} and shelved_at is null and value is null order by id) wanted) i,
  (select ${list(["unit_id", "mode_id", dayIn("at")])} modes
   from (select distinct on (unit_id) unit_id, mode_id, at from unit_mode where ${theirs}
         order by unit_id, at desc, id desc) last) m,
  (select ${list(["unit_id", "kept", "written"])} backups
   from (select b.unit_id, max(${dayIn("b.kept_at")}) kept,
           (select max(${dayIn("r.read_at")}) from reading r where r.club_id = b.club_id and r.unit_id = b.unit_id
              and r.source = 'flash' and r.struck_at is null) written
         from backup b where ${theirs} group by b.club_id, b.unit_id) last) b`;

/** The units that are not shelved, each with the newest reading of each component. */
export async function loadUnits(tx: Tx, scope: Scope, air: Air, component?: string): Promise<KnownUnit[]> {
  const { where, values } = scopeCondition(scope);
  const only = component === undefined ? "" : " and component_id = $2";
  const { rows } = await ask(
    tx,
    unitRows.extend(seenRows.shape),
    `select * from (${unitList} units from unit u where u.shelved_at is null and ${where}) u, ${seen(theirsOf(scope), only)}`,
    component === undefined ? values : [...values, component],
  );
  const [row] = rows;
  return row ? knownUnits(cellsOf(row.units), row, air) : [];
}

/** The same as `loadUnits`, of units that were locked: what is asked for now was saved before the lock was had. */
export async function loadLocked(tx: Tx, units: readonly UnitCells[], air: Air): Promise<KnownUnit[]> {
  const ids = units.map(([id]) => id);
  const { rows } = await ask(tx, seenRows, `select * from ${seen(theirsOf({ of: "units", ids }))}`, [ids]);
  const [row] = rows;
  return row ? knownUnits(units, row, air) : [];
}

/** Modes and band plan: the same objects for all units. */
export type Air = { readonly modes: ReadonlyMap<string, InMode>; readonly plan: readonly Segment[] };

/** Not spread into new objects: by the ten thousand, that takes longer than asking the database. */
function knownUnits(
  units: readonly UnitCells[],
  { readings, custody, backups, modes, measured, unpaired, plugs, awaited }: SeenRows,
  air: Air,
): KnownUnit[] {
  const readingsOf = new Map<string, Reading[]>();
  for (const [unit, id, component, source, on, raw] of cellsOf<ReadingCells>(readings)) {
    // Of each component it is the only one: nothing has to be put in order any more.
    const reading: Writable<Reading> = { id, component, raw, source, at: "" };
    if (on) reading.on = on;
    const known = readingsOf.get(unit);
    if (known) known.push(reading);
    else readingsOf.set(unit, [reading]);
  }
  const custodyOf = new Map(cellsOf<CustodyCells>(custody).map((cells) => [cells[0], cells]));
  const measuredOf = new Map(cellsOf<MeasuredCells>(measured).map((cells) => [cells[0], cells]));
  const unpairedOf = groupBy(cellsOf<UnpairedCells>(unpaired), (cells) => cells[0]);
  const plugOf = new Map(cellsOf<PlugCells>(plugs).map((cells) => [cells[0], cells]));
  const awaitedOf = groupBy(cellsOf<AwaitedCells>(awaited), (cells) => cells[0]);
  const modeOf = new Map(cellsOf<ModeCells>(modes).map((cells) => [cells[0], cells]));
  const backupOf = new Map(cellsOf<BackupCells>(backups).map((cells) => [cells[0], cells]));
  return units.map(([id, model, groupId, hardwareRevision, addedOn, holdUntil, region, holdWhy]) => {
    const [, backOn, now, dueBack, licence] = custodyOf.get(id) ?? [];
    const [group, away, read] = [groupId || null, now === "away", readingsOf.get(id) ?? []];
    const unit: Writable<KnownUnit> = { id, model, group, away, addedOn, readings: read };
    if (hardwareRevision) unit.hardwareRevision = hardwareRevision;
    if (region !== null) unit.region = region;
    if (backOn) unit.backOn = backOn;
    if (dueBack) unit.dueBack = dueBack;
    const kept = backupOf.get(id);
    if (kept) unit.backup = { on: kept[1], ...(kept[2] && { writtenOn: kept[2] }) };
    const last = measuredOf.get(id);
    if (last) unit.measured = { on: last[1], ...(last[2] && { flashedOn: last[2] }) };
    const broken = unpairedOf.get(id);
    if (broken) unit.unpaired = broken.map(([, why, on, device]) => ({ device, why, on }));
    const plug = plugOf.get(id);
    if (plug) {
      const [, plan, planSince, carriedOne, on] = plug;
      const has = carriesOf(Number(carriedOne), Number(plan));
      if (has !== "plan") unit.codeplug = { plan: Number(plan), since: planSince, has, ...(on && { on }) };
    }
    const wanted = awaitedOf.get(id);
    if (wanted)
      unit.awaited = wanted.map(([, what, wantedSince, askedOn, by]) => ({
        what,
        since: wantedSince,
        ...(askedOn && { askedOn }),
        ...(by && { by }),
      }));
    if (away) unit.holder = licence ? { class: licence } : {};
    const [, modeId = "", since] = modeOf.get(id) ?? [];
    const mode = air.modes.get(modeId);
    if (mode && since) {
      const holder = unit.holder && { holder: unit.holder };
      unit.mode = { now: mode, on: since, ...holder, plan: air.plan };
    }
    if (holdUntil) unit.hold = { until: holdUntil, why: holdWhy ?? "" };
    return unit;
  });
}
type Writable<T> = { -readonly [K in keyof T]: T[K] };

/** How many units a change concerns. */
export async function scopeSize(tx: Tx, scope: Scope): Promise<number> {
  const { where, values } = scopeCondition(scope);
  const { rows } = await ask(
    tx,
    countRow,
    `select count(*)::int n from unit u where u.shelved_at is null and ${where}`,
    values,
  );
  return rows[0]?.n ?? 0;
}

export type ByModel = { readonly model: string; readonly id: string };

/** A scope's units behind a place in the order of models and ids: those of one model need its catalogue once. */
export async function loadByModel(tx: Tx, scope: Scope, after: ByModel): Promise<ByModel[]> {
  const { where, values } = scopeCondition(scope);
  const { rows } = await ask(
    tx,
    z.object({ units: z.array(z.tuple([z.string(), z.string()])) }),
    `select coalesce(json_agg(array[u.model_id::text, u.id::text] order by u.model_id, u.id), '[]') units
     from unit u where u.shelved_at is null and ${where} and (u.model_id, u.id) > ($2, $3)`,
    [...values, after.model, after.id],
  );
  return (rows[0]?.units ?? []).map(([model, id]) => ({ model, id }));
}

/** The models of a scope's units, as a condition on `model`; that of a model that is asked for is here, whether it has units or not. */
export const modelsOf = (scope: Scope) =>
  scope.of === "model"
    ? "id = $1"
    : `id in (select u.model_id from unit u where u.shelved_at is null and ${scopeCondition(scope).where})`;
