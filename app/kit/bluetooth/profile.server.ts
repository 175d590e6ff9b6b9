// What is done with the profiles of a programmer on its page, and what is answered.
import { redirect } from "react-router";
import { keepProfile } from "#acts/bluetooth/keep-profile.ts";
import { shelveProfile } from "#acts/bluetooth/shelve-profile.ts";
import type { Tx } from "#db/pool.ts";
import { unitByTag } from "#db/unit/index.ts";
import type { SignedIn } from "../../context.ts";
import { performForm } from "../../forms/perform.server.ts";
import { answer, textsOf } from "../../shared/act-answer.server.ts";
import { beginByForm } from "../../shared/begin-run.server.ts";
import { answerProblem, answerRefusal } from "../../shared/refusals.server.ts";

/** Intents `keep-profile`, `shelve-profile` and `program`. */
export async function actOnProfile(tx: Tx, who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) });
  if (intent === "program") {
    const tag = String(form.get("unit") ?? "").trim();
    const unit = tag === "" ? undefined : await unitByTag(tx, tag.slice(0, 80));
    if (!unit)
      return refused(
        404,
        tag === "" ? "Into which radio? Type its tag." : `No radio has the tag ${tag.slice(0, 40)}.`,
      );
    const begun = await beginByForm(who, unit, form);
    if (begun.ok) throw redirect(`/bench/${begun.run}`);
    return answerRefusal(intent, form, begun);
  }
  if (intent === "shelve-profile") {
    const done = await performForm(shelveProfile, who, form);
    if (done.ok) return answer(200, { ok: true, intent, says: "It is on the shelf." });
    return answerProblem(intent, form, done.problem, { "no-profile": "It is on the shelf already." });
  }
  const done = await performForm(keepProfile, who, form);
  if (done.ok) return answer(200, { ok: true, intent, says: "Kept." });
  return answerProblem(intent, form, done.problem, {
    taken: "It keeps another profile of that name.",
    "no-backup": "That file is not kept any more.",
  });
}
