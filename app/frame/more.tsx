// What a phone's strip has no room for: the other areas, the finder, adding a radio, checking a file, oneself.
import { Link } from "react-router";
import { signedIn } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/more";
import { type Area, areasOf, IN_STRIP } from "./areas.ts";
import { CHECK_FILE } from "./check-file.tsx";

export const meta: Route.MetaFunction = () => [{ title: "More · Mossy Cabinet" }];

export function loader({ context }: Route.LoaderArgs) {
  return { name: signedIn(context).name };
}

const LINE = "flex min-h-12 items-center px-4 font-semibold hover:bg-base-200";

export default function More({ loaderData }: Route.ComponentProps) {
  const { role } = useClub();
  const mayAdd = useMay("edit-unit");
  const mayImport = useMay("import-units");
  const acts: Area[] = [
    { to: "/find", name: "Find a radio, a model, a lead or a page" },
    ...(mayAdd ? [{ to: "/units/new", name: "Add a radio" }] : []),
    ...(mayImport ? [{ to: "/import", name: "Bring in units from a spreadsheet" }] : []),
  ];
  return (
    <Page title="More">
      <div className="grid max-w-3xl gap-5 sm:grid-cols-2">
        <Lines title="To do" lines={acts}>
          <li>
            <label htmlFor={CHECK_FILE} className={`${LINE} cursor-pointer`}>
              Check a file
            </label>
          </li>
        </Lines>
        <Lines
          title="Places"
          lines={[
            ...areasOf(role).slice(IN_STRIP),
            { to: "/club", name: "Club" },
            { to: "/keys", name: "Help and keys" },
            { to: "/manual", name: "Manual" },
          ]}
        />
        <Lines title={loaderData.name} lines={[{ to: "/me", name: "My page" }]}>
          <li>
            <ActForm action="/sign-out">
              <button type="submit" className={`${LINE} w-full text-left`}>
                Sign out
              </button>
            </ActForm>
          </li>
        </Lines>
      </div>
    </Page>
  );
}

function Lines(props: {
  readonly title: string;
  readonly lines: readonly Area[];
  readonly children?: React.ReactNode;
}) {
  return (
    <section>
      <h2 className="mb-1.5">{props.title}</h2>
      <ul className="sheet divide-y divide-line">
        {props.lines.map(({ to, name }) => (
          <li key={to}>
            <Link to={to} className={LINE}>
              {name}
            </Link>
          </li>
        ))}
        {props.children}
      </ul>
    </section>
  );
}
