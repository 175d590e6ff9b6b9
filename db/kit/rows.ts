// The rows of the kit, as they are stored and as core wants them.

import { z } from "zod";
import {
  ADAPTER_KINDS,
  type Adapter,
  type Chip,
  COMPUTER_KINDS,
  CONDITIONS,
  type Computer,
  type DriverRule,
  GRADES,
  LEAD_KINDS,
  type Lead,
  RULE_SAYS,
  SYSTEMS,
  WORD_SIZES,
} from "#core/kit/index.ts";
import { sourceShape } from "#core/quantities/index.ts";
import { rangeShape } from "#core/version/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const connectorRow = z.object({
  id: z.string(),
  name: z.string(),
  shape: z.string(),
  pins: z.number().nullable(),
  keyed: z.boolean(),
  way: z.string(),
});
export type ConnectorRow = z.output<typeof connectorRow>;

export async function connectorRows(tx: Tx): Promise<ConnectorRow[]> {
  const { rows } = await ask(
    tx,
    connectorRow,
    "select id, name, shape, pins, keyed, way from connector where shelved_at is null order by name",
  );
  return rows;
}

const chipped = z.object({ chip_family: z.string().nullable(), chip_grade: z.enum(GRADES) });
type Chipped = z.output<typeof chipped>;
export const chipOf = (row: Chipped): { chip?: Chip } =>
  row.chip_family === null ? {} : { chip: { family: row.chip_family, grade: row.chip_grade } };

/** What a lead and an adapter have alike: a tag, a state, a place, and perhaps somebody who has it. */
const kept = z.object({
  id: z.string(),
  tag: z.string(),
  carries_data: z.boolean(),
  condition: z.enum(CONDITIONS),
  place_id: z.string().nullable(),
  place: z.string().nullable(),
  holder_id: z.string().nullable(),
  holder: z.string().nullable(),
  note: z.string(),
});
type Kept = z.output<typeof kept>;
const KEPT =
  "k.id, k.tag, k.carries_data, k.condition, k.place_id, p.name place, k.holder_id, h.name holder, k.note";
const WHERE_KEPT = `left join place p on p.club_id = k.club_id and p.id = k.place_id
     left join person h on h.club_id = k.club_id and h.id = k.holder_id
     where k.shelved_at is null order by k.tag collate natural_order`;
const keptOf = (row: Kept) => ({
  id: row.id,
  tag: row.tag,
  carriesData: row.carries_data,
  condition: row.condition,
  ...(row.holder !== null && { holder: row.holder }),
});

export const leadRow = chipped.extend(kept.shape).extend({
  kind: z.enum(LEAD_KINDS),
  radio_end: z.string(),
  computer_end: z.string().nullable(),
  usb_vendor: z.number().nullable(),
  usb_product: z.number().nullable(),
});
export type LeadRow = z.output<typeof leadRow>;

export async function leadRows(tx: Tx): Promise<LeadRow[]> {
  const { rows } = await ask(
    tx,
    leadRow,
    `select k.kind, k.radio_end, k.computer_end, k.chip_family, k.chip_grade, k.usb_vendor, k.usb_product, ${KEPT}
     from lead k ${WHERE_KEPT}`,
  );
  return rows;
}

export const leadOf = (row: LeadRow): Lead => ({
  ...keptOf(row),
  kind: row.kind,
  radioEnd: row.radio_end,
  ...(row.computer_end !== null && { computerEnd: row.computer_end }),
  ...chipOf(row),
});

export const adapterRow = chipped.extend(kept.shape).extend({
  kind: z.enum(ADAPTER_KINDS),
  end_a: z.string(),
  end_b: z.string(),
});
export type AdapterRow = z.output<typeof adapterRow>;

export async function adapterRows(tx: Tx): Promise<AdapterRow[]> {
  const { rows } = await ask(
    tx,
    adapterRow,
    `select k.kind, k.end_a, k.end_b, k.chip_family, k.chip_grade, ${KEPT} from adapter k ${WHERE_KEPT}`,
  );
  return rows;
}

export const adapterOf = (row: AdapterRow): Adapter => ({
  ...keptOf(row),
  kind: row.kind,
  ends: [row.end_a, row.end_b],
  ...chipOf(row),
});

const antennaRow = z.object({
  id: z.string(),
  tag: z.string(),
  condition: z.enum(CONDITIONS),
  radio_end: z.string(),
  other_end: z.string(),
  holder: z.string().nullable(),
});

/** Adapters for antenna sockets. */
export async function antennaAdapters(tx: Tx): Promise<z.output<typeof antennaRow>[]> {
  const { rows } = await ask(
    tx,
    antennaRow,
    `select k.id, k.tag, k.condition, k.radio_end, k.other_end, h.name holder from antenna k
     left join person h on h.club_id = k.club_id and h.id = k.holder_id
     where k.shelved_at is null and k.other_end is not null order by k.tag collate natural_order`,
  );
  return rows;
}

export const computerRow = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.enum(COMPUTER_KINDS),
  system: z.enum(SYSTEMS),
  version: z.string(),
  bits: z.literal(WORD_SIZES),
  bluetooth: z.boolean(),
  admin: z.boolean(),
  condition: z.enum(CONDITIONS),
  place_id: z.string().nullable(),
  place: z.string().nullable(),
  note: z.string(),
  ports: z.array(z.string()),
  drivers: z.array(z.tuple([z.string(), z.string()])),
  tools: z.array(z.tuple([z.string(), z.string()])),
});
export type ComputerRow = z.output<typeof computerRow>;

export async function computerRows(tx: Tx): Promise<ComputerRow[]> {
  const { rows } = await ask(
    tx,
    computerRow,
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

export const computersOf = async (tx: Tx): Promise<Computer[]> =>
  (await computerRows(tx)).map(({ drivers, tools, ...row }) => ({
    ...row,
    drivers: new Map(drivers),
    tools: new Map(tools),
  }));

export const ruleRow = z.object({
  id: z.string(),
  family: z.string(),
  grade: z.enum(GRADES).nullable(),
  system: z.enum(SYSTEMS),
  system_versions: rangeShape.nullable(),
  bits: z.literal(WORD_SIZES).nullable(),
  says: z.enum(RULE_SAYS),
  driver_id: z.string().nullable(),
  range: rangeShape.nullable(),
  source: sourceShape,
});
export type RuleRow = z.output<typeof ruleRow>;

export async function ruleRows(tx: Tx): Promise<RuleRow[]> {
  const { rows } = await ask(
    tx,
    ruleRow,
    `select id, family, grade, system, system_versions, bits, says, driver_id, range, source from driver_rule
     where shelved_at is null order by family, system, id`,
  );
  return rows;
}

export const ruleOf = (row: RuleRow): DriverRule => ({
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
