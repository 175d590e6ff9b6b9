// What is pressed on a run's page, as events of the run.
import { answerRun } from "#acts/answer-run.ts";
import type { SentEvent } from "#core/run/event.ts";
import type { Unfit } from "#core/run/fold.ts";
import type { SignedIn } from "../context.ts";
import { KEY } from "../forms/form-key.tsx";
import { firstIssue, NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { type ActAnswer, answer, textsOf } from "../shared/say-away.server.ts";

type What = SentEvent["what"];

/** The form has `number`, how many events its page knew of; `place` and `last` of the step that it was drawn for; and its own fields. */
export async function answerByForm(who: SignedIn, run: string, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const number = Number(form.get("number"));
  const key = String(form.get(KEY) ?? "").slice(0, 56);
  const events = happeningsOf(intent, form).map((what, i) => ({
    id: `${key} ${i}`,
    number: number + i + 1,
    what,
  }));
  const refused = (status: number, says: string): ReturnType<typeof answer> =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) } satisfies ActAnswer);
  if (events.length === 0) return refused(400, "This page does not know that answer.");
  const done = await performForm(answerRun, who, form, { run, events });
  if (done.ok) {
    const [odd] = done.value.answer.unfit;
    return odd ? refused(409, sayUnfit(odd)) : answer(200, { ok: true, intent, says: "" });
  }
  const { problem } = done;
  switch (problem.kind) {
    case "no-run":
      return refused(404, "That run is not here.");
    case "meanwhile":
      return refused(409, "Somebody else was quicker. This is where the run is now.");
    case "no-component":
      return refused(409, "The radio has no such part any more.");
    case "no-key":
      return refused(400, NOT_WHOLE);
    case "input":
      return refused(400, firstIssue(problem, "Say it in a few words: 500 signs at most."));
  }
}

function happeningsOf(intent: string, form: FormData): What[] {
  const text = (name: string) => String(form.get(name) ?? "").trim();
  const isLast = form.get("last") === "yes";
  // With the last step a run is finished: nobody has to say so besides.
  const onward: What[] = isLast ? [{ kind: "seen" }, { kind: "finished" }] : [{ kind: "seen" }];
  switch (intent) {
    case "begin":
      return [{ kind: "started" }];
    case "seen":
      return onward;
    case "odd":
      return [{ kind: "odd", symptom: text("symptom") }];
    case "cured":
      return [{ kind: "cured", cause: text("cause"), cure: text("cure") }];
    case "back":
      return [{ kind: "went-back", to: Math.max(0, Number(form.get("place")) - 1) }];
    case "pause":
      return [{ kind: "paused" }];
    case "resume":
      return [{ kind: "resumed" }];
    case "stop":
      return [{ kind: "stopped", reason: text("reason") }];
    case "reading":
      return [{ kind: "reading", component: text("component"), raw: text("typed") }, ...onward];
    default:
      return [];
  }
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
    default:
      return "That does not fit what the run is doing now.";
  }
}
