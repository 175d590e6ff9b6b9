// The plan of channels as the table of each model: what an issued plan comes to, and what a draft would.
import { createHash } from "node:crypto";
import { writeDocument } from "#core/codeplug/document.ts";
import { layFactsOf } from "#core/codeplug/facts.ts";
import { type LaidOut, layOut, type PlanBlock } from "#core/codeplug/plan/lay-out.ts";
import { resolved, type StoredPlan } from "#core/codeplug/plan/plan.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { sumOf } from "#db/codeplug/codeplugs.ts";
import { type CodeplugFactsRow, codeplugFactsOf } from "#db/codeplug/plans.ts";
import { listed, repeaters } from "#db/codeplug/repeaters.ts";
import { knownMode, modesByModel } from "#db/model/modes.ts";
import type { Tx } from "#db/pool.ts";

export type LaidTable = {
  readonly row: CodeplugFactsRow;
  /** In which mode of the model; absent: its dossier knows none. */
  readonly mode: string | undefined;
  readonly laid: LaidOut;
  readonly sum: string;
};

/** One for each model of which it is known what its codeplug holds; and the blocks with the members that their rules take today. */
export async function layTables(
  tx: Tx,
  plan: StoredPlan,
  today: PlainDate,
): Promise<{ readonly blocks: readonly PlanBlock[]; readonly tables: readonly LaidTable[] }> {
  const rows = await codeplugFactsOf(tx);
  const blocks = resolved(plan, (await repeaters(tx)).map(listed), today);
  const modes = await modesByModel(tx);
  const tables = rows.map((row) => {
    const own = (modes.get(row.model_id) ?? []).map(knownMode);
    const mode = own.find(({ id }) => id === row.mode_id) ?? own[0];
    const laid = layOut(blocks, layFactsOf(row.facts, mode));
    return { row, mode: mode?.name, laid, sum: sumOf(laid.channels) };
  });
  return { blocks, tables };
}

/** The file of a table, and what it is told by: the same for the same table. */
export function fileOf({ row, laid }: Pick<LaidTable, "row" | "laid">): {
  bytes: Uint8Array;
  sha256: string;
} {
  const bytes = new TextEncoder().encode(writeDocument(`${row.maker} ${row.model}`, laid.channels));
  return { bytes, sha256: createHash("sha256").update(bytes).digest("hex") };
}
