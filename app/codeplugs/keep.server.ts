// A file kept as the backup of a radio, and a backup written back, from the Codeplugs page.
import { redirect } from "react-router";
import type { Tx } from "#db/pool.ts";
import { unitByTag } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { type ActAnswer, answer, textsOf } from "../shared/act-answer.server.ts";
import { beginByForm } from "../shared/begin-run.server.ts";
import { keepAsBackup, sayDoubt } from "../shared/keep-file.server.ts";
import { answerProblem, answerRefusal } from "../shared/refusals.server.ts";

export async function keepByForm(tx: Tx, who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) } satisfies ActAnswer);
  const tag = String(form.get("tag") ?? "").trim();
  const unit = tag === "" ? undefined : await unitByTag(tx, tag.slice(0, 80));
  if (!unit)
    return refused(
      404,
      tag === "" ? "Out of which radio? Type its tag." : `No radio has the tag ${tag.slice(0, 40)}.`,
    );
  if (intent === "restore") {
    const begun = await beginByForm(who, unit, form);
    if (begun.ok) throw redirect(`/bench/${begun.run}`);
    return answerRefusal(intent, form, begun);
  }
  const file = form.get("file");
  if (!(file instanceof File) || file.name === "")
    return refused(400, "Choose the file that was read out of it.");
  const done = await keepAsBackup(who, form, file, {
    unit: unit.id,
    confirmed: form.get("confirmed") === "on",
  });
  if (done.ok) return answer(200, { ok: true, intent, says: `Kept: ${file.name}, of ${unit.tag}.` });
  const own = {
    doubts: ({ doubts }: { readonly doubts: readonly Parameters<typeof sayDoubt>[0][] }) =>
      doubts.map((doubt) => sayDoubt(doubt, unit.tag)).join(" "),
    "not-wanted": "The run does not ask for a file now.",
    "not-whole": "The file did not arrive whole; send it again.",
  };
  return answerProblem(intent, form, done.problem, own, { tag: unit.tag });
}
