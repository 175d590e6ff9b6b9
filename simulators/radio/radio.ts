// A made-up radio that behaves as its dossier says, in place of a real one: keys, lamp, screen, sound, menus, version. Its state is plain data; chance comes from its seed.
import type { Purpose, Signs } from "#core/dossier/index.ts";
import { type Atom, atomsOf, type KnownWay } from "./atoms.ts";
import type { Radio, RadioKind } from "./state.ts";

export type { Radio, RadioKind } from "./state.ts";

/** What a hand can do to it. */
export type Deed =
  | {
      readonly kind: "hold";
      readonly keys: readonly string[];
      readonly turn?: "on" | "off";
      readonly seconds: number;
    }
  | { readonly kind: "turn"; readonly to: "on" | "off" }
  | { readonly kind: "press"; readonly key: string }
  | { readonly kind: "menu"; readonly path: readonly string[] }
  | { readonly kind: "connect" }
  | { readonly kind: "wait"; readonly seconds: number };

/** A radio that is off, charged, and as it came. `runs`: what each component runs, by name. */
export const newRadio = (seed: number, runs: Readonly<Record<string, string>>): Radio => ({
  seed,
  on: false,
  place: "normal",
  runs,
  charge: 60 + (Math.abs(seed) % 40),
  content: { kind: "own" },
  wide: false,
  followed: {},
  signs: DARK,
  faults: [],
  fresh: false,
});

const DARK: Signs = { screen: "dark", lamp: "off" };

/** What came of a deed: the radio after it, and the procedures, by id, that it brought to their end. */
export type Done = { readonly radio: Radio; readonly ended: readonly string[] };

/** Does one deed. A deed that belongs to no procedure does what it does to any radio: turns it on or off, or nothing. */
export function doDeed(kind: RadioKind, before: Radio, deed: Deed): Done {
  const turned = turn(kind, before, deed);
  const followed: Record<string, number> = {};
  const ended: KnownWay[] = [];
  let signs: Signs | undefined;
  for (const way of kind.ways) {
    const atoms = atomsOf(way.steps);
    const at = follow(atoms, standsAt(atoms, before, before.followed[way.id] ?? 0), deed);
    followed[way.id] = at;
    // One that was followed further tells more of what is going on.
    if (
      at > 0 &&
      at >
        Math.max(
          0,
          ...Object.entries(followed)
            .filter(([id]) => id !== way.id)
            .map(([, n]) => n),
        )
    )
      signs = atoms[at - 1]?.signs ?? signs;
    if (at > 0 && at === atoms.length) {
      ended.push(way);
      signs = atoms[at - 1]?.signs ?? signs;
    }
  }
  let radio: Radio = { ...turned, followed };
  if (
    before.place === "dead" &&
    !ended.some((way) => way.purpose === "update-mode" || way.purpose === "recover")
  ) {
    // It takes no notice of anything else.
    const wakes = kind.ways.some((way) => WAKES.includes(way.purpose) && (followed[way.id] ?? 0) > 1);
    if (!wakes) return { radio: { ...radio, place: "dead", signs: DARK }, ended: [] };
  }
  if (signs) radio = { ...radio, signs: { ...radio.signs, ...signs } };
  for (const way of ended) radio = lead(kind, radio, way);
  // What recovers it with a tool has it listening by the time the tool's turn comes.
  const listens = kind.ways.some(
    ({ id, purpose, steps }) =>
      purpose === "recover" && (followed[id] ?? 0) > 1 && atomsOf(steps)[followed[id] ?? 0]?.kind === "tool",
  );
  if (listens && radio.place === "dead") radio = { ...radio, on: true, place: "update" };
  return { radio, ended: ended.map((way) => way.id) };
}
const WAKES: readonly Purpose[] = ["update-mode", "recover"];

/** Being off already is as good as having turned it off, and the same of being on. */
function standsAt(atoms: readonly Atom[], radio: Radio, at: number): number {
  const [first] = atoms;
  if (at > 0 || first?.kind !== "turn") return at;
  return (first.to === "off") === !radio.on ? 1 : 0;
}

/** How far a procedure has been followed after a deed: one further, or from its beginning, or not at all. */
function follow(atoms: readonly Atom[], at: number, deed: Deed): number {
  const next = atoms[at];
  if (next && matches(next, deed)) return at + 1;
  // A pause, or a lead that is plugged in, does no harm.
  if ((deed.kind === "wait" || deed.kind === "connect") && at < atoms.length) return at;
  const [first] = atoms;
  return first && matches(first, deed) ? 1 : 0;
}

const named = (keys: readonly string[]): string =>
  keys
    .map((key) => key.toLowerCase())
    .sort()
    .join("+");

/** Whether a deed is what is asked for; keys held for too short a time are not. */
export function matches(atom: Atom, deed: Deed): boolean {
  switch (atom.kind) {
    case "hold":
      return (
        deed.kind === "hold" &&
        named(deed.keys) === named(atom.keys) &&
        deed.turn === atom.turn &&
        deed.seconds >= (atom.seconds ?? 0)
      );
    case "turn":
      return deed.kind === "turn" && deed.to === atom.to;
    case "press":
      return deed.kind === "press" && deed.key.toLowerCase() === atom.key.toLowerCase();
    case "menu":
      return deed.kind === "menu" && deed.path.join(">").toLowerCase() === atom.path.join(">").toLowerCase();
    case "connect":
      return deed.kind === "connect";
    case "wait":
      return deed.kind === "wait" && deed.seconds >= atom.seconds;
    case "tool":
      return false;
  }
}

/** What a deed does to any radio. */
function turn(kind: RadioKind, radio: Radio, deed: Deed): Radio {
  const to = deed.kind === "turn" ? deed.to : deed.kind === "hold" ? deed.turn : undefined;
  if (to === "off") {
    const { work: _, ...rest } = radio;
    return { ...rest, on: false, place: radio.place === "dead" ? "dead" : "normal", signs: DARK };
  }
  if (to === "on" && !radio.on) {
    if (radio.place === "dead") return { ...radio, on: true, signs: DARK };
    const hello = radio.fresh
      ? "it sets itself up; that goes away"
      : (powerOnVersion(kind, radio) ?? kind.name);
    return { ...radio, on: true, place: "normal", fresh: false, signs: { screen: hello, lamp: "off" } };
  }
  return radio;
}

/** Where a component shows its version at power-on, what it shows. */
function powerOnVersion(kind: RadioKind, radio: Radio): string | undefined {
  const [name] = Object.entries(kind.reading).find(([, { where }]) => where === "power-on") ?? [];
  return name === undefined ? undefined : shown(kind, radio, name);
}

/** A component's version in the form in which this model shows it. */
export function shown(kind: RadioKind, radio: Radio, component: string): string {
  const version = radio.runs[component] ?? "?";
  const sample = kind.reading[component]?.sample ?? "";
  // A letter that is part of the version stands in the sample too.
  const letters = /^[A-Za-z]*/.exec(version)?.[0] ?? "";
  const token = new RegExp(`(?:${letters})?\\d[\\w.]*`, "i");
  return token.test(sample) ? sample.replace(token, () => version) : version;
}

/** What a procedure that was followed to its end leads to. */
function lead(kind: RadioKind, before: Radio, { purpose, effect }: KnownWay): Radio {
  const radio: Radio = effect === "erase" ? { ...before, content: { kind: "blank" } } : before;
  switch (purpose) {
    case "update-mode":
      return { ...radio, on: true, place: "update" };
    case "service-menu":
      return { ...radio, on: true, place: "service" };
    case "recover":
      return { ...radio, place: "normal" };
    case "factory-reset":
      return { ...radio, content: { kind: "blank" } };
    case "change-mode":
      return { ...radio, wide: !radio.wide };
    case "read-version": {
      const all = Object.keys(radio.runs).map((name) => shown(kind, radio, name));
      return { ...radio, signs: { ...radio.signs, screen: all.join("; ") } };
    }
    default:
      return radio;
  }
}
