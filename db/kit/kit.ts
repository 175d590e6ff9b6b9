// A club's kit as core wants it, and the tries that tell how well it goes. A club's kit is prepared once and kept as long as its stamp stays.

import { z } from "zod";
import {
  type Attempt,
  type Chip,
  GRADES,
  type Operation,
  type PreparedKit,
  prepareKit,
  SYSTEMS,
  type System,
} from "#core/kit/index.ts";
import { kept, Memo } from "#core/quantities/index.ts";
import { ask } from "../ask.ts";
import { only } from "../only.ts";
import { pool, type Tx } from "../pool.ts";
import {
  adapterOf,
  adapterRows,
  type ConnectorRow,
  chipOf,
  computersOf,
  connectorRows,
  leadOf,
  leadRows,
  ruleOf,
  ruleRows,
} from "./rows.ts";
import { offerOf, offerRows, toolsOf } from "./tool-rows.ts";

export const namedRow = z.object({ id: z.string(), name: z.string() });
export type NamedRow = z.output<typeof namedRow>;

/** A club's kit with the names of what core knows by id. */
export type KnownKit = {
  readonly prepared: PreparedKit;
  readonly connectors: readonly ConnectorRow[];
  readonly drivers: readonly NamedRow[];
  /** The connectors that go by a name, in any case of letters. */
  readonly connectorOf: ReadonlyMap<string, string>;
  readonly currency: string;
};

const keptBy = new WeakMap<object, Memo<string, KnownKit>>();
const MOST_KEPT = 20;

export async function loadKit(tx: Tx): Promise<KnownKit> {
  const { rows } = await ask(
    tx,
    z.object({ stamp: z.string(), currency: z.string() }),
    "select id || ' ' || kit_stamp stamp, currency from club where id = current_club()",
  );
  const { stamp, currency } = only(rows);
  return kitOf(tx, stamp, currency);
}

/** The kit of a club as its stamp has it. */
export async function kitOf(tx: Tx, stamp: string, currency: string): Promise<KnownKit> {
  const all = kept(keptBy, pool(), () => new Memo<string, KnownKit>(MOST_KEPT));
  const known = all.set(stamp, all.peek(stamp) ?? (await readKit(tx, currency)));
  return known.currency === currency ? known : { ...known, currency };
}

async function readKit(tx: Tx, currency: string): Promise<KnownKit> {
  const connectors = await connectorRows(tx);
  const drivers = await ask(
    tx,
    namedRow,
    "select id, name from driver where shelved_at is null order by name",
  );
  return {
    prepared: prepareKit({
      leads: (await leadRows(tx)).map(leadOf),
      adapters: (await adapterRows(tx)).map(adapterOf),
      computers: await computersOf(tx),
      rules: (await ruleRows(tx)).map(ruleOf),
      tools: await toolsOf(tx),
      attempts: await attemptsOf(tx),
      offers: (await offerRows(tx)).map(offerOf),
    }),
    connectors,
    drivers: drivers.rows,
    connectorOf: new Map(connectors.map((c) => [c.name.toLowerCase(), c.id])),
    currency,
  };
}

async function attemptsOf(tx: Tx): Promise<Attempt[]> {
  const { rows } = await ask(
    tx,
    z.object({
      lead_id: z.string().nullable(),
      computer_id: z.string(),
      tool_id: z.string().nullable(),
      chip_family: z.string().nullable(),
      chip_grade: z.enum(GRADES).nullable(),
      driver_id: z.string().nullable(),
      system: z.enum(SYSTEMS),
      system_version: z.string(),
      worked: z.boolean(),
      settled: z.boolean(),
    }),
    `select lead_id, computer_id, tool_id, chip_family, chip_grade, driver_id, system, system_version, worked, settled
     from attempt where struck_at is null order by id`,
  );
  return rows.map((row) => ({
    ...(row.lead_id && { lead: row.lead_id }),
    computer: row.computer_id,
    ...(row.tool_id && { tool: row.tool_id }),
    ...chipOf({ chip_family: row.chip_family, chip_grade: row.chip_grade ?? "unknown" }),
    ...(row.driver_id && { driver: row.driver_id }),
    system: row.system,
    systemVersion: row.system_version,
    worked: row.worked,
    settled: row.settled,
  }));
}

/** The connectors at the radios of some models, as their dossiers name them; names that are no connector are left out. */
export async function plugsOf(
  tx: Tx,
  models: readonly string[],
  kit: KnownKit | Promise<KnownKit>,
): Promise<Map<string, string[]>> {
  const [{ rows }, known] = await Promise.all([
    ask(
      tx,
      z.object({ id: z.string(), plugs: z.array(z.string()).nullable() }),
      "select id, identity -> 'plugs' plugs from model where id = any($1::bigint[])",
      [models],
    ),
    kit,
  ]);
  return plugsIn(rows, known);
}

/** The connectors of plugs as dossiers name them, by model. */
export const plugsIn = (
  models: readonly { readonly id: string; readonly plugs: readonly string[] | null }[],
  { connectorOf }: KnownKit,
): Map<string, string[]> =>
  new Map(
    models.map(({ id, plugs }) => [
      id,
      (plugs ?? []).flatMap((name) => connectorOf.get(name.toLowerCase()) ?? []),
    ]),
  );

export type AttemptFields = {
  readonly unit: string | null;
  readonly operation: Operation;
  readonly lead: string | null;
  readonly computer: string;
  readonly tool: string | null;
  readonly chip: Chip | undefined;
  readonly driver: string | null;
  readonly system: System;
  readonly systemVersion: string;
  readonly worked: boolean;
  readonly settled: boolean;
  readonly symptom: string;
  readonly by: string;
  readonly receipt?: string;
  readonly at?: string;
};

/** Notes a try; false if the same form came twice. */
export async function addAttempt(tx: Tx, a: AttemptFields): Promise<boolean> {
  const { rowCount } = await tx.query(
    `insert into attempt (club_id, unit_id, operation, lead_id, computer_id, tool_id, chip_family, chip_grade, driver_id, system,
       system_version, worked, settled, symptom, person_id, receipt, at)
     values (current_club(), $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, coalesce($15::uuid, gen_random_uuid()),
       coalesce($16::timestamptz, now())) on conflict (club_id, receipt) do nothing`,
    [
      a.unit,
      a.operation,
      a.lead,
      a.computer,
      a.tool,
      a.chip?.family ?? null,
      a.chip?.grade ?? null,
      a.driver,
      a.system,
      a.systemVersion,
      a.worked,
      a.settled,
      a.symptom,
      a.by,
      a.receipt ?? null,
      a.at ?? null,
    ],
  );
  return rowCount === 1;
}

/** False if prices were in it already. */
export async function putCurrency(tx: Tx, currency: string): Promise<boolean> {
  const { rowCount } = await tx.query(
    "update club set currency = $1 where id = current_club() and currency is distinct from $1",
    [currency],
  );
  return rowCount === 1;
}

export const tryRow = z.object({
  id: z.string(),
  lead: z.string().nullable(),
  computer: z.string(),
  tool: z.string().nullable(),
  tag: z.string().nullable(),
  worked: z.boolean(),
  settled: z.boolean(),
  symptom: z.string(),
  at: z.date(),
  person: z.string().nullable(),
  struck_why: z.string().nullable(),
});
export type TryRow = z.output<typeof tryRow>;

/** The last tries with a lead, a computer or a tool, newest first, struck ones too. */
export async function triesWith(
  tx: Tx,
  what: "lead" | "computer" | "tool",
  id: string,
  limit: number,
): Promise<TryRow[]> {
  const { rows } = await ask(
    tx,
    tryRow,
    `select a.id, l.tag lead, c.name computer, t.name tool, u.tag, a.worked, a.settled, a.symptom, a.at, p.name person, a.struck_why
     from attempt a
     join computer c on c.club_id = a.club_id and c.id = a.computer_id
     left join lead l on l.club_id = a.club_id and l.id = a.lead_id
     left join tool t on t.club_id = a.club_id and t.id = a.tool_id
     left join unit u on u.club_id = a.club_id and u.id = a.unit_id
     left join person p on p.club_id = a.club_id and p.id = a.person_id
     where a.${what}_id = $1 order by a.at desc, a.id desc limit $2`,
    [id, limit],
  );
  return rows;
}

/** Strikes a try; undefined if there is none such, or it was struck before. */
export async function strikeTry(
  tx: Tx,
  id: string,
  why: string,
): Promise<{ readonly unit_id: string | null } | undefined> {
  const { rows } = await ask(
    tx,
    z.object({ unit_id: z.string().nullable() }),
    `update attempt set struck_at = now(), struck_by = current_setting('mossy.person')::bigint, struck_why = $2
     where id = $1 and struck_at is null returning unit_id`,
    [id, why],
  );
  return rows[0];
}

/** What leads and computers are called, in order: to say with what something was done. */
export async function kitNames(tx: Tx): Promise<{ leads: string[]; computers: string[] }> {
  const { rows } = await ask(
    tx,
    z.object({ leads: z.array(z.string()), computers: z.array(z.string()) }),
    `select array(select tag from lead where shelved_at is null order by tag collate natural_order limit 500) leads,
       array(select name from computer where shelved_at is null order by name collate natural_order limit 500) computers`,
  );
  return rows[0] ?? { leads: [], computers: [] };
}
