// Takes a radio to the bench from a form, wherever that stands: its page, Due, the wall, the bench.
import type { beginAnew } from "#acts/run/begin-anew.ts";
import { beginRun } from "#acts/run/begin-run.ts";
import type { SignedIn } from "../context.ts";
import { NOT_WHOLE, type ProblemsOf, performForm, told } from "../forms/perform.server.ts";

export type Begun =
  | { readonly ok: true; readonly run: string }
  | { readonly ok: false; readonly status: number; readonly says: string };

/** The form's `for` is procedure, update, backup, restore, mode, measure, pair, program or write; `procedure`, `backup`, `device` and so on name which, `chain` another chain than the best, `to` another release than it needs. */
export async function beginByForm(
  who: SignedIn,
  unit: { readonly id: string; readonly tag: string },
  form: FormData,
): Promise<Begun> {
  const chain = told(form, "chain");
  const errands: Readonly<Record<string, unknown>> = {
    update: { update: { chain, to: told(form, "to") } },
    backup: { backup: { chain } },
    restore: { restore: { backup: form.get("backup"), chain } },
    mode: { mode: { mode: form.get("mode"), chain } },
    measure: { measure: {} },
    pair: { pair: { device: form.get("device") } },
    write: { write: { codeplug: told(form, "codeplug"), chain } },
    program: { program: { profile: form.get("profile"), chain } },
    read: { component: form.get("component") },
  };
  const asked = String(form.get("for") ?? "");
  const errand =
    form.has("component") && asked === ""
      ? errands.read
      : (errands[asked] ?? { procedure: form.get("procedure") });
  const done = await performForm(beginRun, who, form, { unit: unit.id, for: errand });
  if (done.ok) return { ok: true, run: done.value.answer.run };
  const [status, says] = sayBeginProblem(done.problem, unit.tag);
  return { ok: false, status, says };
}

type Problem = ProblemsOf<typeof beginRun> | ProblemsOf<typeof beginAnew>;

/** Why a radio cannot be taken to the bench, in a sentence. */
export function sayBeginProblem(problem: Problem, tag: string): [status: number, says: string] {
  const refused = (status: number, says: string): [number, string] => [status, says];
  switch (problem.kind) {
    case "no-key":
      return refused(400, NOT_WHOLE);
    case "input":
      return refused(400, NOT_WHOLE);
    case "no-unit":
      return refused(404, "That radio is not in the cabinet.");
    case "shelved":
      return refused(409, `${tag} is shelved; recover it first.`);
    case "no-mode":
      return refused(409, `${tag} has no such mode, or not with what it runs.`);
    case "busy":
      return refused(409, `${tag} is at the bench already: go on there, or stop it first.`);
    case "out":
      return refused(409, `${tag} is with ${problem.with}: fetch it first.`);
    case "practise":
      return refused(
        409,
        `The club asks for ${problem.asks} clean tries of “${problem.what}” in practice before a real radio is erased; you have ${problem.has}.`,
      );
    case "no-procedure":
    case "no-component":
      return refused(404, "That is not in its dossier any more.");
    case "needs-gates":
      return refused(409, "What flashes, erases or unlocks is not gone through by itself.");
    case "other-radio":
      return refused(409, "That procedure is a draft, or not for what this radio is and runs.");
    case "nothing-due":
      return refused(409, `${tag} needs no firmware for that.`);
    case "no-release":
      return refused(
        409,
        "That release cannot be gone to: it is withdrawn or shelved, or of a track that is not for this radio.",
      );
    case "no-way":
      return refused(409, `Nothing leads ${tag} there; its page says what stops it.`);
    case "hardware-unknown":
      return refused(409, `What ${tag} needs fits some hardware only: note first which it has.`);
    case "no-device":
      return refused(409, "That device is on the shelf, or its battery is out of use.");
    case "no-plan":
      return refused(
        409,
        `There is no plan of channels for ${tag} yet: issue one first, and note what its model holds.`,
      );
    case "no-codeplug":
      return refused(404, "Neither its file nor its channels are known: there is nothing to write.");
    case "no-profile":
      return refused(404, "That profile is not kept any more.");
    case "other-model":
      return refused(
        409,
        `That profile was read from ${problem.base}, a ${problem.model}: it is no codeplug for ${tag}, and is not written into it.`,
      );
    case "no-backup":
      return refused(404, `That is no backup of ${tag}.`);
    case "no-run":
      return refused(404, "That run is not here.");
    case "no-errand":
      return refused(409, "What that run was for is not known any more: begin it from the radio's page.");
    case "over":
      return refused(409, "This run is over.");
    case "held":
      return refused(
        409,
        `${problem.by} is at this bench. Take it over first, or leave it to ${problem.by}.`,
      );
  }
}
