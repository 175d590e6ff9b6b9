// The forms of a radio's page: which act each asks for, and what is answered.
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
import { bad, good } from "#core/quantities/index.ts";
import { keptCatalogues } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { type UnitRow, unitByTag } from "#db/unit/index.ts";
import { notFound, type SignedIn } from "../context.ts";
import { madeInPassing } from "../forms/choice/in-passing.server.ts";
import { fieldText, firstIssue, NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { answer, textsOf } from "../shared/act-answer.server.ts";
import { beginByForm } from "../shared/begin-run.server.ts";
import { answerProblem, answerRefusal, refusalOf, typedWrongly } from "../shared/refusals.server.ts";
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
  const row = await unitByTag(tx, tag ?? "");
  if (!row) throw notFound(`A radio with the tag ${(tag ?? "").slice(0, 40)}`);
  return act(tx, who, row, form);
}

type ByForm = (tx: Tx, who: SignedIn, row: UnitRow, form: FormData) => Promise<ReturnType<typeof answer>>;

const reading: ByForm = async (tx, who, row, form) => {
  const typed = String(form.get("typed") ?? "");
  const readOn = fieldText(form, "readOn");
  const done = await performForm(recordReading, who, form, {
    unit: row.id,
    typed,
    source: form.get("source") || "screen",
    readOn,
  });
  const body = { intent: "reading", typed };
  const { model_id: id, catalogue_stamp } = row;
  const catalogue = (await keptCatalogues(tx, [{ id, catalogue_stamp }])).get(id) ?? new Map();
  if (done.ok) {
    const words = sayPreview(good(done.value.answer), catalogue, who.locale, who.today);
    const says = `${done.value.again ? "It was recorded already" : "Recorded"}. ${words.says}.`;
    return answer(200, { ok: true, ...body, says });
  }
  const { problem } = done;
  const kept = { ...body, ...(readOn && { readOn }) };
  const isOfForm = problem.kind === "no-key" || problem.kind === "input";
  if (isOfForm || problem.kind === "no-unit" || problem.kind === "shelved" || problem.kind === "ahead") {
    const { status, ...said } = refusalOf(problem, {}, { tag: row.tag });
    return answer(status, { ok: false, ...kept, ...said });
  }
  return answer(400, {
    ok: false,
    ...kept,
    says: sayPreview(bad(problem), catalogue, who.locale, who.today).says,
  });
};

const mode: ByForm = async (_tx, who, row, form) => {
  const done = await performForm(noteMode, who, form, { unit: row.id });
  if (done.ok) return answer(200, { ok: true, intent: "mode", says: "Noted." });
  return answerProblem(
    "mode",
    form,
    done.problem,
    {
      "no-mode": typedWrongly("Its model has no such mode: choose one."),
    },
    { tag: row.tag },
  );
};

/** A reading that was wrong: it stays, crossed out, and counts no more. */
const strike: ByForm = async (_tx, who, row, form) => {
  const done = await performForm(strikeReading, who, form, { unit: row.id });
  if (!done.ok) return answerProblem("strike", form, done.problem, {}, { tag: row.tag });
  const { component, raw } = done.value.answer;
  return answer(200, { ok: true, intent: "strike", says: `Struck: ${component} ${raw}. It counts no more.` });
};

const lend: ByForm = async (tx, who, row, form) => {
  const trouble = await madeInPassing(tx, who, form, { person: "person" });
  if (trouble) return answer(400, { ok: false, intent: "lend", says: String(Object.values(trouble)[0]) });
  const done = await performForm(lendUnit, who, form, { unit: row.id });
  if (done.ok) return answer(200, { ok: true, intent: "lend", says: `Lent to ${done.value.answer.to}.` });
  return answerProblem(
    "lend",
    form,
    done.problem,
    {
      past: typedWrongly("The day it is due back has passed already."),
      beyond: ({ mode: its, to, width, better }) => {
        const fits = better.map((name) => `“${name}”`).join(" or ");
        return `In its mode “${its}” it transmits where ${to} may not: ${sayWidth(width)} in all. ${
          fits ? `Switched to ${fits} it would fit.` : "None of its modes would fit."
        } Tick that you lend it all the same, or switch it first.`;
      },
      out: ({ to }) => `${to} has it already; take it back first.`,
      input: ({ issues }) =>
        typedWrongly(
          issues[0]?.field === "person" ? "Choose who takes it." : "A date such as 2027-05-02, or nothing.",
        ),
    },
    { tag: row.tag },
  );
};

const back: ByForm = async (_tx, who, row, form) => {
  const done = await performForm(takeBackUnit, who, form, { unit: row.id });
  if (!done.ok)
    return answerProblem("back", form, done.problem, { "not-out": "It is back already." }, { tag: row.tag });
  const says = `Back from ${done.value.answer.from}. Read its version before it goes on the shelf.`;
  return answer(200, { ok: true, intent: "back", says });
};

const hold: ByForm = async (tx, who, row, form) => {
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
  if (!done.ok)
    return answerProblem("hold", form, done.problem, {
      input: (problem) =>
        typedWrongly(
          problem.issues.some((issue) => issue.field === "until")
            ? "Say until which day, such as 2027-05-02, and why."
            : firstIssue(problem, NOT_WHOLE),
        ),
    });
  const says = done.value.answer.held.length > 0 ? "On hold." : "It is on hold like that already.";
  return answer(200, { ok: true, intent: "hold", says });
};

const lift: ByForm = async (_tx, who, row, form) => {
  const done = await performForm(liftHold, who, form, { unit: row.id });
  if (done.ok) return answer(200, { ok: true, intent: "lift", says: "The hold is lifted." });
  const own = { "not-held": "It is not on hold any more." };
  return answerProblem("lift", form, done.problem, own, { tag: row.tag });
};

const hardware: ByForm = async (_tx, who, row, form) => {
  const done = await performForm(noteHardware, who, form, { unit: row.id });
  if (!done.ok) {
    const none = typedWrongly(`The ${row.model} has no such hardware.`);
    const own = { "no-revision": none, input: none };
    return answerProblem("hardware", form, done.problem, own, { tag: row.tag });
  }
  const { revision, fresh } = done.value.answer;
  const says = fresh ? `Noted: hardware ${revision}.` : `Hardware ${revision} was noted already.`;
  return answer(200, { ok: true, intent: "hardware", says });
};

const tried: ByForm = async (_tx, who, row, form) => {
  const { ok, says } = await noteTry(who, row.id, form);
  return answer(ok ? 200 : 400, { ok, intent: "tried", says });
};

/** Takes the radio to the bench; the run's own page comes next. */
const bench: ByForm = async (_tx, who, row, form) => {
  const begun = await beginByForm(who, row, form);
  if (begun.ok) throw redirect(`/bench/${begun.run}`);
  return answerRefusal("bench", form, begun);
};

const standIn: ByForm = async (_tx, who, row, form) => {
  const done = await performForm(standInRadio, who, form, { unit: row.id });
  if (!done.ok) return answerProblem("stand-in", form, done.problem, {}, { tag: row.tag });
  return answer(200, {
    ok: true,
    intent: "stand-in",
    says: "From now on a simulated radio stands in for it.",
  });
};

const write: ByForm = (_tx, who, row, form) => writeByForm(who, row, form);
const move: ByForm = (_tx, who, row, form) => moveByForm(who, row, form);

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
