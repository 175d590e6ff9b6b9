// What happened to a radio, and every reading of it.
import { Link } from "react-router";
import { dateInZone } from "#core/quantities/date.ts";
import type { CustodyRow } from "#db/units.ts";
import { Strike } from "../forms/strike.tsx";
import { useClub, useMay } from "../ui/club.ts";
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
  /** Null: nobody knows the day. */
  readonly read_at: string | null;
  readonly person: string | null;
  readonly struck: { readonly by: string | null; readonly at: string; readonly why: string } | null;
};

export function Readings({
  readings,
  refused,
}: {
  readonly readings: readonly Read[];
  /** What a refused striking held. */
  readonly refused: Readonly<Record<string, string>> | undefined;
}) {
  const { locale, timeZone } = useClub();
  const mayStrike = useMay("strike-reading");
  return (
    <section id="readings">
      <h2 className="mb-1.5">All readings</h2>
      {readings.length === 0 ? (
        <p className="doubt-thin w-fit px-2 py-1 text-quiet">We have not read this radio yet.</p>
      ) : (
        <div className="sheet overflow-x-auto">
          <table className="table table-sm">
            <thead className="max-sm:sr-only">
              <tr>
                <th>When</th>
                <th>Part</th>
                <th>As shown</th>
                <th>How</th>
                <th>By</th>
                <th>
                  <span className="sr-only">Struck, or to be</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {readings.map((r) => (
                <tr
                  key={r.id}
                  className={`max-sm:flex max-sm:flex-wrap max-sm:gap-x-3 max-sm:px-3 max-sm:py-2 max-sm:[&>td]:p-0 ${r.struck ? "text-quiet" : ""}`}
                >
                  <td className="whitespace-nowrap">
                    {r.read_at ? (
                      sayInstant(r.read_at, locale, timeZone)
                    ) : (
                      <span className="doubt-thin px-1">day not known</span>
                    )}
                  </td>
                  <td>{r.component}</td>
                  <td className="ver max-w-60 break-all">{r.struck ? <s>{r.raw}</s> : r.raw}</td>
                  <td>{SOURCE_WORDS[r.source]}</td>
                  <td>{r.person}</td>
                  <td className="max-sm:basis-full">
                    {r.struck ? (
                      `Struck by ${r.struck.by ?? "somebody"} on ${sayInstant(r.struck.at, locale, timeZone)}: ${r.struck.why}`
                    ) : mayStrike ? (
                      <Strike
                        name="reading"
                        id={r.id}
                        label={`Why the reading ${r.raw} is wrong`}
                        hint="why it is wrong"
                        why={refused?.reading === r.id ? refused.why : undefined}
                      />
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
