// What is pressed on a run's page, as events of the run.
import { redirect } from "react-router";
import { z } from "zod";
import { writeProcedure } from "#acts/model/write-procedure.ts";
import { answerRun } from "#acts/run/answer-run.ts";
import { beginAnew } from "#acts/run/begin-anew.ts";
import { takeOverRun } from "#acts/run/take-over-run.ts";
import { workMachine } from "#acts/run/work-machine.ts";
import { faultRadio } from "#acts/unit/fault-radio.ts";
import {
  draftSteps,
  foldRun,
  purposeOfStage,
  type SentEvent,
  sentEvent,
  stepsOf,
  type Unfit,
} from "#core/run/index.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, fileSize, runById } from "#db/run/index.ts";
import { unitById } from "#db/unit/index.ts";
import type { SignedIn } from "../../context.ts";
import { KEY } from "../../forms/form-key.tsx";
import { firstIssue, NOT_WHOLE, type ProblemsOf, performForm } from "../../forms/perform.server.ts";
import { answer } from "../../shared/act-answer.server.ts";
import { sayBeginProblem } from "../../shared/begin-run.server.ts";
import { keepAsBackup, sayDoubt, sumOf } from "../../shared/keep-file.server.ts";
import {
  answerRefusal,
  conflict,
  type Refusal,
  refusalOf,
  typedWrongly,
} from "../../shared/refusals.server.ts";
import { eventId } from "./happenings.ts";

type What = SentEvent["what"];
/** `tx`: to read with. */
type About = { readonly tx: Tx; readonly run: string; readonly unit: string; readonly tag: string };

/** The form has `number`, how many events its page knew of; `place` and `last` of the step that it was drawn for; and its own fields. */
export async function answerByForm(who: SignedIn, about: About, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const number = Number(form.get("number"));
  const key = String(form.get(KEY) ?? "").slice(0, 50);
  const { run } = about;
  const { refused, fine } = answersTo(intent, form);
  if (intent === "backup") return keepByForm(who, about, form, refused, fine);
  if (intent === "machine") {
    const done = await performForm(workMachine, who, form, { run, number, event: key });
    return done.ok ? fine() : refused(sayProblem(done.problem));
  }
  if (intent === "anew") {
    const done = await performForm(beginAnew, who, form, { run });
    if (done.ok) throw redirect(`/bench/${done.value.answer.run}`);
    return refused(sayBeginProblem(done.problem, about.tag));
  }
  if (intent === "draft") return draftByForm(who, about, form, refused, fine);
  if (intent === "take-over") {
    const done = await performForm(takeOverRun, who, form, { run, sure: form.get("sure") === "yes" });
    if (done.ok) return fine(`Taken over from ${done.value.answer.from}.`);
    return refused(sayProblem(done.problem));
  }
  if (intent === "fault") {
    const fault = String(form.get("fault") ?? "");
    const input = { unit: about.unit, ...(fault !== "" && { fault, at: 0.4 }) };
    const done = await performForm(faultRadio, who, form, input);
    return done.ok ? fine() : refused(sayProblem(done.problem));
  }
  if (intent === "late") return takeLate(who, run, form, refused, fine);
  if (intent === "measured")
    return refused(typedWrongly("That is no number of watts: type what the meter shows, such as 4.6."));
  if (intent !== "file") return refused(typedWrongly("This page does not know that answer."));
  const whats = await fileLookedAt(about.tx, form);
  if (typeof whats === "string") return refused(typedWrongly(whats));
  return answerPlainly(who, run, form, whats);
}

function answersTo(intent: string, form: FormData) {
  return {
    refused: (refusal: Refusal): ReturnType<typeof answer> => answerRefusal(intent, form, refusal),
    fine: (says = "") => answer(200, { ok: true, intent, says }),
  };
}

/** What a form says happened, told to the run. */
export async function answerPlainly(who: SignedIn, run: string, form: FormData, whats: readonly What[]) {
  const intent = String(form.get("intent") ?? "");
  const number = Number(form.get("number"));
  const key = String(form.get(KEY) ?? "").slice(0, 50);
  const { refused, fine } = answersTo(intent, form);
  const events = whats.map((what, i) => ({ id: eventId(key, i), number: number + i + 1, what }));
  const done = await performForm(answerRun, who, form, { run, events });
  if (!done.ok) return refused(sayProblem(done.problem));
  const [odd] = done.value.answer.unfit;
  if (!odd) return fine();
  // It stands in the run all the same: the next answer comes after it, also before the page is asked for again.
  form.set("number", String(number + whats.length));
  return refused(conflict(sayUnfit(odd)));
}

type Problem =
  | ProblemsOf<typeof answerRun>
  | ProblemsOf<typeof workMachine>
  | ProblemsOf<typeof takeOverRun>
  | ProblemsOf<typeof faultRadio>
  | ProblemsOf<typeof writeProcedure>
  | { readonly kind: "not-whole" };
const CHANGED = "Its dossier has changed meanwhile: write the procedure down there.";
const sayProblem = (problem: Problem): Refusal =>
  refusalOf(problem, {
    meanwhile: "Somebody else was quicker. This is where the run is now.",
    "no-component": "The radio has no such part any more.",
    taken: ({ what, by, silent }) =>
      silent
        ? `${what} is held by the bench of ${by}, which has been silent: tick that you take it over, or wait.`
        : `${what} is in use at the bench of ${by}: wait until it is free.`,
    unclear: typedWrongly("That cannot be a version: type what the radio shows."),
    "not-yours": { status: 403, says: "Only a keeper goes on without a backup." },
    real: "No simulated radio stands in for this one: do it by hand, and say what was seen.",
    "no-machine": "There is nothing for the machine to do at this step.",
    "not-silent": "Its bench is heard of: ask whoever has it.",
    "too-long": "This run has more in it than any real one. Stop it, and begin anew.",
    "not-sent": "A file is kept by choosing it, not by an answer.",
    "no-model": CHANGED,
    "no-procedure": CHANGED,
    "no-part": CHANGED,
    "no-revision": CHANGED,
    "not-whole": typedWrongly(NOT_WHOLE),
    input: (one) => typedWrongly(firstIssue(one, "Say it in a few words: 500 signs at most.")),
  });

/** A file that was chosen is held against the release, or against what was written; it is not kept. */
async function fileLookedAt(tx: Tx, form: FormData): Promise<What[] | string> {
  if (form.get("stored") === "yes") {
    const sha256 = String(form.get("sha256") ?? "");
    // What is kept is kept by its content: that it is there is all that there is to look at.
    if ((await fileSize(tx, sha256)) === undefined) return "The club does not keep that file: choose it.";
    return [{ kind: "held", gate: "file", sha256 }];
  }
  const file = form.get("file");
  if (!(file instanceof File) || file.name === "") return "Choose the file first.";
  const gate = form.get("gate") === "same" ? "same" : "file";
  return [{ kind: "held", gate, sha256: await sumOf(file) }];
}

async function keepByForm(
  who: SignedIn,
  { run, unit, tag }: About,
  form: FormData,
  refused: (refusal: Refusal) => ReturnType<typeof answer>,
  fine: (says?: string) => ReturnType<typeof answer>,
) {
  const file = form.get("file");
  if (!(file instanceof File) || file.name === "")
    return refused(typedWrongly("Choose the file that was read out of it."));
  const done = await keepAsBackup(who, form, file, {
    unit,
    run,
    confirmed: form.get("confirmed") === "on",
    event: String(form.get(KEY) ?? "").slice(0, 56),
  });
  if (done.ok) return fine(`Kept: ${file.name}.`);
  const { problem } = done;
  if (problem.kind === "doubts")
    return refused(conflict(problem.doubts.map((doubt) => sayDoubt(doubt, tag)).join(" ")));
  if (problem.kind === "not-wanted")
    return refused(conflict("No file is asked for at this step; nothing was kept."));
  return refused(sayProblem(problem));
}

/** What was noted at a step becomes a draft of the dossier, its source our own bench. */
async function draftByForm(
  who: SignedIn,
  { tx, run, tag }: About,
  form: FormData,
  refused: (refusal: Refusal) => ReturnType<typeof answer>,
  fine: (says?: string) => ReturnType<typeof answer>,
) {
  const place = Number(form.get("place"));
  const row = await runById(tx, run);
  const model = row && (await unitById(tx, row.unit_id))?.model_id;
  const text = row && foldRun(row.plan, (await eventsOf(tx, [run])).get(run) ?? []).notes.get(place);
  const stage = row && stepsOf(row.plan).find((step) => step.place === place)?.stage;
  const name = stage === undefined ? undefined : row?.plan.stages[stage]?.name;
  const purpose =
    row?.plan.purpose === "mode" && name === "enter" ? "change-mode" : name && purposeOfStage(name);
  const steps = draftSteps(text ?? "");
  const switched = row && stepsOf(row.plan).find(({ step }) => step.kind === "switched")?.step;
  const isBeyond = switched?.kind === "switched" && switched.beyond === true;
  const effect = purpose !== "change-mode" ? "harmless" : isBeyond ? "unlock" : "mode";
  if (!purpose || steps.length === 0)
    return refused(conflict("Nothing was noted there of which a draft could be made."));
  const done = await performForm(writeProcedure, who, form, {
    model,
    purpose,
    steps,
    effect,
    minutes: 5,
    draft: true,
    title: `As it was done with ${tag}`.slice(0, 120),
    component: null,
    firmware: null,
    revisions: null,
    source: { kind: "bench", what: `noted with ${tag} on ${who.today}`.slice(0, 200) },
  });
  return done.ok
    ? fine("It stands in the dossier as a draft: look it through there before it is used.")
    : refused(sayProblem(done.problem));
}

const lateShape = z.array(sentEvent).min(1).max(50);

/** Answers that were kept on a device while nothing answered, in their order. */
async function takeLate(
  who: SignedIn,
  run: string,
  form: FormData,
  refused: (refusal: Refusal) => ReturnType<typeof answer>,
  fine: (says?: string) => ReturnType<typeof answer>,
) {
  let sent: unknown;
  try {
    sent = JSON.parse(String(form.get("events") ?? ""));
  } catch {
    return refused(typedWrongly(NOT_WHOLE));
  }
  const events = lateShape.safeParse(sent);
  if (!events.success) return refused(typedWrongly(NOT_WHOLE));
  const done = await performForm(answerRun, who, form, { run, events: events.data });
  if (done.ok) return fine();
  if (done.problem.kind === "meanwhile")
    return refused(
      conflict("Somebody went on meanwhile: what was answered here while nothing answered was not taken."),
    );
  return refused(sayProblem(done.problem));
}

function sayUnfit(why: Unfit): string {
  switch (why) {
    case "over":
      return "This run is over.";
    case "something-odd":
      return "Something is odd here: say what helped before it goes on.";
    case "nothing-odd":
      return "Nothing is odd here any more.";
    case "final":
      return "What was done since cannot be undone by going back.";
    case "gate":
    case "gate-fails":
      return "That does not hold: the run stays here until it does.";
    case "firm-gate":
      return "This one cannot be passed by: a wrong file or the wrong hardware destroys a radio.";
    default:
      return "That does not fit what the run is doing now.";
  }
}
