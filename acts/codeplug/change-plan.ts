// The draft of the club's plan of channels is changed, one thing at a time; the first change makes the draft.
import { z } from "zod";
import { changePlan as changed, type PlanChange, planChange, type StoredPlan } from "#core/codeplug/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { addPlan, planDraft, planNow, putDraft } from "#db/codeplug/index.ts";
import { isDuplicate } from "#db/errors.ts";
import { defineAct } from "../define.ts";

/** `version`: of the draft that the person saw; 0: there was none. Problems: `meanwhile`; those of `changePlan`. */
export const changePlan = defineAct({
  name: "change-plan",
  input: z.object({ version: z.number().int().min(0).max(1_000_000_000), change: planChange }),
  may: "edit-plan",
  run: async (tx, { version, change }, who) => {
    const draft = await planDraft(tx, true);
    if ((draft?.version ?? 0) !== version) return bad({ kind: "meanwhile" as const });
    const before = draft?.blocks ?? (await planNow(tx))?.blocks ?? [];
    const after = changed(before, change);
    if (!after.ok) return after;
    if (draft) await putDraft(tx, draft.id, after.value, who.person);
    else {
      try {
        await addPlan(tx, { blocks: after.value, by: who.person });
      } catch (error) {
        if (isDuplicate(error, "channel_plan_draft")) return bad({ kind: "meanwhile" as const });
        throw error;
      }
    }
    const what = about(before, change).slice(0, 200);
    return good({
      answer: { version: version + 1 },
      log: [{ entry: { kind: "plan-changed" as const, how: change.do, what } }],
    });
  },
});

function about(plan: StoredPlan, change: PlanChange): string {
  if ("head" in change) return change.head.name;
  const block = plan[change.block];
  if (change.do === "add-members") return change.members.map(({ name }) => name).join(", ");
  if (change.do === "change-member") return change.channel.name;
  if ("member" in change) return block?.members[change.member]?.name ?? "";
  return block?.name ?? "";
}
