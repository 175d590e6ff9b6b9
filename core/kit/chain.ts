// Chains: every way to reach into one radio with what the club owns, how well each is known to hold, and what almost
// holds. Rules: core.md 4; what it leaves open is settled in docs/decisions/006.
import type { Way } from "../firmware/conditions.ts";
import {
  changesForAll,
  type DriverBreak,
  type DriverChange,
  type DriverVerdict,
  driverMinutes,
  driverVerdict,
} from "./driver.ts";
import {
  type Evidence,
  type EvidenceIndex,
  indexOf,
  ownEvidence,
  VERDICTS,
  widerEvidence,
} from "./evidence.ts";
import { jointsOf, type Path, type Paths, pathsOver } from "./path.ts";
import type { Chip, Computer, Job, Kit, Lead, LeadKind, Tool } from "./shapes.ts";
import {
  type ToolBreak,
  type ToolChange,
  type ToolVerdict,
  toolMinutes,
  toolsFor,
  toolVerdict,
} from "./tool.ts";

export type Break =
  | { readonly kind: "charge-only" }
  | { readonly kind: "lead-condition"; readonly condition: "broken" | "lost" }
  | { readonly kind: "computer-condition"; readonly condition: "broken" | "lost" }
  | { readonly kind: "with-somebody"; readonly tag: string; readonly holder: string }
  | { readonly kind: "to-buy"; readonly offer: string; readonly name: string }
  | { readonly kind: "way"; readonly ways: readonly Way[] }
  | { readonly kind: "no-port" }
  | { readonly kind: "no-on-the-go" }
  | { readonly kind: "no-bluetooth" }
  | DriverBreak
  | ToolBreak;

export type Change =
  | DriverChange
  | ToolChange
  | { readonly kind: "get"; readonly offer: string; readonly name: string; readonly price: number }
  | { readonly kind: "fetch"; readonly tag: string; readonly holder: string };

/** A lead of the club's, or one that could be bought. */
export type AnyLead = Lead & { readonly offer?: string; readonly price?: number };

/** One line from the radio to a tool. It holds if nothing breaks it. */
export type Chain = {
  /** Absent: the radio plugs straight into the computer. */
  readonly lead?: AnyLead;
  readonly plug: string;
  readonly atRadio: Path;
  readonly atComputer: Path;
  readonly chip?: Chip;
  readonly driver?: DriverVerdict;
  readonly computer: Computer;
  /** Absent: none is needed, as with a memory card. */
  readonly tool?: ToolVerdict;
  readonly breaks: readonly Break[];
  readonly evidence: Evidence;
  /** The same for the same lead, computer and tool. */
  readonly key: string;
  /** Links that nobody has noted anything about. */
  readonly untried: readonly ("chip" | "driver" | "tool")[];
};

/** A chain that would hold after some changes. */
export type NearChain = Chain & {
  readonly changes: readonly Change[];
  readonly money: number;
  readonly minutes: number;
};

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

/** A kit prepared for many jobs. */
export type PreparedKit = {
  readonly kit: Kit;
  readonly leads: readonly AnyLead[];
  readonly paths: Paths;
  readonly evidence: EvidenceIndex;
  readonly links: Map<string, readonly Link[]>;
};

/** A way from a lead into a computer, with its driver; what breaks it and what would mend that. */
type Link = {
  readonly computer: Computer;
  readonly path: Path;
  readonly chip?: Chip;
  readonly driver?: DriverVerdict;
  /** Links of one lead for which this is the same differ in nothing but which adapters of a kind they take. */
  readonly same: string;
  /** What is known of this chip, driver and system wherever they were tried. */
  readonly wider: Evidence;
  readonly untried: Chain["untried"];
  readonly breaks: readonly Break[];
  /** Absent: nothing would. */
  readonly mend?: Mend;
};

/** Changes with what they cost together, and a text that is the same for the same set of them. */
type Mend = {
  readonly changes: readonly Change[];
  readonly money: number;
  readonly minutes: number;
  readonly key: string;
};

const NO_MEND: Mend = { changes: [], money: 0, minutes: 0, key: "" };

function mendOf(all: readonly Change[]): Mend {
  if (all.length === 0) return NO_MEND;
  const acts = new Map(all.map((change) => [JSON.stringify(change), change]));
  const changes = [...acts.values()];
  return {
    changes,
    money: changes.reduce((sum, c) => sum + (c.kind === "get" ? c.price : 0), 0),
    minutes: changes.reduce((sum, c) => sum + minutesOfChange(c), 0),
    key: [...acts.keys()].sort().join("\n"),
  };
}

/** All changes of several parts of a chain; parts never ask for the same change, being about different things. */
function together(parts: readonly Mend[]): Mend {
  const asking = parts.filter((part) => part.changes.length > 0);
  const [only] = asking;
  if (asking.length <= 1) return only ?? NO_MEND;
  return {
    changes: asking.flatMap((part) => part.changes),
    money: asking.reduce((sum, part) => sum + part.money, 0),
    minutes: asking.reduce((sum, part) => sum + part.minutes, 0),
    key: asking.map((part) => part.key).join("\n"),
  };
}

export function prepareKit(kit: Kit): PreparedKit {
  const offered = kit.offers.flatMap((offer): AnyLead[] =>
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
    paths: pathsOver(jointsOf(kit.adapters, kit.offers)),
    evidence: indexOf(kit.attempts),
    links: new Map(),
  };
}

const FETCH_MINUTES = 20;

export const minutesOfChange = (change: Change): number => {
  switch (change.kind) {
    case "put-driver":
    case "remove-driver":
      return driverMinutes(change);
    case "put-tool":
      return toolMinutes(change);
    case "fetch":
      return FETCH_MINUTES;
    case "get":
      return 0;
  }
};

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
      for (const { tool, mend } of served) {
        const parts = { lead, plug, atRadio, link, tool, own };
        const broken = own.breaks.length + link.breaks.length + (tool?.breaks.length ?? 0);
        if (broken === 0) holding.push(chainOf(parts, prepared.evidence));
        else if (own.mend && link.mend && mend) nearest.add(parts, together([own.mend, link.mend, mend]));
        else nearest.stop(parts, broken);
      }
    }
  }
  return { holding, nearest, reached, toolKnown: tools.length > 0 };
}

type Served = { readonly tool: ToolVerdict | undefined; readonly mend: Mend | undefined };
const WITHOUT_TOOL: readonly Served[] = [{ tool: undefined, mend: NO_MEND }];

function servedBy(tool: Tool, computer: Computer, job: Job): Served {
  const verdict = toolVerdict(tool, computer, job);
  return { tool: verdict, mend: verdict.changes && mendOf(verdict.changes) };
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

type Own = { readonly breaks: readonly Break[]; readonly mend?: Mend };

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
  return { breaks, ...(!hopeless && { mend: mendOf(changes) }) };
}

/** What is with somebody must be fetched, what is offered must be bought. */
function gather(
  thing: { tag: string; holder?: string; offer?: string; price?: number },
  breaks: Break[],
  changes: Change[],
): void {
  if (thing.offer !== undefined) {
    breaks.push({ kind: "to-buy", offer: thing.offer, name: thing.tag });
    changes.push({ kind: "get", offer: thing.offer, name: thing.tag, price: thing.price ?? 0 });
  } else if (thing.holder !== undefined) {
    breaks.push({ kind: "with-somebody", tag: thing.tag, holder: thing.holder });
    changes.push({ kind: "fetch", tag: thing.tag, holder: thing.holder });
  }
}

function linksOf(lead: AnyLead, prepared: PreparedKit): readonly Link[] {
  let links = prepared.links.get(lead.id);
  if (!links) {
    links = prepared.kit.computers.flatMap((computer) =>
      intoComputer(lead.computerEnd, lead, computer, prepared),
    );
    prepared.links.set(lead.id, links);
  }
  return links;
}

/** A radio that plugs in by itself goes into phones and tablets. */
function directLinks(plug: string, prepared: PreparedKit): readonly Link[] {
  const key = `\n${plug}`;
  let links = prepared.links.get(key);
  if (!links) {
    links = prepared.kit.computers.flatMap((computer) =>
      computer.kind === "computer"
        ? []
        : intoComputer(plug, undefined, computer, prepared).filter(
            (l) => !l.breaks.some((b) => b.kind === "no-port"),
          ),
    );
    prepared.links.set(key, links);
  }
  return links;
}

function intoComputer(
  from: string | undefined,
  lead: AnyLead | undefined,
  computer: Computer,
  { kit, paths, evidence }: PreparedKit,
): Link[] {
  const { system, version: systemVersion } = computer;
  const about = (chip: Chip | undefined, driver: DriverVerdict | undefined) => ({
    wider: widerEvidence({ chip, driver: driver?.driver, system, systemVersion }, evidence),
    untried:
      chip?.family === ""
        ? (["chip", "driver"] as const)
        : driver?.state === "untried"
          ? (["driver"] as const)
          : NOTHING_UNTRIED,
  });
  const state: Break[] =
    computer.condition === "broken" || computer.condition === "lost"
      ? [{ kind: "computer-condition", condition: computer.condition }]
      : [];
  const alone = (breaks: readonly Break[]): Link => ({
    computer,
    path: [],
    ...(lead?.chip && { chip: lead.chip }),
    same: computer.id,
    ...about(lead?.chip, undefined),
    breaks,
    ...(breaks.length === 0 && { mend: NO_MEND }),
  });
  if (from === undefined)
    return [alone([...state, ...(computer.bluetooth ? [] : [{ kind: "no-bluetooth" } as const])])];
  const all = computer.ports.flatMap((port) => paths(from, port));
  // A wired lead into a phone goes over an on-the-go adapter, or the phone waits to be told by the lead.
  const wired = lead?.kind === "cable" && computer.kind !== "computer";
  const fitting = wired ? all.filter((path) => path.some((joint) => joint.kind === "on-the-go")) : all;
  if (fitting.length === 0) {
    return [alone([...state, { kind: all.length > 0 ? "no-on-the-go" : "no-port" } as const])];
  }
  return [...fitting]
    .sort((a, b) => a.length - b.length)
    .map((path): Link => {
      const chips = [lead?.chip, ...path.map((joint) => joint.chip)].filter((chip) => chip !== undefined);
      const verdicts = chips.map((chip) => ({ chip, verdict: driverVerdict(chip, computer, kit.rules) }));
      const breaks: Break[] = [...state];
      const changes: Change[] = [];
      for (const joint of path) gather(joint, breaks, changes);
      for (const { verdict } of verdicts) breaks.push(...verdict.breaks);
      const [only] = verdicts;
      const onDrivers =
        verdicts.length > 1 ? changesForAll(chips, computer, kit.rules) : only ? only.verdict.changes : [];
      changes.push(...(onDrivers ?? []));
      const mendable = state.length === 0 && onDrivers !== undefined;
      const [shown] = [...verdicts].sort(
        (a, b) => STATES.indexOf(b.verdict.state) - STATES.indexOf(a.verdict.state),
      );
      const mend = mendable ? mendOf(changes) : undefined;
      return {
        computer,
        path,
        ...(shown && { chip: shown.chip, driver: shown.verdict }),
        ...about(shown?.chip, shown?.verdict),
        same: JSON.stringify([computer.id, shown?.chip, shown?.verdict.driver, breaks, mend?.key]),
        breaks,
        ...(mend && { mend }),
      };
    });
}
const STATES = ["sound", "untried", "broken"] as const;

type Parts = {
  readonly lead: AnyLead | undefined;
  readonly plug: string;
  readonly atRadio: Path;
  readonly link: Link;
  readonly tool: ToolVerdict | undefined;
  readonly own: Own;
};

const evidenceFor = ({ lead, link, tool }: Parts, index: EvidenceIndex): Evidence =>
  ownEvidence(lead?.id, link.computer.id, tool?.tool, link.wider, index);

const NOTHING_UNTRIED: Chain["untried"] = [];

/** Built by hand rather than spread: there are hundreds of these for a radio. */
function chainOf(parts: Parts, index: EvidenceIndex): Chain {
  const { lead, plug, atRadio, link, tool, own } = parts;
  const { computer } = link;
  const toolBreaks = tool?.breaks ?? [];
  const chain: { -readonly [Key in keyof Chain]: Chain[Key] } = {
    plug,
    atRadio,
    atComputer: link.path,
    computer,
    breaks:
      own.breaks.length + link.breaks.length + toolBreaks.length === 0
        ? own.breaks
        : [...own.breaks, ...link.breaks, ...toolBreaks],
    evidence: evidenceFor(parts, index),
    untried: tool?.state === "untried" ? [...link.untried, "tool"] : link.untried,
    key: `${lead?.id ?? ""}|${computer.id}|${tool?.tool ?? ""}`,
  };
  if (lead) chain.lead = lead;
  if (link.chip) chain.chip = link.chip;
  if (link.driver) chain.driver = link.driver;
  if (tool) chain.tool = tool;
  return chain;
}

/** One chain for each lead, computer and tool: the one with the fewest adapters. */
function bestPerParts(chains: readonly Chain[]): Chain[] {
  const best = new Map<string, Chain>();
  for (const chain of chains) {
    const known = best.get(chain.key);
    if (!known || better(chain, known) < 0) best.set(chain.key, chain);
  }
  return [...best.values()];
}

/** The best known first; then fewer adapters, sound before worn, and the order of names. */
export function better(a: Chain, b: Chain): number {
  return (
    VERDICTS.indexOf(a.evidence.verdict) - VERDICTS.indexOf(b.evidence.verdict) ||
    b.evidence.lower - a.evidence.lower ||
    a.untried.length - b.untried.length ||
    joints(a) - joints(b) ||
    Number(a.lead?.condition === "worn") - Number(b.lead?.condition === "worn") ||
    (a.key < b.key ? -1 : 1)
  );
}
const joints = (chain: Chain) => chain.atRadio.length + chain.atComputer.length;

/** Whether a radio can be worked on with what stands ready: some chain holds and is not known to fail. */
export const isReady = ({ chains }: Pick<Chains, "chains">): boolean =>
  chains.some((chain) => chain.evidence.verdict !== "known-bad");

const MOST_NEAR = 3;

/** Keeps the sets of changes that would do, each once, and the least broken of what nothing would mend. */
class Nearest {
  readonly #sets = new Map<string, { readonly mend: Mend; readonly chains: Parts[] }>();
  readonly #index: EvidenceIndex;
  #stopped: { readonly parts: Parts; readonly broken: number } | undefined;

  constructor(index: EvidenceIndex) {
    this.#index = index;
  }

  add(parts: Parts, mend: Mend): void {
    const known = this.#sets.get(mend.key);
    if (known) known.chains.push(parts);
    else this.#sets.set(mend.key, { mend, chains: [parts] });
  }

  stop(parts: Parts, broken: number): void {
    if (!this.#stopped || broken < this.#stopped.broken) this.#stopped = { parts, broken };
  }

  get stopped(): Chain | undefined {
    return this.#stopped && chainOf(this.#stopped.parts, this.#index);
  }

  /** Every set, without those that would only mend what is settled never to work together. */
  sets(): Mend[] {
    const settled = (parts: Parts) => evidenceFor(parts, this.#index).settled;
    return [...this.#sets.values()].flatMap(({ mend, chains }) => (chains.every(settled) ? [] : [mend]));
  }

  three(): NearChain[] {
    const kept: { near: NearChain; acts: ReadonlySet<string> }[] = [];
    const all = [...this.#sets.values()].sort((a, b) => cheaper(a.mend, b.mend));
    for (const { mend, chains } of all) {
      if (kept.length === MOST_NEAR) break;
      const acts = new Set(mend.key.split("\n"));
      // Whoever does all of a smaller set and more has done too much.
      if (kept.some((k) => [...k.acts].every((act) => acts.has(act)))) continue;
      // Of the chains that the same changes would make, the best known is shown.
      const [best] = chains
        .map((parts) => chainOf(parts, this.#index))
        .filter((chain) => !chain.evidence.settled)
        .sort(better);
      if (!best) continue;
      const { changes, money, minutes } = mend;
      kept.push({ near: { ...best, changes, money, minutes }, acts });
    }
    return kept.map((k) => k.near);
  }
}

const cheaper = (a: Mend, b: Mend): number =>
  a.money - b.money ||
  a.minutes - b.minutes ||
  a.changes.length - b.changes.length ||
  (a.key < b.key ? -1 : 1);
