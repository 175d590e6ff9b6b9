// What speaks Bluetooth or has a battery: buttons, headsets, earpieces, vehicles; and the Bluetooth side of programmers and radios.

import { readServes, type Serves, servesText } from "../entry.ts";
import { joined, type Kind, named, readWhere, TAG, WHERE, words, yesNo } from "./field.ts";

export const DEVICE_KINDS = ["programmer", "radio", "button", "headset", "earpiece", "vehicle"] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** Those that are entered for themselves; a programmer comes with its lead, a radio with its unit. */
export const OWN_KINDS: readonly DeviceKind[] = ["button", "headset", "earpiece", "vehicle"];

export const BATTERIES = ["sound", "swollen", "retired", "none"] as const;
export type BatteryState = (typeof BATTERIES)[number];

/** A battery that is to be charged no more: what has it is neither charged nor paired, and nothing is programmed with it. */
export const isOutOfUse = (battery: BatteryState): boolean => battery === "swollen" || battery === "retired";

/** A device stays what it is, if it came with a lead or a unit; what did not can be any of the others. `was` undefined: it is new. */
export function movesKind(was: string | undefined, is: unknown): boolean {
  const isOwn = (kind: unknown) => OWN_KINDS.some((own) => own === kind);
  return was === undefined || isOwn(was) ? !isOwn(is) : is !== was;
}

/** What a lead or a unit says already. */
const SAID_ELSEWHERE = ["tag", ...WHERE.map(({ name }) => name)];

export const devices = {
  table: "device",
  one: "Bluetooth device",
  many: "Bluetooth devices",
  name: "tag",
  json: ["serves"],
  refers: { charger_id: "gear" },
  fields: [
    TAG,
    { name: "kind", label: "Kind", options: () => words(OWN_KINDS), quick: true },
    { name: "what", label: "Type (pairing advice goes by it)", quick: true },
    { name: "shows", label: "Name it shows", quick: true },
    { name: "address", label: "Address (12 hexadecimal digits)", mono: true },
    { name: "app", label: "App" },
    { name: "app_version", label: "Version of the app", mono: true },
    { name: "app_needs", label: "What the app wants: permissions, an account" },
    { name: "serves", label: "Models it serves: a line each, such as Wicket as Hedge W1", rows: 3 },
    { name: "full_minutes", label: "From empty to full, minutes", mono: true },
    { name: "idle_per_day", label: "Loses by itself, percent a day", mono: true },
    { name: "per_use", label: "For each radio programmed, percent", mono: true },
    { name: "battery", label: "Battery", options: () => words(BATTERIES) },
    { name: "charger_id", label: "Goes on the charger", options: (k) => named(k.chargers, "none of ours") },
    { name: "holds", label: "Radios it stays paired with at once", mono: true },
    { name: "lamp", label: "What its lamp says: a line each", rows: 3 },
    { name: "offers", label: "What its audio offers" },
    { name: "fails", label: "What is known to fail with it", rows: 2 },
    { name: "simulated", label: "A simulated one stands in for it", options: yesNo },
    ...WHERE,
  ],
  /** A programmer's and a radio's tag, place and holder stand with the lead or the unit; both have an app, only what is paired for talking offers audio. */
  skips: ({ kind }) =>
    kind === "programmer"
      ? [...SAID_ELSEWHERE, "kind", "holds", "offers"]
      : kind === "radio"
        ? [
            ...SAID_ELSEWHERE,
            "kind",
            "holds",
            "offers",
            "app",
            "app_version",
            "app_needs",
            "serves",
            "per_use",
          ]
        : ["serves", "per_use"],
  read: (r) => ({
    columns: {
      tag: r.needed("tag", 40, "It has a tag."),
      kind: r.choice("kind", DEVICE_KINDS, "button"),
      what: r.text("what", 80),
      shows: r.text("shows", 80),
      address: r.address("address"),
      app: r.text("app", 80),
      app_version: r.text("app_version", 40),
      app_needs: r.text("app_needs"),
      serves: r.lines("serves", readServes).flatMap(({ model, as }) => {
        const id = r.byName("serves", model, r.known.models, "model");
        return id === undefined ? [] : [{ model: id, as }];
      }),
      full_minutes: r.number("full_minutes", { least: 1, most: 10_000, whole: true, such: "90" }),
      idle_per_day: r.number("idle_per_day", { least: 0, most: 100, such: "1.5" }),
      per_use: r.number("per_use", { least: 0, most: 100, such: "4" }),
      battery: r.choice("battery", BATTERIES, "sound"),
      charger_id: r.ref("charger_id", r.known.chargers),
      holds: r.number("holds", { least: 1, most: 100, whole: true, such: "1" }) ?? 1,
      lamp: r.text("lamp", 500),
      offers: r.text("offers"),
      fails: r.text("fails", 500),
      simulated: r.yes("simulated", false),
      ...readWhere(r),
    },
  }),
  begin: { kind: "button", battery: "sound", condition: "sound", holds: "1", simulated: "no" },
  values: ({ serves }: { serves: readonly (Serves & { name: string })[] }) => ({
    serves: serves.map(({ name, as }) => servesText(name, as)).join("\n"),
  }),
  says: (v) =>
    joined([
      v.kind,
      v.what,
      v.shows && `shows “${v.shows}”`,
      v.app && `${v.app} ${v.app_version ?? ""}`.trim(),
      v.offers,
      BATTERIES.some((state) => state === v.battery && isOutOfUse(state)) && `its battery is ${v.battery}`,
    ]),
} as const satisfies Kind;
