// The kinds of things the log tells, each with the details its sentence needs. The one source of these shapes.
import { z } from "zod";
import { GUARDED_PARTS } from "../dossier/index.ts";
import { DEEDS } from "../unit/index.ts";

const text = z.string();

export const logEntry = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("club-founded"), name: text }),
  z.object({ kind: z.literal("club-changed"), what: text }),
  z.object({ kind: z.literal("signed-in"), from: text.optional() }),
  /** `unknown`: nobody has the address that was typed. */
  z.object({ kind: z.literal("sign-in-failed"), from: text, unknown: z.boolean().optional() }),
  z.object({ kind: z.literal("password-changed"), how: z.enum(["own", "link"]) }),
  z.object({ kind: z.literal("sessions-ended"), count: z.number() }),
  z.object({ kind: z.literal("link-made"), name: text }),
  z.object({ kind: z.literal("person-recovered"), name: text }),
  z.object({ kind: z.literal("person-added"), name: text, role: text }),
  z.object({ kind: z.literal("person-changed"), name: text, what: text }),
  z.object({ kind: z.literal("place-added"), name: text }),
  z.object({ kind: z.literal("group-added"), name: text }),
  z.object({ kind: z.literal("policy-changed"), group: text, units: z.number() }),
  z.object({ kind: z.literal("model-added"), name: text }),
  z.object({ kind: z.literal("model-changed"), name: text, what: text }),
  z.object({
    kind: z.literal("models-merged"),
    gone: text,
    into: text,
    units: z.number(),
    facts: z.number(),
    readings: z.number(),
  }),
  z.object({ kind: z.literal("numbering-confirmed"), component: text, numbering: text }),
  z.object({ kind: z.literal("numbering-taken-back"), component: text }),
  z.object({ kind: z.literal("release-added"), component: text, version: text, units: z.number() }),
  z.object({
    kind: z.literal("release-corrected"),
    component: text,
    version: text,
    units: z.number(),
    /** What was changed; not told before it was written down. */
    what: text.optional(),
  }),
  z.object({
    kind: z.literal("release-withdrawn"),
    component: text,
    version: text,
    why: text,
    units: z.number(),
  }),
  z.object({
    kind: z.literal("release-reinstated"),
    component: text,
    version: text,
    units: z.number(),
    what: text.optional(),
  }),
  z.object({ kind: z.literal("release-shelved"), component: text, version: text, units: z.number() }),
  z.object({ kind: z.literal("procedure-written"), title: text }),
  z.object({ kind: z.literal("procedure-shelved"), title: text }),
  z.object({ kind: z.literal("quirk-written"), symptom: text }),
  z.object({ kind: z.literal("quirk-shelved"), symptom: text }),
  z.object({ kind: z.literal("fact-confirmed"), what: text, firmware: text }),
  z.object({ kind: z.literal("dossier-brought-in"), accepted: z.number(), from: text }),
  z.object({ kind: z.literal("unit-added"), tag: text, how: z.enum(["form", "import", "demo"]) }),
  z.object({ kind: z.literal("unit-changed"), what: text }),
  z.object({ kind: z.literal("unit-shelved"), why: text }),
  z.object({ kind: z.literal("unit-recovered") }),
  z.object({
    kind: z.literal("units-imported"),
    file: text,
    added: z.number(),
    changed: z.number(),
    readings: z.number(),
  }),
  z.object({ kind: z.literal("reading"), component: text, raw: text, source: text, on: text.optional() }),
  z.object({ kind: z.literal("reading-struck"), component: text, raw: text, why: text }),
  z.object({ kind: z.literal("try-struck"), what: text, why: text }),
  z.object({ kind: z.literal("clock-jumped"), seconds: z.number() }),
  z.object({ kind: z.literal("lent"), to: text, dueBack: text.optional() }),
  z.object({ kind: z.literal("back"), from: text }),
  z.object({ kind: z.literal("hold-set"), until: text, why: text }),
  z.object({ kind: z.literal("hold-lifted") }),
  z.object({ kind: z.literal("tried"), what: text, worked: z.boolean(), symptom: text }),
  z.object({ kind: z.literal("kit-added"), what: text }),
  z.object({ kind: z.literal("kit-changed"), what: text }),
  z.object({ kind: z.literal("kit-shelved"), what: text }),
  z.object({ kind: z.literal("run-begun"), what: text }),
  /** `why`: it was stopped before its end. */
  z.object({ kind: z.literal("run-ended"), what: text, why: text.optional() }),
  z.object({ kind: z.literal("run-taken-over"), what: text, from: text }),
  z.object({ kind: z.literal("backup-kept"), what: text, size: z.number() }),
  z.object({ kind: z.literal("mode-written"), name: text }),
  z.object({ kind: z.literal("mode-shelved"), name: text }),
  z.object({ kind: z.literal("service-item-written"), what: text, of: z.enum(["setting", "code"]) }),
  z.object({ kind: z.literal("service-item-shelved"), what: text, of: z.enum(["setting", "code"]) }),
  z.object({ kind: z.literal("setting-noted"), name: text, value: text, changed: z.boolean(), why: text }),
  /** `part` is absent in what was written before there were others: a procedure. */
  z.object({ kind: z.literal("unlocking-shown"), what: text, part: z.enum(GUARDED_PARTS).optional() }),
  z.object({ kind: z.literal("mode-noted"), name: text, how: z.enum(["set", "proved", "told"]), why: text }),
  z.object({ kind: z.literal("measured"), what: text, value: z.number(), meter: text }),
  z.object({ kind: z.literal("channels-kept"), what: text, channels: z.number() }),
  z.object({ kind: z.literal("spectrum-taken"), carrier: z.number(), harmonics: z.number(), meter: text }),
  z.object({ kind: z.literal("spectrum-struck"), carrier: z.number(), why: text }),
  z.object({ kind: z.literal("limit-written"), name: text }),
  z.object({ kind: z.literal("limit-shelved"), name: text }),
  z.object({ kind: z.literal("measurement-struck"), what: text, value: z.number(), why: text }),
  /** In hertz. */
  z.object({ kind: z.literal("segment-written"), class: text, from: z.number(), to: z.number() }),
  z.object({ kind: z.literal("segment-shelved"), class: text, from: z.number(), to: z.number() }),
  z.object({ kind: z.literal("band-plan-brought-in"), lines: z.number(), classes: text }),
  z.object({
    kind: z.literal("charge-noted"),
    device: text,
    how: z.enum(["level", "used", "plugged", "unplugged"]),
    percent: z.number().optional(),
  }),
  z.object({ kind: z.literal("charge-struck"), device: text, how: text, why: text }),
  /** `unit`: under which its firmware is kept; empty: under none any more. */
  z.object({ kind: z.literal("device-tied"), device: text, unit: text }),
  z.object({ kind: z.literal("paired"), device: text }),
  z.object({
    kind: z.literal("pairing-noted"),
    device: text,
    how: z.enum(["proved", "dropped", "failed", "lost"]),
    note: text,
  }),
  z.object({ kind: z.literal("pairing-set"), device: text, settings: text }),
  z.object({ kind: z.literal("pairing-ended"), device: text, why: text }),
  z.object({ kind: z.literal("codeplug-facts-written"), name: text, channels: z.number() }),
  /** `what`: the block, or the member, that it was about. */
  z.object({ kind: z.literal("plan-changed"), how: text, what: text }),
  z.object({ kind: z.literal("plan-issued"), plan: z.number(), tables: z.number(), note: text }),
  z.object({ kind: z.literal("plan-dropped"), plan: z.number() }),
  z.object({
    kind: z.literal("identity-noted"),
    what: z.enum(["digital", "call"]),
    whose: text,
    how: z.enum(["wanted", "asked", "there"]),
    value: text,
  }),
  z.object({
    kind: z.literal("identity-shelved"),
    what: z.enum(["digital", "call"]),
    whose: text,
    value: text,
  }),
  /** In hertz. */
  z.object({ kind: z.literal("repeater-written"), name: text, receive: z.number() }),
  z.object({ kind: z.literal("repeater-heard"), name: text, how: z.enum(["heard", "confirmed"]) }),
  z.object({ kind: z.literal("repeater-shelved"), name: text }),
  z.object({ kind: z.literal("repeaters-imported"), file: text, added: z.number(), changed: z.number() }),
  z.object({ kind: z.literal("codeplug-made"), what: text, channels: z.number() }),
  z.object({ kind: z.literal("list-merged"), what: text, added: z.number(), renamed: z.number() }),
  z.object({ kind: z.literal("mapping-kept"), name: text, columns: z.number() }),
  z.object({ kind: z.literal("mapping-shelved"), name: text }),
  z.object({ kind: z.literal("codeplug-proved"), what: text, channels: z.number() }),
  z.object({ kind: z.literal("profile-kept"), device: text, name: text, from: text }),
  z.object({ kind: z.literal("profile-shelved"), device: text, name: text }),
  /** `on`: the day it was, where it was written down on another. */
  z.object({
    kind: z.literal("work-done"),
    did: z.enum(DEEDS),
    from: text,
    to: text,
    lead: text,
    computer: text,
    worked: z.boolean(),
    text,
    on: text.optional(),
  }),
  z.object({ kind: z.literal("note"), text, on: text.optional() }),
]);

export type LogEntry = z.infer<typeof logEntry>;
export type LogKind = LogEntry["kind"];
export const LOG_KINDS: readonly LogKind[] = logEntry.options.map((option) => option.shape.kind.value);

/** Entries that hold what a service menu holds: they are read by those who may see that. */
export const GUARDED_ENTRIES: readonly LogEntry["kind"][] = [
  "service-item-written",
  "service-item-shelved",
  "setting-noted",
];
