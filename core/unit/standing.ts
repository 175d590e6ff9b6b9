// Where a unit's component stands among its releases on a given day, and the facts that say so.
// The rule: docs/rules.md; what it leaves open is settled in docs/decisions/002.
import type { PlainDate } from "../quantities/index.ts";
import {
  type Catalogue,
  greatestOf,
  orderRelease,
  type PlacedRelease,
  type PreparedComponent,
  type Track,
  type Urgency,
  worseOf,
} from "../release/index.ts";
import { compareText, type Version } from "../version/index.ts";
import type { Fact } from "./facts.ts";
import { placeReading, placingFact } from "./placing.ts";
import { type Policy, policyOn } from "./policy.ts";
import type { Situation } from "./situation.ts";
import { newestReading, type Reading, type UnitFacts } from "./unit.ts";

export const STANDINGS = [
  "current",
  "behind",
  "ahead",
  "aside",
  "unread",
  "unlisted",
  "unclear",
  "withdrawn",
] as const;
export type StandingName = (typeof STANDINGS)[number];

/** Whether nothing can be said of what it should run: it was not read, there is nothing to compare with, or the reading cannot be placed. */
export const isUntold = (standing: StandingName): boolean =>
  standing === "unread" || standing === "unlisted" || standing === "unclear";

export type Behind = {
  /** The admitted, fitting releases that are newer, oldest first. */
  readonly newer: readonly string[];
  /** The date of the first of them. */
  readonly since: PlainDate;
  /** The worst fix among them. */
  readonly worst: Urgency;
  /** The greatest of them. */
  readonly latest: string;
};

export type Standing = {
  readonly component: string;
  readonly standing: StandingName;
  readonly reading?: Reading;
  /** The catalogued release it runs. */
  readonly release?: string;
  readonly behind?: Behind;
  /** Counting also the releases that fit only some hardware revisions or regions, where ours is unknown. */
  readonly possibly?: Behind;
  readonly because: readonly Fact[];
};

export type ReleaseFit = "fits" | "may-fit" | "does-not-fit";

/** Whether a release fits a unit's hardware revision and region; unknown ones leave it open. */
export function fitOf(
  release: PlacedRelease,
  unit: Pick<UnitFacts, "hardwareRevision" | "region">,
): ReleaseFit {
  if (release.draft) return "does-not-fit";
  const hardware = fitPart(release.hardwareRevisions, unit.hardwareRevision);
  if (hardware === "does-not-fit") return hardware;
  const region = fitPart(release.regions, unit.region);
  return region === "fits" ? hardware : region;
}

function fitPart(wanted: readonly string[] | undefined, has: string | undefined): ReleaseFit {
  if (wanted === undefined) return "fits";
  if (has === undefined) return "may-fit";
  return wanted.includes(has) ? "fits" : "does-not-fit";
}

/**
 * Factory always; beta and community if the policy says so; a pinned release counts as admitted itself. (Of a pin that may have ended
 * ask with `policyOn`.)
 */
export function isAdmitted(release: { id: string; track: Track }, policy: Policy): boolean {
  if (release.track === "factory" || policy.tracks.includes(release.track)) return true;
  return policy.rule.kind === "pinned" && policy.rule.releases.includes(release.id);
}

/** The standing of each component, in their order. */
export const standingsOf = ({ unit, catalogue, policy, today }: Situation): Standing[] =>
  [...catalogue.keys()].map((component) => standingOf(unit, component, catalogue, policy, today));

/** Of a unit's parts the one that its verdict speaks of: the first that is not as it should be, else the first. */
export const worstOf = <Part extends { readonly standing: Pick<Standing, "standing"> }>(
  parts: readonly Part[],
): Part | undefined => parts.find((part) => part.standing.standing !== "current") ?? parts[0];

/** The standing of one component of a unit on the day `on`, from the newest reading up to that day. */
export function standingOf(
  unit: UnitFacts,
  component: string,
  catalogue: Catalogue,
  anyDay: Policy,
  on: PlainDate,
): Standing {
  const policy = policyOn(anyDay, on);
  const prepared = catalogue.get(component);
  if (!prepared) throw new Error(`the catalogue has no component ${component}`);
  const reading = newestReading(unit, component, on);
  if (!reading) {
    return { component, standing: "unread", because: [{ kind: "never-read", since: unit.addedOn }] };
  }
  const seen = readingFact(reading);
  const known = prepared.releases.filter((r) => r.releasedOn <= on);
  const placed = placeReading(prepared, reading.raw);
  const running = placed.ok ? runningOf(prepared, placed.value) : undefined;
  // What must be left must be left, also where we know of nothing to go to.
  const mustLeave = running && (isWithdrawn(running, on) || !isAdmitted(running, policy));
  if (!mustLeave && !known.some((release) => fitOf(release, unit) !== "does-not-fit"))
    return { component, standing: "unlisted", reading, because: [seen, { kind: "none-known" }] };
  const numbering: Fact = {
    kind: "numbering",
    numbering: prepared.reader.scheme.numbering,
    ...(prepared.inference && { tau: prepared.inference.best.tau }),
  };
  if (!placed.ok) {
    return {
      component,
      standing: "unclear",
      reading,
      because: [seen, placingFact(placed.problem), numbering],
    };
  }
  const version = placed.value;
  const usable = known.filter((r) => !isWithdrawn(r, on));
  const found = newerReleases(prepared, usable, unit, policy, version);
  const behind = behindOf(prepared, found.certain);
  const possibly =
    found.possible.length > 0 ? behindOf(prepared, [...found.certain, ...found.possible]) : undefined;
  return {
    component,
    standing: nameOf(prepared, withRunning(known, running), policy, on, version, running, behind),
    reading,
    ...(running && { release: running.id }),
    ...(behind && { behind }),
    ...(possibly && { possibly }),
    because: [seen, ...runningFacts(version, running), ...newerFacts(found, behind), numbering],
  };
}

/** What a reading says, as a fact. */
export const readingFact = (reading: Reading): Fact => ({
  kind: "reading",
  reading: reading.id,
  raw: reading.raw,
  ...(reading.on && { on: reading.on }),
});

/** A unit may run a release before the day that is written down for it. */
const withRunning = (known: readonly PlacedRelease[], running: PlacedRelease | undefined) =>
  running && !known.includes(running) ? [...known, running] : known;

/** The catalogued release that a version is, if it is one. */
export const runningOf = (prepared: PreparedComponent, version: Version): PlacedRelease | undefined =>
  version.release === undefined ? undefined : prepared.byId.get(version.release);

function nameOf(
  prepared: PreparedComponent,
  known: readonly PlacedRelease[],
  policy: Policy,
  on: PlainDate,
  version: Version,
  running: PlacedRelease | undefined,
  behind: Behind | undefined,
): StandingName {
  if (running && isWithdrawn(running, on)) return "withdrawn";
  if (running && !isAdmitted(running, policy)) return "aside";
  if (isAheadOfAll(prepared, known, version)) return "ahead";
  return behind ? "behind" : "current";
}

/** Whether a release is withdrawn on a day. */
export const isWithdrawn = (release: PlacedRelease, on: PlainDate): boolean =>
  release.withdrawn !== undefined && release.withdrawn.on <= on;

/** An uncatalogued version newer than everything we know of, whatever its track or fit. */
export function isAheadOfAll(
  prepared: PreparedComponent,
  known: readonly PlacedRelease[],
  version: Version,
): boolean {
  if (version.release !== undefined) return false;
  let ordered = 0;
  for (const release of known) {
    const found = orderRelease(prepared, release, version);
    if (!found) continue;
    if (found.order >= 0) return false;
    ordered++;
  }
  return ordered > 0;
}

export type NewerReleases = {
  readonly certain: readonly PlacedRelease[];
  readonly possible: readonly PlacedRelease[];
  readonly notAdmitted: readonly PlacedRelease[];
  readonly misfits: readonly PlacedRelease[];
  readonly byDate: readonly PlacedRelease[];
};

/** Sorts the releases that are newer than a version by whether they count for this unit. */
export function newerReleases(
  prepared: PreparedComponent,
  releases: readonly PlacedRelease[],
  unit: Pick<UnitFacts, "hardwareRevision" | "region">,
  policy: Policy,
  version: Version,
): NewerReleases {
  const found = {
    certain: [] as PlacedRelease[],
    possible: [] as PlacedRelease[],
    notAdmitted: [] as PlacedRelease[],
    misfits: [] as PlacedRelease[],
    byDate: [] as PlacedRelease[],
  };
  for (const release of releases) {
    const place = orderRelease(prepared, release, version);
    if (!place || place.order <= 0) continue;
    const fit = fitOf(release, unit);
    if (fit === "does-not-fit") found.misfits.push(release);
    else if (!isAdmitted(release, policy)) found.notAdmitted.push(release);
    else {
      if (place.by === "date") found.byDate.push(release);
      (fit === "fits" ? found.certain : found.possible).push(release);
    }
  }
  return found;
}

function behindOf(prepared: PreparedComponent, newer: readonly PlacedRelease[]): Behind | undefined {
  const latest = greatestOf(prepared, newer);
  if (!latest) return undefined;
  const byDate = [...newer].sort(
    (a, b) => compareText(a.releasedOn, b.releasedOn) || compareText(a.id, b.id),
  );
  return {
    newer: byDate.map((r) => r.id),
    since: (byDate[0] ?? latest).releasedOn,
    worst: newer.reduce<Urgency>((worst, r) => worseOf(worst, r.worst), "routine"),
    latest: latest.id,
  };
}

/** What a unit runs, as facts: a catalogued release, and whether it was withdrawn, or a version that is not in the catalogue. */
export function runningFacts(version: Version, running: PlacedRelease | undefined): Fact[] {
  if (!running) return [{ kind: "runs-uncatalogued", version: version.cleaned }];
  const facts: Fact[] = [{ kind: "runs", release: running.id }];
  if (running.withdrawn) facts.push({ kind: "withdrawn", release: running.id, ...running.withdrawn });
  return facts;
}

function newerFacts(found: NewerReleases, behind: Behind | undefined): Fact[] {
  const facts: Fact[] = [];
  const ids = (releases: readonly PlacedRelease[]) => releases.map((r) => r.id);
  if (behind) facts.push({ kind: "newer", releases: behind.newer });
  const byDate = found.byDate[0];
  if (byDate) facts.push({ kind: "ordered-by-date", release: byDate.id });
  if (found.possible.length > 0) facts.push({ kind: "may-not-fit", releases: ids(found.possible) });
  if (found.misfits.length > 0) facts.push({ kind: "does-not-fit", releases: ids(found.misfits) });
  if (found.notAdmitted.length > 0) facts.push({ kind: "not-admitted", releases: ids(found.notAdmitted) });
  return facts;
}
