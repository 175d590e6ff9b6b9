// Chains as they come out: one line from the radio to a tool, in rank; and of those that do not hold, the cheapest to mend.
import type { DriverVerdict } from "../chain/driver.ts";
import { type Evidence, type EvidenceIndex, ownEvidence, VERDICTS } from "../chain/evidence.ts";
import type { AnyLead, Break, Change, Link, Remedy, Untried } from "../chain/link.ts";
import type { Path } from "../chain/path.ts";
import type { ToolVerdict } from "../chain/tool.ts";
import type { Chip, Computer } from "../shapes.ts";

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
  readonly untried: Untried;
};

/** A chain that would hold after some changes. */
export type NearChain = Chain & {
  readonly changes: readonly Change[];
  readonly money: number;
  readonly minutes: number;
};

export type Own = { readonly breaks: readonly Break[]; readonly remedy?: Remedy };

export type Parts = {
  readonly lead: AnyLead | undefined;
  readonly plug: string;
  readonly atRadio: Path;
  readonly link: Link;
  readonly tool: ToolVerdict | undefined;
  readonly own: Own;
};

const evidenceFor = ({ lead, link, tool }: Parts, index: EvidenceIndex): Evidence =>
  ownEvidence(lead?.id, link.computer.id, tool?.tool, link.wider, index);

/** Built by hand rather than spread: there are hundreds of these for a radio. */
export function chainOf(parts: Parts, index: EvidenceIndex): Chain {
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
export function bestPerParts(chains: readonly Chain[]): Chain[] {
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

const MOST_NEAR = 3;

/** Keeps the sets of changes that would do, each once, and the least broken of what nothing would mend. */
export class Nearest {
  readonly #sets = new Map<string, { readonly remedy: Remedy; readonly chains: Parts[] }>();
  readonly #index: EvidenceIndex;
  #stopped: { readonly parts: Parts; readonly broken: number } | undefined;

  constructor(index: EvidenceIndex) {
    this.#index = index;
  }

  add(parts: Parts, remedy: Remedy): void {
    const known = this.#sets.get(remedy.key);
    if (known) known.chains.push(parts);
    else this.#sets.set(remedy.key, { remedy, chains: [parts] });
  }

  stop(parts: Parts, broken: number): void {
    if (!this.#stopped || broken < this.#stopped.broken) this.#stopped = { parts, broken };
  }

  get stopped(): Chain | undefined {
    return this.#stopped && chainOf(this.#stopped.parts, this.#index);
  }

  /** Every set, without those that would only mend what is settled never to work together. */
  sets(): Remedy[] {
    const settled = (parts: Parts) => evidenceFor(parts, this.#index).settled;
    return [...this.#sets.values()].flatMap(({ remedy, chains }) => (chains.every(settled) ? [] : [remedy]));
  }

  three(): NearChain[] {
    const kept: { near: NearChain; acts: ReadonlySet<string> }[] = [];
    const all = [...this.#sets.values()].sort((a, b) => cheaper(a.remedy, b.remedy));
    for (const { remedy, chains } of all) {
      if (kept.length === MOST_NEAR) break;
      const acts = new Set(remedy.key.split("\n"));
      // Whoever does all of a smaller set and more has done too much.
      if (kept.some((k) => [...k.acts].every((act) => acts.has(act)))) continue;
      // Of the chains that the same changes would make, the best known is shown.
      const [best] = chains
        .map((parts) => chainOf(parts, this.#index))
        .filter((chain) => !chain.evidence.settled)
        .sort(better);
      if (!best) continue;
      const { changes, money, minutes } = remedy;
      kept.push({ near: { ...best, changes, money, minutes }, acts });
    }
    return kept.map((k) => k.near);
  }
}

const cheaper = (a: Remedy, b: Remedy): number =>
  a.money - b.money ||
  a.minutes - b.minutes ||
  a.changes.length - b.changes.length ||
  (a.key < b.key ? -1 : 1);
