// Why an act was refused, and where that is put right. What several acts answer is worded here; a page words what its own act alone answers, and does not compile while a kind has no words.
import { notFound } from "../context.ts";
import { firstIssue, type InputProblem, NOT_WHOLE } from "../forms/perform.server.ts";
import { type Errors, type Refused, refusal } from "../forms/save.server.ts";
import { answer, answerInput, textsOf, wrongFields } from "./act-answer.server.ts";

/** Where what stands in the way is put right. */
export type Cure = { readonly to: string; readonly says: string };
export type Refusal = {
  readonly status: number;
  readonly says: string;
  readonly cure?: Cure;
  /** The field beside which it is said; absent: above the form. */
  readonly field?: string;
  /** What is not there any more: its page says so. */
  readonly gone?: string;
};

/** What the sentence speaks of; absent: of "this radio". */
export type Concerns = { readonly tag?: string };

const page = (tag: string | undefined, rest = ""): string => `/units/${encodeURIComponent(tag ?? "")}${rest}`;
const bench: Cure = { to: "/bench", says: "To the bench" };
const radio = ({ tag }: Concerns): string => tag ?? "This radio";

/** By the kind of problem. */
const SHARED = {
  "no-key": (_: { readonly kind: "no-key" }) => ({ status: 400, says: NOT_WHOLE }),
  input: (problem: InputProblem) => ({ status: 400, says: firstIssue(problem, NOT_WHOLE) }),
  "no-unit": (_: { readonly kind: "no-unit" }) => ({
    status: 404,
    says: "That radio is not in the cabinet.",
    cure: { to: "/units/new", says: "Add it" },
  }),
  shelved: (_: { readonly kind: "shelved" }, on: Concerns) => ({
    status: 409,
    says: `${radio(on)} is shelved; recover it first.`,
    ...(on.tag !== undefined && { cure: { to: page(on.tag), says: "Its page" } }),
  }),
  ahead: (_: { readonly kind: "ahead" }) => ({
    status: 400,
    says: "That day has not come yet: it may lie behind, not ahead.",
  }),
  past: (_: { readonly kind: "past" }) => ({ status: 400, says: "That day has passed already." }),
  struck: (_: { readonly kind: "struck" }) => ({
    status: 409,
    says: "That is struck already, or not of this page.",
  }),
  "no-mode": (_: { readonly kind: "no-mode" }, on: Concerns) => ({
    status: 409,
    says: `${radio(on)} has no such mode, or not with what it runs.`,
  }),
  "no-person": (_: { readonly kind: "no-person" }) => ({
    status: 400,
    says: "That person is not in the club.",
    cure: { to: "/club/people", says: "The club's people" },
  }),
  "no-device": (_: { readonly kind: "no-device" }) => ({
    status: 409,
    says: "That device is on the shelf, or its battery is out of use.",
    cure: { to: "/kit/bluetooth", says: "The devices" },
  }),
  "not-programmer": (_: { readonly kind: "not-programmer" }) => ({
    status: 409,
    says: "That is for a Bluetooth programmer only.",
    cure: { to: "/kit/bluetooth", says: "The devices" },
  }),
  "no-pairing": (_: { readonly kind: "no-pairing" }) => ({
    status: 409,
    says: "That pairing has ended already, or is not of this radio.",
  }),
  unlikely: ({ rated }: { readonly kind: "unlikely"; readonly rated: number }) => ({
    status: 409,
    says: `It is rated for ${rated} W. Did the meter show milliwatts? If it is so all the same, say that you are sure.`,
  }),
  "no-meter": (_: { readonly kind: "no-meter" }) => ({
    status: 400,
    says: "That is no meter of our kit.",
    cure: { to: "/kit/gear/new", says: "Add a meter" },
  }),
  "error-unreadable": (p: {
    readonly kind: "error-unreadable";
    readonly tag: string;
    readonly error: string;
  }) => ({
    status: 409,
    says: `What ${p.tag} may be off by (“${p.error}”) cannot be read for this: write it in the kit such as 10 % of full scale, 0.5 dB, or 2 ppm.`,
    cure: { to: "/kit/own#gear", says: "To the meters" },
  }),
  busy: (_: { readonly kind: "busy" }, on: Concerns) => ({
    status: 409,
    says: `${radio(on)} is at the bench already: go on there, or stop it first.`,
    cure: bench,
  }),
  practise: (p: {
    readonly kind: "practise";
    readonly what: string;
    readonly has: number;
    readonly asks: number;
  }) => ({
    status: 409,
    says: `The club asks for ${p.asks} clean tries of “${p.what}” in practice before a real radio is erased; you have ${p.has}.`,
    cure: { to: "/bench/practice", says: "Practise it" },
  }),
  "no-procedure": (_: { readonly kind: "no-procedure" }) => ({
    status: 404,
    says: "That is not in its dossier any more.",
  }),
  "no-component": (_: { readonly kind: "no-component" }) => ({
    status: 404,
    says: "That is not in its dossier any more.",
  }),
  "needs-gates": (_: { readonly kind: "needs-gates" }) => ({
    status: 409,
    says: "What flashes, erases or unlocks is not gone through by itself.",
  }),
  "other-radio": (_: { readonly kind: "other-radio" }) => ({
    status: 409,
    says: "That procedure is a draft, or not for what this radio is and runs.",
  }),
  "nothing-due": (_: { readonly kind: "nothing-due" }, on: Concerns) => ({
    status: 409,
    says: `${radio(on)} needs no firmware for that.`,
  }),
  "no-release": (_: { readonly kind: "no-release" }) => ({
    status: 409,
    says: "That release cannot be gone to: it is withdrawn or shelved, or of a track that is not for this radio.",
  }),
  "no-way": (_: { readonly kind: "no-way" }, on: Concerns) => ({
    status: 409,
    says: `Nothing leads ${on.tag ?? "it"} there; its page says what stops it.`,
    ...(on.tag !== undefined && { cure: { to: page(on.tag), says: "Its page" } }),
  }),
  "hardware-unknown": (_: { readonly kind: "hardware-unknown" }, on: Concerns) => ({
    status: 409,
    says: `What ${on.tag ?? "it"} needs fits some hardware only: note first which it has.`,
    ...(on.tag !== undefined && { cure: { to: page(on.tag), says: "Note its hardware" } }),
  }),
  "no-adapter": (
    p: { readonly kind: "no-adapter"; readonly radio: string; readonly load: string },
    on: Concerns,
  ) => ({
    status: 409,
    says: `No adapter of ours joins ${on.tag ?? "it"} (${p.radio}) to a dummy load (${p.load}): add one, or fetch it.`,
    cure: { to: "/kit/antennas/new", says: "Add an adapter" },
  }),
  "no-plan": (_: { readonly kind: "no-plan" }, on: Concerns) => ({
    status: 409,
    says: `There is no plan of channels for ${on.tag ?? "it"} yet: issue one first, and note what its model holds.`,
    cure: { to: "/codeplugs/plan", says: "To the plan" },
  }),
  "no-codeplug": (_: { readonly kind: "no-codeplug" }) => ({
    status: 404,
    says: "Neither its file nor its channels are known: there is nothing to write.",
  }),
  "no-profile": (_: { readonly kind: "no-profile" }) => ({
    status: 404,
    says: "That profile is not kept any more.",
  }),
  "other-model": (
    p: { readonly kind: "other-model"; readonly base: string; readonly model: string },
    on: Concerns,
  ) => ({
    status: 409,
    says: `That profile was read from ${p.base}, a ${p.model}: it is no codeplug for ${on.tag ?? "this radio"}, and is not written into it.`,
  }),
  "no-model": (_: { readonly kind: "no-model" }) => ({
    status: 404,
    says: "This model is not there any more.",
    cure: { to: "/models", says: "To the models" },
  }),
  "no-part": (_: { readonly kind: "no-part" }) => ({
    status: 409,
    says: "This model has no such part.",
    field: "component",
  }),
  "no-revision": ({ name }: { readonly kind: "no-revision"; readonly name: string }) => ({
    status: 409,
    says: `This model has no hardware revision ${name}.`,
    field: "revisions",
  }),
  "no-run": (_: { readonly kind: "no-run" }) => ({
    status: 404,
    says: "That run is not here.",
    cure: bench,
  }),
  "no-errand": (_: { readonly kind: "no-errand" }) => ({
    status: 409,
    says: "What that run was for is not known any more: begin it from the radio's page.",
  }),
  over: (_: { readonly kind: "over" }) => ({ status: 409, says: "This run is over.", cure: bench }),
  held: ({ by }: { readonly kind: "held"; readonly by: string }) => ({
    status: 409,
    says: `${by} is at this bench. Take it over first, or leave it to ${by}.`,
  }),
} as const satisfies Readonly<Record<string, (problem: never, on: Concerns) => Refusal>>;

type Shared = { readonly [K in keyof typeof SHARED]: Parameters<(typeof SHARED)[K]>[0] };
type Say<P> = ((problem: P) => Refusal | string) | Refusal | string;
type Of<P, K> = Extract<P, { readonly kind: K }>;
/** Whether the table has words for a kind that fit what it comes with. */
type IsWorded<P, K> = K extends keyof Shared ? (Of<P, K> extends Shared[K] ? true : false) : false;

/** Words of a page's own: for every kind that the table has none for, and for those that it would say otherwise. A bare sentence is a conflict (409). */
export type OwnWords<P extends { readonly kind: string }> = {
  readonly [K in P["kind"] as IsWorded<P, K> extends true ? never : K]: Say<Of<P, K>>;
} & { readonly [K in P["kind"]]?: Say<Of<P, K>> };

/** The sentence for a problem. */
export function refusalOf<P extends { readonly kind: string }>(
  problem: P,
  own: OwnWords<P>,
  on: Concerns = {},
): Refusal {
  const { kind } = problem as { readonly kind: string };
  const said = (own as Readonly<Record<string, Say<P> | undefined>>)[kind];
  const shared = (
    SHARED as unknown as Readonly<Record<string, ((p: P, on: Concerns) => Refusal) | undefined>>
  )[kind];
  const words = typeof said === "function" ? said(problem) : (said ?? shared?.(problem, on) ?? NOT_WHOLE);
  return typeof words === "string" ? { status: 409, says: words } : words;
}

/** What stands against it now, in a sentence of the page's own. */
export const conflict = (says: string): Refusal => ({ status: 409, says });

/** What was typed wrongly, in a sentence of the page's own. */
export const typedWrongly = (says: string): Refusal => ({ status: 400, says });

/** Said beside a field. */
export const besideField = (field: string, says: string): Refusal => ({ status: 409, says, field });

/** What the page is of is not there. */
export const isGone = (gone: string): Refusal => ({ status: 404, says: NOT_WHOLE, gone });

/** The same for a form that corrects something: what is wrong stands beside its field, and what others saved meanwhile in it. */
export const refuseForm = <P extends { readonly kind: string }>(
  form: FormData,
  problem: P | { readonly kind: "refused"; readonly refused: Refused },
  own: OwnWords<Exclude<P, { readonly kind: "refused" }>>,
) => refusal(refusedBy<P>(form, problem, own as never));

/** What that answer is made of, for a page that answers with more. */
export function refusedBy<P extends { readonly kind: string }>(
  form: FormData,
  problem: P | { readonly kind: "refused"; readonly refused: Refused },
  own: OwnWords<Exclude<P, { readonly kind: "refused" }>>,
): Refused {
  if (isRefused(problem)) return problem.refused;
  if (problem.kind === "input" && !("input" in own))
    return { form, errors: inputErrors(form, problem as unknown as InputProblem), status: 400 };
  const { status, says, field = "", gone } = refusalOf(problem as P, own as unknown as OwnWords<P>);
  if (gone !== undefined) throw notFound(gone);
  return { form, errors: { [field]: says }, status: status === 409 ? 409 : 400 };
}
/** What an act does not take, beside the fields that the form has; else above it. */
function inputErrors(form: FormData, problem: InputProblem): Errors {
  const beside = Object.entries(wrongFields(problem)).filter(([field]) => form.has(field));
  return beside.length > 0 ? Object.fromEntries(beside) : { "": firstIssue(problem, NOT_WHOLE) };
}

const isRefused = (problem: {
  readonly kind: string;
}): problem is { readonly kind: "refused"; readonly refused: Refused } => problem.kind === "refused";

/** The answer to a form whose act was refused: with what it held, and what is wrong beside its field. */
export function answerProblem<P extends { readonly kind: string }>(
  intent: string,
  form: FormData,
  problem: P,
  own: OwnWords<P>,
  on: Concerns = {},
) {
  if (problem.kind === "input" && !("input" in own))
    return answerInput(intent, form, problem as unknown as InputProblem);
  return answerRefusal(intent, form, refusalOf(problem, own, on));
}

/** The answer with a refusal that is worded already, its cure, and what the form held. */
export const answerRefusal = (intent: string, form: FormData, { status, says, cure }: Refusal) =>
  answer(status, { ok: false, intent, says, ...(cure && { cure }), kept: textsOf(form) });
