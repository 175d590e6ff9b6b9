// A policy as a flat form, and back.
import { z } from "zod";
import { type Band, TRANSMIT_RULES, type TransmitPolicy } from "#core/modes/index.ts";
import { bad, good, plainDate, type Result } from "#core/quantities/index.ts";
import {
  FIELD_LIMITS,
  PLAIN_POLICY,
  type Policy,
  type PolicyRule,
  policyShape,
  RULE_KINDS,
  type RuleKind,
} from "#core/unit/index.ts";
import { readMhz } from "../ui/words/frequency.ts";

const optionalDate = plainDate.optional();

/** Pairs of fields for what legacy radios were approved for. */
export const APPROVED_PAIRS = 4;
export const approvedName = (end: "from" | "to", i: number) => `approved-${end}-${i}` as const;
function approvedNames() {
  return Array.from({ length: APPROVED_PAIRS }, (_, i) => [
    approvedName("from", i),
    approvedName("to", i),
  ]).flat();
}

export const groupShape = z.object({
  name: z.string({ error: "A group has a name." }).trim().min(1).max(FIELD_LIMITS.group),
  purpose: z.string().trim().max(200).default(""),
  rule: z.enum(RULE_KINDS),
  days: z.coerce.number("A number of days.").int().min(0).max(3650, "At most 3650 days.").default(14),
  tags: z.string().max(2000, "At most 2,000 signs.").default(""),
  atLeast: z.enum(["fix", "safety"]).optional(),
  pinned: z.preprocess((v) => (v === undefined ? [] : Array.isArray(v) ? v : [v]), z.array(z.string())),
  pinnedUntil: optionalDate,
  beta: z.stringbool({ truthy: ["on"], falsy: [] }).default(false),
  community: z.stringbool({ truthy: ["on"], falsy: [] }).default(false),
  recheckAfterDays: z.coerce
    .number("A number of days.")
    .int()
    .min(1, "At least one day.")
    .max(3650, "At most 3650 days.")
    .default(365),
  holdUntil: optionalDate,
  holdWhy: z.string().trim().max(300).default(""),
  safetyBreaksHold: z.stringbool({ truthy: ["on"], falsy: [] }).default(false),
  measureDays: z.preprocess(
    (typed) => (typed === "" ? undefined : typed),
    z.coerce
      .number("A number of days.")
      .int()
      .min(1, "At least one day.")
      .max(3650, "At most 3650 days.")
      .optional(),
  ),
  measureFlash: z.stringbool({ truthy: ["on"], falsy: [] }).default(false),
  carriesPlan: z.stringbool({ truthy: ["on"], falsy: [] }).default(false),
  transmit: z.enum(TRANSMIT_RULES).default("as it is"),
  transmitClass: z.string().trim().max(60, "At most 60 signs.").default(""),
  ...Object.fromEntries(approvedNames().map((name) => [name, z.string().trim().max(20).default("")])),
});

type GroupFields = z.infer<typeof groupShape>;
type Trouble = { readonly kind: "trouble"; readonly field: string; readonly says: string };

/** Where its radios may transmit, or the field that is wrong. */
function transmitFrom(f: GroupFields): Result<TransmitPolicy | undefined, Trouble> {
  const trouble = (field: string, says: string) => bad<Trouble>({ kind: "trouble", field, says });
  const typed = f as unknown as Readonly<Record<string, string>>;
  const approved: Band[] = [];
  for (let i = 0; i < APPROVED_PAIRS; i++) {
    const [from, to] = [typed[approvedName("from", i)] ?? "", typed[approvedName("to", i)] ?? ""];
    if (from === "" && to === "") continue;
    const band = { from: readMhz(from) ?? -1, to: readMhz(to) ?? -1 };
    if (band.from < 0) return trouble(approvedName("from", i), "In megahertz, such as 144.");
    if (band.to <= band.from) return trouble(approvedName("to", i), "It ends above where it begins.");
    approved.push(band);
  }
  if (f.transmit === "as it is" && f.transmitClass === "" && approved.length === 0) return good(undefined);
  return good({
    rule: f.transmit,
    ...(f.transmitClass !== "" && { class: f.transmitClass }),
    ...(approved.length > 0 && { approved }),
  });
}

/** The policy of a filled form; problems name the field they belong to. */
export function policyFrom(
  f: GroupFields,
  releases: readonly { readonly id: string; readonly component_id: string }[],
): Result<Policy, Trouble> {
  const trouble = (field: keyof GroupFields, says: string) => bad<Trouble>({ kind: "trouble", field, says });
  const transmit = transmitFrom(f);
  if (!transmit.ok) return transmit;
  if (f.holdUntil && f.holdWhy === "") return trouble("holdWhy", "Say why, so that others know.");
  const chosen = releases.filter((r) => f.pinned.includes(r.id));
  if (f.rule === "pinned" && chosen.length === 0) return trouble("pinned", "Choose at least one release.");
  if (new Set(chosen.map((r) => r.component_id)).size < chosen.length) {
    return trouble("pinned", "Choose at most one release for each part of a model.");
  }
  const tags = f.tags
    .split(",")
    .map((tag) => tag.trim())
    .filter(Boolean);
  if (f.rule === "fixes" && tags.length === 0 && !f.atLeast)
    return trouble("tags", "Name a tag, or how urgent a fix must be.");
  const rules: Readonly<Record<RuleKind, PolicyRule>> = {
    newest: { kind: "newest" },
    "newest-but-one": { kind: "newest-but-one" },
    settled: { kind: "settled", days: f.days },
    fixes: { kind: "fixes", tags, ...(f.atLeast && { atLeast: f.atLeast }) },
    pinned: {
      kind: "pinned",
      releases: chosen.map((r) => r.id),
      otherwise: { kind: "newest" },
      ...(f.pinnedUntil && { until: f.pinnedUntil }),
    },
  };
  return good(
    policyShape.parse({
      rule: rules[f.rule],
      tracks: [...(f.beta ? ["beta"] : []), ...(f.community ? ["community"] : [])],
      safetyBreaksHold: f.safetyBreaksHold,
      recheckAfterDays: f.recheckAfterDays,
      ...(f.carriesPlan && { codeplug: "plan" as const }),
      ...((f.measureDays !== undefined || f.measureFlash) && {
        measure: {
          ...(f.measureDays !== undefined && { everyDays: f.measureDays }),
          afterFlash: f.measureFlash,
        },
      }),
      ...(transmit.value && { transmit: transmit.value }),
      ...(f.holdUntil && { hold: { until: f.holdUntil, why: f.holdWhy } }),
    }),
  );
}

/** The form of a group as it is, or of a new one. */
export function fieldsOf(
  group: { readonly name: string; readonly purpose: string; readonly policy: Policy } | undefined,
): Record<string, string | string[]> {
  const policy = group?.policy ?? PLAIN_POLICY;
  const { rule } = policy;
  const on = (yes: boolean) => (yes ? "on" : "");
  return {
    name: group?.name ?? "",
    purpose: group?.purpose ?? "",
    rule: rule.kind,
    days: String(rule.kind === "settled" ? rule.days : 14),
    tags: rule.kind === "fixes" ? rule.tags.join(", ") : "",
    atLeast: rule.kind === "fixes" ? (rule.atLeast ?? "") : "",
    pinned: rule.kind === "pinned" ? rule.releases : [],
    pinnedUntil: rule.kind === "pinned" ? (rule.until ?? "") : "",
    beta: on(policy.tracks.includes("beta")),
    community: on(policy.tracks.includes("community")),
    recheckAfterDays: String(policy.recheckAfterDays),
    holdUntil: policy.hold?.until ?? "",
    holdWhy: policy.hold?.why ?? "",
    safetyBreaksHold: on(policy.safetyBreaksHold),
    measureDays: policy.measure?.everyDays === undefined ? "" : String(policy.measure.everyDays),
    measureFlash: on(policy.measure?.afterFlash === true),
    carriesPlan: on(policy.codeplug === "plan"),
    transmit: policy.transmit?.rule ?? "as it is",
    transmitClass: policy.transmit?.class ?? "",
    ...Object.fromEntries(
      (policy.transmit?.approved ?? []).flatMap(({ from, to }, i) => [
        [approvedName("from", i), String(from / 1e6)],
        [approvedName("to", i), String(to / 1e6)],
      ]),
    ),
  };
}
