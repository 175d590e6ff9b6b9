// What was done to a radio, as its form writes it down; and a reading that goes to the radio it is of.
import { moveReading } from "#acts/reading/move-reading.ts";
import { writeDown } from "#acts/unit/write-down.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import type { DeedDoubt } from "#core/unit/index.ts";
import type { UnitRow } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { firstIssue, performForm } from "../forms/perform.server.ts";
import { answer } from "../shared/act-answer.server.ts";
import { answerProblem, typedWrongly } from "../shared/refusals.server.ts";
import { sayDate } from "../ui/words/time.ts";

const GONE = "That radio is not in the cabinet, or on its shelf: nothing was written.";

export async function writeByForm(who: SignedIn, row: UnitRow, form: FormData) {
  const intent = "write";
  const done = await performForm(writeDown, who, form, { unit: row.id, worked: form.get("worked") !== "no" });
  if (done.ok) {
    const { read } = done.value.answer;
    return answer(200, {
      ok: true,
      intent,
      says: read === undefined ? "Written down." : `Written down, and read as ${read} on that day.`,
    });
  }
  const day = (on: PlainDate) => sayDate(on, who.locale, who.today);
  return answerProblem(intent, form, done.problem, {
    nothing: typedWrongly("Say what was done, in a few words."),
    ahead: typedWrongly("That day has not come yet: what was done lies behind."),
    doubts: ({ doubts }) =>
      `${doubts.map((doubt) => sayDoubt(doubt, day)).join(" ")} Tick that it was so all the same, or change the day.`,
    input: (problem) => typedWrongly(firstIssue(problem, "A day such as 2027-05-02, or nothing.")),
    "no-unit": GONE,
    shelved: GONE,
  });
}

const sayDoubt = (doubt: DeedDoubt, day: (on: PlainDate) => string): string =>
  doubt.kind === "before-known"
    ? `The radio is in the records since ${day(doubt.since)} only.`
    : `It was read as ${doubt.before.raw} on ${day(doubt.before.on)}, and as ${doubt.after.raw} on ${day(doubt.after.on)} again.`;

export async function moveByForm(who: SignedIn, row: UnitRow, form: FormData) {
  const intent = "move";
  const done = await performForm(moveReading, who, form, { unit: row.id });
  if (done.ok) {
    const { tag, component, raw } = done.value.answer;
    return answer(200, {
      ok: true,
      intent,
      says: `Moved to ${tag}: ${component} ${raw}. Here it counts no more.`,
    });
  }
  return answerProblem(intent, form, done.problem, {
    "no-target": typedWrongly(
      `No radio in the cabinet has the tag “${String(form.get("tag")).slice(0, 40)}”.`,
    ),
    same: typedWrongly("It is of this radio already."),
    "no-part": ({ tag, component }) =>
      typedWrongly(`${tag} is of a model that has no part called ${component}.`),
    input: typedWrongly("Type the tag of the radio that it is of."),
    "no-unit": GONE,
    shelved: GONE,
  });
}
