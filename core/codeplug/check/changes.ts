// What a draft of the plan changes, block by block.
import { sameValue } from "../../quantities/index.ts";
import type { StoredPlan } from "../plan/plan.ts";

export type BlockChange =
  | { readonly kind: "added" | "removed" | "moved"; readonly block: string }
  | {
      readonly kind: "changed";
      readonly block: string;
      readonly added: number;
      readonly removed: number;
      readonly changed: number;
      /** Its head: priority, place, rule. */
      readonly head: boolean;
    };

/** Blocks are the same by name. A member is the same by name within its block; one whose name is new was added. */
export function changesOf(before: StoredPlan, after: StoredPlan): BlockChange[] {
  const olds = new Map(before.map((block) => [block.name, block]));
  const names = new Set(after.map(({ name }) => name));
  const kept = before.filter(({ name }) => names.has(name)).map(({ name }) => name);
  const order = after.filter(({ name }) => olds.has(name)).map(({ name }) => name);
  return [
    ...after.flatMap((block): BlockChange[] => {
      const old = olds.get(block.name);
      if (!old) return [{ kind: "added", block: block.name }];
      const found: BlockChange[] = [];
      if (kept.indexOf(block.name) !== order.indexOf(block.name))
        found.push({ kind: "moved", block: block.name });
      const { members: oldMembers, ...oldHead } = old;
      const { members, ...head } = block;
      const was = new Map(oldMembers.map((member) => [member.name, member]));
      const is = new Set(members.map(({ name }) => name));
      const added = members.filter(({ name }) => !was.has(name)).length;
      const removed = oldMembers.filter(({ name }) => !is.has(name)).length;
      const changed = members.filter((one) => was.has(one.name) && !sameValue(one, was.get(one.name))).length;
      const headChanged = !sameValue(head, oldHead);
      if (added + removed + changed > 0 || headChanged)
        found.push({ kind: "changed", block: block.name, added, removed, changed, head: headChanged });
      return found;
    }),
    ...before.flatMap((block): BlockChange[] =>
      names.has(block.name) ? [] : [{ kind: "removed", block: block.name }],
    ),
  ];
}
