// Radios taken to the bench from a form of another page: one by its tag, or several lined up.

import { redirect } from "react-router";
import { setBenchRules } from "#acts/run/set-bench-rules.ts";
import { firstAtBench } from "#core/needs/index.ts";
import { good, type PlainDate } from "#core/quantities/index.ts";
import type { Tx } from "#db/pool.ts";
import { benchRules } from "#db/run/index.ts";
import { needsOfUnit, unitById, unitByTag } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { KEY } from "../forms/form-key.tsx";
import { firstIssue } from "../forms/perform.server.ts";
import { saveForm } from "../forms/save.server.ts";
import { type ActAnswer, answer, answerRefused, textsOf } from "../shared/act-answer.server.ts";
import { beginByForm } from "../shared/begin-run.server.ts";
import { answerRefusal, conflict, type Refusal, refusalOf, typedWrongly } from "../shared/refusals.server.ts";
import { counted } from "../ui/words/count.ts";
import { drawnRules, typedRules } from "./rules-form.ts";

/** So many radios are lined up at once: more than an evening holds. */
const MOST = 50;

export async function startByForm(tx: Tx, who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) } satisfies ActAnswer);
  if (intent === "line-up") return lineUp(tx, who, form, "update", refused);
  if (intent === "line-up-plan") return lineUp(tx, who, form, "write", refused);
  if (intent === "rules") {
    const done = await saveForm(setBenchRules, who, form, {
      read: (typed) => good(typedRules(typed)),
      drawn: async () => drawnRules(await benchRules(tx)),
    });
    if (done.ok) return answer(200, { ok: true, intent, says: "The rules are set." });
    if (done.problem.kind === "refused") return answerRefused(intent, done.problem.refused);
    const { status, says } = refusalOf(done.problem, {
      input: (problem) => typedWrongly(firstIssue(problem, "Between 5 and 1440 minutes; 0 to 9 tries.")),
    });
    return refused(status, says);
  }
  if (intent !== "start") return refused(400, "This page does not know that act.");
  const tag = String(form.get("tag") ?? "").trim();
  const unit = tag === "" ? undefined : await unitByTag(tx, tag.slice(0, 80));
  if (!unit)
    return refused(
      404,
      tag === "" ? "Which radio? Type its tag." : `No radio has the tag ${tag.slice(0, 40)}.`,
    );
  const begun = await beginByForm(who, unit, form);
  if (begun.ok) throw redirect(`/bench/${begun.run}`);
  return answerRefusal(intent, form, begun);
}

/** For what a radio is lined up, as a form says it; undefined: nothing of what it needs is done at the bench. */
async function errandOf(tx: Tx, unit: string, today: PlainDate): Promise<Record<string, string> | undefined> {
  const due = (await needsOfUnit(tx, unit, today)).filter(({ due_from }) => due_from <= today);
  const first = firstAtBench(due);
  return first && (first.work === "read" ? { component: first.need.component_id } : { for: first.work });
}

/** Each is taken for what it needs, or for the plan of channels; what cannot be is said, and the others are lined up all the same. */
async function lineUp(
  tx: Tx,
  who: SignedIn,
  form: FormData,
  purpose: "update" | "write",
  refused: (status: number, says: string) => ReturnType<typeof answer>,
) {
  const ids = [...new Set(form.getAll("unit").map(String))].filter((id) => /^\d{1,18}$/.test(id));
  if (ids.length === 0) return refused(400, "Pick the radios in Due first.");
  if (ids.length > MOST) return refused(400, `At most ${MOST} radios are lined up at once.`);
  let taken = 0;
  const not: Refusal[] = [];
  for (const id of ids) {
    const unit = await unitById(tx, id);
    const errand = purpose === "write" ? { for: "write" } : await errandOf(tx, id, who.today);
    if (!unit || !errand) {
      not.push(
        conflict(
          unit
            ? `${unit.tag} needs nothing that is done at the bench.`
            : "One of them is not in the cabinet.",
        ),
      );
      continue;
    }
    const own = new FormData();
    for (const [name, value] of Object.entries({ ...errand, [KEY]: `${form.get(KEY)}-${id}` }))
      own.set(name, value);
    const begun = await beginByForm(who, unit, own);
    if (begun.ok) taken++;
    else not.push(begun);
  }
  const says = [taken > 0 && `${counted(taken, "radio")} lined up.`, ...not.map((one) => one.says)]
    .filter(Boolean)
    .join(" ");
  const cure = not.find((one) => one.cure)?.cure;
  return answer(taken > 0 ? 200 : 409, { ok: taken > 0, intent: "line-up", says, ...(cure && { cure }) });
}
