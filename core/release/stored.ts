// A release between its shape and its row: what is stored of it, and what comes back.
import { sameValue } from "../quantities/index.ts";
import { conditionsShape, isPlain } from "./conditions-shape.ts";
import { type Release, type ReleaseRow, releaseRow, type WrittenRelease } from "./release.ts";
import { RELEASE_FIELD_WORD } from "./words.ts";

export const RELEASE_COLUMNS = Object.keys(releaseRow.shape) as readonly (keyof ReleaseRow)[];

/** What is written of a release, with hardware revisions by their ids. */
export type StoredRelease = Readonly<
  Omit<WrittenRelease, "hardwareRevisions" | "regions" | "aliases" | "fixes" | "draft">
> &
  Pick<Release, "hardwareRevisions" | "regions" | "aliases" | "fixes"> & {
    readonly component: string;
    readonly draft?: boolean;
  };

/** The columns that hold a release; the place in its part's order is the database's business. */
export const columnsOf = (
  release: StoredRelease,
): Omit<Record<keyof ReleaseRow, unknown>, "id" | "position"> => ({
  component_id: release.component,
  version: release.version,
  aliases: release.aliases,
  track: release.track,
  released_on: release.releasedOn,
  withdrawn_on: release.withdrawn?.on ?? null,
  withdrawn_why: release.withdrawn?.why ?? null,
  hardware_revisions: release.hardwareRevisions ?? null,
  regions: release.regions ?? null,
  fixes: JSON.stringify(release.fixes),
  notes: release.notes,
  source: release.source?.what ?? "",
  source_kind: release.source?.kind ?? null,
  conditions: JSON.stringify(release.conditions ?? {}),
  draft: release.draft ?? false,
  file_sha256: release.file?.sha256 ?? null,
  file_size: release.file?.size ?? null,
  file_name: release.file?.name ?? "",
});

/** A stored release as the computations know it. */
export const releaseOf = (row: ReleaseRow): Release => ({
  id: row.id,
  version: row.version,
  aliases: row.aliases,
  track: row.track,
  releasedOn: row.released_on,
  fixes: row.fixes,
  ...(row.withdrawn_on !== null && { withdrawn: { on: row.withdrawn_on, why: row.withdrawn_why ?? "" } }),
  ...(row.hardware_revisions !== null && { hardwareRevisions: row.hardware_revisions }),
  ...(row.regions !== null && { regions: row.regions }),
  ...(Object.keys(row.conditions).length > 0 && { conditions: conditionsShape.parse(row.conditions) }),
  ...(row.draft && { draft: true }),
});

/** What is empty is said to be: so that what others have taken out since is seen. */
const EMPTY = {
  withdrawn: undefined,
  hardwareRevisions: undefined,
  regions: undefined,
  source: undefined,
  conditions: undefined,
  file: undefined,
};

/** A stored release as a club writes it down: hardware revisions by name. */
export function writtenOf(row: ReleaseRow, nameOf: (revision: string) => string): WrittenRelease {
  const { id: _, conditions, ...release } = releaseOf(row);
  const told = conditions && !isPlain(conditions);
  return {
    ...EMPTY,
    ...release,
    aliases: [...release.aliases],
    fixes: [...release.fixes],
    regions: row.regions ? [...row.regions] : undefined,
    hardwareRevisions: row.hardware_revisions?.map(nameOf),
    withdrawn: release.withdrawn,
    draft: row.draft,
    notes: row.notes,
    ...(told && { conditions }),
    ...(row.source_kind && { source: { kind: row.source_kind, what: row.source } }),
    ...(row.file_sha256 && {
      file: {
        sha256: row.file_sha256,
        size: row.file_size === null ? null : Number(row.file_size),
        name: row.file_name,
      },
    }),
  };
}

/** As the computations would know it, were it stored under this id. */
export const imagined = (id: string, { component: _, ...release }: StoredRelease): Release => ({
  ...release,
  id,
});

/** What differs between two writings of a release, in words: "version, notes". */
export function changesOf(before: WrittenRelease, after: WrittenRelease): string {
  const names = Object.keys(RELEASE_FIELD_WORD) as (keyof typeof RELEASE_FIELD_WORD)[];
  return names
    .filter((name) => !sameValue(before[name], after[name]))
    .map((name) => RELEASE_FIELD_WORD[name])
    .join(", ");
}
