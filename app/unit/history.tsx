// What happened to a radio, and every reading of it.
import { Link } from "react-router";
import { dateInZone } from "#core/quantities/date.ts";
import type { CustodyRow } from "#db/units.ts";
import { useClub } from "../ui/club.ts";
import { sayEntry } from "../ui/words/log.ts";
import { SOURCE_WORDS } from "../ui/words/source.ts";
import { sayDate, sayInstant } from "../ui/words/time.ts";

type Entry = {
  readonly id: string;
  readonly at: string;
  readonly kind: string;
  readonly detail: Record<string, unknown>;
  readonly person: string | null;
};

export function History(props: {
  readonly log: readonly Entry[];
  readonly custody: readonly CustodyRow[];
  readonly unit: string;
}) {
  const { locale, timeZone, today } = useClub();
  return (
    <section id="history">
      <h2 className="mb-1">What happened</h2>
      <ol className="divide-y divide-line text-sm">
        {props.log.map((entry) => (
          <li key={entry.id} className="grid grid-cols-[4.6rem_1fr] gap-2 py-1.5">
            <time dateTime={entry.at} className="text-quiet">
              {sayDate(dateInZone(new Date(entry.at), timeZone), locale, today)}
            </time>
            <span className="min-w-0 [overflow-wrap:anywhere]">
              {sayEntry(entry, locale)} <span className="text-quiet">{entry.person?.split(" ")[0]}</span>
            </span>
          </li>
        ))}
      </ol>
      <Link className="link text-sm" to={`/log?unit=${props.unit}`}>
        All of it
      </Link>
    </section>
  );
}

type Read = {
  readonly id: string;
  readonly component: string;
  readonly raw: string;
  readonly source: string;
  readonly read_at: string;
  readonly person: string | null;
};

export function Readings({ readings }: { readonly readings: readonly Read[] }) {
  const { locale, timeZone } = useClub();
  return (
    <section id="readings">
      <h2 className="mb-1.5">All readings</h2>
      {readings.length === 0 ? (
        <p className="doubt-thin w-fit px-2 py-1 text-quiet">We have not read this radio yet.</p>
      ) : (
        <div className="sheet overflow-x-auto">
          <table className="table table-sm">
            <thead>
              <tr>
                <th>When</th>
                <th>Part</th>
                <th>As shown</th>
                <th>How</th>
                <th>By</th>
              </tr>
            </thead>
            <tbody>
              {readings.map((r) => (
                <tr key={r.id}>
                  <td className="whitespace-nowrap">{sayInstant(r.read_at, locale, timeZone)}</td>
                  <td>{r.component}</td>
                  <td className="ver max-w-60 break-all">{r.raw}</td>
                  <td>{SOURCE_WORDS[r.source]}</td>
                  <td>{r.person}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
