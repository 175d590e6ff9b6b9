// Chains: every way to reach into one radio with what the club owns, how well each is known to hold, and what almost
// holds. Rules: core.md 4; what it leaves open is settled in docs/decisions/006.
import type { Way } from "../firmware/conditions.ts";
import {
  type DriverBreak,
  type DriverChange,
  type DriverVerdict,
  driverMinutes,
  driverVerdict,
} from "./driver.ts";
import { type Evidence, type EvidenceIndex, evidenceOf, indexOf, VERDICTS } from "./evidence.ts";
import { jointsOf, type Path, type Paths, pathsOver } from "./path.ts";
import type { Chip, Computer, Job, Kit, Lead, LeadKind } from "./shapes.ts";
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
  readonly breaks: readonly Break[];
  /** Absent: nothing would. */
  readonly changes?: readonly Change[];
};

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
  const tools = toolsFor(job, prepared.kit.tools);
  const holding: Chain[] = [];
  const nearest = new Nearest();
  let reached = false;
  for (const { plug, lead, atRadio } of leadsFor(job, prepared)) {
    const links = lead ? linksOf(lead, prepared) : directLinks(plug, prepared);
    reached ||= lead !== undefined || links.length > 0;
    const own = leadLinks(job, lead, atRadio);
    for (const link of links) {
      const apart = !atRadio.some((joint) => link.path.includes(joint));
      if (!apart) continue;
      // What is on a card is put there with any computer; only a release that names its software wants that.
      const served: (ToolVerdict | undefined)[] =
        lead?.kind === "card" && job.tool === undefined
          ? [undefined]
          : tools.map((tool) => toolVerdict(tool, link.computer, job));
      for (const tool of served) {
        const breaks = [...own.breaks, ...link.breaks, ...(tool?.breaks ?? [])];
        const chain = chainOf({ lead, plug, atRadio, link, tool, breaks }, prepared.evidence);
        if (breaks.length === 0) holding.push(chain);
        else if (own.changes && link.changes && (!tool || tool.changes)) {
          nearest.add(chain, [...own.changes, ...link.changes, ...(tool?.changes ?? [])]);
        } else nearest.stop(chain);
      }
    }
  }
  const near = nearest.three();
  const hopeless = holding.length === 0 && near.length === 0;
  return {
    chains: bestPerParts(holding).sort(better),
    near,
    ...(hopeless && nearest.stopped && { stopped: nearest.stopped }),
    noLead: !reached,
    noTool: tools.length === 0,
  };
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

type Own = { readonly breaks: readonly Break[]; readonly changes?: readonly Change[] };

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
  return { breaks, ...(!hopeless && { changes }) };
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
  { kit, paths }: PreparedKit,
): Link[] {
  const state: Break[] =
    computer.condition === "broken" || computer.condition === "lost"
      ? [{ kind: "computer-condition", condition: computer.condition }]
      : [];
  if (from === undefined) {
    const breaks: Break[] = [...state, ...(computer.bluetooth ? [] : [{ kind: "no-bluetooth" } as const])];
    return [{ computer, path: [], breaks, ...(breaks.length === 0 && { changes: [] }) }];
  }
  const all = computer.ports.flatMap((port) => paths(from, port));
  // A wired lead into a phone goes over an on-the-go adapter, or the phone waits to be told by the lead.
  const wired = lead?.kind === "cable" && computer.kind !== "computer";
  const fitting = wired ? all.filter((path) => path.some((joint) => joint.kind === "on-the-go")) : all;
  if (fitting.length === 0) {
    const missing = { kind: all.length > 0 ? "no-on-the-go" : "no-port" } as const;
    return [{ computer, path: [], ...(lead?.chip && { chip: lead.chip }), breaks: [...state, missing] }];
  }
  return fitting.map((path): Link => {
    const chips = [lead?.chip, ...path.map((joint) => joint.chip)].filter((chip) => chip !== undefined);
    const verdicts = chips.map((chip) => ({ chip, verdict: driverVerdict(chip, computer, kit.rules) }));
    const breaks: Break[] = [...state];
    const changes: Change[] = [];
    for (const joint of path) gather(joint, breaks, changes);
    for (const { verdict } of verdicts) {
      breaks.push(...verdict.breaks);
      changes.push(...(verdict.changes ?? []));
    }
    const mendable = state.length === 0 && verdicts.every((v) => v.verdict.changes !== undefined);
    const [shown] = [...verdicts].sort(
      (a, b) => STATES.indexOf(b.verdict.state) - STATES.indexOf(a.verdict.state),
    );
    return {
      computer,
      path,
      ...(shown && { chip: shown.chip, driver: shown.verdict }),
      breaks,
      ...(mendable && { changes }),
    };
  });
}
const STATES = ["sound", "untried", "broken"] as const;

function chainOf(
  parts: {
    lead: AnyLead | undefined;
    plug: string;
    atRadio: Path;
    link: Link;
    tool: ToolVerdict | undefined;
    breaks: readonly Break[];
  },
  index: EvidenceIndex,
): Chain {
  const { lead, plug, atRadio, link, tool, breaks } = parts;
  const { computer, chip, driver } = link;
  const evidence = evidenceOf(
    {
      lead: lead?.id,
      computer: computer.id,
      tool: tool?.tool,
      chip,
      driver: driver?.driver,
      system: computer.system,
      systemVersion: computer.version,
    },
    index,
  );
  const untried = [
    ...(chip?.family === "" ? (["chip"] as const) : []),
    ...(driver?.state === "untried" ? (["driver"] as const) : []),
    ...(tool?.state === "untried" ? (["tool"] as const) : []),
  ];
  return {
    ...(lead && { lead }),
    plug,
    atRadio,
    atComputer: link.path,
    ...(chip && { chip }),
    ...(driver && { driver }),
    computer,
    ...(tool && { tool }),
    breaks,
    evidence,
    untried,
  };
}

const partsKey = (chain: Chain): string =>
  `${chain.lead?.id ?? ""}|${chain.computer.id}|${chain.tool?.tool ?? ""}`;

/** One chain for each lead, computer and tool: the one with the fewest adapters. */
function bestPerParts(chains: readonly Chain[]): Chain[] {
  const best = new Map<string, Chain>();
  for (const chain of chains) {
    const key = partsKey(chain);
    const known = best.get(key);
    if (!known || better(chain, known) < 0) best.set(key, chain);
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
    (partsKey(a) < partsKey(b) ? -1 : 1)
  );
}
const joints = (chain: Chain) => chain.atRadio.length + chain.atComputer.length;

/** Whether a radio can be worked on with what stands ready: some chain holds and is not known to fail. */
export const isReady = ({ chains }: Pick<Chains, "chains">): boolean =>
  chains.some((chain) => chain.evidence.verdict !== "known-bad");

const MOST_NEAR = 3;

/** Keeps the cheapest sets of changes, each once, and the least broken of what nothing would mend. */
class Nearest {
  readonly #sets = new Map<string, NearChain>();
  stopped: Chain | undefined;

  add(chain: Chain, all: readonly Change[]): void {
    // Settled matters are not mended by a driver.
    if (chain.evidence.settled) return;
    const acts = new Map(all.map((change) => [JSON.stringify(change), change]));
    const changes = [...acts.values()];
    const near = {
      ...chain,
      changes,
      money: changes.reduce((sum, c) => sum + (c.kind === "get" ? c.price : 0), 0),
      minutes: changes.reduce((sum, c) => sum + minutesOfChange(c), 0),
    };
    const key = [...acts.keys()].sort().join("\n");
    const known = this.#sets.get(key);
    if (!known || better(near, known) < 0) this.#sets.set(key, near);
  }

  stop(chain: Chain): void {
    if (!this.stopped || chain.breaks.length < this.stopped.breaks.length) this.stopped = chain;
  }

  three(): NearChain[] {
    const kept: { near: NearChain; acts: ReadonlySet<string> }[] = [];
    for (const [key, near] of [...this.#sets].sort(([, a], [, b]) => cheaper(a, b))) {
      if (kept.length === MOST_NEAR) break;
      const acts = new Set(key.split("\n"));
      // Whoever does all of a smaller set and more has done too much.
      if (kept.some((k) => [...k.acts].every((act) => acts.has(act)))) continue;
      kept.push({ near, acts });
    }
    return kept.map((k) => k.near);
  }
}

const cheaper = (a: NearChain, b: NearChain): number =>
  a.money - b.money || a.minutes - b.minutes || a.changes.length - b.changes.length || better(a, b);
