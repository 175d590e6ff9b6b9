// The club's limits for harmonics: its own entries, each with where it has it from. No one's law.
import { limitsOf } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Caution } from "../ui/caution.tsx";
import { useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { sayLimit } from "../ui/words/mode.ts";
import type { Route } from "./+types/limits";

export const meta: Route.MetaFunction = () => [{ title: "Limits · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

export async function loader({ context }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx) => ({ limits: await limitsOf(tx) }));
}

export default function Limits({ loaderData }: Route.ComponentProps) {
  const mayEdit = useMay("edit-club");
  return (
    <Page
      title="Limits for harmonics"
      says="our own entries, and no one's law"
      acts={
        mayEdit && (
          <Go to="/club/limits/new" className="btn btn-primary btn-sm">
            Add one
          </Go>
        )
      }
    >
      {loaderData.limits.length === 0 && (
        <p className="doubt w-fit p-5">None yet: what a meter shows of harmonics is held against nothing.</p>
      )}
      <ul className="sheet max-w-3xl divide-y divide-line empty:hidden">
        {loaderData.limits.map((limit) => (
          <li key={limit.id} className="flex flex-wrap items-baseline justify-between gap-x-6 px-4 py-2.5">
            <div>
              <p>
                <strong>{limit.name}</strong>: {sayLimit(limit)}
              </p>
              <p className="text-sm text-quiet">From: {limit.source}</p>
            </div>
            {mayEdit && (
              <Go
                to={`/club/limits/${limit.id}`}
                className="link text-sm"
                aria-label={`Correct ${limit.name}`}
              >
                Correct
              </Go>
            )}
          </li>
        ))}
      </ul>
      <div className="mt-4">
        <Caution of="measuring" />
      </div>
    </Page>
  );
}
