// A file kept as the backup of a radio, and a backup written back, from the Codeplugs page.
import { redirect } from "react-router";
import type { Tx } from "#db/pool.ts";
import { unitByTag } from "#db/unit/units.ts";
import type { SignedIn } from "../context.ts";
import { NOT_WHOLE } from "../forms/perform.server.ts";
import { type ActAnswer, answer, textsOf } from "../shared/act-answer.server.ts";
import { beginByForm } from "../shared/begin-run.server.ts";
import { keepAsBackup, sayDoubt } from "../shared/keep-file.server.ts";

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
    return refused(begun.status, begun.says);
  }
  const file = form.get("file");
  if (!(file instanceof File) || file.name === "")
    return refused(400, "Choose the file that was read out of it.");
  const done = await keepAsBackup(who, form, file, {
    unit: unit.id,
    confirmed: form.get("confirmed") === "on",
  });
  if (done.ok) return answer(200, { ok: true, intent, says: `Kept: ${file.name}, of ${unit.tag}.` });
  const { problem } = done;
  switch (problem.kind) {
    case "doubts":
      return refused(409, problem.doubts.map((doubt) => sayDoubt(doubt, unit.tag)).join(" "));
    case "shelved":
      return refused(409, `${unit.tag} is shelved; recover it first.`);
    case "not-whole":
      return refused(409, "The file did not arrive whole; send it again.");
    default:
      return refused(400, NOT_WHOLE);
  }
}
