// Models: every kind of radio we have, how many, how many are due.

import { Link } from "react-router";
import { listed } from "#core/quantities/index.ts";
import { models } from "#db/model/index.ts";
import { readInClub } from "../context.ts";
import { useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/models";

export const meta: Route.MetaFunction = () => [{ title: "Models · Mossy Cabinet" }];

export const handle = { follows: ["need", "model"] };

export async function loader({ context }: Route.LoaderArgs) {
  return { models: await readInClub(context, (tx, who) => models(tx, who.today)) };
}

export default function Models({ loaderData }: Route.ComponentProps) {
  const mayEdit = useMay("edit-model");
  return (
    <Page
      title="Models"
      says={`${counted(loaderData.models.length, "kind")} of radio`}
      acts={
        <>
          <Link to="/models/which" className="link self-center text-sm">
            Which model is this?
          </Link>
          {mayEdit && (
            <>
              <Link to="/models/bring-in" className="btn btn-outline btn-primary btn-sm">
                Bring in a dossier
              </Link>
              <Link to="/models/new" className="btn btn-primary btn-sm">
                Add a model
              </Link>
            </>
          )}
        </>
      }
    >
      {loaderData.models.length === 0 && <p className="doubt w-fit p-5">No model is known yet.</p>}
      <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
        {loaderData.models.map((model) => (
          <li key={model.id} className="sheet flex flex-col p-4">
            <h2>
              <Link to={`/models/${model.id}`} className="hover:underline">
                {model.name}
              </Link>{" "}
              <span className="font-sans text-sm font-normal text-quiet">
                {model.maker}, {model.kind}
              </span>
            </h2>
            <p className="mt-1 mb-2 line-clamp-2 text-sm text-quiet">{model.note}</p>
            <p className="mt-auto text-sm">
              {counted(model.units, "unit")}
              {model.due > 0 && (
                <>
                  ,{" "}
                  <Link className="link" to={`/due?model=${model.id}`}>
                    {model.due} due
                  </Link>
                </>
              )}
              . {counted(model.releases, "release")} of {listed(model.components)}.
            </p>
          </li>
        ))}
      </ul>
    </Page>
  );
}
