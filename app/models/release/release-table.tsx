// The releases of a component as a table: what the ladder draws, with fixes, conditions and source.

import { Link } from "react-router";
import { listed } from "#core/quantities/index.ts";
import { conditionsShape, type ReleaseRow } from "#core/release/index.ts";
import type { RevisionRow } from "#db/model/index.ts";
import { KnownFrom, type ShownConfirmed } from "../../shared/known-from.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { ERASES_WORD, RISK_WORD, sayRange, WAY_WORD } from "../../ui/words/route.ts";
import { sayDate } from "../../ui/words/time.ts";

type StoredRelease = ReleaseRow & { readonly stored: boolean };

export function ReleaseTable(props: {
  readonly releases: readonly StoredRelease[];
  /** How many there are in all; these may be the newest only. */
  readonly count: number;
  readonly revisions: readonly RevisionRow[];
  readonly running: Readonly<Record<string, readonly string[]>>;
  readonly model: string;
  readonly confirmed: readonly ShownConfirmed[];
}) {
  const { locale } = useClub();
  const mayEdit = useMay("edit-release");
  const revision = (id: string) => props.revisions.find((r) => r.id === id)?.name ?? "?";
  return (
    <div className="mt-2 overflow-x-auto">
      <table className="table table-sm">
        <thead>
          <tr>
            <th>Version</th>
            <th>Date</th>
            <th>Track</th>
            <th>What it mends, and notes</th>
            <th>When it goes on, and at what cost</th>
            <th>Run by</th>
            {mayEdit && <th>Change</th>}
          </tr>
        </thead>
        <tbody>
          {props.releases.map((r) => (
            <tr key={r.id} className={r.track === "community" ? "border-l-4 border-lichen" : ""}>
              <th scope="row" className={`ver whitespace-nowrap ${r.withdrawn_on ? "line-through" : ""}`}>
                {r.version}
                {r.draft && <span className="doubt-thin ml-2 px-1 font-sans text-xs">draft, unusable</span>}
              </th>
              <td className="whitespace-nowrap">{sayDate(r.released_on, locale)}</td>
              <td>{r.track}</td>
              <td>
                {r.withdrawn_on && (
                  <span className="block font-semibold text-rust">
                    Withdrawn {sayDate(r.withdrawn_on, locale)}: {r.withdrawn_why}
                  </span>
                )}
                {r.fixes.map((f) => (
                  <span key={f.tag + f.text} className="block">
                    {f.urgency === "safety" && <strong className="text-rust">safety: </strong>}
                    {f.text} <span className="text-quiet">({f.tag})</span>
                  </span>
                ))}
                <span className="text-quiet">
                  {unchangedOf(r) && `Not changed: ${unchangedOf(r)} `}
                  {r.notes}
                </span>
                <KnownFrom
                  kind="release"
                  subject={r.id}
                  what={r.version}
                  source={r.source_kind && { kind: r.source_kind, what: r.source }}
                  confirmed={props.confirmed}
                  brief
                />
              </td>
              <td>
                <Conditions
                  release={r}
                  fits={listed([...(r.hardware_revisions ?? []).map(revision), ...(r.regions ?? [])])}
                />
              </td>
              <td className="tag min-w-28 text-xs">{listed((props.running[r.id] ?? []).map(unbroken), 5)}</td>
              {mayEdit && (
                <td>
                  <Link className="link" to={`/models/${props.model}/releases/${r.id}`}>
                    Correct
                  </Link>
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {props.releases.length < props.count && (
        <Link className="link mt-1 inline-block" to={`/models/${props.model}?all`}>
          All {props.count} releases
        </Link>
      )}
    </div>
  );
}

/** A tag is not to be broken at its dash; the mark that joins it is not seen, nor copied as a letter. */
const unbroken = (tag: string): string => tag.replaceAll("-", "\u2060-\u2060");

const unchangedOf = (release: ReleaseRow): string => conditionsShape.parse(release.conditions).unchanged;

function Conditions({ release, fits }: { readonly release: StoredRelease; readonly fits: string }) {
  const c = conditionsShape.parse(release.conditions);
  const parts = [
    fits && `hardware or region ${fits}`,
    c.from && `over ${sayRange(c.from)}`,
    c.fromTracks && `over ${listed(c.fromTracks)} firmware`,
    ...c.requires.map((r) => `with ${r.component} ${sayRange(r.range)}`),
    c.tool && `with ${c.tool.name}${c.tool.range ? ` ${sayRange(c.tool.range)}` : ""}`,
    c.ways.length > 0 && listed(c.ways.map((w) => WAY_WORD[w])),
    c.rollbackFloor && `then nothing older than ${c.rollbackFloor}`,
    `${c.minutes} min`,
    RISK_WORD[c.risk],
  ];
  return (
    <>
      {c.erases !== "nothing" && (
        <span className="block font-semibold text-rust">{ERASES_WORD[c.erases]}</span>
      )}
      {parts.filter(Boolean).join("; ")}
      {release.file_sha256 && (
        <span className="ver block text-xs text-quiet" title={release.file_sha256}>
          {release.stored ? (
            <a className="link font-normal" href={`/files/${release.file_sha256}`} download>
              {release.file_name || "file"}
            </a>
          ) : (
            release.file_name || "file"
          )}{" "}
          {release.file_sha256.slice(0, 12)}…
        </span>
      )}
    </>
  );
}
