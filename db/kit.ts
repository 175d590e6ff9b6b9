// Statements about kit, read as core wants it. A club's kit is prepared once and kept as long as its stamp stays.
import type { z } from "zod";
import type { Source } from "#core/dossier/source.ts";
import type { Range } from "#core/firmware/range.ts";
import { type PreparedKit, prepareKit } from "#core/kit/chain.ts";
import type {
  Adapter,
  AdapterKind,
  Attempt,
  Chip,
  Computer,
  ComputerKind,
  Condition,
  DriverRule,
  Grade,
  Lead,
  LeadKind,
  Offer,
  Operation,
  RuleSays,
  runsOnShape,
  System,
  Tool,
  WordSize,
} from "#core/kit/shapes.ts";
import { groupBy } from "#core/quantities/group.ts";
import { pool, type Tx } from "./pool.ts";

export type ConnectorRow = {
  id: string;
  name: string;
  shape: string;
  pins: number | null;
  keyed: boolean;
  way: string;
};
export type NamedRow = { id: string; name: string };

/** A club's kit with the names of what core knows by id. */
export type KnownKit = {
  readonly prepared: PreparedKit;
  readonly connectors: readonly ConnectorRow[];
  readonly drivers: readonly NamedRow[];
  /** The connectors that go by a name, in any case of letters. */
  readonly connectorOf: ReadonlyMap<string, string>;
  readonly currency: string;
};

const keptBy = new WeakMap<object, Map<string, KnownKit>>();
const MOST_KEPT = 20;

export async function loadKit(tx: Tx): Promise<KnownKit> {
  const { rows } = await tx.query<{ stamp: string; currency: string }>(
    "select id || ' ' || kit_stamp stamp, currency from club where id = current_club()",
  );
  const { stamp = "", currency = "EUR" } = rows[0] ?? {};
  const kept = keptBy.get(pool()) ?? new Map<string, KnownKit>();
  keptBy.set(pool(), kept);
  const known = kept.get(stamp) ?? (await readKit(tx, currency));
  kept.delete(stamp);
  kept.set(stamp, known);
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(oldest);
  }
  return known.currency === currency ? known : { ...known, currency };
}

async function readKit(tx: Tx, currency: string): Promise<KnownKit> {
  const connectors = await connectorRows(tx);
  const drivers = await tx.query<NamedRow>(
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

export async function connectorRows(tx: Tx): Promise<ConnectorRow[]> {
  const { rows } = await tx.query<ConnectorRow>(
    "select id, name, shape, pins, keyed, way from connector where shelved_at is null order by name",
  );
  return rows;
}

type Chipped = { chip_family: string | null; chip_grade: Grade };
const chipOf = (row: Chipped): { chip?: Chip } =>
  row.chip_family === null ? {} : { chip: { family: row.chip_family, grade: row.chip_grade } };

export type LeadRow = Chipped & {
  id: string;
  tag: string;
  kind: LeadKind;
  radio_end: string;
  computer_end: string | null;
  usb_vendor: number | null;
  usb_product: number | null;
  carries_data: boolean;
  condition: Condition;
  place_id: string | null;
  place: string | null;
  holder_id: string | null;
  holder: string | null;
  note: string;
};

export async function leadRows(tx: Tx): Promise<LeadRow[]> {
  const { rows } = await tx.query<LeadRow>(
    `select l.id, l.tag, l.kind, l.radio_end, l.computer_end, l.chip_family, l.chip_grade, l.usb_vendor, l.usb_product, l.carries_data,
       l.condition, l.place_id, p.name place, l.holder_id, h.name holder, l.note
     from lead l left join place p on p.club_id = l.club_id and p.id = l.place_id
     left join person h on h.club_id = l.club_id and h.id = l.holder_id
     where l.shelved_at is null order by l.tag collate natural_order`,
  );
  return rows;
}

const leadOf = (row: LeadRow): Lead => ({
  id: row.id,
  tag: row.tag,
  kind: row.kind,
  radioEnd: row.radio_end,
  ...(row.computer_end !== null && { computerEnd: row.computer_end }),
  ...chipOf(row),
  carriesData: row.carries_data,
  condition: row.condition,
  ...(row.holder !== null && { holder: row.holder }),
});

export type AdapterRow = Chipped & {
  id: string;
  tag: string;
  kind: AdapterKind;
  end_a: string;
  end_b: string;
  carries_data: boolean;
  condition: Condition;
  place_id: string | null;
  place: string | null;
  holder_id: string | null;
  holder: string | null;
  note: string;
};

export async function adapterRows(tx: Tx): Promise<AdapterRow[]> {
  const { rows } = await tx.query<AdapterRow>(
    `select a.id, a.tag, a.kind, a.end_a, a.end_b, a.chip_family, a.chip_grade, a.carries_data, a.condition, a.place_id, p.name place,
       a.holder_id, h.name holder, a.note
     from adapter a left join place p on p.club_id = a.club_id and p.id = a.place_id
     left join person h on h.club_id = a.club_id and h.id = a.holder_id
     where a.shelved_at is null order by a.tag collate natural_order`,
  );
  return rows;
}

const adapterOf = (row: AdapterRow): Adapter => ({
  id: row.id,
  tag: row.tag,
  kind: row.kind,
  ends: [row.end_a, row.end_b],
  ...chipOf(row),
  carriesData: row.carries_data,
  condition: row.condition,
  ...(row.holder !== null && { holder: row.holder }),
});

export type ComputerRow = {
  id: string;
  name: string;
  kind: ComputerKind;
  system: System;
  version: string;
  bits: WordSize;
  bluetooth: boolean;
  admin: boolean;
  condition: Condition;
  place_id: string | null;
  place: string | null;
  note: string;
  ports: string[];
  drivers: [string, string][];
  tools: [string, string][];
};

export async function computerRows(tx: Tx): Promise<ComputerRow[]> {
  const { rows } = await tx.query<ComputerRow>(
    `select c.id, c.name, c.kind, c.system, c.version, c.bits, c.bluetooth, c.admin, c.condition, c.place_id, p.name place, c.note,
       array(select connector_id::text from computer_port o where o.club_id = c.club_id and o.computer_id = c.id order by 1) ports,
       coalesce((select jsonb_agg(jsonb_build_array(driver_id::text, version) order by driver_id) from computer_driver d
         where d.club_id = c.club_id and d.computer_id = c.id), '[]') drivers,
       coalesce((select jsonb_agg(jsonb_build_array(tool_id::text, version) order by tool_id) from computer_tool t
         where t.club_id = c.club_id and t.computer_id = c.id), '[]') tools
     from computer c left join place p on p.club_id = c.club_id and p.id = c.place_id
     where c.shelved_at is null order by c.name`,
  );
  return rows;
}

const computersOf = async (tx: Tx): Promise<Computer[]> =>
  (await computerRows(tx)).map(({ drivers, tools, ...row }) => ({
    ...row,
    drivers: new Map(drivers),
    tools: new Map(tools),
  }));

export type RuleRow = {
  id: string;
  family: string;
  grade: Grade | null;
  system: System;
  system_versions: Range | null;
  bits: WordSize | null;
  says: RuleSays;
  driver_id: string | null;
  range: Range | null;
  source: Source;
};

export async function ruleRows(tx: Tx): Promise<RuleRow[]> {
  const { rows } = await tx.query<RuleRow>(
    `select id, family, grade, system, system_versions, bits, says, driver_id, range, source from driver_rule
     where shelved_at is null order by family, system, id`,
  );
  return rows;
}

const ruleOf = (row: RuleRow): DriverRule => ({
  id: row.id,
  family: row.family,
  ...(row.grade && { grade: row.grade }),
  system: row.system,
  ...(row.system_versions && { systemVersions: row.system_versions }),
  ...(row.bits && { bits: row.bits }),
  says: row.says,
  ...(row.driver_id && { driver: row.driver_id }),
  ...(row.range && { range: row.range }),
  source: row.source,
});

export type ToolRow = {
  id: string;
  name: string;
  runs_on: z.infer<typeof runsOnShape>[];
  matches_firmware: boolean;
  note: string;
};
export type SupportRow = {
  tool_id: string;
  model_id: string;
  model: string;
  operations: Operation[];
  versions: Range | null;
  component: string | null;
  firmware: Range | null;
};

export async function toolRows(tx: Tx): Promise<{ tools: ToolRow[]; supports: Map<string, SupportRow[]> }> {
  const tools = await tx.query<ToolRow>(
    "select id, name, runs_on, matches_firmware, note from tool where shelved_at is null order by name",
  );
  const supports = await tx.query<SupportRow>(
    `select s.tool_id, s.model_id, m.name model, s.operations, s.versions, s.component, s.firmware
     from tool_support s join model m on m.club_id = s.club_id and m.id = s.model_id order by s.tool_id, m.name collate natural_order, s.id`,
  );
  return { tools: tools.rows, supports: groupBy(supports.rows, (row) => row.tool_id) };
}

async function toolsOf(tx: Tx): Promise<Tool[]> {
  const { tools, supports } = await toolRows(tx);
  return tools.map((row) => ({
    id: row.id,
    name: row.name,
    runsOn: row.runs_on,
    matchesFirmware: row.matches_firmware,
    supports: (supports.get(row.id) ?? []).map((s) => ({
      model: s.model_id,
      operations: s.operations,
      ...(s.versions && { versions: s.versions }),
      ...(s.firmware && s.component && { firmware: { component: s.component, range: s.firmware } }),
    })),
  }));
}

export type OfferRow = {
  id: string;
  name: string;
  seller: string;
  price: number;
  gives: "lead" | "adapter";
  kind: string;
  end_a: string;
  end_b: string | null;
  chip_family: string | null;
  chip_grade: Grade;
};

export async function offerRows(tx: Tx): Promise<OfferRow[]> {
  const { rows } = await tx.query<OfferRow>(
    `select id, name, seller, price, gives, kind, end_a, end_b, chip_family, chip_grade from offer
     where shelved_at is null order by name`,
  );
  return rows;
}

function offerOf(row: OfferRow): Offer {
  const { id, name, price } = row;
  const shared = { ...chipOf(row), carriesData: true };
  return row.gives === "lead"
    ? {
        id,
        name,
        price,
        gives: "lead",
        lead: {
          kind: row.kind as LeadKind,
          radioEnd: row.end_a,
          ...(row.end_b !== null && { computerEnd: row.end_b }),
          ...shared,
        },
      }
    : {
        id,
        name,
        price,
        gives: "adapter",
        adapter: { kind: row.kind as AdapterKind, ends: [row.end_a, row.end_b ?? row.end_a], ...shared },
      };
}

async function attemptsOf(tx: Tx): Promise<Attempt[]> {
  const { rows } = await tx.query<{
    lead_id: string | null;
    computer_id: string;
    tool_id: string | null;
    chip_family: string | null;
    chip_grade: Grade | null;
    driver_id: string | null;
    system: System;
    system_version: string;
    worked: boolean;
    settled: boolean;
  }>(
    `select lead_id, computer_id, tool_id, chip_family, chip_grade, driver_id, system, system_version, worked, settled
     from attempt order by id`,
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
  const [{ rows }, { connectorOf }] = await Promise.all([
    tx.query<{ id: string; plugs: string[] | null }>(
      "select id, identity -> 'plugs' plugs from model where id = any($1::bigint[])",
      [models],
    ),
    kit,
  ]);
  return new Map(
    rows.map(({ id, plugs }) => [
      id,
      (plugs ?? []).flatMap((name) => connectorOf.get(name.toLowerCase()) ?? []),
    ]),
  );
}

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

export const putCurrency = (tx: Tx, currency: string) =>
  tx.query("update club set currency = $1 where id = current_club()", [currency]);
