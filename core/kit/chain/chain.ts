// Chains: every way to reach into one radio with what the club owns, how well each is known to hold, and what almost
// holds. Rules: docs/rules.md; what it leaves open is settled in docs/decisions/006.
import type { Way } from "../../release/index.ts";
import {
  bestPerParts,
  better,
  type Chain,
  chainOf,
  type NearChain,
  Nearest,
  type Own,
} from "../get/nearest.ts";
import { notOwned } from "../get/owned.ts";
import type { Computer, Job, Kit, LeadKind, Tool } from "../shapes.ts";
import { indexOf } from "./evidence.ts";
import {
  type AnyLead,
  type Break,
  type Change,
  directLinks,
  gather,
  linksOf,
  NO_REMEDY,
  type PreparedKit,
  type Remedy,
  remedyOf,
  together,
} from "./link.ts";
import { jointsOf, type Path, pathsOver } from "./path.ts";
import { type ToolVerdict, toolsFor, toolVerdict } from "./tool.ts";

export type { Chain, NearChain } from "../get/nearest.ts";
export type { AnyLead, Break, Change, PreparedKit } from "./link.ts";

export type Chains = {
  /** Those that hold, the best known first. */
  readonly chains: readonly Chain[];
  /** The three cheapest distinct sets of changes that would make one, each with its chain. */
  readonly near: readonly NearChain[];
  /** The chain that comes nearest where neither holds: what stops it cannot be mended with what we know of. */
  readonly stopped?: Chain;
  /** No lead, owned or offered, has a plug that meets the radio. */
  readonly noLead: boolean;
  /** No tool we know of knows this model for this. */
  readonly noTool: boolean;
};

/** A kit made ready for many questions: offered leads beside owned ones (what is owned is not offered), paths over adapters, what tries have shown. */
export function prepareKit(kit: Kit): PreparedKit {
  const offers = notOwned(kit);
  const offered = offers.flatMap((offer): AnyLead[] =>
    offer.gives === "lead"
      ? [
          {
            ...offer.lead,
            id: `offer ${offer.id}`,
            tag: offer.name,
            condition: "sound",
            offer: offer.id,
            price: offer.price,
          },
        ]
      : [],
  );
  return {
    kit,
    leads: [...kit.leads, ...offered],
    paths: pathsOver(jointsOf(kit.adapters, offers)),
    evidence: indexOf(kit.attempts),
    links: new Map(),
  };
}

const WAY_OF: Record<LeadKind, Way> = { cable: "cable", programmer: "bluetooth", card: "card" };

/** All chains for a job, and the nearest that do not hold. */
export function findChains(job: Job, prepared: PreparedKit): Chains {
  const { holding, nearest, reached, toolKnown } = survey(job, prepared);
  const near = nearest.three();
  const hopeless = holding.length === 0 && near.length === 0;
  return {
    chains: bestPerParts(holding).sort(better),
    near,
    ...(hopeless && nearest.stopped && { stopped: nearest.stopped }),
    noLead: !reached,
    noTool: !toolKnown,
  };
}

/**
 * The sets of offers that would make a chain hold, whatever else there is to do for it; none that holds another. The empty
 * set alone: it holds already, or can be made to without money. No set at all: nothing on offer would.
 */
export function purchasesFor(job: Job, prepared: PreparedKit): string[][] {
  const { holding, nearest } = survey(job, prepared);
  if (isReady({ chains: holding })) return [[]];
  return minimalSets(
    nearest.sets().map(({ changes }) => changes.flatMap((c) => (c.kind === "get" ? [c.offer] : []))),
  );
}

/** Sets sorted and once each, without those that hold all of another. */
export function minimalSets(sets: readonly (readonly string[])[]): string[][] {
  const sorted = [
    ...new Map(sets.map((set) => [[...set].sort().join("\n"), [...new Set(set)].sort()])).values(),
  ].sort((a, b) => a.length - b.length);
  const kept: string[][] = [];
  for (const set of sorted) {
    if (!kept.some((k) => k.every((one) => set.includes(one)))) kept.push(set);
  }
  return kept;
}

type Survey = {
  readonly holding: readonly Chain[];
  readonly nearest: Nearest;
  readonly reached: boolean;
  readonly toolKnown: boolean;
};

/** Goes through every lead, computer and tool: what holds, what would, and what never will. */
function survey(job: Job, prepared: PreparedKit): Survey {
  const tools = toolsFor(job, prepared.kit.tools);
  const holding: Chain[] = [];
  const nearest = new Nearest(prepared.evidence);
  // How the tools stand on a computer is the same for every lead.
  const onComputer = new Map<string, readonly Served[]>();
  let reached = false;
  for (const { plug, lead, atRadio } of leadsFor(job, prepared)) {
    const links = lead ? linksOf(lead, prepared) : directLinks(plug, prepared);
    reached ||= lead !== undefined || links.length > 0;
    const own = leadLinks(job, lead, atRadio);
    // What is on a card is put there with any computer; only a release that names its software wants that.
    const toolless = lead?.kind === "card" && job.tool === undefined;
    const seen = new Set<string>();
    for (const link of links) {
      if (atRadio.some((joint) => link.path.includes(joint))) continue;
      if (seen.has(link.same)) continue;
      seen.add(link.same);
      let served = toolless ? WITHOUT_TOOL : onComputer.get(link.computer.id);
      if (!served) {
        served = tools.map((tool) => servedBy(tool, link.computer, job));
        onComputer.set(link.computer.id, served);
      }
      for (const { tool, remedy } of served) {
        const parts = { lead, plug, atRadio, link, tool, own };
        const broken = own.breaks.length + link.breaks.length + (tool?.breaks.length ?? 0);
        if (broken === 0) holding.push(chainOf(parts, prepared.evidence));
        else if (own.remedy && link.remedy && remedy)
          nearest.add(parts, together([own.remedy, link.remedy, remedy]));
        else nearest.stop(parts, broken);
      }
    }
  }
  return { holding, nearest, reached, toolKnown: tools.length > 0 };
}

type Served = { readonly tool: ToolVerdict | undefined; readonly remedy: Remedy | undefined };

const WITHOUT_TOOL: readonly Served[] = [{ tool: undefined, remedy: NO_REMEDY }];

function servedBy(tool: Tool, computer: Computer, job: Job): Served {
  const verdict = toolVerdict(tool, computer, job);
  return { tool: verdict, remedy: verdict.changes && remedyOf(verdict.changes) };
}

type Reaching = { readonly plug: string; readonly lead: AnyLead | undefined; readonly atRadio: Path };

/** Leads, and none where the radio may plug in by itself, with the adapters between plug and lead. */
function leadsFor(job: Job, { leads, paths }: PreparedKit): Reaching[] {
  const found: Reaching[] = [];
  for (const plug of new Set(job.plugs)) {
    for (const lead of leads) {
      for (const atRadio of paths(plug, lead.radioEnd)) found.push({ plug, lead, atRadio });
    }
    if (job.ways.length === 0 || job.ways.includes("phone"))
      found.push({ plug, lead: undefined, atRadio: [] });
  }
  return found;
}

/** What breaks at the lead itself and the adapters at the radio. */
function leadLinks(job: Job, lead: AnyLead | undefined, atRadio: Path): Own {
  const breaks: Break[] = [];
  const changes: Change[] = [];
  let hopeless = false;
  const broken = (one: Break) => {
    breaks.push(one);
    hopeless = true;
  };
  if (lead) {
    if (!lead.carriesData) broken({ kind: "charge-only" });
    if (lead.condition === "broken" || lead.condition === "lost") {
      broken({ kind: "lead-condition", condition: lead.condition });
    }
    if (job.ways.length > 0 && !job.ways.includes(WAY_OF[lead.kind])) broken({ kind: "way", ways: job.ways });
  }
  for (const thing of [...(lead ? [lead] : []), ...atRadio]) gather(thing, breaks, changes);
  return { breaks, ...(!hopeless && { remedy: remedyOf(changes) }) };
}

/** Whether a radio can be worked on with what stands ready: some chain holds and is not known to fail. */
export const isReady = ({ chains }: Pick<Chains, "chains">): boolean =>
  chains.some((chain) => chain.evidence.verdict !== "known-bad");
