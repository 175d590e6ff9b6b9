// The rows of one group: the radio, the need in a sentence, since when, why; arrows move, Enter opens, x picks.
import { useState } from "react";
import { type FrameData, useClub } from "../ui/club.ts";
import { ReadingField } from "../ui/reading-field.tsx";
import { Why } from "../ui/why.tsx";
import { sayDate, sayDistance } from "../ui/words/time.ts";
import type { ShownRow } from "./shown.server.ts";

export function NeedRows({ rows }: { readonly rows: readonly ShownRow[] }) {
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
      {rows.map((row) => (
        <Row key={`${row.unit} ${row.component} ${row.says} ${row.due}`} row={row} club={club} />
      ))}
    </ul>
  );
}

function Row({ row, club }: { readonly row: ShownRow; readonly club: FrameData }) {
  const { locale, today, role } = club;
  // The number of the form that is open; it is drawn only where scripts run.
  const [receipt, setReceipt] = useState<string>();
  const mayRecord = role !== "member" || row.mine;
  return (
    <li>
      <input
        type="checkbox"
        name="unit"
        value={row.unit}
        form="picked"
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
        <Why facts={row.why} />
        {row.means && <p>{row.means}</p>}
        {receipt && (
          <div className="mt-1 w-full">
            <ReadingField tag={row.tag} components={[row.component]} receipt={receipt} compact />
          </div>
        )}
      </div>
      <span>{row.where}</span>
      <span>
        {row.due > today ? (
          `till ${sayDate(row.due, locale, today)}`
        ) : (
          <time dateTime={row.due} title={sayDate(row.due, locale)}>
            {sayDistance(row.due, today)}
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
