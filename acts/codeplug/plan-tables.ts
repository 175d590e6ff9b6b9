// The plan of channels as the table of each model: what an issued plan comes to, and what a draft would.
import { createHash } from "node:crypto";
import {
  type LaidOut,
  layFactsOf,
  layOut,
  type PlanBlock,
  resolved,
  type StoredPlan,
  writeDocument,
} from "#core/codeplug/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { type CodeplugFactsRow, codeplugFactsOf, listed, repeaters, sumOf } from "#db/codeplug/index.ts";
import { knownMode, modesByModel } from "#db/model/index.ts";
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
