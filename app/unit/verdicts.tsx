// How a radio stands and what it needs, each verdict with the reasons behind it.
import { heldUntil } from "#core/needs/need.ts";
import { useClub } from "../ui/club.ts";
import { namesOf, recordsOf, shownFacts, Why } from "../ui/why.tsx";
import { capital } from "../ui/words/capital.ts";
import { sayNeed, saySince } from "../ui/words/need.ts";
import { sayStanding } from "../ui/words/standing.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/unit";

type Data = Route.ComponentProps["loaderData"];

/** Some verdicts end in a sentence of their own. */
const sentence = (text: string) => `${capital(text)}${/[.!?]$/.test(text) ? "" : "."}`;

export function Standings({ loaderData }: { readonly loaderData: Data }) {
  const { locale, today } = useClub();
  const { unit, standings, releases } = loaderData;
  const names = namesOf(releases, locale, today);
  const links = recordsOf(unit);
  return (
    <section>
      <h2 className="mb-1.5">How it stands</h2>
      <ul className="sheet divide-y divide-line">
        {standings.map(({ component, standing }) => (
          <li
            key={component.id}
            className="grid grid-cols-[6rem_7rem_minmax(0,1fr)] items-baseline gap-x-3 px-4 py-2.5 max-md:grid-cols-[5rem_minmax(0,1fr)]"
          >
            <span className="font-semibold">{component.name}</span>
            <span className="ver">{standing.reading?.raw.slice(0, 24) ?? "not read"}</span>
            <div className="max-md:col-span-2">
              <p
                className={
                  standing.standing === "unread" || standing.standing === "unclear"
                    ? "doubt-thin w-fit px-1"
                    : ""
                }
              >
                {sentence(sayStanding(standing, names))}
              </p>
              <Why facts={shownFacts(standing.because, names, links)} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

const URGENCY_WORD = ["", "a fix", "a matter of safety"] as const;

export function NeedList({
  needs,
  loaderData,
}: {
  readonly needs: Data["needs"];
  readonly loaderData: Data;
}) {
  const { locale, today } = useClub();
  const names = namesOf(loaderData.releases, locale, today);
  const links = recordsOf(loaderData.unit);
  if (needs.length === 0) return null;
  return (
    <section id="needs">
      <h2 className="mb-1.5">What it needs</h2>
      <ul className="sheet divide-y divide-line">
        {needs.map((need) => {
          const held = need.due_from > today;
          const said = { ...need, dueFrom: need.due_from };
          return (
            <li
              key={`${need.kind}${need.component_id}${need.due_from}`}
              className={`px-4 py-2.5 ${need.urgency === 2 ? "hatch" : ""}`}
            >
              <p>
                <strong>{capital(sayNeed(said, names, loaderData.components.length > 1))}</strong>{" "}
                <span className="text-quiet">
                  {held
                    ? `held back until ${sayDate(heldUntil(need.due_from), locale, today)}`
                    : saySince(said, names)}
                  {need.urgency > 0 && `; ${URGENCY_WORD[need.urgency]}`}
                </span>
              </p>
              <Why facts={shownFacts(need.because, names, links)} />
            </li>
          );
        })}
      </ul>
    </section>
  );
}
