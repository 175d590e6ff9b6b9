// What every change to a club goes through. An act says what it takes, who may, and what it does; what must happen around it (input,
// permission, once only, log, needs, telling whoever looks) is done here, so that no act can forget it.
import { createHash } from "node:crypto";
import type { z } from "zod";
import { may, type Act as Permission, type Role } from "#core/club/acts.ts";
import type { LogEntry } from "#core/club/log.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { bad, good, type Result } from "#core/quantities/result.ts";
import { claimAct, keepAnswer } from "#db/acts-done.ts";
import { announce, type Topic } from "#db/live.ts";
import { type About, appendLog } from "#db/log.ts";
import { type Tx, withClub } from "#db/pool.ts";
import type { Scope } from "#db/unit-facts.ts";
import { bringUpToDate } from "#db/work.ts";

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
};

export type Act<Name extends string, Input, Answer, Problem extends { kind: string }> = {
  readonly name: Name;
  /** Plain values; every text and list has a bound. */
  readonly input: z.ZodType<Input>;
  readonly may: Permission;
  /** Whether the person has the radio that the act is about, where that gives leave. */
  readonly holdsUnit?: (tx: Tx, input: Input, who: Who) => Promise<boolean>;
  /** Looks, changes, and says what it did; or why it did not. The transaction is taken back then. */
  readonly run: (tx: Tx, input: Input, who: Who) => Promise<Result<Done<Answer>, Problem>>;
};

/** What any act may answer beside its own problems. */
export type CommonProblem =
  | { readonly kind: "not-allowed"; readonly act: Permission }
  | { readonly kind: "input"; readonly issues: readonly { readonly field: string; readonly says: string }[] };

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
  act: Pick<Act<Name, Input, unknown, never>, "name" | "input" | "may" | "holdsUnit"> & {
    readonly run: (tx: Tx, input: Input, who: Who) => Promise<R>;
  },
): Act<Name, Input, AnswerOf<R>, ProblemOf<R>> =>
  act as unknown as Act<Name, Input, AnswerOf<R>, ProblemOf<R>>;

/** Does an act in a transaction of its own. `key`: the form's own number; the same act with the same key and input is done once. */
export async function perform<Name extends string, Input, Answer, Problem extends { kind: string }>(
  act: Act<Name, Input, Answer, Problem>,
  who: Who,
  input: unknown,
  key: string,
): Promise<Result<Performed<Answer>, Problem | CommonProblem>> {
  return withClub(who, (tx) => performIn(tx, act, who, input, key));
}

/** The same inside of a transaction. An act that is refused leaves nothing behind in it. */
export async function performIn<Name extends string, Input, Answer, Problem extends { kind: string }>(
  tx: Tx,
  act: Act<Name, Input, Answer, Problem>,
  who: Who,
  input: unknown,
  key: string,
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
    .update(JSON.stringify([act.name, who.person, key, read.data]))
    .digest("hex");
  await tx.query("savepoint act");
  const before = await claimAct(tx, act.name, claim);
  if (before) {
    await tx.query("release savepoint act");
    return good({ answer: before.answer as Answer, again: true, told: 0 });
  }
  const done = await act.run(tx, read.data, who);
  if (!done.ok) {
    await tx.query("rollback to savepoint act");
    return done;
  }
  const { answer, log, touches = [] } = done.value;
  for (const { entry, unit, model } of log) await appendLog(tx, entry, { unit, model });
  for (const { scope, why } of touches) await bringUpToDate(tx, scope, why);
  await announce(tx, topicsOf(done.value));
  await keepAnswer(tx, claim, answer);
  await tx.query("release savepoint act");
  return good({ answer, again: false, told: log.length });
}

/** What pages may show that is other now. */
function topicsOf({ log, touches = [] }: Done<unknown>): Topic[] {
  const of = (kind: string, id: string | undefined) => (id === undefined ? [] : [`${kind}:${id}`]);
  const told = log.flatMap(({ unit, model }) =>
    unit === undefined && model === undefined ? ["club"] : [...of("unit", unit), ...of("model", model)],
  );
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
  return [...told, ...touched, ...(log.length > 0 ? ["log"] : []), ...(touches.length > 0 ? ["need"] : [])];
}
