// The rows of one group: the radio, the need in a sentence, since when, why; arrows move, Enter opens, x picks.
import { useState } from "react";
import { heldUntil } from "#core/needs/index.ts";
import { ReadingField } from "../forms/reading-field.tsx";
import { HowCounted } from "../shared/how-counted.tsx";
import { type FrameData, useClub } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";
import { sayDate, sayDistance } from "../ui/words/time.ts";
import type { Bundle } from "./alike.ts";
import { RowReasons, WhyLink } from "./row-reasons.tsx";
import type { ShownRow } from "./shown.server.ts";

export function NeedRows(props: {
  readonly rows: readonly (ShownRow | Bundle)[];
  /** Units that were picked in a form that was refused. */
  readonly picked: readonly string[];
}) {
  const club = useClub();
  const onKeyDown = (event: React.KeyboardEvent<HTMLUListElement>) => {
    const links = [...event.currentTarget.ownerDocument.querySelectorAll<HTMLElement>(".needs > li > a")];
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
    <ul data-go className="needs sheet" onKeyDown={onKeyDown}>
      {props.rows.map((row) =>
        "rows" in row ? (
          <Alike key={row.key} bundle={row} picked={props.picked} club={club} />
        ) : (
          <Row
            key={`${row.unit} ${row.kind} ${row.component}`}
            row={row}
            picked={props.picked.includes(row.unit)}
            club={club}
          />
        ),
      )}
    </ul>
  );
}

/** Many that say the same: one row, picked whole, or opened and picked in part. */
function Alike(props: {
  readonly bundle: Bundle;
  readonly picked: readonly string[];
  readonly club: FrameData;
}) {
  const { rows } = props.bundle;
  const { locale, today } = props.club;
  const [first] = rows;
  if (!first) return null;
  const oldest = rows.reduce((least, { due }) => (due < least ? due : least), first.due);
  const onPickAll = (event: React.ChangeEvent<HTMLInputElement>) => {
    const { checked } = event.currentTarget;
    const list = event.currentTarget.closest("li");
    for (const box of list?.querySelectorAll<HTMLInputElement>("input[name=unit]") ?? [])
      box.checked = checked;
  };
  const isOpen = rows.some(({ unit }) => props.picked.includes(unit));
  const name = `${counted(rows.length, first.model)}: ${first.raw ? `${first.raw}: ` : ""}${first.says}`;
  return (
    <li className="alike">
      <input
        type="checkbox"
        onChange={onPickAll}
        className="checkbox checkbox-sm checkbox-primary"
        aria-label={`Pick all ${name}`}
      />
      <div className="hidden print:block">
        <p className="font-semibold">{name}</p>
        <p className="tag">{rows.map(({ tag }) => `☐ ${tag}`).join("  ")}</p>
      </div>
      <details open={isOpen} className="no-print">
        <summary>
          <strong>{counted(rows.length, first.model)}</strong>
          <span>
            {first.urgency && (
              <span
                className={`mr-2 px-1.5 py-px text-xs font-bold ${first.urgency === "safety" ? "hatch border border-rust text-rust" : "border border-brass"}`}
              >
                {first.urgency}
              </span>
            )}
            {first.raw && <span className="ver text-quiet">{`${first.raw}: `}</span>}
            {first.says}
            {first.tooling && <span className="tooling">{first.tooling}</span>}
            {first.asksHow && (
              <a href={`/units/${encodeURIComponent(first.tag)}#needs`} className="link text-sm">
                How do they count?
              </a>
            )}
          </span>
          <span className="text-quiet">
            {oldest > today
              ? `till ${sayDate(heldUntil(oldest), locale, today)}`
              : `the first ${sayDistance(oldest, today)}`}
          </span>
        </summary>
        {typeof first.asksHow === "object" && <HowCounted {...first.asksHow} />}
        <ul aria-label={name}>
          {rows.map((row) => (
            <li key={row.unit}>
              <input
                type="checkbox"
                name="unit"
                value={row.unit}
                form="picked"
                defaultChecked={props.picked.includes(row.unit)}
                className="checkbox checkbox-sm checkbox-primary"
                aria-label={`Pick ${row.tag}`}
              />
              <a href={`/units/${encodeURIComponent(row.tag)}#needs`} className="link tag">
                {row.tag}
              </a>
              <span className="text-quiet">{row.where}</span>
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}

function Row(props: { readonly row: ShownRow; readonly picked: boolean; readonly club: FrameData }) {
  const { row, club } = props;
  const { locale, today, role } = club;
  // The form for a reading is drawn only where scripts run.
  const [reading, setReading] = useState(false);
  const [why, setWhy] = useState(false);
  const mayRecord = role !== "member" || row.mine;
  return (
    <li>
      <input
        type="checkbox"
        name="unit"
        value={row.unit}
        form="picked"
        defaultChecked={props.picked}
        className="checkbox checkbox-sm checkbox-primary"
        aria-label={`Pick ${row.tag}`}
      />
      <a href={`/units/${encodeURIComponent(row.tag)}`} className="link tag">
        {row.tag}
      </a>
      <span>{row.model}</span>
      <div>
        <p>
          {row.urgency && (
            <span
              className={`mr-2 px-1.5 py-px text-xs font-bold ${row.urgency === "safety" ? "hatch border border-rust text-rust" : "border border-brass"}`}
            >
              {row.urgency}
            </span>
          )}
          {row.raw && <span className="ver text-quiet">{`${row.raw}: `}</span>}
          {row.says}
        </p>
        <WhyLink row={row} open={why} onToggle={() => setWhy(!why)} />
        {why && <RowReasons row={row} />}
        {row.tooling && <p className="tooling">{row.tooling}</p>}
        {row.asksHow && <AsksHow row={row} />}
        {reading && (
          <div className="mt-1 w-full">
            <ReadingField tag={row.tag} components={[row.component]} compact />
          </div>
        )}
      </div>
      <span>{row.where}</span>
      <span>
        {row.due > today ? (
          `till ${sayDate(heldUntil(row.due), locale, today)}`
        ) : (
          <time dateTime={row.due} title={sayDate(row.due, locale)}>
            {sayDistance(row.due, today)}
          </time>
        )}
        {mayRecord && (
          <button
            type="button"
            className="link ml-3 font-normal"
            aria-expanded={reading}
            onClick={() => setReading(!reading)}
          >
            read
          </button>
        )}
      </span>
    </li>
  );
}

/** Which of two orders: in one press here, or on the radio's own page. */
function AsksHow({ row }: { readonly row: ShownRow }) {
  if (typeof row.asksHow === "object") return <HowCounted {...row.asksHow} />;
  return (
    <a href={`/units/${encodeURIComponent(row.tag)}#needs`} className="link text-sm">
      How do they count?
    </a>
  );
}
