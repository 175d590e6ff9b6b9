// Trying a procedure on a simulated radio: each deed is held against what the procedure asks for, and said what it would have done to a
// real one. Plain data in and out, so that it runs in a worker.
import type { Effect } from "#core/dossier/index.ts";
import { type Atom, atomsOf, type KnownWay } from "./atoms.ts";
import { type Deed, doDeed, newRadio, type Radio, type RadioKind } from "./radio.ts";
import type { FaultKind } from "./state.ts";
import { SYMPTOM } from "./work.ts";

/** What is tried: a procedure by its id. `effects`: what each procedure does, by id. */
export type Exercise = {
  readonly kind: RadioKind;
  readonly target: string;
  readonly effects: Readonly<Record<string, Effect>>;
  readonly runs: Readonly<Record<string, string>>;
};

export type Practice = {
  readonly radio: Radio;
  /** So many of the procedure's deeds are done. */
  readonly done: number;
  readonly of: number;
  readonly wrong: number;
  /** What is in the way of the computer, until its cause is found. */
  readonly fault?: FaultKind | undefined;
  readonly verdict: PracticeVerdict;
};

export type PracticeVerdict =
  | { readonly kind: "ready" }
  | { readonly kind: "right" }
  | { readonly kind: "finished" }
  /** `instead`: what it was the beginning or the whole of, with what that does to a real radio. */
  | {
      readonly kind: "wrong";
      readonly expected: Atom;
      readonly did: PracticeDeed;
      /** Held too short, or other keys. */
      readonly because: "too-short" | "keys" | "order";
      readonly instead?: { readonly title: string; readonly effect: Effect; readonly whole: boolean };
    }
  /** The computer stopped: the cause is to be found. */
  | { readonly kind: "stopped"; readonly symptom: string };

export type PracticeDeed = Deed | { readonly kind: "tool" };

const wayOf = ({ kind, target }: Exercise): KnownWay => {
  const way = kind.ways.find(({ id }) => id === target);
  if (!way) throw new Error("the procedure is one of the radio's");
  return way;
};

/** A try begins: the radio is on if the procedure begins with turning it off, else off. */
export function beginPractice(exercise: Exercise, seed: number, fault?: FaultKind): Practice {
  const atoms = atomsOf(wayOf(exercise).steps);
  const radio = newRadio(seed, exercise.runs);
  const [first] = atoms;
  const isOn = first?.kind === "turn" && first.to === "off";
  const begun = isOn ? doDeed(exercise.kind, radio, { kind: "turn", to: "on" }).radio : radio;
  return {
    radio: { ...begun, followed: {} },
    done: 0,
    of: atoms.length,
    wrong: 0,
    fault,
    verdict: { kind: "ready" },
  };
}

/** One deed more. After a wrong one the procedure begins where the radio has it: mostly at its beginning. */
export function tryDeed(exercise: Exercise, before: Practice, deed: PracticeDeed): Practice {
  const { kind, target, effects } = exercise;
  const atoms = atomsOf(wayOf(exercise).steps);
  const expected = atoms[before.done];
  if (!expected) return before;
  if (deed.kind === "tool") {
    if (expected.kind !== "tool") return wrong(before, before.radio, expected, deed, "order", undefined);
    if (before.fault) return { ...before, verdict: { kind: "stopped", symptom: SYMPTOM[before.fault] } };
    const radio = {
      ...before.radio,
      followed: { ...before.radio.followed, [target]: before.done + 1 },
      ...(expected.signs && { signs: { ...before.radio.signs, ...expected.signs } }),
    };
    return onward(before, radio, before.done + 1);
  }
  const { radio, ended } = doDeed(kind, before.radio, deed);
  const at = radio.followed[target] ?? 0;
  if (ended.includes(target)) return onward(before, radio, before.of);
  if (at > before.done) return onward(before, radio, at);
  // A pause, or what is so already, changes nothing and is no mistake.
  if (at === before.done && (deed.kind === "wait" || deed.kind === "connect")) return { ...before, radio };
  const others = kind.ways
    .filter(({ id }) => id !== target)
    .map((way) => ({ way, at: radio.followed[way.id] ?? 0, whole: ended.includes(way.id) }))
    .filter(({ way, at: now, whole }) => whole || now > Math.max(1, before.radio.followed[way.id] ?? 0))
    .sort((a, b) => rank(effects[b.way.id]) - rank(effects[a.way.id]) || b.at - a.at);
  const [worst] = others;
  const instead = worst && {
    title: worst.way.title,
    effect: effects[worst.way.id] ?? "harmless",
    whole: worst.whole,
  };
  return { ...wrong(before, radio, expected, deed, whyWrong(expected, deed), instead), done: at };
}

const rank = (effect: Effect | undefined): number =>
  ({ harmless: 0, mode: 1, unlock: 2, erase: 3 })[effect ?? "harmless"];

function onward(before: Practice, radio: Radio, done: number): Practice {
  return { ...before, radio, done, verdict: { kind: done >= before.of ? "finished" : "right" } };
}

function wrong(
  before: Practice,
  radio: Radio,
  expected: Atom,
  did: PracticeDeed,
  because: "too-short" | "keys" | "order",
  instead: Extract<PracticeVerdict, { kind: "wrong" }>["instead"],
): Practice {
  return {
    ...before,
    radio,
    wrong: before.wrong + 1,
    verdict: { kind: "wrong", expected, did, because, ...(instead && { instead }) },
  };
}

function whyWrong(expected: Atom, deed: Deed): "too-short" | "keys" | "order" {
  if (expected.kind !== deed.kind) return "order";
  if (expected.kind !== "hold" || deed.kind !== "hold") return "keys";
  const same = (keys: readonly string[]) =>
    [...keys]
      .map((key) => key.toLowerCase())
      .sort()
      .join("+");
  return same(expected.keys) === same(deed.keys) && expected.turn === deed.turn ? "too-short" : "keys";
}

/** The cause that was named was the right one: the way is free. */
export const findCause = (before: Practice, fault: string): Practice =>
  before.fault === fault
    ? { ...before, fault: undefined, verdict: { kind: "right" } }
    : { ...before, wrong: before.wrong + 1 };

/** A try without a single wrong deed. */
export const isClean = ({ verdict, wrong: mistakes }: Practice): boolean =>
  verdict.kind === "finished" && mistakes === 0;
