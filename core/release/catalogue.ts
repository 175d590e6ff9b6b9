// What is known of a component's releases, prepared once for many questions.
import {
  compareText,
  type Inference,
  inferScheme,
  type Numbering,
  type Order,
  orderVersions,
  type Version,
  type VersionReader,
  versionReader,
} from "../version/index.ts";
import type { Release } from "./release.ts";
import { type Urgency, worseOf } from "./words.ts";

export type Component = {
  readonly id: string;
  readonly name: string;
  /** The numbering, once a person has confirmed it; without it, it is inferred from the releases. */
  readonly numbering?: Numbering;
  readonly suffixes: readonly string[];
  /** What a screen shows of its version, as it looks. */
  readonly shows?: string;
  /** For the numbering "listed": the releases' ids in the catalogue's own order. */
  readonly releases: readonly Release[];
};

/** A release with its version read and the worst of its fixes, ready to be compared. */
export type PlacedRelease = Release & { readonly read: Version; readonly worst: Urgency };

export type PreparedComponent = {
  readonly component: Component;
  readonly reader: VersionReader;
  /** How the numbering was found, if no person has confirmed it. */
  readonly inference?: Inference;
  /** A second numbering that fits exactly as well as the first; readings they place differently are unclear. */
  readonly rival?: PreparedComponent;
  /** Oldest first. */
  readonly releases: readonly PlacedRelease[];
  readonly byId: ReadonlyMap<string, PlacedRelease>;
};

export type Catalogue = ReadonlyMap<string, PreparedComponent>;

/** Prepares the components of one model; the keys are component ids. */
export const catalogueOf = (components: readonly Component[]): Catalogue =>
  new Map(components.map((component) => [component.id, prepareComponent(component)]));

/** A component made ready for many questions. Without a confirmed numbering it is inferred, and where two fit equally well both are kept. */
export function prepareComponent(component: Component): PreparedComponent {
  if (component.numbering) return prepareWith(component, component.numbering);
  const inference = inferScheme(component.releases, component.suffixes);
  const prepared = prepareWith(component, inference.best.numbering);
  if (!inference.tied) return { ...prepared, inference };
  return { ...prepared, inference, rival: prepareWith(component, inference.runnerUp.numbering) };
}

function prepareWith(component: Component, numbering: Numbering): PreparedComponent {
  const reader = versionReader({
    numbering,
    suffixes: component.suffixes,
    catalogue: component.releases,
  });
  const releases = component.releases.map((release): PlacedRelease => {
    const read = reader.release(release.id) ?? {
      cleaned: reader.clean(release.version),
      release: release.id,
    };
    const worst = release.fixes.reduce<Urgency>((most, fix) => worseOf(most, fix.urgency), "routine");
    // Not spread into a new object: by the ten thousand, that takes ten times as long.
    return Object.assign({ read, worst }, release);
  });
  if (numbering.kind !== "listed") {
    releases.sort((a, b) => compareText(a.releasedOn, b.releasedOn) || compareText(a.id, b.id));
  }
  return { component, reader, releases, byId: new Map(releases.map((r) => [r.id, r])) };
}

/**
 * The order of a catalogued release against a version: by the numbering; where that cannot tell, two catalogued
 * releases of the same track are ordered by their dates (docs/decisions/002). Undefined if neither can tell.
 */
export function orderRelease(
  prepared: PreparedComponent,
  release: PlacedRelease,
  version: Version,
): { order: Order; by: "numbering" | "date" } | undefined {
  const order = orderVersions(release.read, version);
  if (order !== undefined) return { order, by: "numbering" };
  const running = version.release === undefined ? undefined : prepared.byId.get(version.release);
  if (running?.track !== release.track) return undefined;
  const byDate = compareText(release.releasedOn, running.releasedOn);
  return byDate === 0 ? undefined : { order: byDate, by: "date" };
}

/** The greatest of some releases: by order, else the later one. Undefined for none. */
export function greatestOf(
  prepared: PreparedComponent,
  releases: readonly PlacedRelease[],
): PlacedRelease | undefined {
  let greatest: PlacedRelease | undefined;
  for (const release of releases) {
    if (!greatest) {
      greatest = release;
      continue;
    }
    const found = orderRelease(prepared, release, greatest.read);
    const order = found?.order ?? compareText(release.releasedOn, greatest.releasedOn);
    if (order > 0 || (order === 0 && release.id > greatest.id)) greatest = release;
  }
  return greatest;
}
