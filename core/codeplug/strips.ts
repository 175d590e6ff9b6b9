// The plan beside what each model takes of it, block by block; and what is wrong with it, the worst first.
import { type Mode, strandedChannels } from "../modes/index.ts";
import { groupBy, mustGet } from "../quantities/index.ts";
import type { LaidOut, LeftOut, PlanMember } from "./plan/lay-out.ts";

export type Strip = {
  readonly block: string;
  readonly of: number;
  /** Taken as the plan has them; taken to listen only; left out for want of room, or because their names cannot be told apart; not for this model. */
  readonly taken: number;
  readonly listens: number;
  readonly left: number;
  readonly unfit: number;
  /** The position of the first; absent: none is in. */
  readonly from?: number;
};

const WANT_OF_ROOM: readonly LeftOut["why"][] = ["full", "name"];

/** How much of each block a model takes. The parts of a block come to all its members. */
export function stripsOf(laid: LaidOut): Strip[] {
  const byPosition = new Map(laid.channels.map((channel) => [channel.position, channel]));
  const leftOf = groupBy(laid.left, ({ block }) => block);
  return laid.blocks.map(({ name, from, kept, of }) => {
    let listens = 0;
    for (let i = 0; i < kept; i++) if (byPosition.get(from + i)?.transmit === undefined) listens++;
    const out = leftOf.get(name) ?? [];
    const left = out.filter(({ why }) => WANT_OF_ROOM.includes(why)).length;
    return {
      block: name,
      of,
      taken: kept - listens,
      listens,
      left,
      unfit: of - kept - left,
      ...(kept > 0 && { from }),
    };
  });
}

export type Trouble =
  /** Its radios in that mode would end up somewhere else, or not transmit at all. */
  | {
      readonly kind: "stranded";
      readonly model: string;
      readonly mode: string;
      readonly units: number;
      readonly tags: readonly string[];
      readonly channels: readonly string[];
      readonly count: number;
      readonly edge?: number;
    }
  | {
      readonly kind: "left-out";
      readonly model: string;
      readonly why: LeftOut["why"];
      readonly count: number;
      readonly blocks: readonly string[];
    }
  /** The plan would send there; the model may only listen. */
  | {
      readonly kind: "listens";
      readonly model: string;
      readonly count: number;
      readonly channels: readonly string[];
    }
  | {
      readonly kind: "cut";
      readonly model: string;
      readonly count: number;
      readonly name: string;
      readonly short: string;
    };

/** A model's table, with the radios that carry it by the mode that they are in. */
export type TableInUse = {
  readonly model: string;
  readonly laid: LaidOut;
  readonly modes: readonly {
    readonly mode: Mode;
    readonly units: number;
    readonly tags: readonly string[];
  }[];
};

const weight = (trouble: Trouble): number => {
  switch (trouble.kind) {
    case "stranded":
      return trouble.edge === undefined ? 3 : 0;
    case "left-out":
      return trouble.why === "full" ? 1 : trouble.why === "tone" || trouble.why === "name" ? 2 : 5;
    case "listens":
      return 4;
    case "cut":
      return 6;
  }
};

/** What is wrong with the tables of a plan: where a radio would transmit elsewhere first, then what does not fit, then what is only cut. */
export function planTroubles(tables: readonly TableInUse[]): Trouble[] {
  const found = tables.flatMap(({ model, laid, modes }): Trouble[] => {
    const nameAt = new Map(laid.channels.map(({ position, name }) => [position, name]));
    const stray = modes.flatMap(({ mode, units, tags }): Trouble[] => {
      const all = strandedChannels(laid.channels, mode);
      const [first] = all;
      if (!first) return [];
      return [
        {
          kind: "stranded",
          model,
          mode: mode.name,
          units,
          tags,
          count: all.length,
          channels: all.slice(0, 4).map(({ channel }) => channel.name),
          ...(first.edge !== undefined && { edge: first.edge }),
        },
      ];
    });
    const left = [...groupBy(laid.left, ({ why }) => why)].map(
      ([why, out]): Trouble => ({
        kind: "left-out",
        model,
        why,
        count: out.length,
        blocks: [...new Set(out.map(({ block }) => block))],
      }),
    );
    const [cut] = laid.cut;
    return [
      ...stray,
      ...left,
      ...(laid.listening.length > 0
        ? [
            {
              kind: "listens" as const,
              model,
              count: laid.listening.length,
              channels: laid.listening.slice(0, 4).map((position) => mustGet(nameAt, position)),
            },
          ]
        : []),
      ...(cut
        ? [
            {
              kind: "cut" as const,
              model,
              count: laid.cut.length,
              name: cut.name,
              short: mustGet(nameAt, cut.position),
            },
          ]
        : []),
    ];
  });
  return found
    .map((one, i) => [one, i] as const)
    .sort(([a, i], [b, j]) => weight(a) - weight(b) || i - j)
    .map(([one]) => one);
}

export type StripFit =
  | { readonly kind: "in"; readonly position: number; readonly name: string; readonly listens: boolean }
  | { readonly kind: "out"; readonly why: LeftOut["why"] };

/** What became of each member of a block in a model's table, in the block's order. The members are those that were laid out, not others like them. */
export function fitOfBlock(members: readonly PlanMember[], block: string, laid: LaidOut): StripFit[] {
  const out = new Map(
    laid.left.flatMap((one) => (one.block === block ? [[one.member, one.why] as const] : [])),
  );
  const byPosition = new Map(laid.channels.map((channel) => [channel.position, channel]));
  const from = laid.blocks.find(({ name }) => name === block)?.from ?? 1;
  let at = from;
  return members.map((member): StripFit => {
    const why = out.get(member);
    if (why) return { kind: "out", why };
    const channel = byPosition.get(at++);
    return {
      kind: "in",
      position: at - 1,
      name: channel?.name ?? "",
      listens: channel?.transmit === undefined && member.transmit !== undefined,
    };
  });
}
