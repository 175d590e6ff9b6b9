// Whether a computer gets on with a bridge chip: by the rules the club has noted, which may contradict each other.
import type { SourceKind } from "../../quantities/index.ts";
import type { Range } from "../../version/index.ts";
import type { Chip, Computer, DriverRule } from "../shapes.ts";
import { inRange, someVersionIn } from "./versions.ts";

export type DriverBreak =
  | { readonly kind: "driver-missing"; readonly driver: string; readonly range?: Range }
  | { readonly kind: "driver-other"; readonly driver: string; readonly has: string; readonly range?: Range }
  | { readonly kind: "driver-must-not"; readonly driver: string; readonly has: string }
  | { readonly kind: "no-support" };

export type DriverChange =
  | {
      readonly kind: "put-driver";
      readonly computer: string;
      readonly driver: string;
      readonly range?: Range;
      /** Versions that must not be on it. */
      readonly avoid: readonly Range[];
      /** What stands there now, and goes. */
      readonly had?: string;
    }
  | { readonly kind: "remove-driver"; readonly computer: string; readonly driver: string };

export type DriverVerdict = {
  /** Untried: nobody has noted anything for this chip on this system. */
  readonly state: "sound" | "untried" | "broken";
  /** The installed driver that serves it; absent where the system's own does. */
  readonly driver?: string;
  readonly breaks: readonly DriverBreak[];
  /** What would mend it; absent where nothing on this computer would. */
  readonly changes?: readonly DriverChange[];
  /** The advice that decided, and what other advice says otherwise. */
  readonly rules: readonly DriverRule[];
  readonly dissent: readonly DriverRule[];
};

const TRUST: Record<SourceKind, number> = { bench: 0, maker: 1, club: 2, hearsay: 3 };

const applies = (rule: DriverRule, chip: Chip, computer: Computer): boolean =>
  rule.family === chip.family &&
  (rule.grade === undefined || rule.grade === chip.grade) &&
  rule.system === computer.system &&
  inRange(computer.version, rule.systemVersions) &&
  (rule.bits === undefined || rule.bits === computer.bits);

/** The more a rule says about this very case, and the nearer its source, the more it counts. */
const weightOf = (rule: DriverRule): number => (rule.grade === undefined ? 4 : 0) + TRUST[rule.source.kind];

type Plan = { readonly rule: DriverRule | undefined; readonly changes: readonly DriverChange[] };

type Planning = {
  readonly rules: readonly DriverRule[];
  readonly dissent: readonly DriverRule[];
  readonly unsupported: boolean;
  readonly needs: readonly DriverRule[];
  readonly forbidden: readonly DriverRule[];
  /** Installed drivers that must not be there. */
  readonly offenders: readonly (readonly [string, string])[];
  /** The ways to serve it, the quickest first; without changes, it is served. */
  readonly plans: readonly Plan[];
};

/** Undefined where nobody has noted anything. */
function planningFor(chip: Chip, computer: Computer, all: readonly DriverRule[]): Planning | undefined {
  const matching = chip.family === "" ? [] : all.filter((rule) => applies(rule, chip, computer));
  if (matching.length === 0) return undefined;
  const strongest = Math.min(...matching.map(weightOf));
  const rules = matching.filter((rule) => weightOf(rule) === strongest);
  const dissent = matching.filter(
    (rule) => weightOf(rule) !== strongest && !rules.some((r) => agrees(r, rule)),
  );
  const forbidden = rules.filter((rule) => rule.says === "must-not" && rule.driver !== undefined);
  const needs = rules.filter((rule) => rule.says === "needs" && rule.driver !== undefined);
  const unsupported = rules.some((rule) => rule.says === "no-support");
  const builtIn = needs.length === 0 || rules.some((rule) => rule.says === "built-in");
  const offends = (driver: string, version: string | undefined) =>
    version !== undefined && forbidden.some((f) => f.driver === driver && inRange(version, f.range));
  const offenders = [...computer.drivers].filter(([driver, version]) => offends(driver, version));
  const plans: Plan[] = [
    ...(builtIn
      ? [{ rule: undefined, changes: offenders.map(([driver]) => removing(computer, driver)) }]
      : []),
    ...needs.flatMap((rule) => {
      const driver = rule.driver ?? "";
      const has = computer.drivers.get(driver);
      const others = offenders
        .filter(([other]) => other !== driver)
        .map(([other]) => removing(computer, other));
      if (has !== undefined && inRange(has, rule.range) && !offends(driver, has))
        return [{ rule, changes: others }];
      const avoid = forbidden.filter((f) => f.driver === driver).map((f) => f.range);
      if (someVersionIn([rule.range], avoid) === undefined) return [];
      return [{ rule, changes: [...others, putting(computer, rule, avoid)] }];
    }),
  ].sort((a, b) => minutesOf(a.changes) - minutesOf(b.changes));
  return { rules, dissent, unsupported, needs, forbidden, offenders, plans: unsupported ? [] : plans };
}

/**
 * Where advice contradicts itself on a computer as it stands, it is untried at best. Else the verdict of the strongest advice: what
 * speaks of this grade of chip before what speaks of any, then our own bench before the maker, another club and hearsay. Of equally strong advice, all that forbids must be kept, and one way that
 * serves is enough.
 */
export function driverVerdict(chip: Chip, computer: Computer, all: readonly DriverRule[]): DriverVerdict {
  const planning = planningFor(chip, computer, all);
  if (!planning) return { state: "untried", breaks: [], changes: [], rules: [], dissent: [] };
  const { rules, dissent, offenders, needs, plans } = planning;
  const told = { rules, dissent };
  if (planning.unsupported) return { state: "broken", breaks: [{ kind: "no-support" }], ...told };
  const [best] = plans;
  if (best?.changes.length === 0) {
    const driver = best.rule?.driver;
    // Other advice says that it does not go like this: then it is not known to, until our own tries tell.
    const state = dissent.every((rule) => isMet(rule, computer)) ? "sound" : "untried";
    return { state, ...(driver !== undefined && { driver }), breaks: [], changes: [], ...told };
  }
  const breaks = offenders.map(([driver, has]): DriverBreak => ({ kind: "driver-must-not", driver, has }));
  const asked = best ? best.rule : needs[0];
  if (asked) {
    const { driver = "", range } = asked;
    const has = computer.drivers.get(driver);
    if (has === undefined) breaks.push({ kind: "driver-missing", driver, ...(range && { range }) });
    else if (!inRange(has, range))
      breaks.push({ kind: "driver-other", driver, has, ...(range && { range }) });
  }
  // A computer on which nobody may install or remove anything stays as it is.
  return { state: "broken", breaks, ...(best && computer.admin && { changes: best.changes }), ...told };
}

/** Whether a piece of advice is content with a computer as it stands. */
function isMet(rule: DriverRule, computer: Computer): boolean {
  const has = rule.driver === undefined ? undefined : computer.drivers.get(rule.driver);
  switch (rule.says) {
    case "built-in":
      return true;
    case "needs":
      return rule.driver === undefined || (has !== undefined && inRange(has, rule.range));
    case "must-not":
      return has === undefined || !inRange(has, rule.range);
    case "no-support":
      return false;
  }
}

/**
 * The quickest changes after which all of several chips are served at once: what one of them needs may be what another
 * forbids. Undefined where nothing on this computer serves them all.
 */
export function changesForAll(
  chips: readonly Chip[],
  computer: Computer,
  all: readonly DriverRule[],
): readonly DriverChange[] | undefined {
  const plannings = chips.flatMap((chip) => planningFor(chip, computer, all) ?? []);
  const forbidden = plannings.flatMap((planning) => planning.forbidden);
  let combinations: (readonly Plan[])[] = [[]];
  for (const { plans } of plannings) {
    combinations = combinations.flatMap((so) => plans.map((plan) => [...so, plan]));
  }
  const serving = combinations.flatMap((plans) => {
    const changes = merged(computer, plans, forbidden);
    if (!changes) return [];
    const after = { ...computer, drivers: driversAfter(computer, changes) };
    const served = chips.every((chip) => driverVerdict(chip, after, all).state !== "broken");
    return served && (changes.length === 0 || computer.admin) ? [changes] : [];
  });
  const [quickest] = serving.sort((a, b) => minutesOf(a) - minutesOf(b));
  return quickest;
}

/** The changes of several plans as one set: a driver that several want comes in one version that all of them take. */
function merged(
  computer: Computer,
  plans: readonly Plan[],
  forbidden: readonly DriverRule[],
): DriverChange[] | undefined {
  const changes = plans.flatMap((plan) => plan.changes);
  const result: DriverChange[] = [];
  for (const driver of new Set(changes.map((change) => change.driver))) {
    const own = changes.filter((change) => change.driver === driver);
    const wanted = plans.flatMap(({ rule }) => (rule?.driver === driver ? [rule] : []));
    const [first] = own.filter((change) => change.kind === "put-driver");
    // One that must go for one chip may be what another needs: then it comes in a version that both take.
    if (!first && wanted.length === 0) {
      result.push(removing(computer, driver));
      continue;
    }
    const avoid = forbidden.filter((rule) => rule.driver === driver).map((rule) => rule.range);
    const ranges = wanted.map((rule) => rule.range);
    const version = someVersionIn(ranges, avoid);
    const [rule] = wanted;
    if (version === undefined || !rule) return undefined;
    const distinct = new Set(ranges.map((range) => JSON.stringify(range)));
    const range = distinct.size > 1 ? [{ atLeast: version, atMost: version }] : rule.range;
    const { range: _, ...any } = rule;
    result.push(putting(computer, { ...any, ...(range && { range }) }, avoid));
  }
  return result;
}

function driversAfter(computer: Computer, changes: readonly DriverChange[]): Map<string, string> {
  const drivers = new Map(computer.drivers);
  for (const change of changes) {
    if (change.kind === "remove-driver") drivers.delete(change.driver);
    else drivers.set(change.driver, someVersionIn([change.range], change.avoid) ?? "");
  }
  return drivers;
}

const removing = (computer: Computer, driver: string): DriverChange => ({
  kind: "remove-driver",
  computer: computer.id,
  driver,
});

function putting(computer: Computer, rule: DriverRule, avoid: readonly (Range | undefined)[]): DriverChange {
  const driver = rule.driver ?? "";
  const has = computer.drivers.get(driver);
  return {
    kind: "put-driver",
    computer: computer.id,
    driver,
    ...(rule.range && { range: rule.range }),
    avoid: avoid.filter((range) => range !== undefined),
    ...(has !== undefined && { had: has }),
  };
}

/** Minutes of work on a computer: a driver put on new, put on over another version, taken off. */
export const DRIVER_MINUTES = { put: 10, replace: 6, remove: 5 } as const;

/** How long a change of driver takes, in minutes. */
export const driverMinutes = (change: DriverChange): number =>
  change.kind === "remove-driver"
    ? DRIVER_MINUTES.remove
    : change.had === undefined
      ? DRIVER_MINUTES.put
      : DRIVER_MINUTES.replace;

const minutesOf = (changes: readonly DriverChange[]): number =>
  changes.reduce((sum, change) => sum + driverMinutes(change), 0);

const agrees = (a: DriverRule, b: DriverRule): boolean =>
  a.says === b.says && a.driver === b.driver && JSON.stringify(a.range) === JSON.stringify(b.range);
