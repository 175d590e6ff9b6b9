// Whether a computer gets on with a bridge chip: by the rules the club has noted, which may contradict each other.
import type { SourceKind } from "../dossier/source.ts";
import type { Range } from "../firmware/range.ts";
import type { Chip, Computer, DriverRule } from "./shapes.ts";
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

/**
 * The verdict of the strongest advice: what speaks of this grade of chip before what speaks of any, then our own bench
 * before the maker, another club and hearsay. Of equally strong advice, all that forbids must be kept, and one way that
 * serves is enough.
 */
export function driverVerdict(chip: Chip, computer: Computer, all: readonly DriverRule[]): DriverVerdict {
  const matching = chip.family === "" ? [] : all.filter((rule) => applies(rule, chip, computer));
  if (matching.length === 0) return { state: "untried", breaks: [], changes: [], rules: [], dissent: [] };
  const strongest = Math.min(...matching.map(weightOf));
  const rules = matching.filter((rule) => weightOf(rule) === strongest);
  const dissent = matching.filter(
    (rule) => weightOf(rule) !== strongest && !rules.some((r) => agrees(r, rule)),
  );
  const told = { rules, dissent };
  if (rules.some((rule) => rule.says === "no-support")) {
    return { state: "broken", breaks: [{ kind: "no-support" }], ...told };
  }
  const forbidden = rules.filter((rule) => rule.says === "must-not" && rule.driver !== undefined);
  const needs = rules.filter((rule) => rule.says === "needs" && rule.driver !== undefined);
  const builtIn = needs.length === 0 || rules.some((rule) => rule.says === "built-in");
  const offends = (driver: string, version: string | undefined) =>
    version !== undefined && forbidden.some((f) => f.driver === driver && inRange(version, f.range));
  const offenders = [...computer.drivers].filter(([driver, version]) => offends(driver, version));
  const plans = [
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
  const [best] = plans;
  if (best?.changes.length === 0) {
    const driver = best.rule?.driver;
    return { state: "sound", ...(driver !== undefined && { driver }), breaks: [], changes: [], ...told };
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
