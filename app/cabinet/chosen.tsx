// The drawer that was pulled open: the radio in short, and the field for what it shows.
import { Link } from "react-router";
import { ActForm } from "../forms/act-form.tsx";
import { ReadingField } from "../forms/reading-field.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { STANDING_WORD } from "../ui/words/standing.ts";
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
      {mayWork && drawer.needs !== undefined && (
        <ActForm intent="start" action="/bench" className="mb-2">
          <input type="hidden" name="tag" value={drawer.tag} />
          <button type="submit" name="for" value="update" className="btn btn-outline btn-primary btn-sm">
            Update it at the bench
          </button>
        </ActForm>
      )}
      <Link className="link text-sm" to={`/units/${encodeURIComponent(drawer.tag)}`}>
        Open its page
      </Link>
    </section>
  );
}
