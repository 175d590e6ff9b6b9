// The kinds of things the log tells, each with the details its sentence needs. The one source of these shapes.
import { z } from "zod";

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
  z.object({ kind: z.literal("unlocking-shown"), what: text }),
  z.object({ kind: z.literal("mode-noted"), name: text, how: z.enum(["set", "proved", "told"]), why: text }),
  z.object({ kind: z.literal("measured"), what: text, value: z.number(), meter: text }),
  z.object({ kind: z.literal("measurement-struck"), what: text, value: z.number(), why: text }),
  /** In hertz. */
  z.object({ kind: z.literal("segment-written"), class: text, from: z.number(), to: z.number() }),
  z.object({ kind: z.literal("segment-shelved"), class: text, from: z.number(), to: z.number() }),
  z.object({ kind: z.literal("band-plan-brought-in"), lines: z.number(), classes: text }),
  z.object({ kind: z.literal("note"), text }),
]);

export type LogEntry = z.infer<typeof logEntry>;
export type LogKind = LogEntry["kind"];
export const LOG_KINDS: readonly LogKind[] = logEntry.options.map((option) => option.shape.kind.value);
