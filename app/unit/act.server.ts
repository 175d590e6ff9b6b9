// The forms on one unit: each is read, done by its act, and answered in words.
import { data } from "react-router";
import { holdUnits } from "#acts/hold-units.ts";
import { lendUnit } from "#acts/lend-unit.ts";
import { liftHold } from "#acts/lift-hold.ts";
import { noteHardware } from "#acts/note-hardware.ts";
import { recordReading } from "#acts/record-reading.ts";
import { strikeReading } from "#acts/strike-reading.ts";
import { takeBackUnit } from "#acts/take-back-unit.ts";
import { bad, good } from "#core/quantities/result.ts";
import { isDuplicate, type Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { isAwayAnswer } from "../frame/away.server.ts";
import { noteTry } from "../kit/tried.server.ts";
import { type FormProblem, firstIssue, NOT_WHOLE, performForm, told } from "../perform.server.ts";
import { KEY } from "../ui/form-key.tsx";
import { type LoadedUnit, loadUnit } from "./load.server.ts";
import { sayWeighed } from "./say.ts";

export type ActAnswer = {
  readonly ok: boolean;
  readonly says: string;
  readonly intent: string;
  readonly typed?: string;
  /** The day of a refused reading. */
  readonly readOn?: string;
  /** What a refused form of several fields held. */
  readonly kept?: Readonly<Record<string, string>>;
};

const answer = (status: number, body: ActAnswer) => data(body, { status });

export async function actOnUnit(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const done = await actBy(String(form.get("intent") ?? ""), tx, who, tag, form);
  // A reading keeps what was typed by itself.
  if (!done.data.ok && done.data.typed === undefined) Object.assign(done.data, { kept: textsOf(form) });
  return done;
}

const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries([...form].flatMap(([name, value]) => (name === KEY ? [] : [[name, String(value)]])));

async function actBy(intent: string, tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const act = ACTS.get(intent);
  if (!act) return answer(400, { ok: false, intent, says: "This page does not know that act." });
  return act(tx, who, await loadUnit(tx, tag), form);
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

const reading: ByForm = async (tx, who, { row, catalogue }, form) => {
  const typed = String(form.get("typed") ?? "");
  const readOn = told(form, "readOn");
  const done = await performForm(tx, recordReading, who, form, {
    unit: row.id,
    typed,
    source: form.get("source") || "screen",
    readOn,
  });
  const body = { intent: "reading", typed };
  if (done.ok) {
    const words = sayWeighed(good(done.value.answer), catalogue, who.locale, who.today);
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
      return refused(400, sayWeighed(bad(problem), catalogue, who.locale, who.today).says);
  }
};

/** A reading that was wrong: it stays, crossed out, and counts no more. */
const strike: ByForm = async (tx, who, { row }, form) => {
  const done = await performForm(tx, strikeReading, who, form, {
    unit: row.id,
    reading: form.get("reading"),
    why: form.get("why") ?? "",
  });
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
  const done = await performForm(tx, lendUnit, who, form, {
    unit: row.id,
    person: form.get("person"),
    dueBack: told(form, "dueBack"),
  });
  const intent = "lend";
  if (done.ok) return answer(200, { ok: true, intent, says: `Lent to ${done.value.answer.to}.` });
  const { problem } = done;
  const refused = (status: number, says: string) => answer(status, { ok: false, intent, says });
  switch (problem.kind) {
    case "no-person":
      return refused(400, "That person is not in the club.");
    case "past":
      return refused(400, "The day it is due back has passed already.");
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

const back: ByForm = async (tx, who, { row }, form) => {
  const done = await performForm(tx, takeBackUnit, who, form, { unit: row.id });
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
  const done = await performForm(tx, holdUnits, who, form, {
    units: [row.id],
    until: form.get("until"),
    why: form.get("why") ?? "",
  });
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

const lift: ByForm = async (tx, who, { row }, form) => {
  const done = await performForm(tx, liftHold, who, form, { unit: row.id });
  const intent = "lift";
  if (done.ok) return answer(200, { ok: true, intent, says: "The hold is lifted." });
  if (done.problem.kind === "not-held")
    return answer(409, { ok: false, intent, says: "It is not on hold any more." });
  const { status, says } = sayRefused(done.problem);
  return answer(status, { ok: false, intent, says });
};

const hardware: ByForm = async (tx, who, { row }, form) => {
  const done = await performForm(tx, noteHardware, who, form, {
    unit: row.id,
    revision: form.get("revision"),
  });
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

const tried: ByForm = async (tx, who, { row }, form) => {
  const { ok, says } = await noteTry(tx, who, row.id, form);
  return answer(ok ? 200 : 400, { ok, intent: "tried", says });
};

const ACTS: ReadonlyMap<string, ByForm> = new Map(
  Object.entries({ reading, strike, lend, back, hold, lift, hardware, tried }),
);

/** Runs an act; if the database is away, the answer stands where the form stands, and what was typed stays. */
export async function orSayAway(form: FormData, act: () => Promise<ReturnType<typeof answer>>) {
  try {
    return await act();
  } catch (error) {
    if (isDuplicate(error, "custody_one_at_a_time")) {
      return answer(409, { ok: false, intent: "lend", says: "Somebody else has just lent it. Look again." });
    }
    if (!isAwayAnswer(error)) throw error;
    return answer(503, {
      ok: false,
      intent: String(form.get("intent") ?? ""),
      ...(form.get("readOn") && { readOn: String(form.get("readOn")) }),
      ...(form.has("typed") ? { typed: String(form.get("typed")) } : { kept: textsOf(form) }),
      says: "The records cannot be reached just now; nothing was saved. What you typed is kept here: try again in a moment.",
    });
  }
}
