// The acts on one unit: record a reading, lend, take back, hold, lift a hold. Each parses, calls, answers.
import { data } from "react-router";
import { z } from "zod";
import { may } from "#core/club/acts.ts";
import { plainDate } from "#core/firmware/policy.ts";
import { READING_SOURCES } from "#core/firmware/unit.ts";
import { weighReading } from "#core/firmware/weigh.ts";
import { plain } from "#core/quantities/date.ts";
import { tell } from "#db/log.ts";
import { revisionsOf } from "#db/models.ts";
import { recompute } from "#db/needs.ts";
import { people } from "#db/people.ts";
import { isDuplicate, type Tx } from "#db/pool.ts";
import { recordReading, strikeReading } from "#db/readings.ts";
import { lendUnit, lockUnit, setHardware, setHold, takeBack } from "#db/units.ts";
import { notAllowed, type SignedIn } from "../context.ts";
import { isAwayAnswer } from "../frame/away.server.ts";
import { noteTry } from "../kit/tried.server.ts";
import { loadUnit } from "./load.server.ts";
import { sayWeighed } from "./say.ts";

export type ActAnswer = {
  readonly ok: boolean;
  readonly says: string;
  readonly intent: string;
  readonly typed?: string;
  readonly receipt?: string;
  /** The day of a refused reading. */
  readonly readOn?: string;
  /** What a refused form of several fields held. */
  readonly kept?: Readonly<Record<string, string>>;
};

const answer = (status: number, body: ActAnswer) => data(body, { status });

const readingShape = z.object({
  typed: z.string().default(""),
  source: z.enum(READING_SOURCES).catch("screen"),
  receipt: z.uuid(),
  readOn: z.union([z.literal(""), plainDate]).default(""),
});

const strikeShape = z.object({
  reading: z.string().regex(/^\d{1,18}$/),
  why: z.string().trim().min(1, "Say why, so that others know.").max(300, "At most 300 signs."),
});

export async function actOnUnit(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const done = await actBy(String(form.get("intent") ?? ""), tx, who, tag, form);
  // A reading keeps what was typed by itself.
  if (!done.data.ok && done.data.typed === undefined) Object.assign(done.data, { kept: textsOf(form) });
  return done;
}

const textsOf = (form: FormData): Record<string, string> =>
  Object.fromEntries([...form].map(([name, value]) => [name, String(value)]));

async function actBy(intent: string, tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  switch (intent) {
    case "reading":
      return takeReading(tx, who, tag, form);
    case "strike":
      return strike(tx, who, tag, form);
    case "lend":
      return lend(tx, who, tag, form);
    case "back":
      return back(tx, who, tag);
    case "hold":
      return hold(tx, who, tag, form);
    case "tried":
      return tried(tx, who, tag, form);
    case "hardware":
      return noteHardware(tx, who, tag, form);
    case "lift":
      return lift(tx, who, tag);
    default:
      return answer(400, { ok: false, intent, says: "This page does not know that act." });
  }
}

async function tried(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  if (!may(who.role, "confirm-fact")) throw notAllowed("confirm-fact");
  const { row } = await loadUnit(tx, tag);
  const { ok, says } = await noteTry(tx, who, row.id, form);
  return answer(ok ? 200 : 400, { ok, intent: "tried", says });
}

async function noteHardware(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  if (!may(who.role, "edit-unit")) throw notAllowed("edit-unit");
  const intent = "hardware";
  const { row } = await loadUnit(tx, tag);
  const revision = (await revisionsOf(tx, row.model_id)).find((r) => r.id === form.get("revision"));
  if (!revision) return answer(400, { ok: false, intent, says: `The ${row.model} has no such hardware.` });
  if (!(await setHardware(tx, row.id, revision.id)))
    return answer(200, { ok: true, intent, says: `Hardware ${revision.name} was noted already.` });
  await tell(tx, { kind: "unit-changed", what: `hardware ${revision.name}` }, { unit: row.id });
  await recompute(tx, { of: "units", ids: [row.id] });
  return answer(200, { ok: true, intent, says: `Noted: hardware ${revision.name}.` });
}

async function takeReading(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const intent = "reading";
  const loaded = await loadUnit(tx, tag);
  const holdsUnit = loaded.row.holder_id === who.person;
  if (!may(who.role, "record-reading", { holdsUnit })) throw notAllowed("record-reading");
  const typed = String(form.get("typed") ?? "");
  const receipt = crypto.randomUUID();
  const parsed = readingShape.safeParse(Object.fromEntries(form));
  if (!parsed.success)
    return answer(400, {
      ok: false,
      intent,
      typed,
      receipt,
      says: "This form was not whole; send it again.",
    });
  if (!loaded.facts)
    return answer(409, {
      ok: false,
      intent,
      typed,
      receipt,
      says: "This radio is shelved; recover it first.",
    });
  const weighed = weighReading(loaded.facts, loaded.catalogue, loaded.policy, typed, who.today);
  const words = sayWeighed(weighed, loaded.catalogue, who.locale, who.today);
  if (!weighed.ok)
    return answer(400, {
      ok: false,
      intent,
      typed,
      receipt: parsed.data.receipt,
      ...(parsed.data.readOn !== "" && { readOn: parsed.data.readOn }),
      says: words.says,
    });
  const { readOn } = parsed.data;
  const on = readOn === "" || readOn === who.today ? undefined : plain(readOn);
  if (on !== undefined && on > who.today)
    return answer(400, {
      ok: false,
      intent,
      typed,
      receipt: parsed.data.receipt,
      readOn,
      says: "That day has not come yet: a reading may be dated back, not ahead.",
    });
  const { component, componentName, raw } = weighed.value;
  const fresh = await recordReading(tx, {
    unit: loaded.row.id,
    component,
    componentName,
    raw,
    source: parsed.data.source,
    on,
    receipt: parsed.data.receipt,
    by: who.person,
  });
  return answer(200, {
    ok: true,
    intent,
    typed,
    receipt,
    says: fresh ? `Recorded. ${words.says}.` : `It was recorded already. ${words.says}.`,
  });
}

/** A reading that was wrong: it stays, crossed out, and counts no more. */
async function strike(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const intent = "strike";
  if (!may(who.role, "strike-reading")) throw notAllowed("strike-reading");
  const { row } = await loadUnit(tx, tag);
  const parsed = strikeShape.safeParse(Object.fromEntries(form));
  if (!parsed.success) return answer(400, { ok: false, intent, says: firstProblem(parsed.error) });
  const struck = await strikeReading(tx, row.id, parsed.data.reading, parsed.data.why);
  if (!struck)
    return answer(409, { ok: false, intent, says: "That reading is struck already, or not of this radio." });
  await tell(tx, { kind: "reading-struck", ...struck, why: parsed.data.why }, { unit: row.id });
  await recompute(tx, { of: "units", ids: [row.id] });
  return answer(200, {
    ok: true,
    intent,
    says: `Struck: ${struck.component} ${struck.raw}. It counts no more.`,
  });
}

const lendShape = z.object({
  person: z.string().regex(/^\d+$/, "Choose who takes it."),
  dueBack: z.union([z.literal(""), plainDate], { error: "A date such as 2027-05-02, or nothing." }),
});

async function lend(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const intent = "lend";
  if (!may(who.role, "lend-and-take-back")) throw notAllowed("lend-and-take-back");
  const { row } = await loadUnit(tx, tag);
  const parsed = lendShape.safeParse(Object.fromEntries(form));
  if (!parsed.success) return answer(400, { ok: false, intent, says: firstProblem(parsed.error) });
  const taker = (await people(tx)).find((p) => p.id === parsed.data.person);
  if (!taker) return answer(400, { ok: false, intent, says: "That person is not in the club." });
  if (parsed.data.dueBack !== "" && parsed.data.dueBack < who.today) {
    return answer(400, { ok: false, intent, says: "The day it is due back has passed already." });
  }
  await lockUnit(tx, row.id);
  const dueBack = parsed.data.dueBack === "" ? null : plainDate.parse(parsed.data.dueBack);
  const current = await loadUnit(tx, tag);
  if (current.row.holder) {
    return answer(409, {
      ok: false,
      intent,
      says: `${current.row.holder} has it already; take it back first.`,
    });
  }
  await lendUnit(tx, row.id, { person: taker.id, outOn: who.today, dueBack, note: "" });
  await tell(tx, { kind: "lent", to: taker.name, ...(dueBack && { dueBack }) }, { unit: row.id });
  await recompute(tx, { of: "units", ids: [row.id] });
  return answer(200, { ok: true, intent, says: `Lent to ${taker.name}.` });
}

async function back(tx: Tx, who: SignedIn, tag: string | undefined) {
  const intent = "back";
  if (!may(who.role, "lend-and-take-back")) throw notAllowed("lend-and-take-back");
  const { row } = await loadUnit(tx, tag);
  const from = await takeBack(tx, row.id, who.today);
  if (!from) return answer(409, { ok: false, intent, says: "It is back already." });
  await tell(tx, { kind: "back", from }, { unit: row.id });
  await recompute(tx, { of: "units", ids: [row.id] });
  return answer(200, {
    ok: true,
    intent,
    says: `Back from ${from}. Read its version before it goes on the shelf.`,
  });
}

const holdShape = z.object({
  until: plainDate,
  why: z.string().trim().min(1, "Say why, so that others know.").max(300),
});

async function hold(tx: Tx, who: SignedIn, tag: string | undefined, form: FormData) {
  const intent = "hold";
  if (!may(who.role, "hold-unit")) throw notAllowed("hold-unit");
  const { row } = await loadUnit(tx, tag);
  const parsed = holdShape.safeParse(Object.fromEntries(form));
  if (!parsed.success) {
    return answer(400, {
      ok: false,
      intent,
      says: firstProblem(parsed.error, "Say until which day, such as 2027-05-02, and why."),
    });
  }
  if (parsed.data.until < who.today)
    return answer(400, { ok: false, intent, says: "That day has passed already." });
  const [held] = await setHold(tx, [row.id], parsed.data);
  if (!held) return answer(200, { ok: true, intent, says: "It is on hold like that already." });
  await tell(tx, { kind: "hold-set", ...parsed.data }, { unit: row.id });
  await recompute(tx, { of: "units", ids: [row.id] });
  return answer(200, { ok: true, intent, says: "On hold." });
}

async function lift(tx: Tx, who: SignedIn, tag: string | undefined) {
  const intent = "lift";
  if (!may(who.role, "hold-unit")) throw notAllowed("hold-unit");
  const { row } = await loadUnit(tx, tag);
  if (row.hold_until === null) return answer(409, { ok: false, intent, says: "It is not on hold any more." });
  await setHold(tx, [row.id], null);
  await tell(tx, { kind: "hold-lifted" }, { unit: row.id });
  await recompute(tx, { of: "units", ids: [row.id] });
  return answer(200, { ok: true, intent, says: "The hold is lifted." });
}

const firstProblem = (error: z.ZodError, otherwise = "Something is missing."): string =>
  error.issues.find(
    (issue) => issue.code === "custom" || issue.code === "too_small" || issue.code === "invalid_format",
  )?.message ?? otherwise;

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
