// The rows of one group: the radio, the need in a sentence, since when, why; arrows move, Enter opens, x picks.
import { useState } from "react";
import type { BoardName, BoardRow } from "#db/board.ts";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { ReadingField } from "../ui/reading-field.tsx";
import { namesOf, Why } from "../ui/why.tsx";
import { VERDICT_WORD } from "../ui/words/kit.ts";
import { sayNeed } from "../ui/words/need.ts";
import { sayDate, sayDistance } from "../ui/words/time.ts";
import type { RowMeans } from "./means.server.ts";

export function NeedRows(props: {
  readonly rows: readonly BoardRow[];
  readonly releases: Readonly<Record<string, string>>;
  readonly known: readonly BoardName[];
  /** By unit and component: with what it would be done. */
  readonly means: Readonly<Record<string, RowMeans>>;
}) {
  const names = new Map(props.known.map((k) => [k.kind + k.id, k.name]));
  const onKeyDown = (event: React.KeyboardEvent<HTMLUListElement>) => {
    const links = [...event.currentTarget.ownerDocument.querySelectorAll<HTMLElement>("a[data-row]")];
    const at = links.indexOf(document.activeElement as HTMLElement);
    if (at < 0) return;
    if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      links[at + (event.key === "ArrowDown" ? 1 : -1)]?.focus();
    }
    if (event.key === "x")
      links[at]?.closest("li")?.querySelector<HTMLInputElement>("input[type=checkbox]")?.click();
  };
  return (
    <ul className="sheet divide-y divide-line" onKeyDown={onKeyDown}>
      {props.rows.map((row) => (
        <Row
          key={`${row.unit_id}${row.kind}${row.component_id}${row.due_from}`}
          row={row}
          releases={props.releases}
          known={names}
          means={row.kind === "firmware" ? props.means[`${row.unit_id} ${row.component_id}`] : undefined}
        />
      ))}
    </ul>
  );
}

const URGENCY = ["", "fix", "safety"] as const;

function Row({
  row,
  releases,
  known,
  means,
}: {
  readonly row: BoardRow;
  readonly releases: Readonly<Record<string, string>>;
  /** Names by kind and id. */
  readonly known: ReadonlyMap<string, string>;
  readonly means: RowMeans | undefined;
}) {
  const { locale, today, role, person } = useClub();
  // The number of the form that is open; it is drawn only where scripts run.
  const [receipt, setReceipt] = useState<string>();
  const names = namesOf(releases, locale, today);
  const page = `/units/${encodeURIComponent(row.tag)}`;
  const links = {
    readings: `${page}#readings`,
    releases: `/models/${row.model_id}`,
    group: "/club",
    history: `/log?unit=${row.unit_id}`,
  };
  const mayRecord = role !== "member" || row.holder_id === person;
  return (
    <li className="grid grid-cols-[1.5rem_4.5rem_minmax(0,1fr)] items-start gap-x-3 px-3 py-2 md:grid-cols-[1.5rem_4.5rem_8rem_minmax(0,1fr)_9rem_8.5rem]">
      <input
        type="checkbox"
        name="unit"
        value={row.unit_id}
        form="picked"
        className="checkbox checkbox-sm checkbox-primary mt-0.5"
        aria-label={`Pick ${row.tag}`}
      />
      <Go data-row to={page} className="link tag">
        {row.tag}
      </Go>
      <span className="text-quiet max-md:col-start-3">{known.get(`model${row.model_id}`)}</span>
      <div className="flex min-w-0 flex-wrap items-baseline gap-x-3 max-md:col-start-3">
        <p>
          {row.urgency > 0 && (
            <span
              className={`mr-2 px-1.5 py-px text-xs font-bold ${row.urgency === 2 ? "hatch border border-rust text-rust" : "border border-brass"}`}
            >
              {URGENCY[row.urgency]}
            </span>
          )}
          {row.raw && <span className="ver text-quiet">{row.raw.slice(0, 24)}: </span>}
          {sayNeed({ ...row, dueFrom: row.due_from }, names, row.component !== "main")}
        </p>
        <Why because={row.because} names={names} links={links} />
        {means && (
          <p className="w-full text-sm text-quiet">
            {means.verdict && `${VERDICT_WORD[means.verdict]}: `}
            {means.words}
          </p>
        )}
        {receipt && (
          <div className="mt-1 w-full">
            <ReadingField tag={row.tag} components={[row.component]} receipt={receipt} compact />
          </div>
        )}
      </div>
      <span className="text-sm text-quiet max-md:col-start-3">
        {row.holder_id
          ? `with ${known.get(`person${row.holder_id}`)?.split(" ")[0]}`
          : (known.get(`place${row.place_id}`) ?? "no place")}
      </span>
      <span className="text-sm max-md:col-start-3 md:text-right">
        {row.due_from > today ? (
          `till ${sayDate(row.due_from, locale, today)}`
        ) : (
          <time dateTime={row.due_from} title={sayDate(row.due_from, locale)}>
            {sayDistance(row.due_from, today)}
          </time>
        )}
        {mayRecord && (
          <button
            type="button"
            className="link ml-3 font-normal"
            aria-expanded={receipt !== undefined}
            onClick={() => setReceipt(receipt ? undefined : crypto.randomUUID())}
          >
            read
          </button>
        )}
      </span>
    </li>
  );
}
