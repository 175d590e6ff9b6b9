// From a lead into a computer: the port it meets, the driver its chip asks for, what breaks on the way and what would mend it.
import type { Way } from "../../release/index.ts";
import type { Chip, Computer, Kit, Lead } from "../shapes.ts";
import {
  changesForAll,
  type DriverBreak,
  type DriverChange,
  type DriverVerdict,
  driverMinutes,
  driverVerdict,
} from "./driver.ts";
import { type Evidence, type EvidenceIndex, widerEvidence } from "./evidence.ts";
import type { Path, Paths } from "./path.ts";
import { type ToolBreak, type ToolChange, toolMinutes } from "./tool.ts";

/** Links that nobody has noted anything about. */
export type Untried = readonly ("chip" | "driver" | "tool")[];

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

/** A kit prepared for many jobs. */
export type PreparedKit = {
  readonly kit: Kit;
  readonly leads: readonly AnyLead[];
  readonly paths: Paths;
  readonly evidence: EvidenceIndex;
  readonly links: Map<string, readonly Link[]>;
};

/** A way from a lead into a computer, with its driver; what breaks it and what would mend that. */
export type Link = {
  readonly computer: Computer;
  readonly path: Path;
  readonly chip?: Chip;
  readonly driver?: DriverVerdict;
  /** Links of one lead for which this is the same differ in nothing but which adapters of a kind they take. */
  readonly same: string;
  /** What is known of this chip, driver and system wherever they were tried. */
  readonly wider: Evidence;
  readonly untried: Untried;
  readonly breaks: readonly Break[];
  /** Absent: nothing would. */
  readonly remedy?: Remedy;
};

/** Changes with what they cost together, and a text that is the same for the same set of them. */
export type Remedy = {
  readonly changes: readonly Change[];
  readonly money: number;
  readonly minutes: number;
  readonly key: string;
};

export const NO_REMEDY: Remedy = { changes: [], money: 0, minutes: 0, key: "" };

/** Changes put together, each once: what they cost in money and minutes, and a key by which equal sets are known. */
export function remedyOf(all: readonly Change[]): Remedy {
  if (all.length === 0) return NO_REMEDY;
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
export function together(parts: readonly Remedy[]): Remedy {
  const asking = parts.filter((part) => part.changes.length > 0);
  const [only] = asking;
  if (asking.length <= 1) return only ?? NO_REMEDY;
  return {
    changes: asking.flatMap((part) => part.changes),
    money: asking.reduce((sum, part) => sum + part.money, 0),
    minutes: asking.reduce((sum, part) => sum + part.minutes, 0),
    key: asking.map((part) => part.key).join("\n"),
  };
}

const FETCH_MINUTES = 20;

const minutesOfChange = (change: Change): number => {
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

/** What is with somebody must be fetched, what is offered must be bought. */
export function gather(
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

/** All ways of a lead into the computers of the kit; worked out once a kit. */
export function linksOf(lead: AnyLead, prepared: PreparedKit): readonly Link[] {
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
export function directLinks(plug: string, prepared: PreparedKit): readonly Link[] {
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
    ...(breaks.length === 0 && { remedy: NO_REMEDY }),
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
      const curable = state.length === 0 && onDrivers !== undefined;
      const [shown] = [...verdicts].sort(
        (a, b) => STATES.indexOf(b.verdict.state) - STATES.indexOf(a.verdict.state),
      );
      const remedy = curable ? remedyOf(changes) : undefined;
      return {
        computer,
        path,
        ...(shown && { chip: shown.chip, driver: shown.verdict }),
        ...about(shown?.chip, shown?.verdict),
        same: JSON.stringify([computer.id, shown?.chip, shown?.verdict.driver, breaks, remedy?.key]),
        breaks,
        ...(remedy && { remedy }),
      };
    });
}

const STATES = ["sound", "untried", "broken"] as const;

const NOTHING_UNTRIED: Untried = [];
