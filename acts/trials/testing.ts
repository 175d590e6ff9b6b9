// What the acts are tried with in the property over all of them: what is in a club, and values that several rooms need.
import { createHash } from "node:crypto";
import fc from "fast-check";
import type { KindName, Values } from "#core/kit/index.ts";
import type { Segment } from "#core/modes/index.ts";
import { addDays } from "#core/quantities/index.ts";
import type { Who } from "../define.ts";

/** Ids of what is in the club, of what is in another, and of what is nowhere. */
export type World = {
  readonly who: Who;
  readonly units: readonly string[];
  /** Readings of some of these. */
  readonly readings: readonly { readonly unit: string; readonly reading: string }[];
  readonly people: readonly string[];
  readonly models: readonly string[];
  readonly places: readonly string[];
  readonly groups: readonly string[];
  readonly procedures: readonly { readonly model: string; readonly procedure: string }[];
  readonly quirks: readonly { readonly model: string; readonly quirk: string }[];
  /** Radios whose revision nobody has noted, with those of their models. */
  readonly revisions: readonly { readonly unit: string; readonly revision: string }[];
  /** What has been tried together, and phones with every tool: of some radios the only way. */
  readonly chains: readonly {
    readonly operation: string;
    readonly lead: string | null;
    readonly computer: string;
    readonly tool: string | null;
  }[];
  readonly tries: readonly string[];
  /** Releases as they stand, in the shape that is written. */
  readonly releases: readonly Readonly<Record<string, unknown>>[];
  readonly identities: readonly Readonly<Record<string, unknown>>[];
  readonly modelFacts: readonly Readonly<Record<string, unknown>>[];
  readonly parts: readonly { readonly model: string; readonly component: string }[];
  /** Things of the kit with the values of their fields. */
  readonly things: readonly { readonly kind: KindName; readonly thing: string; readonly values: Values }[];
  /** Revisions out of the lines of some radios. */
  readonly codeplugs: readonly { readonly unit: string; readonly codeplug: string }[];
  readonly mappings: readonly string[];
  readonly repeaters: readonly string[];
  /** Digital IDs and call signs. */
  readonly identified: readonly string[];
  readonly sessions: readonly string[];
  /** Modes of some models, one of them in use, with what stands of them. */
  readonly modes: readonly { readonly model: string; readonly mode: string; readonly stands: object }[];
  /** Radios with modes of their models. */
  readonly inModes: readonly { readonly unit: string; readonly mode: string }[];
  readonly limits: readonly string[];
  readonly spectra: readonly { readonly unit: string; readonly spectrum: string }[];
  /** Procedures that unlock. */
  readonly unlocking: readonly { readonly model: string; readonly procedure: string }[];
  /** What service menus hold, with what stands of it. */
  readonly service: readonly { readonly model: string; readonly item: string; readonly stands: object }[];
  /** Radios with settings of their models. */
  readonly settings: readonly { readonly unit: string; readonly item: string }[];
  /** Devices that have batteries, and some of what was noted of them; radios that are none yet; programmers, with tags of radios. */
  readonly devices: readonly string[];
  readonly charges: readonly { readonly device: string; readonly charge: string }[];
  readonly programmers: readonly string[];
  readonly pairings: readonly { readonly unit: string; readonly pairing: string }[];
  readonly backups: readonly string[];
  readonly profiles: readonly string[];
  readonly measurements: readonly { readonly unit: string; readonly measurement: string }[];
  /** Lines of the band plan as they stand. */
  readonly segments: readonly { readonly segment: string; readonly stands: Segment }[];
  /** Radios with what each could be taken to the bench for. */
  readonly errands: readonly { readonly unit: string; readonly for: Readonly<Record<string, unknown>> }[];
  /** Runs that go on, with the name of a component of their radio. */
  readonly runs: readonly {
    readonly run: string;
    readonly component: string;
    /** What it was begun for is known, so that it can be begun anew. */
    readonly anew: boolean;
  }[];
  /** Radios for which a simulated one stands in. */
  readonly simulated: readonly string[];
  /** A dossier that says something else than ours, and the keys of its facts. */
  readonly dossier: { readonly text: string; readonly keys: readonly string[] };
};

export const NOWHERE = "999999999";

export const A_FILE = {
  content: new Uint8Array([1, 2, 3]),
  sha256: createHash("sha256")
    .update(new Uint8Array([1, 2, 3]))
    .digest("hex"),
};

/** Mostly what could be, now and then what could not. */
export const mostly = <T>(could: readonly T[], not: readonly T[]) =>
  fc.oneof(
    { weight: 8, arbitrary: fc.constantFrom(...could) },
    { weight: 1, arbitrary: fc.constantFrom(...not) },
  );

export const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });

export const words = mostly(["the procession", "it was the battery"], ["", " ", "x".repeat(301)]);

/** A club with nothing in it, as a document: it can come only into one that is new. */
export const emptyClub = (world: World): string =>
  JSON.stringify({
    format: "mossy-cabinet/club",
    version: 1,
    madeAt: world.who.today,
    migrations: [],
    club: { name: "Again", time_zone: "UTC", locale: "en-GB" },
    tables: {},
    files: [],
  });

/** Values that acts of several rooms take. */
export function someOf(world: World) {
  const day = fc.integer({ min: -5, max: 40 }).map((days) => addDays(world.who.today, days));
  const unit = mostly(world.units.slice(0, -2), world.units.slice(-2));
  const of = mostly(world.people.slice(0, -1), [NOWHERE]);
  const procedure = fc.constantFrom(...world.procedures);
  const mode = fc.constantFrom(...world.modes);
  return { day, unit, of, procedure, mode };
}
export type Some = ReturnType<typeof someOf>;
