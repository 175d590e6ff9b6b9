// For rows of the board that want an install: with what it would be done, or what would make it possible, in a few words.

import { type ChainVerdict, isKitKnown, toolingOfNeed } from "#core/kit/index.ts";
import { targetOn } from "#core/needs/index.ts";
import { listed } from "#core/quantities/index.ts";
import type { Tx } from "#db/pool.ts";
import { type BoardRow, loadSituations } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { kitNames, whyNone } from "../shared/tools/shown-chains.ts";
import { sayChange, sayCost, sayVerdict } from "../ui/words/kit/kit.ts";

export type RowTooling = { readonly words: string; readonly verdict?: ChainVerdict; readonly word?: string };

export const toolingKey = (row: Pick<BoardRow, "unit_id" | "component_id">): string =>
  `${row.unit_id} ${row.component_id}`;

export async function toolingOfRows(
  tx: Tx,
  who: SignedIn,
  rows: readonly BoardRow[],
): Promise<Record<string, RowTooling>> {
  const demand = rows.filter((row) => row.action === "install" || row.action === "kit");
  if (demand.length === 0) return {};
  const ids = [...new Set(demand.map((row) => row.unit_id))];
  const { of, kit } = await loadSituations(tx, { of: "units", ids }, who.today);
  if (!isKitKnown(kit.prepared)) return {};
  const names = kitNames(kit, who.locale);
  const told: Record<string, RowTooling> = {};
  for (const row of demand) {
    const situation = of.get(row.unit_id);
    const release = targetOn(row, who.today) ?? row.targets.at(-1)?.release;
    if (!situation || release === undefined) continue;
    const need = { component: row.component_id, release, ends: row.due_to !== null };
    const tooling = toolingOfNeed(situation, need);
    if (!("steps" in tooling)) continue;
    // The install that waits, or else the last one, which is the one that is wanted.
    const shown = tooling.steps.find((step) => !step.ready) ?? tooling.steps.at(-1);
    if (!shown) continue;
    const [best] = shown.chains.chains;
    const [near] = shown.chains.near;
    if (shown.ready && best) {
      const parts = [
        best.lead?.tag ?? "straight in",
        best.computer.name,
        best.tool && names.tool(best.tool.tool),
      ];
      told[toolingKey(row)] = {
        words: parts.filter(Boolean).join(", "),
        verdict: best.evidence.verdict,
        word: sayVerdict(best.evidence),
      };
    } else if (near) {
      const cost = sayCost(near, names);
      const acts = listed(near.changes.map((change) => sayChange(change, names)));
      told[toolingKey(row)] = { words: `${acts}${cost ? `: ${cost}` : ""}` };
    } else told[toolingKey(row)] = { words: whyNone(shown.chains, names) };
  }
  return told;
}
