// What happened to a radio, and every reading of it.
import { Link } from "react-router";
import { dateInZone, type PlainDate } from "#core/quantities/index.ts";
import type { CustodyRow } from "#db/unit/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { Strike } from "../forms/strike.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Wide } from "../ui/wide.tsx";
import { sayEntry } from "../ui/words/log/log.ts";
import { SOURCE_WORDS } from "../ui/words/source.ts";
import { sayDate, sayInstant } from "../ui/words/time.ts";

/** A reading that is of another radio. `tag`: what was refused. */
function Move(props: { readonly reading: string; readonly raw: string; readonly tag: string | undefined }) {
  return (
    <details open={props.tag !== undefined} className="shrink-0">
      <summary className="min-h-6 cursor-pointer py-0.5 text-quiet">It is of another radio</summary>
      <ActForm intent="move" className="mt-1 flex gap-2" preventScrollReset>
        <input type="hidden" name="reading" value={props.reading} />
        <Labelled
          name="tag"
          label={`Of which radio the reading ${props.raw} is`}
          quiet
          small
          mono
          most={40}
          placeholder="its tag"
          value={props.tag}
          box="w-32"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Move it
        </button>
      </ActForm>
    </details>
  );
}

type Entry = {
  readonly id: string;
  /** The day it was, and when it was written down. */
  readonly on_day: PlainDate;
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
            <time dateTime={entry.on_day} className="text-quiet">
              {sayDate(entry.on_day, locale, today)}
            </time>
            <span className="min-w-0 [overflow-wrap:anywhere]">
              {sayEntry(entry, locale)} <span className="text-quiet">{entry.person?.split(" ")[0]}</span>
              {dateInZone(new Date(entry.at), timeZone) !== entry.on_day && (
                <span className="block text-quiet">
                  written down {sayDate(dateInZone(new Date(entry.at), timeZone), locale, today)}
                </span>
              )}
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
        <Wide label="All readings">
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
                      <div className="flex flex-wrap gap-x-4">
                        <Strike
                          name="reading"
                          id={r.id}
                          label={`Why the reading ${r.raw} is wrong`}
                          hint="why it is wrong"
                          why={refused?.reading === r.id ? refused.why : undefined}
                        />
                        <Move
                          reading={r.id}
                          raw={r.raw}
                          tag={refused?.reading === r.id ? refused.tag : undefined}
                        />
                      </div>
                    ) : null}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      )}
    </section>
  );
}
