// The drawer that was pulled open: the radio in short, and the field for what it shows.
import { Link } from "react-router";
import { ReadingField } from "../forms/reading-field.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { STANDING_WORD } from "../ui/words/standing.ts";
import type { ChosenDrawer } from "./load.server.ts";

export function Chosen(props: ChosenDrawer) {
  const { drawer, components, others } = props;
  const { person } = useClub();
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
      <Link className="link text-sm" to={`/units/${encodeURIComponent(drawer.tag)}`}>
        Open its page
      </Link>
    </section>
  );
}
