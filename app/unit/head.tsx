// The head of a radio's page: its tag, its verdict in a sentence, and what it is, where, with whom.
import { Link } from "react-router";
import { listed } from "#core/quantities/index.ts";
import type { UnitRow } from "#db/unit/index.ts";
import { useClub } from "../ui/club.ts";
import { namesOf } from "../ui/why.tsx";
import { sayDate } from "../ui/words/time.ts";
import { sayHeadline } from "../ui/words/unit/headline.ts";

export function Head(props: {
  readonly unit: UnitRow;
  readonly former: readonly string[];
  readonly standings: Parameters<typeof sayHeadline>[0];
  readonly releases: Readonly<Record<string, string>>;
  readonly needs: readonly (Parameters<typeof sayHeadline>[1][number] & { readonly urgency: number })[];
  readonly plugs: readonly string[];
}) {
  const { unit, former, standings, releases, needs, plugs } = props;
  const { locale, today } = useClub();
  const names = namesOf(releases, locale, today);
  const what = [unit.maker, unit.model].join(" ");
  const variant = unit.hardware_revision ? `hardware ${unit.hardware_revision}` : unit.region;
  const title = unit.shelved_at !== null ? "Shelved" : sayHeadline(standings, needs, names);
  return (
    <header className="mb-4 flex items-start gap-4">
      <p className="cut tag whitespace-nowrap border-2 border-brass bg-plate px-3 py-4 text-xl">{unit.tag}</p>
      <div className="min-w-0">
        <h1>
          {title}
          {needs.some((need) => need.urgency === 2 && need.due_from <= today) && (
            <span className="hatch ml-3 border border-rust px-2 align-middle font-sans text-base text-rust">
              lacks a safety fix
            </span>
          )}
        </h1>
        <p className="text-quiet">
          <Link className="underline underline-offset-2" to={`/models/${unit.model_id}`}>
            {what}
          </Link>
          {variant && `, ${variant}`}. {unit.place ?? "No place yet"}. {unit.group_name ?? "In no group"}.{" "}
          {unit.holder &&
            `With ${unit.holder} since ${sayDate(unit.out_on ?? today, locale, today)}${unit.due_back ? `, due back ${sayDate(unit.due_back, locale, today)}` : ""}. `}
          {unit.hold_until !== null &&
            unit.hold_until >= today &&
            `On hold until ${sayDate(unit.hold_until, locale, today)}: ${unit.hold_why}. `}
          {former.length > 0 && `Was ${listed(former)} before. `}
          {unit.serial !== "" && (
            <>
              Serial number <span className="ver">{unit.serial}</span>.{" "}
            </>
          )}
          {plugs.length > 0 && `${plugs.length === 1 ? "Plug" : "Plugs"}: ${listed(plugs)}. `}
          {unit.note !== "" && <span className="text-base-content">{unit.note}</span>}
        </p>
      </div>
    </header>
  );
}
