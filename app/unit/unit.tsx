// One radio: what it is, where, who has it, how it stands and why, its readings, its history.
import { useActionData } from "react-router";
import { standingOf } from "#core/firmware/standing.ts";
import { needsOfUnit } from "#db/board.ts";
import { readLog } from "#db/log.ts";
import { people } from "#db/people.ts";
import { readingsOf } from "#db/readings.ts";
import { inClub } from "../context.ts";
import { ReadingField } from "../ui/reading-field.tsx";
import { sayStanding } from "../ui/words/standing.ts";
import type { Route } from "./+types/unit";
import { actOnUnit, orSayAway } from "./act.server.ts";
import { componentsOf, loadUnit } from "./load.server.ts";
import { releaseNamer } from "./say.ts";

export const meta: Route.MetaFunction = ({ params }) => [{ title: `${params.tag} · Mossy Cabinet` }];

export async function loader({ context, params }: Route.LoaderArgs) {
  return inClub(context, async (tx, who) => {
    const { row, facts, catalogue, policy } = await loadUnit(tx, params.tag);
    const names = { release: releaseNamer(catalogue), locale: who.locale, today: who.today };
    const standings = facts
      ? componentsOf(catalogue).map((component) => {
          const standing = standingOf(facts, component.id, catalogue, policy, who.today);
          return { component, standing, says: sayStanding(standing, names) };
        })
      : [];
    return {
      unit: row,
      components: componentsOf(catalogue).map((c) => c.name),
      standings,
      needs: await needsOfUnit(tx, row.id, who.today),
      readings: await readingsOf(tx, row.id),
      log: await readLog(tx, { unit: row.id }, 12),
      people: await people(tx),
      receipt: crypto.randomUUID() as string,
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return orSayAway(form, () => inClub(context, (tx, who) => actOnUnit(tx, who, params.tag, form)));
}

export default function Unit({ loaderData }: Route.ComponentProps) {
  const { unit, standings } = loaderData;
  const said = useActionData<typeof action>();
  return (
    <div className="p-6">
      <h1>{unit.tag}</h1>
      <ReadingField
        tag={unit.tag}
        components={loaderData.components}
        receipt={loaderData.receipt}
        typed={said?.typed}
      />
      {said && <p role="status">{said.says}</p>}
      <ul>
        {standings.map((s) => (
          <li key={s.component.id}>
            {s.component.name}: {s.says}
          </li>
        ))}
      </ul>
    </div>
  );
}
