// From a form that corrects something to an act: with the form's key and with what it was drawn from, so that what others have saved
// since is kept, and where both changed the same, it is asked.
import type { SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import { data } from "react-router";
import type { z } from "zod";
import type { Act } from "#acts/define.ts";
import { bad, good, type Result } from "#core/quantities/index.ts";
import type { SignedIn } from "../context.ts";
import { BASELINE } from "./baseline.tsx";
import { KEY } from "./form-key.tsx";
import { baselineForm, type Drawn, redraw } from "./merge.server.ts";
import { type FormProblem, NOT_WHOLE, performSince } from "./perform.server.ts";

/** What is wrong, by field; "" is the form as a whole. */
export type Errors = Readonly<Record<string, string | readonly string[]>>;
export type Read<Input> = Result<Input, { readonly kind: "fields"; readonly errors: Errors }>;

export type Refused = { readonly status: 400 | 409; readonly form: FormData; readonly errors: Errors };

/** A form read by a Zod shape; what is wrong stands under the name of its field. */
export function readBy<Shape extends z.ZodType>(shape: Shape) {
  return (form: FormData): Read<z.output<Shape>> => {
    const read = parseWithZod(form, { schema: shape });
    if (read.status === "success") return good(read.value);
    return bad({
      kind: "fields",
      errors: Object.fromEntries(
        Object.entries(read.error ?? {}).map(([k, v]) => [k, (v ?? []).map(plainly)]),
      ),
    });
  };
}

/** What a shape says by itself of a value that does not fit, in words for whoever typed it. Its own sentences stay. */
export function plainly(says: string): string {
  const [, way, of, number] =
    /^Too (big|small): expected (\w+) (?:to have|to be) [<>]=?(\d+)/.exec(says) ?? [];
  if (number !== undefined) {
    const most = way === "big" ? "At most" : "At least";
    if (of === "string")
      return number === "1" && way === "small" ? "This cannot be empty." : `${most} ${number} characters.`;
    return `${most} ${number}.`;
  }
  if (/^Invalid option/.test(says)) return "Choose one of those that are offered.";
  return /^(?:Invalid|Expected|Unrecognized)\b/.test(says) ? "That cannot be read." : says;
}

export type Corrected = {
  /** The form as the act wants it, or what is wrong with it; asked too of what the form was drawn from. */
  readonly read: (form: FormData, isBaseline: boolean) => Read<Readonly<Record<string, unknown>>>;
  /** What the form would be drawn from now; undefined for what is new. */
  readonly drawn: () => Promise<Drawn | undefined>;
};

/** Does the act; throws 403 for whoever may not. `refused`: to be drawn again as it says, see `refusal`. */
export async function saveForm<Name extends string, Input, Answer, Problem extends { kind: string }>(
  act: Act<Name, Input, Answer, Problem>,
  who: SignedIn,
  form: FormData,
  { read, drawn }: Corrected,
): Promise<
  Result<Answer, Exclude<Problem | FormProblem, { kind: "clash" }> | { kind: "refused"; refused: Refused }>
> {
  const typed = read(form, false);
  if (!typed.ok) {
    return bad({ kind: "refused", refused: { status: 400, form, errors: typed.problem.errors } });
  }
  const seen = baselineForm(form.get(BASELINE));
  const before = seen && read(seen, true);
  const done = await performSince(act, who, form, typed.value, before?.ok ? before.value : undefined);
  if (done.ok) return good(done.value.answer);
  if (done.problem.kind !== "clash")
    return bad(done.problem as Exclude<Problem | FormProblem, { kind: "clash" }>);
  const { form: again, errors } = redraw(form, await drawn());
  return bad({ kind: "refused", refused: { status: 409, form: again, errors } });
}

/** The answer to a form that is to be drawn again, with what was typed, for `PostForm`. */
export const refusal = ({ form, errors, status }: Omit<Refused, "status"> & { readonly status?: number }) =>
  data(replyOf(form, errors), { status: status ?? 400 });

/** The same where less was sent than the page sends, or nothing that the act takes. */
export const notWhole = (form: FormData) => refusal({ form, errors: { "": NOT_WHOLE } });

export function replyOf(form: FormData, errors: Errors): SubmissionResult<string[]> {
  const values: Record<string, string | string[]> = {};
  for (const name of new Set(form.keys())) {
    const all = form.getAll(name).filter((value) => typeof value === "string");
    const [first] = all;
    if (name !== KEY && first !== undefined) values[name] = all.length > 1 ? all : first;
  }
  const all = Object.entries(errors).map(([name, says]) => [name, [says].flat()] as const);
  return { status: "error", initialValue: values, error: Object.fromEntries(all) };
}
