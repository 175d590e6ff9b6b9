// The club's one plan of channels: blocks in their order, each a list of members or a rule for repeaters; how it is changed, and what it comes to.
import { z } from "zod";
import { bandShape } from "../../modes/index.ts";
import { bad, good, type PlainDate, type Result } from "../../quantities/index.ts";
import { codeplugChannel } from "../channel.ts";
import type { PlanBlock, PlanMember } from "./lay-out.ts";
import { type Repeater, repeatersNear } from "./repeaters.ts";

export const MOST_BLOCKS = 60;
export const MOST_MEMBERS = 1000;
/** In all blocks together: more than any radio holds that clubs have, and laid out in a blink. */
export const MOST_IN_PLAN = 3000;

export const planMember = codeplugChannel.omit({ position: true });

/** A place on the earth, in degrees. */
export const placeShape = z.object({
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
});

export const nearRule = z.object({
  /** What the place is called. */
  around: z.string().trim().max(60).default(""),
  place: placeShape,
  kilometres: z.number().min(0.1).max(20_100),
  bands: z.array(bandShape).min(1).max(10).readonly(),
  modes: z
    .array(z.enum(["analogue", "digital"]))
    .min(1)
    .max(2)
    .readonly(),
  openOnly: z.boolean(),
  /** Confirmed within so many days; absent: whenever. */
  withinDays: z.number().int().min(1).max(36_500).optional(),
  /** So many of them, the nearest. */
  most: z.number().int().min(1).max(MOST_MEMBERS).optional(),
});
export type BlockRule = Readonly<z.output<typeof nearRule>>;

const blockHead = z.object({
  name: z.string().trim().min(1, "A block has a name.").max(60, "At most 60 signs."),
  /** What it is for, in a few words. */
  purpose: z.string().trim().max(80).default(""),
  priority: z.number().int().min(1).max(9),
  at: z.number().int().min(1).max(100_000).optional(),
  listens: z.boolean(),
  rule: nearRule.optional(),
});

export const storedBlock = blockHead.extend({ members: z.array(planMember).max(MOST_MEMBERS).readonly() });
export type StoredBlock = Readonly<z.output<typeof storedBlock>>;
export const storedPlan = z.array(storedBlock).max(MOST_BLOCKS).readonly();
export type StoredPlan = z.output<typeof storedPlan>;

const index = z.number().int().min(0).max(MOST_MEMBERS);

/** One change of a plan. Blocks and members are named by where they stand, from 0. */
export const planChange = z.discriminatedUnion("do", [
  z.object({ do: z.literal("add-block"), head: blockHead }),
  z.object({ do: z.literal("change-block"), block: index, head: blockHead }),
  z.object({ do: z.literal("remove-block"), block: index }),
  z.object({ do: z.literal("move-block"), block: index, to: index }),
  z.object({
    do: z.literal("add-members"),
    block: index,
    members: z.array(planMember).min(1).max(MOST_MEMBERS),
  }),
  z.object({ do: z.literal("change-member"), block: index, member: index, channel: planMember }),
  z.object({ do: z.literal("remove-member"), block: index, member: index }),
  z.object({ do: z.literal("move-member"), block: index, member: index, toBlock: index, to: index }),
]);
export type PlanChange = z.output<typeof planChange>;

export type PlanProblem =
  /** There is no such block or member: it was moved or removed meanwhile. */
  | { readonly kind: "not-there" }
  /** Another block has that name, in any case of letters. */
  | { readonly kind: "same-name" }
  | { readonly kind: "too-many"; readonly most: number }
  /** The members of a block with a rule follow from it. */
  | { readonly kind: "by-rule" };

const moved = <T>(list: readonly T[], from: number, to: number): T[] => {
  const rest = list.toSpliced(from, 1);
  const [one] = list.slice(from, from + 1);
  return one === undefined ? rest : rest.toSpliced(Math.min(to, rest.length), 0, one);
};

/** The plan after a change. */
export function changePlan(plan: StoredPlan, change: PlanChange): Result<StoredPlan, PlanProblem> {
  const named = (name: string, but?: number) =>
    plan.some((one, i) => i !== but && one.name.toLowerCase() === name.toLowerCase());
  if (change.do === "add-block") {
    if (named(change.head.name)) return bad({ kind: "same-name" });
    if (plan.length >= MOST_BLOCKS) return bad({ kind: "too-many", most: MOST_BLOCKS });
    return good([...plan, { ...change.head, members: [] }]);
  }
  const block = plan[change.block];
  if (!block) return bad({ kind: "not-there" });
  const withMembers = (members: readonly PlanMember[]): Result<StoredPlan, PlanProblem> => {
    if (members.length > MOST_MEMBERS) return bad({ kind: "too-many", most: MOST_MEMBERS });
    const all = plan.reduce((sum, one) => sum + one.members.length, members.length - block.members.length);
    return all > MOST_IN_PLAN
      ? bad({ kind: "too-many", most: MOST_IN_PLAN })
      : good(plan.with(change.block, { ...block, members }));
  };
  switch (change.do) {
    case "change-block":
      if (named(change.head.name, change.block)) return bad({ kind: "same-name" });
      return good(
        plan.with(change.block, { ...change.head, members: change.head.rule ? [] : block.members }),
      );
    case "remove-block":
      return good(plan.toSpliced(change.block, 1));
    case "move-block":
      return good(moved(plan, change.block, change.to));
    case "add-members":
      return block.rule ? bad({ kind: "by-rule" }) : withMembers([...block.members, ...change.members]);
    case "change-member":
      return block.members[change.member] === undefined
        ? bad({ kind: "not-there" })
        : withMembers(block.members.with(change.member, change.channel));
    case "remove-member":
      return block.members[change.member] === undefined
        ? bad({ kind: "not-there" })
        : withMembers(block.members.toSpliced(change.member, 1));
    case "move-member": {
      const into = plan[change.toBlock];
      const [one] = block.members.slice(change.member, change.member + 1);
      if (!into || one === undefined) return bad({ kind: "not-there" });
      if (change.toBlock === change.block) return withMembers(moved(block.members, change.member, change.to));
      if (into.rule) return bad({ kind: "by-rule" });
      if (into.members.length >= MOST_MEMBERS) return bad({ kind: "too-many", most: MOST_MEMBERS });
      return good(
        plan
          .with(change.block, { ...block, members: block.members.toSpliced(change.member, 1) })
          .with(change.toBlock, {
            ...into,
            members: into.members.toSpliced(Math.min(change.to, into.members.length), 0, one),
          }),
      );
    }
  }
}

/** A repeater as the directory has it, with what opens it. */
export type ListedRepeater = Repeater & Pick<PlanMember, "hears" | "colour" | "slot" | "talkgroup">;

/** A repeater as a member of a block. */
export const memberOf = (one: ListedRepeater): PlanMember => ({
  name: one.name,
  receive: one.receive,
  transmit: one.transmit,
  digital: one.digital,
  bandwidth: 12_500,
  ...(one.sends && { sends: one.sends }),
  ...(one.hears && { hears: one.hears }),
  ...(one.colour !== undefined && { colour: one.colour }),
  ...(one.slot !== undefined && { slot: one.slot }),
  ...(one.talkgroup !== undefined && { talkgroup: one.talkgroup }),
});

/** The plan with the members that its rules take on a day; no more of them than a plan holds. */
export function resolved(
  plan: StoredPlan,
  directory: readonly ListedRepeater[],
  today: PlainDate,
): PlanBlock[] {
  let room = MOST_IN_PLAN - plan.reduce((sum, { members }) => sum + members.length, 0);
  return plan.map(({ name, priority, at, listens, members, rule }) => {
    const taken = rule
      ? repeatersNear(directory, rule, today)
          .taken.slice(0, Math.max(0, Math.min(rule.most ?? MOST_MEMBERS, room)))
          .map(({ repeater }) => memberOf(repeater as ListedRepeater))
      : members;
    if (rule) room -= taken.length;
    return { name, priority, listens, ...(at !== undefined && { at }), members: taken };
  });
}
