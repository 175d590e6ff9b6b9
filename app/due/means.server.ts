// For rows of the board that want an install: with what it would be done, or what would make it possible, in a few words.
import type { Verdict } from "#core/kit/evidence.ts";
import { isKitKnown, meansOfNeed } from "#core/kit/means.ts";
import { targetOn } from "#core/needs/need.ts";
import type { BoardRow } from "#db/board.ts";
import { loadFacts, policyOf } from "#db/facts.ts";
import { loadKit, plugsOf } from "#db/kit.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { kitNames, whyNone } from "../kit/shown.ts";
import { listed } from "../ui/words/count.ts";
import { sayChange, sayCost, sayVerdict } from "../ui/words/kit.ts";

export type RowMeans = { readonly words: string; readonly verdict?: Verdict; readonly word?: string };

export const meansKey = (row: Pick<BoardRow, "unit_id" | "component_id">): string =>
  `${row.unit_id} ${row.component_id}`;

export async function meansOfRows(
  tx: Tx,
  who: SignedIn,
  rows: readonly BoardRow[],
): Promise<Record<string, RowMeans>> {
  const wanting = rows.filter((row) => row.doing === "install" || row.doing === "kit");
  if (wanting.length === 0) return {};
  const ids = (of: "unit_id" | "model_id") => [...new Set(wanting.map((row) => row[of]))];
  const asked = loadKit(tx);
  const [kit, facts, plugs] = await Promise.all([
    asked,
    loadFacts(tx, { of: "units", ids: ids("unit_id") }),
    plugsOf(tx, ids("model_id"), asked),
  ]);
  if (!isKitKnown(kit.prepared)) return {};
  const units = new Map(facts.units.map((unit) => [unit.id, unit]));
  const names = kitNames(kit, who.locale);
  const told: Record<string, RowMeans> = {};
  for (const row of wanting) {
    const unit = units.get(row.unit_id);
    const catalogue = unit && facts.catalogues.get(unit.model);
    const release = targetOn(row, who.today) ?? row.targets.at(-1)?.release;
    if (!unit || !catalogue || release === undefined) continue;
    const radio = { model: unit.model, plugs: plugs.get(unit.model) ?? [] };
    const need = { component: row.component_id, release, ends: row.due_to !== null };
    const means = meansOfNeed(unit, radio, catalogue, policyOf(facts, unit), need, kit.prepared);
    if (!("steps" in means)) continue;
    // The install that waits, or else the last one, which is the one that is wanted.
    const shown = means.steps.find((step) => !step.ready) ?? means.steps.at(-1);
    if (!shown) continue;
    const [best] = shown.chains.chains;
    const [near] = shown.chains.near;
    if (shown.ready && best) {
      const parts = [
        best.lead?.tag ?? "straight in",
        best.computer.name,
        best.tool && names.tool(best.tool.tool),
      ];
      told[meansKey(row)] = {
        words: parts.filter(Boolean).join(", "),
        verdict: best.evidence.verdict,
        word: sayVerdict(best.evidence),
      };
    } else if (near) {
      const cost = sayCost(near, names);
      const acts = listed(near.changes.map((change) => sayChange(change, names)));
      told[meansKey(row)] = { words: `${acts}${cost ? `: ${cost}` : ""}` };
    } else told[meansKey(row)] = { words: whyNone(shown.chains, names) };
  }
  return told;
}
