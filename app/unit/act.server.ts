import { redirect } from "react-router";
import { noteMode } from "#acts/mode/note-mode.ts";
import { recordReading } from "#acts/reading/record-reading.ts";
import { strikeReading } from "#acts/reading/strike-reading.ts";
import { holdUnits } from "#acts/unit/hold-units.ts";
import { lendUnit } from "#acts/unit/lend-unit.ts";
import { liftHold } from "#acts/unit/lift-hold.ts";
import { noteHardware } from "#acts/unit/note-hardware.ts";
import { standInRadio } from "#acts/unit/stand-in-radio.ts";
import { takeBackUnit } from "#acts/unit/take-back-unit.ts";
import { bad, good } from "#core/quantities/result.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { madeInPassing } from "../forms/in-passing.server.ts";
import { type FormProblem, fieldText, firstIssue, NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { answer, textsOf } from "../shared/act-answer.server.ts";
import { beginByForm } from "../shared/begin-run.server.ts";
import { type LoadedUnit, loadUnit } from "../shared/load-unit.server.ts";
import { noteTry } from "../shared/tools/note-try.server.ts";
import { weighHold } from "../shared/weigh-hold.server.ts";
import { sayWidth } from "../ui/words/frequency.ts";
import { sayPreview } from "../ui/words/unit/preview.ts";
import { moveByForm, writeByForm } from "./story.server.ts";

export async function actOnUnit(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const done = await actBy(String(form.get("intent") ?? ""), tx, who, tag, form);
  // A reading keeps what was typed by itself.
  if (!done.data.ok && done.data.typed === undefined) Object.assign(done.data, { kept: textsOf(form) });
  return done;
}

async function actBy(intent: string, tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const act = ACTS.get(intent);
  if (!act) return answer(400, { ok: false, intent, says: "This page does not know that act." });
  return act(tx, who, await loadUnit(tx, tag, who.today), form);
}

type ByForm = (tx: Tx, who: SignedIn, unit: LoadedUnit, form: FormData) => Promise<ReturnType<typeof answer>>;

/** What any act on a unit may be refused for. */
function sayRefused(problem: FormProblem | { readonly kind: "no-unit" } | { readonly kind: "shelved" }): {
  readonly status: number;
  readonly says: string;
} {
  switch (problem.kind) {
    case "no-key":
      return { status: 400, says: NOT_WHOLE };
    case "input":
      return { status: 400, says: firstIssue(problem, NOT_WHOLE) };
    case "no-unit":
      return { status: 404, says: "That radio is not in the cabinet." };
    case "shelved":
      return { status: 409, says: "This radio is shelved; recover it first." };
  }
}

const reading: ByForm = async (_tx, who, { row, catalogue }, form) => {
  const typed = String(form.get("typed") ?? "");
  const readOn = fieldText(form, "readOn");
  const done = await performForm(recordReading, who, form, {
    unit: row.id,
    typed,
    source: form.get("source") || "screen",
    readOn,
  });
  const body = { intent: "reading", typed };
  if (done.ok) {
    const words = sayPreview(good(done.value.answer), catalogue, who.locale, who.today);
    const says = `${done.value.again ? "It was recorded already" : "Recorded"}. ${words.says}.`;
    return answer(200, { ok: true, ...body, says });
  }
  const { problem } = done;
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, ...body, ...(readOn && { readOn }), says });
  switch (problem.kind) {
    case "ahead":
      return refused(400, "That day has not come yet: a reading may be dated back, not ahead.");
    case "no-key":
    case "input":
    case "no-unit":
    case "shelved": {
      const { status, says } = sayRefused(problem);
      return refused(status, says);
    }
    default:
      return refused(400, sayPreview(bad(problem), catalogue, who.locale, who.today).says);
  }
};

const mode: ByForm = async (_tx, who, { row }, form) => {
  const done = await performForm(noteMode, who, form, { unit: row.id });
  const intent = "mode";
  if (done.ok) return answer(200, { ok: true, intent, says: "Noted." });
  if (done.problem.kind === "no-mode")
    return answer(400, { ok: false, intent, says: "Its model has no such mode: choose one." });
  const { status, says } = sayRefused(done.problem);
  return answer(status, { ok: false, intent, says });
};

/** A reading that was wrong: it stays, crossed out, and counts no more. */
const strike: ByForm = async (_tx, who, { row }, form) => {
  const done = await performForm(strikeReading, who, form, { unit: row.id });
  const intent = "strike";
  if (done.ok) {
    const { component, raw } = done.value.answer;
    return answer(200, { ok: true, intent, says: `Struck: ${component} ${raw}. It counts no more.` });
  }
  if (done.problem.kind === "struck")
    return answer(409, { ok: false, intent, says: "That reading is struck already, or not of this radio." });
  const { status, says } = sayRefused(done.problem);
  return answer(status, { ok: false, intent, says });
};

const lend: ByForm = async (tx, who, { row }, form) => {
  const trouble = await madeInPassing(tx, who, form, { person: "person" });
  if (trouble) return answer(400, { ok: false, intent: "lend", says: String(Object.values(trouble)[0]) });
  const done = await performForm(lendUnit, who, form, { unit: row.id });
  const intent = "lend";
  if (done.ok) return answer(200, { ok: true, intent, says: `Lent to ${done.value.answer.to}.` });
  const { problem } = done;
  const refused = (status: number, says: string) => answer(status, { ok: false, intent, says });
  switch (problem.kind) {
    case "no-person":
      return refused(400, "That person is not in the club.");
    case "past":
      return refused(400, "The day it is due back has passed already.");
    case "beyond": {
      const fits = problem.better.map((name) => `“${name}”`).join(" or ");
      return refused(
        409,
        `In its mode “${problem.mode}” it transmits where ${problem.to} may not: ${sayWidth(problem.width)} in all. ${
          fits ? `Switched to ${fits} it would fit.` : "None of its modes would fit."
        } Tick that you lend it all the same, or switch it first.`,
      );
    }
    case "out":
      return refused(409, `${problem.to} has it already; take it back first.`);
    case "input":
      return refused(
        400,
        problem.issues[0]?.field === "person"
          ? "Choose who takes it."
          : "A date such as 2027-05-02, or nothing.",
      );
    default: {
      const { status, says } = sayRefused(problem);
      return refused(status, says);
    }
  }
};

const back: ByForm = async (_tx, who, { row }, form) => {
  const done = await performForm(takeBackUnit, who, form, { unit: row.id });
  const intent = "back";
  if (done.ok) {
    const says = `Back from ${done.value.answer.from}. Read its version before it goes on the shelf.`;
    return answer(200, { ok: true, intent, says });
  }
  if (done.problem.kind === "not-out") return answer(409, { ok: false, intent, says: "It is back already." });
  const { status, says } = sayRefused(done.problem);
  return answer(status, { ok: false, intent, says });
};

const hold: ByForm = async (tx, who, { row }, form) => {
  if (form.has("look")) {
    const says = await weighHold(tx, who, { units: [row.id], until: form.get("until") });
    return says === undefined
      ? answer(400, {
          ok: false,
          intent: "hold",
          kept: textsOf(form),
          says: "Say until which day to come, such as 2027-05-02.",
        })
      : answer(200, { ok: true, intent: "hold-look", says, kept: textsOf(form) });
  }
  const done = await performForm(holdUnits, who, form, { units: [row.id] });
  const intent = "hold";
  if (done.ok) {
    const says = done.value.answer.held.length > 0 ? "On hold." : "It is on hold like that already.";
    return answer(200, { ok: true, intent, says });
  }
  if (done.problem.kind === "past")
    return answer(400, { ok: false, intent, says: "That day has passed already." });
  const { problem } = done;
  if (problem.kind === "input" && problem.issues.some((issue) => issue.field === "until"))
    return answer(400, { ok: false, intent, says: "Say until which day, such as 2027-05-02, and why." });
  const { status, says } = sayRefused(problem);
  return answer(status, { ok: false, intent, says });
};

const lift: ByForm = async (_tx, who, { row }, form) => {
  const done = await performForm(liftHold, who, form, { unit: row.id });
  const intent = "lift";
  if (done.ok) return answer(200, { ok: true, intent, says: "The hold is lifted." });
  if (done.problem.kind === "not-held")
    return answer(409, { ok: false, intent, says: "It is not on hold any more." });
  const { status, says } = sayRefused(done.problem);
  return answer(status, { ok: false, intent, says });
};

const hardware: ByForm = async (_tx, who, { row }, form) => {
  const done = await performForm(noteHardware, who, form, { unit: row.id });
  const intent = "hardware";
  if (done.ok) {
    const { revision, fresh } = done.value.answer;
    const says = fresh ? `Noted: hardware ${revision}.` : `Hardware ${revision} was noted already.`;
    return answer(200, { ok: true, intent, says });
  }
  const unknown = done.problem.kind === "no-revision" || done.problem.kind === "input";
  if (unknown) return answer(400, { ok: false, intent, says: `The ${row.model} has no such hardware.` });
  const { status, says } = sayRefused(done.problem as Exclude<typeof done.problem, { kind: "no-revision" }>);
  return answer(status, { ok: false, intent, says });
};

const tried: ByForm = async (_tx, who, { row }, form) => {
  const { ok, says } = await noteTry(who, row.id, form);
  return answer(ok ? 200 : 400, { ok, intent: "tried", says });
};

/** Takes the radio to the bench; the run's own page comes next. */
const bench: ByForm = async (_tx, who, { row }, form) => {
  const begun = await beginByForm(who, row, form);
  if (begun.ok) throw redirect(`/bench/${begun.run}`);
  return answer(begun.status, { ok: false, intent: "bench", says: begun.says });
};

const standIn: ByForm = async (_tx, who, { row }, form) => {
  const done = await performForm(standInRadio, who, form, { unit: row.id });
  const intent = "stand-in";
  if (done.ok)
    return answer(200, { ok: true, intent, says: "From now on a simulated radio stands in for it." });
  const { status, says } = sayRefused(done.problem);
  return answer(status, { ok: false, intent, says });
};

const write: ByForm = (_tx, who, { row }, form) => writeByForm(who, row, form);
const move: ByForm = (_tx, who, { row }, form) => moveByForm(who, row, form);

const ACTS: ReadonlyMap<string, ByForm> = new Map(
  Object.entries({
    reading,
    strike,
    write,
    move,
    mode,
    lend,
    back,
    hold,
    lift,
    hardware,
    tried,
    bench,
    "stand-in": standIn,
  }),
);
