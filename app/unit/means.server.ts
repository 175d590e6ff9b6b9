// The means of one radio's way, and the note of how a try went.
import { z } from "zod";
import type { Catalogue } from "#core/firmware/catalogue.ts";
import type { Chains } from "#core/kit/chain.ts";
import { driverVerdict } from "#core/kit/driver.ts";
import { isKitKnown, meansOfRoute } from "#core/kit/means.ts";
import { OPERATIONS } from "#core/kit/shapes.ts";
import type { KnownUnit } from "#db/facts.ts";
import { addAttempt, type KnownKit, loadKit, plugsOf } from "#db/kit.ts";
import { tell } from "#db/log.ts";
import type { Tx } from "#db/pool.ts";
import { bringUpToDate } from "#db/work.ts";
import type { SignedIn } from "../context.ts";
import { kitNames, shownChains } from "../kit/shown.ts";
import type { ShownMeans } from "./means.tsx";
import type { ShownWay } from "./way.tsx";

/** For each stretch of the way with the same kit, its chains. */
export async function shownMeans(
  tx: Tx,
  who: SignedIn,
  unit: { readonly tag: string; readonly facts: KnownUnit },
  catalogue: Catalogue,
  way: ShownWay | undefined,
): Promise<{ means: ShownMeans[]; kitKnown: boolean }> {
  const kit = await loadKit(tx);
  const kitKnown = isKitKnown(kit.prepared);
  if (!way?.result.ok || !kitKnown) return { means: [], kitKnown };
  const { model } = unit.facts;
  const plugs = (await plugsOf(tx, [model], kit)).get(model) ?? [];
  const told = meansOfRoute(way.result, unit.facts, catalogue, { model, plugs }, kit.prepared);
  if (told.kind === "no-route") return { means: [], kitKnown };
  const names = kitNames(kit, who.locale);
  const stretches: { releases: string[]; ready: boolean; chains: Chains; key: string }[] = [];
  for (const { step, chains, ready } of told.steps) {
    const version = catalogue.get(step.component)?.byId.get(step.release)?.version ?? "?";
    const key = keyOf(chains);
    const last = stretches.at(-1);
    if (last?.key === key) last.releases.push(version);
    else stretches.push({ releases: [version], ready, chains, key });
  }
  return {
    means: stretches.map(({ releases, ready, chains }) => ({
      releases,
      ready,
      found: shownChains(chains, unit.tag, names),
    })),
    kitKnown,
  };
}

/** Two steps go with the same kit if the same comes out best and the same is missing. */
function keyOf({ chains, near, stopped }: Chains): string {
  const [best] = chains;
  const one = best ?? near[0] ?? stopped;
  const missing = best ? [] : near[0]?.changes;
  return JSON.stringify([best !== undefined, one?.lead?.id, one?.computer.id, one?.tool?.tool, missing]);
}

const triedShape = z.object({
  receipt: z.uuid(),
  operation: z.enum(OPERATIONS),
  lead: z.string().regex(/^\d{0,18}$/),
  computer: z.string().regex(/^\d{1,18}$/),
  tool: z.string().regex(/^\d{0,18}$/),
  worked: z.enum(["yes", "no"]),
  symptom: z.string().trim().max(300).default(""),
  /** Only of what failed: that it never works is no try, but a fact. */
  settled: z.literal("on").optional(),
});

/** Notes a try with what it was tried on as that stands now. */
export async function noteTry(tx: Tx, who: SignedIn, unit: string | null, form: FormData) {
  const parsed = triedShape.safeParse(Object.fromEntries(form));
  if (!parsed.success) return { ok: false, says: "This form was not whole; send it again." };
  const { receipt, operation, worked, symptom, settled, ...ids } = parsed.data;
  const kit = await loadKit(tx);
  const found = partsOf(kit, ids);
  if (!found) return { ok: false, says: "What was tried is not in the kit any more." };
  const { lead, computer, tool, chip } = found;
  const verdict = chip && driverVerdict(chip, computer, kit.prepared.kit.rules);
  const noted = await addAttempt(tx, {
    unit,
    operation,
    lead: lead?.id ?? null,
    computer: computer.id,
    tool: tool?.id ?? null,
    chip,
    driver: verdict?.driver ?? null,
    system: computer.system,
    systemVersion: computer.version,
    worked: worked === "yes",
    settled: settled === "on" && worked === "no",
    symptom,
    by: who.person,
    receipt,
  });
  const what = [lead?.tag ?? "straight in", computer.name, tool?.name].filter(Boolean).join(", ");
  if (noted) {
    await tell(tx, { kind: "tried", what, worked: worked === "yes", symptom }, unit ? { unit } : {});
    await bringUpToDate(tx, { of: "club" }, `a try with ${what}`);
  }
  return {
    ok: true,
    says: worked === "yes" ? `Noted: it worked with ${what}.` : `Noted: it failed with ${what}.`,
  };
}

function partsOf({ prepared }: KnownKit, ids: { lead: string; computer: string; tool: string }) {
  const { leads, computers, tools } = prepared.kit;
  const lead = leads.find((l) => l.id === ids.lead);
  const computer = computers.find((c) => c.id === ids.computer);
  const tool = tools.find((t) => t.id === ids.tool);
  if (!computer || (ids.lead !== "" && !lead) || (ids.tool !== "" && !tool)) return undefined;
  return { lead, computer, tool, chip: lead?.chip };
}
