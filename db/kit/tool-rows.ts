// Statements about tools and offers, as core wants them.
import { z } from "zod";
import {
  type AdapterKind,
  GRADES,
  type LeadKind,
  type Offer,
  OPERATIONS,
  runsOnShape,
  type Tool,
} from "#core/kit/index.ts";
import { groupBy } from "#core/quantities/index.ts";
import { rangeShape } from "#core/version/index.ts";
import { ask } from "../ask.ts";
import type { Tx } from "../pool.ts";
import { chipOf } from "./rows.ts";

export const toolRow = z.object({
  id: z.string(),
  name: z.string(),
  runs_on: z.array(runsOnShape),
  matches_firmware: z.boolean(),
  note: z.string(),
});
export type ToolRow = z.output<typeof toolRow>;
export const supportRow = z.object({
  tool_id: z.string(),
  model_id: z.string(),
  model: z.string(),
  operations: z.array(z.enum(OPERATIONS)),
  versions: rangeShape.nullable(),
  component: z.string().nullable(),
  firmware: rangeShape.nullable(),
});
export type SupportRow = z.output<typeof supportRow>;

export async function toolRows(tx: Tx): Promise<{ tools: ToolRow[]; supports: Map<string, SupportRow[]> }> {
  const tools = await ask(
    tx,
    toolRow,
    "select id, name, runs_on, matches_firmware, note from tool where shelved_at is null order by name",
  );
  const supports = await ask(
    tx,
    supportRow,
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

export const offerRow = z.object({
  id: z.string(),
  name: z.string(),
  seller: z.string(),
  price: z.number(),
  gives: z.enum(["lead", "adapter"]),
  kind: z.string(),
  end_a: z.string(),
  end_b: z.string().nullable(),
  chip_family: z.string().nullable(),
  chip_grade: z.enum(GRADES),
});
export type OfferRow = z.output<typeof offerRow>;

export async function offerRows(tx: Tx): Promise<OfferRow[]> {
  const { rows } = await ask(
    tx,
    offerRow,
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
