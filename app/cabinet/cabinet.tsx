// The wall.
import { Link } from "react-router";
import { wallUnits } from "#db/units.ts";
import { inClub } from "../context.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/cabinet";

export const meta: Route.MetaFunction = () => [{ title: "Cabinet · Mossy Cabinet" }];

export async function loader({ context }: Route.LoaderArgs) {
  return { units: await inClub(context, wallUnits) };
}

export default function Cabinet({ loaderData }: Route.ComponentProps) {
  return (
    <Page title="Cabinet">
      <ul>
        {loaderData.units.map((unit) => (
          <li key={unit.id}>
            <Link className="link tag" to={`/units/${encodeURIComponent(unit.tag)}`}>
              {unit.tag}
            </Link>{" "}
            {unit.model}
          </li>
        ))}
      </ul>
    </Page>
  );
}
