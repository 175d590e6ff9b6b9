// The form of a mode: bands as pairs of fields in megahertz, read into what is stored, and back.
import { z } from "zod";
import { type Band, MOST_BANDS, OUTSIDE } from "#core/modes/index.ts";
import { bad, good, type Result } from "#core/quantities/index.ts";
import { ERASES } from "#core/release/index.ts";
import type { ModeRow } from "#db/model/index.ts";
import { oddMhz, readMhz } from "../../ui/words/frequency.ts";
import {
  type Errors,
  firmwareOf,
  type Known,
  revisionsIn,
  sharedFields,
  sharedValues,
  type Values,
} from "./procedure-form.ts";

/** So many pairs of fields a form has at least; two more than are filled. */
export const FEWEST_PAIRS = 3;
export const SIDES = ["transmit", "receive"] as const;
export type Side = (typeof SIDES)[number];

/** "transmit-from-0": plain names, as the forms of ours have them. */
export const pairName = (side: Side, end: "from" | "to", i: number): string => `${side}-${end}-${i}`;

const fields = z.object({
  ...sharedFields,
  name: z.string().trim().min(1, "A mode has a name.").max(60, "At most 60 signs."),
  watts: z.string().trim().default(""),
  bandwidths: z.string().trim().default(""),
  fixed: z.string().trim().max(4000, "At most 4,000 signs.").default(""),
  outside: z.enum(OUTSIDE),
  erases: z.enum(ERASES),
  enter: z.string().default(""),
  leave: z.string().default(""),
  revisions: z.string().trim().max(2000, "At most 2,000 signs.").default(""),
  setting: z.string().trim().max(200, "At most 200 signs.").default(""),
  sign: z.string().trim().max(200, "At most 200 signs.").default(""),
});

export type ReadMode = {
  readonly name: string;
  readonly transmit: readonly Band[];
  readonly receive: readonly Band[];
  readonly watts?: number;
  readonly bandwidths: readonly number[];
  readonly fixed?: readonly { readonly frequency: number }[];
};

const BANDWIDTH = { "": [], "12.5": [12_500], "25": [25_000], both: [12_500, 25_000] } as const;
export const BANDWIDTH_WORD = [
  ["", "nobody knows"],
  ["12.5", "narrow, 12.5 kHz"],
  ["25", "wide, 25 kHz"],
  ["both", "narrow and wide"],
] as const;

export function readMode(
  values: Values,
  known: Known,
): Result<object, { readonly kind: "fields"; readonly errors: Errors }> {
  const parsed = fields.safeParse(values);
  const errors: Errors = {};
  if (!parsed.success)
    for (const issue of parsed.error.issues) errors[String(issue.path[0])] ??= issue.message;
  const sides = {
    transmit: readPairs(values, "transmit", errors),
    receive: readPairs(values, "receive", errors),
  };
  if (!parsed.success) return bad({ kind: "fields", errors });
  const { data } = parsed;
  const firmware = firmwareOf(data, known, errors);
  const watts = data.watts === "" ? undefined : Number(data.watts.replace(",", "."));
  if (watts !== undefined && !(watts > 0 && watts <= 10_000)) errors.watts = "Watts, such as 5.";
  const fixed = data.fixed
    .split(/[\n;]+/)
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line) => ({ line, channel: readFixed(line) }));
  const odd = fixed.find(({ channel }) => channel === undefined);
  if (odd)
    errors.fixed = `“${odd.line.slice(0, 40)}” is no channel: one a line, in megahertz, such as 446.1 or 446.1, 2 W or 446.1, listen only.`;
  else if (fixed.length > 200) errors.fixed = "At most 200 channels.";
  const revisions = revisionsIn(data.revisions, known, errors);
  if (Object.keys(errors).length > 0) return bad({ kind: "fields", errors });
  return good({
    name: data.name,
    ...sides,
    outside: data.outside,
    erases: data.erases,
    ...(watts !== undefined && { watts }),
    bandwidths: [...(BANDWIDTH[data.bandwidths as keyof typeof BANDWIDTH] ?? [])],
    ...(fixed.length > 0 && { fixed: fixed.map(({ channel }) => channel) }),
    ...(data.setting && { setting: data.setting }),
    ...(data.sign && { sign: data.sign }),
    ...firmware,
    revisions: revisions.length > 0 ? revisions : null,
    enter: data.enter || null,
    leave: data.leave || null,
    source: { kind: data.sourceKind, what: data.sourceWhat },
  });
}

/** Pairs of which neither is filled are left out. */
function readPairs(values: Values, side: Side, errors: Errors): Band[] {
  const bands: Band[] = [];
  for (let i = 0; i < MOST_BANDS; i++) {
    const names = { from: pairName(side, "from", i), to: pairName(side, "to", i) };
    const typed = { from: (values[names.from] ?? "").trim(), to: (values[names.to] ?? "").trim() };
    if (typed.from === "" && typed.to === "") continue;
    const [from, to] = [readMhz(typed.from), readMhz(typed.to)];
    const odd = { from: oddMhz(typed.from, "144"), to: oddMhz(typed.to, "146") };
    if (odd.from) errors[names.from] ??= odd.from;
    if (odd.to) errors[names.to] ??= odd.to;
    if (from === undefined || to === undefined || odd.from || odd.to) continue;
    if (from >= to) errors[names.to] ??= "It ends above where it begins.";
    else bands.push({ from, to });
  }
  return bands;
}

type Fixed = NonNullable<ModeRow["facts"]["fixed"]>[number];

/** "446.1", "446.1, 2 W", "446.1, listen only". */
function readFixed(line: string): Fixed | undefined {
  const found = /^(\d+(?:[.,]\d+)?)(?:\s*mhz)?(?:[,\s]+(?:(\d+(?:[.,]\d+)?)\s*w|(listen only)))?$/i.exec(
    line,
  );
  const typed = found?.[1] ?? "";
  const frequency = readMhz(typed);
  const watts = found?.[2] === undefined ? undefined : Number(found[2].replace(",", "."));
  if (frequency === undefined || oddMhz(typed, "") !== undefined) return undefined;
  if (watts !== undefined && !(watts > 0 && watts <= 10_000)) return undefined;
  return {
    frequency,
    ...(watts !== undefined && { watts }),
    ...(found?.[3] && { receiveOnly: true as const }),
  };
}

const sayFixed = ({ frequency, watts, receiveOnly }: Fixed): string =>
  [mhz(frequency), watts !== undefined && `${watts} W`, receiveOnly && "listen only"]
    .filter(Boolean)
    .join(", ");

const mhz = (hertz: number): string => String(Number((hertz / 1e6).toFixed(6)));

export function modeValues(row: ModeRow, revisions: Known["revisions"]): Values {
  const { facts } = row;
  const pairs: Values = {};
  for (const side of SIDES)
    for (const [i, { from, to }] of facts[side].entries()) {
      pairs[pairName(side, "from", i)] = mhz(from);
      pairs[pairName(side, "to", i)] = mhz(to);
    }
  const widths = [...facts.bandwidths].sort((a, b) => a - b).join();
  return {
    ...sharedValues(row),
    ...pairs,
    name: row.name,
    watts: facts.watts === undefined ? "" : String(facts.watts),
    bandwidths: Object.entries(BANDWIDTH).find(([, list]) => list.join() === widths)?.[0] ?? "",
    fixed: (facts.fixed ?? []).map(sayFixed).join("\n"),
    revisions: (row.hardware_revisions ?? [])
      .flatMap((id) => revisions.find((one) => one.id === id)?.name ?? [])
      .join(", "),
    outside: facts.outside,
    erases: facts.erases,
    enter: row.enter_id ?? "",
    leave: row.leave_id ?? "",
    setting: facts.setting ?? "",
    sign: facts.sign ?? "",
  };
}

/** How many pairs of fields a side has: two more than are filled, as far as there may be more. */
export const pairsOf = (values: Values, side: Side): number => {
  const filled = Array.from({ length: MOST_BANDS }, (_, i) => i).filter(
    (i) => values[pairName(side, "from", i)] || values[pairName(side, "to", i)],
  ).length;
  return Math.min(MOST_BANDS, Math.max(FEWEST_PAIRS, filled + 2));
};
