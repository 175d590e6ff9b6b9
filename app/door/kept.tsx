// After a session had ended in the middle of a form: what was typed, and one press to save it now.
import { Form, Link } from "react-router";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/kept";
import { ownPath, unpackKept } from "./pack.ts";

const HIDDEN = new Set(["intent", "receipt"]);

export function loader({ request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  return { to: ownPath(search.get("to")), fields: unpackKept(search.get("kept") ?? "") };
}

export default function Kept({ loaderData }: Route.ComponentProps) {
  const { to, fields } = loaderData;
  return (
    <Page
      title="Not saved yet"
      says="Your session had ended before this could be saved. It is as you typed it."
    >
      <Form method="post" action={to} className="sheet max-w-xl p-4">
        <dl className="mb-4 grid grid-cols-[8rem_1fr] gap-2">
          {fields
            .filter(([name]) => !HIDDEN.has(name))
            .map(([name, value]) => (
              <div key={name} className="contents">
                <dt className="text-quiet">{name}</dt>
                <dd className="ver break-all">{value}</dd>
              </div>
            ))}
        </dl>
        {fields.map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        <button type="submit" className="btn btn-primary">
          Save it now
        </button>{" "}
        <Link className="link ml-3" to={to}>
          Leave it
        </Link>
      </Form>
    </Page>
  );
}
