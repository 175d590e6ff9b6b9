// The club's one plan made into the table of channels for one model in one mode: what it cannot take is left out, and why; the same each time.
import { type Bands, liesInBands } from "../../modes/index.ts";
import type { CodeplugChannel } from "../channel.ts";
import { isCommon } from "../tone.ts";
import { fitBlocks } from "./fit.ts";
import { distinctNames } from "./names.ts";
import { powerName } from "./power-name.ts";

/** A channel of the plan, without a position: that comes with the model. */
export type PlanMember = Omit<CodeplugChannel, "position">;

export type PlanBlock = {
  readonly name: string;
  /** 1 to 9: what each member weighs where not all fit. */
  readonly priority: number;
  /** It stands from this position on; absent: behind the block before it. */
  readonly at?: number;
  /** Where the model may not transmit, it takes a member to listen only; else it is left out. */
  readonly listens: boolean;
  readonly members: readonly PlanMember[];
};

/** What a model can do in a mode. */
export type LayFacts = {
  readonly receive: Bands;
  readonly transmit: Bands;
  readonly digital: boolean;
  readonly capacity: number;
  /** Signs that its display shows of a name. */
  readonly nameSigns: number;
  /** It makes tones that are not among those commonly built. */
  readonly everyTone: boolean;
  /** Its levels of power by name, the highest first; empty: nobody has noted them. */
  readonly powers?: readonly string[];
};

export type LeftOut = {
  readonly block: string;
  readonly member: PlanMember;
  /** `deaf`: it does not hear there; `no-transmit`: it may not send there, and the block wants that; `full`: there was no place left. */
  readonly why: "deaf" | "digital" | "no-transmit" | "tone" | "name" | "full";
};

export type LaidOut = {
  readonly channels: readonly CodeplugChannel[];
  readonly left: readonly LeftOut[];
  /** Positions of those that it only listens to, though the plan would send. */
  readonly listening: readonly number[];
  /** Positions of those whose names were cut, with the name that the plan has. */
  readonly cut: readonly { readonly position: number; readonly name: string }[];
  /** By block: where it begins, and how many of how many are in. */
  readonly blocks: readonly {
    readonly name: string;
    readonly from: number;
    readonly kept: number;
    readonly of: number;
  }[];
};

/** Why a model cannot take a member at all; undefined: it can. */
function refused(member: PlanMember, listens: boolean, facts: LayFacts): LeftOut["why"] | undefined {
  if (!liesInBands(facts.receive, member.receive)) return "deaf";
  if (member.digital && !facts.digital) return "digital";
  const sending = maySend(member, facts);
  if (member.transmit !== undefined && !sending && !listens) return "no-transmit";
  // A tone that it would never send is none that it must make; one that it is to hear is.
  const tones = member.digital ? [] : [sending ? member.sends : undefined, member.hears];
  return facts.everyTone || tones.every((tone) => tone === undefined || isCommon(tone)) ? undefined : "tone";
}

const maySend = ({ transmit }: PlanMember, facts: LayFacts): boolean =>
  transmit !== undefined && liesInBands(facts.transmit, transmit);

/**
 * The table for a model. What it cannot receive or do is left out; where it may not transmit it listens, if the block says so; what is too much is
 * left out so that the greatest sum of weights stays, blocks in order and in one piece; names are cut so that no two are alike. A member whose name
 * cannot be told apart is left out as well, and what was too much may come in for it.
 */
export function layOut(plan: readonly PlanBlock[], facts: LayFacts): LaidOut {
  const unnamed = new Set<PlanMember>();
  for (;;) {
    const laid = once(plan, facts, unnamed);
    if (laid.nameless.length === 0) return laid.out;
    for (const member of laid.nameless) unnamed.add(member);
  }
}

function once(
  plan: readonly PlanBlock[],
  facts: LayFacts,
  unnamed: ReadonlySet<PlanMember>,
): { readonly out: LaidOut; readonly nameless: readonly PlanMember[] } {
  const left: LeftOut[] = [];
  const able = plan.map(({ name: block, listens, members }) =>
    members.filter((member) => {
      const why = unnamed.has(member) ? "name" : refused(member, listens, facts);
      if (why) left.push({ block, member, why });
      return why === undefined;
    }),
  );
  const fitted = fitBlocks(
    plan.map(({ priority, at }, b) => ({
      count: able[b]?.length ?? 0,
      priority,
      ...(at !== undefined && { at }),
    })),
    facts.capacity,
  );
  const placed = plan.flatMap(({ name: block }, b) => {
    const { from = 1, kept = 0 } = fitted[b] ?? {};
    const own = able[b] ?? [];
    for (const member of own.slice(kept)) left.push({ block, member, why: "full" });
    return own.slice(0, kept).map((member, i) => ({ member, position: from + i }));
  });
  const names = distinctNames(
    placed.map(({ member }) => member.name),
    facts.nameSigns,
  );
  const channels = placed.map(({ member, position }, i): CodeplugChannel => {
    const { transmit, sends, power: wanted, ...rest } = member;
    const sending = maySend(member, facts);
    const power = sending ? powerName(wanted, facts.powers ?? []) : undefined;
    return {
      ...rest,
      position,
      name: names[i] ?? "",
      ...(sending && transmit !== undefined && { transmit }),
      ...(sending && sends && { sends }),
      ...(power !== undefined && { power }),
    };
  });
  return {
    nameless: placed.flatMap(({ member }, i) => (names[i] === undefined ? [member] : [])),
    out: {
      channels,
      left,
      listening: placed.flatMap(({ member, position }) =>
        member.transmit !== undefined && !maySend(member, facts) ? [position] : [],
      ),
      cut: placed.flatMap(({ member, position }, i) =>
        names[i] !== member.name ? [{ position, name: member.name }] : [],
      ),
      blocks: plan.map(({ name, members }, b) => ({
        name,
        of: members.length,
        ...(fitted[b] ?? { from: 1, kept: 0 }),
      })),
    },
  };
}
