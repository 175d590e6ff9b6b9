// The rows of the kit, as they are stored and as core wants them.
import type { z } from "zod";
import type {
  Adapter,
  AdapterKind,
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
import type { Source } from "#core/quantities/source.ts";
import type { Range } from "#core/version/range.ts";
import type { Tx } from "./pool.ts";

export type ConnectorRow = {
  id: string;
  name: string;
  shape: string;
  pins: number | null;
  keyed: boolean;
  way: string;
};

export async function connectorRows(tx: Tx): Promise<ConnectorRow[]> {
  const { rows } = await tx.query<ConnectorRow>(
    "select id, name, shape, pins, keyed, way from connector where shelved_at is null order by name",
  );
  return rows;
}

type Chipped = { chip_family: string | null; chip_grade: Grade };
export const chipOf = (row: Chipped): { chip?: Chip } =>
  row.chip_family === null ? {} : { chip: { family: row.chip_family, grade: row.chip_grade } };

/** What a lead and an adapter have alike: a tag, a state, a place, and perhaps somebody who has it. */
type Kept = {
  id: string;
  tag: string;
  carries_data: boolean;
  condition: Condition;
  place_id: string | null;
  place: string | null;
  holder_id: string | null;
  holder: string | null;
  note: string;
};
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

export type LeadRow = Chipped &
  Kept & {
    kind: LeadKind;
    radio_end: string;
    computer_end: string | null;
    usb_vendor: number | null;
    usb_product: number | null;
  };

export async function leadRows(tx: Tx): Promise<LeadRow[]> {
  const { rows } = await tx.query<LeadRow>(
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

export type AdapterRow = Chipped &
  Kept & {
    kind: AdapterKind;
    end_a: string;
    end_b: string;
  };

export async function adapterRows(tx: Tx): Promise<AdapterRow[]> {
  const { rows } = await tx.query<AdapterRow>(
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

export const computersOf = async (tx: Tx): Promise<Computer[]> =>
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

export async function toolsOf(tx: Tx): Promise<Tool[]> {
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

export function offerOf(row: OfferRow): Offer {
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
