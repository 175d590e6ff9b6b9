// The drawer that was pulled open: the radio in short, and the field for what it shows.
import { Link } from "react-router";
import { ActForm } from "../forms/act-form.tsx";
import { ReadingField } from "../forms/reading-field.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { namesOf } from "../ui/why.tsx";
import { capital } from "../ui/words/capital.ts";
import { sayNeed, saySince } from "../ui/words/needs/index.ts";
import { STANDING_WORD, sayStanding } from "../ui/words/unit/standing.ts";
import type { ChosenDrawer } from "./load.server.ts";

export function Chosen(props: ChosenDrawer) {
  const { drawer, components, others } = props;
  const { person } = useClub();
  const mayWork = useMay("work-at-bench");
  const mayRecord = useMay("record-reading", { holdsUnit: props.holderId === person });
  return (
    <section className="mb-4 border-b-2 border-brass pb-3" aria-label={`Radio ${drawer.tag}`}>
      <div className="flex items-center gap-3">
        <p className="cut tag border border-brass bg-plate px-2.5 py-2 text-lg">{drawer.tag}</p>
        <div className="min-w-0 text-sm leading-snug">
          <p className="font-semibold">{drawer.model}</p>
          <p className="text-quiet">
            <span className="ver">{drawer.version ?? "not read"}</span> · {STANDING_WORD[drawer.standing]}
          </p>
        </div>
      </div>
      {others.length > 0 && <p className="mt-1 text-sm text-quiet">{others.join(", ")}</p>}
      {mayRecord && (
        <div className="mt-2">
          <ReadingField tag={drawer.tag} components={components} compact />
        </div>
      )}
      <Due {...props} />
      {mayWork && props.due.some(({ action }) => action === "install") && (
        <ActForm intent="start" action="/bench" className="mb-2">
          <input type="hidden" name="tag" value={drawer.tag} />
          <button type="submit" name="for" value="update" className="btn btn-outline btn-primary btn-sm">
            Update it at the bench
          </button>
        </ActForm>
      )}
      <p className="flex flex-wrap gap-x-4">
        <Link className="link inline-block py-0.5 text-sm" to={`/units/${encodeURIComponent(drawer.tag)}`}>
          Open its page
        </Link>
        {mayWork && (
          <Link
            className="link inline-block py-0.5 text-sm"
            to={`/units/${encodeURIComponent(drawer.tag)}?write#write-down`}
          >
            Write down what was done
          </Link>
        )}
      </p>
    </section>
  );
}

/** What it needs and why, in a sentence each; so many at most. */
const MOST = 4;

function Due({ due, standing, releases, components, drawer }: ChosenDrawer) {
  const { locale, today } = useClub();
  const names = namesOf(releases, locale, today);
  return (
    <>
      {standing && <p className="mt-2 text-sm">{capital(sayStanding(standing, names))}.</p>}
      {due.length > 0 && (
        <ul
          aria-label={`What ${drawer.tag} needs`}
          className="my-2 divide-y divide-line border-y border-line text-sm"
        >
          {due.slice(0, MOST).map((need) => (
            <li
              key={`${need.cause} ${need.component} ${need.dueFrom}`}
              className={`py-1.5 ${need.urgency === 2 ? "hatch px-2" : ""}`}
            >
              <strong>{capital(sayNeed(need, names, components.length > 1))}</strong>{" "}
              <span className="text-quiet">{saySince(need, names)}</span>
            </li>
          ))}
          {due.length > MOST && (
            <li className="py-1.5 text-quiet">and {due.length - MOST} more, on its page</li>
          )}
        </ul>
      )}
    </>
  );
}
