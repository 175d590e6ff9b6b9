// The releases of a component as a table: what the ladder draws, with fixes, conditions and source.
import { Link } from "react-router";
import type { ReleaseRow } from "#db/facts.ts";
import type { RevisionRow } from "#db/models.ts";
import { useClub, useMay } from "../ui/club.ts";
import { listed } from "../ui/words/count.ts";
import { sayDate } from "../ui/words/time.ts";

export function ReleaseTable(props: {
  readonly releases: readonly ReleaseRow[];
  readonly revisions: readonly RevisionRow[];
  readonly running: Readonly<Record<string, readonly string[]>>;
  readonly model: string;
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
            <th>Fits</th>
            <th>Run by</th>
            {mayEdit && <th>Change</th>}
          </tr>
        </thead>
        <tbody>
          {props.releases.map((r) => (
            <tr key={r.id} className={r.track === "community" ? "border-l-4 border-lichen" : ""}>
              <th scope="row" className={`ver ${r.withdrawn_on ? "line-through" : ""}`}>
                {r.version}
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
                  {r.notes} {r.source && `Source: ${r.source}.`}
                </span>
              </td>
              <td>
                {listed([...(r.hardware_revisions ?? []).map(revision), ...(r.regions ?? [])]) || "all"}
              </td>
              <td className="tag text-xs">{listed(props.running[r.id] ?? [], 5)}</td>
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
    </div>
  );
}
