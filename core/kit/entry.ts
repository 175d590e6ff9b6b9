// Kit as people type it, a line a fact: where a tool runs, which models it knows, what is installed on a computer.

import { parseStep, type Step } from "../dossier/index.ts";
import { bad, good, type Result } from "../quantities/index.ts";
import { parseRange, type Range, rangeText } from "../version/index.ts";
import { takeWordSize } from "./chain/system.ts";
import { someVersionIn } from "./chain/versions.ts";
import type { RunsOn } from "./shapes.ts";
import { OPERATIONS, type Operation, SYSTEMS } from "./shapes.ts";

export type LineProblem = {
  readonly kind:
    | "no-system"
    | "no-range"
    | "empty-range"
    | "no-operation"
    | "no-version"
    | "no-model"
    | "no-step"
    | "no-setting"
    | "too-long";
  /** The line, or the part of it that cannot be read. */
  readonly text: string;
};

/** A range that some version meets; nothing typed is no range. */
export function readRange(text: string): Result<Range | undefined, LineProblem> {
  if (text.trim() === "") return good(undefined);
  const range = parseRange(text);
  if (!range.ok) return bad({ kind: "no-range", text: text.trim() });
  return someVersionIn([range.value]) === undefined
    ? bad({ kind: "empty-range", text: text.trim() })
    : good(range.value);
}

/** "Windows >= 10, 64 bit": a system, perhaps its versions, perhaps its word size. */
export function readRunsOn(line: string): Result<RunsOn, LineProblem> {
  const [, word = "", rest = ""] = /^\s*(\p{L}+)\s*(.*)$/u.exec(line) ?? [];
  const system = SYSTEMS.find((s) => s.toLowerCase() === word.toLowerCase());
  if (!system) return bad({ kind: "no-system", text: line.trim() });
  const sized = takeWordSize(rest);
  const range = readRange(sized.rest);
  if (!range.ok) return range;
  return good({
    system,
    ...(range.value && { versions: range.value }),
    ...(sized.bits && { bits: sized.bits }),
  });
}

/** Where a tool runs, as `readRunsOn` reads it: "Windows 7 to 10, 32 bit". */
export const runsOnText = ({ system, versions, bits }: RunsOn): string =>
  [[system, versions && rangeText(versions)].filter(Boolean).join(" "), bits && `${bits} bit`]
    .filter(Boolean)
    .join(", ");

export type KnownLine = {
  readonly model: string;
  readonly operations: readonly Operation[];
  readonly versions?: Range;
  readonly firmware?: { readonly component: string; readonly range: Range };
};

/** "Wicket: read, flash; >= 1.4; main >= 1.06": a model, what for, from which version of the tool on, over which firmware. */
export function readKnows(line: string): Result<KnownLine, LineProblem> {
  const colon = line.indexOf(":");
  if (colon < 1) return bad({ kind: "no-model", text: line.trim() });
  const model = line.slice(0, colon).trim();
  const [what = "", ...parts] = line
    .slice(colon + 1)
    .split(";")
    .map((part) => part.trim());
  const operations: Operation[] = [];
  for (const word of what.split(",").map((w) => w.trim().toLowerCase())) {
    const operation = OPERATIONS.find((o) => o === word);
    if (!operation) return bad({ kind: "no-operation", text: word });
    if (!operations.includes(operation)) operations.push(operation);
  }
  let known: KnownLine = { model, operations };
  for (const part of parts.filter((p) => p !== "")) {
    // A word before the comparison names a part of the radio; without one, the tool itself is meant.
    const [, component = "", rest = part] = /^(\p{L}\S*)\s+(.+)$/u.exec(part) ?? [];
    const range = readRange(rest);
    if (!range.ok) return range;
    if (!range.value) continue;
    known =
      component === ""
        ? { ...known, versions: range.value }
        : { ...known, firmware: { component, range: range.value } };
  }
  return good(known);
}

/** What a tool knows, as `readKnows` reads it: "model: operations; its versions; over which firmware". */
export const knowsText = (k: KnownLine): string =>
  [
    `${k.model}: ${k.operations.join(", ")}`,
    k.versions && rangeText(k.versions),
    k.firmware && `${k.firmware.component} ${rangeText(k.firmware.range)}`,
  ]
    .filter(Boolean)
    .join("; ");

/** "Bramble port driver 3.5", "Hedgewriter, version 1.8", "Hedgewriter (1.8)": a name, and its version as the last word. */
export function readInstalled(line: string): Result<{ name: string; version: string }, LineProblem> {
  const [, before = "", last = ""] = /^\s*(.*\S)\s+(\S*\d\S*)\s*$/.exec(line.slice(0, 500)) ?? [];
  const name = before.replace(/[\s,:]*(?:(?<!\p{L})(?:version|ver\.?))?[\s,:]*$/iu, "");
  const [, enclosed] = /^\((.*)\)$/.exec(last) ?? [];
  const version = enclosed ?? last;
  return name === "" || version === ""
    ? bad({ kind: "no-version", text: line.trim() })
    : good({ name, version });
}

/** Under which name a programmer or an app knows a model. */
export type Serves = { readonly model: string; readonly as: string };

/** "Wicket as Hedge W1": a model, and the name under which it is picked; without one, its own. */
export function readServes(line: string): Result<Serves, LineProblem> {
  const [, model = line, as = ""] = /^\s*(.+?)\s+as\s+(.+?)\s*$/i.exec(line) ?? [];
  if (as.length > 80) return bad({ kind: "too-long", text: as });
  return good({ model: model.trim(), as });
}

/** The line that reads back so. */
export const servesText = (name: string, as: string): string => (as === "" ? name : `${name} as ${as}`);

/** A press, on either side, in the words in which procedures are written. */
export function readPairStep(line: string): Result<Step, LineProblem> {
  const step = parseStep(line);
  return step.ok ? step : bad({ kind: "no-step", text: line.trim() });
}

/** What is set in a pair, and why. */
export type PairSetting = { readonly name: string; readonly value: string; readonly why: string };

/** "hold time = 2 s: or it drops between words": a name, a value, and the reason. */
export function readPairSetting(line: string): Result<PairSetting, LineProblem> {
  const [, name = "", value = "", why = ""] =
    /^\s*([^=:]*[^=:\s])\s*=\s*([^:]*[^:\s])\s*(?::\s*(.*?)\s*)?$/.exec(line) ?? [];
  if (name === "" || value === "") return bad({ kind: "no-setting", text: line.trim() });
  if (name.length > 60 || value.length > 60 || why.length > 200)
    return bad({ kind: "too-long", text: line.trim() });
  return good({ name, value, why });
}

/** The line that reads back so. */
export const pairSettingText = ({ name, value, why }: PairSetting): string =>
  `${name} = ${value}${why === "" ? "" : `: ${why}`}`;
