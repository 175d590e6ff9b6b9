// What every change to a club goes through: permission, input, once only, log, needs, live channel. An act says only what it takes, who may, and what it does, so that none can forget the rest.
import { createHash } from "node:crypto";
import { z } from "zod";
import { bringUpToDate } from "#acts/needs/bring-up-to-date.ts";
import { type LogEntry, may, type Permission, type Role } from "#core/club/index.ts";
import { bad, good, mergeValues, type PlainDate, type Result, type Values } from "#core/quantities/index.ts";
import { claimAct, keepAnswer } from "#db/acts-done.ts";
import { type About, appendAll } from "#db/club/index.ts";
import { announceTouched, type Topic } from "#db/live.ts";
import { oneAtATime, type Tx, withClub } from "#db/pool.ts";
import type { Scope } from "#db/unit/index.ts";

/** Who acts, in which club, on which day there. */
export type Who = {
  readonly club: string;
  readonly person: string;
  readonly role: Role;
  readonly today: PlainDate;
};

/** What an act has done: its answer, what the log tells of it, and whose needs it may have changed. No log: nothing was changed. */
export type Done<Answer> = {
  readonly answer: Answer;
  readonly log: readonly (About & { readonly entry: LogEntry })[];
  readonly touches?: readonly { readonly scope: Scope; readonly why: string }[];
  /** What else is other now, by name: pages of it alone are brought up to date, and not all of its kind. */
  readonly topics?: readonly Topic[];
};

export type Act<Name extends string, Input, Answer, Problem extends { kind: string }> = {
  readonly name: Name;
  /** Plain values; every text and list has a bound. */
  readonly input: z.ZodType<Input>;
  readonly may: Permission;
  /** Whether the person has the radio that the act is about, where that gives leave. */
  readonly holdsUnit?: (tx: Tx, input: Input, who: Who) => Promise<boolean>;
  /** It may take longer than a page: sheets, documents. */
  readonly pace?: "work";
  /** Why nobody is told of it, where that is so. */
  readonly untold?: string;
  /** It changes nothing: that somebody was shown something is what is told. */
  readonly shows?: true;
  /** What it adds is an entry of the log, and maybe nothing beside it. */
  readonly tells?: true;
  readonly corrects?: {
    /** Which one is corrected; undefined for what is new. */
    readonly id: (input: Input) => string | undefined;
    /** What is stored of it now, in the shape of the input. */
    readonly stored: (tx: Tx, input: Input) => Promise<Partial<Input> | undefined>;
  };
  /** Looks, changes, and says what it did; or why it did not. The transaction is taken back then. */
  readonly run: (tx: Tx, input: Input, who: Who) => Promise<Result<Done<Answer>, Problem>>;
};

/** What any act may answer beside its own problems. */
export type CommonProblem =
  | { readonly kind: "not-allowed"; readonly act: Permission }
  | { readonly kind: "input"; readonly issues: readonly { readonly field: string; readonly says: string }[] }
  /** Somebody else has changed the same since: the paths of the fields. */
  | { readonly kind: "clash"; readonly fields: readonly string[] };

/** What is asked of an act. */
export type Asked = {
  readonly input: unknown;
  /** The form's own number, or the script's: the same act with the same key and input is done once. */
  readonly key: string;
  /** What the person had before them when they began to change it, in the shape of the input. Without it, theirs counts. */
  readonly baseline?: unknown;
};

export type Performed<Answer> = {
  readonly answer: Answer;
  /** It had been done before, with the same key: nothing was changed now. */
  readonly again: boolean;
  /** So many entries have been added to the log. */
  readonly told: number;
};

type Ran =
  | { readonly ok: true; readonly value: Done<unknown> }
  | { readonly ok: false; readonly problem: { readonly kind: string } };
type AnswerOf<R extends Ran> = Extract<R, { ok: true }>["value"]["answer"];
type ProblemOf<R extends Ran> = Extract<R, { ok: false }>["problem"];

/** An act from what it says of itself; its answer and its problems are those of `run`. */
export const defineAct = <const Name extends string, Input, R extends Ran>(
  act: Pick<
    Act<Name, Input, unknown, never>,
    "name" | "input" | "may" | "holdsUnit" | "corrects" | "pace" | "untold" | "shows" | "tells"
  > & {
    readonly run: (tx: Tx, input: Input, who: Who) => Promise<R>;
  },
): Act<Name, Input, AnswerOf<R>, ProblemOf<R>> =>
  act as unknown as Act<Name, Input, AnswerOf<R>, ProblemOf<R>>;

/** Does an act in a transaction of its own. */
export async function perform<Name extends string, Input, Answer, Problem extends { kind: string }>(
  act: Act<Name, Input, Answer, Problem>,
  who: Who,
  asked: Asked,
): Promise<Result<Performed<Answer>, Problem | CommonProblem>> {
  return withClub(who, (tx) => performIn(tx, act, who, asked), act.pace);
}

/** The same inside of a transaction. An act that is refused leaves nothing behind in it. */
export async function performIn<Name extends string, Input, Answer, Problem extends { kind: string }>(
  tx: Tx,
  act: Act<Name, Input, Answer, Problem>,
  who: Who,
  { input, key, baseline }: Asked,
): Promise<Result<Performed<Answer>, Problem | CommonProblem>> {
  const read = act.input.safeParse(input);
  const allowed = may(who.role, act.may);
  // Whoever may not is told so, whatever they sent; whether they have the radio is known only of what is whole.
  if (!allowed && !act.holdsUnit) return bad({ kind: "not-allowed", act: act.may });
  if (!read.success) {
    const issues = read.error.issues.map(({ path, message }) => ({ field: path.join("."), says: message }));
    return bad({ kind: "input", issues });
  }
  const holdsUnit = !allowed && (await act.holdsUnit?.(tx, read.data, who)) === true;
  if (!may(who.role, act.may, { holdsUnit })) return bad({ kind: "not-allowed", act: act.may });
  const claim = createHash("sha256")
    .update(JSON.stringify([act.name, who.person, key, read.data], asHash))
    .digest("hex");
  await tx.query("savepoint act");
  const before = await claimAct(tx, act.name, claim);
  if (before) {
    await tx.query("release savepoint act");
    return good({ answer: before.answer as Answer, again: true, told: 0 });
  }
  const merged = await sinceThen(tx, act, read.data, baseline);
  const done = merged.ok ? await act.run(tx, merged.value, who) : merged;
  if (!done.ok) {
    await tx.query("rollback to savepoint act");
    return done;
  }
  const { answer, log, touches = [] } = done.value;
  await appendAll(tx, log);
  for (const { scope, why } of touches) await bringUpToDate(tx, scope, why);
  await announceTouched(tx, topicsOf(done.value));
  await keepAnswer(tx, claim, answer);
  await tx.query("release savepoint act");
  return good({ answer, again: false, told: log.length });
}

/** A file is told by its content. */
function asHash(this: unknown, name: string, value: unknown): unknown {
  const own = (this as Record<string, unknown>)[name];
  return own instanceof Uint8Array ? createHash("sha256").update(own).digest("hex") : value;
}

/**
 * What is wanted, with what others have changed since the person looked. From here to the end of the transaction nobody else
 * corrects the same by this act: what stands is asked for after that.
 */
async function sinceThen<Name extends string, Input, Answer, Problem extends { kind: string }>(
  tx: Tx,
  act: Act<Name, Input, Answer, Problem>,
  input: Input,
  baseline: unknown,
): Promise<Result<Input, CommonProblem>> {
  const id = act.corrects?.id(input);
  if (!act.corrects || id === undefined) return good(input);
  await oneAtATime(tx, `${act.name} ${id}`);
  const now = await act.corrects.stored(tx, input);
  const seen = plainValues.safeParse(baseline);
  if (!now || !seen.success) return good(input);
  const { values, clashes } = mergeValues(seen.data, input as Values, now);
  return clashes.length > 0 ? bad({ kind: "clash", fields: clashes }) : good(values as Input);
}
const plainValues = z.record(z.string(), z.unknown());

/** What is other now, by name; what else was touched the database knows. */
function topicsOf({ log, touches = [], topics = [] }: Done<unknown>): Topic[] {
  const of = (kind: string, id: string | undefined) => (id === undefined ? [] : [`${kind}:${id}`]);
  const told = log.flatMap(({ unit, model }) => [...of("unit", unit), ...of("model", model)]);
  const touched = touches.flatMap(({ scope }) => {
    switch (scope.of) {
      case "units":
        return scope.ids.map((id) => `unit:${id}`);
      case "model":
        return [`model:${scope.id}`];
      default:
        return ["club"];
    }
  });
  return [...topics, ...told, ...touched];
}
