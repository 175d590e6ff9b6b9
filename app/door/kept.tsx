// After a session had ended in the middle of a form: what was typed, and one press to save it now.
import { Form, Link } from "react-router";
import { seenIn } from "../frame/meanwhile.server.ts";
import { DRAWN_FOR, SEEN } from "../ui/meanwhile.tsx";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/kept";
import { ownPath, unpackKept } from "./pack.server.ts";

const HIDDEN = new Set(["intent", "receipt", SEEN, DRAWN_FOR]);

/** Of a form that corrects something only what was changed in it: the rest is as it was. */
function typedIn(fields: readonly (readonly [string, string])[]) {
  const seen = seenIn(fields.find(([name]) => name === SEEN)?.[1]);
  return fields.filter(([name, value]) => !HIDDEN.has(name) && value !== (seen?.[name] ?? ""));
}

export function loader({ request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const fields = unpackKept(search.get("kept") ?? "");
  return { to: ownPath(search.get("to")), fields, typed: typedIn(fields) };
}

export default function Kept({ loaderData }: Route.ComponentProps) {
  const { to, fields, typed } = loaderData;
  return (
    <Page
      title="Not saved yet"
      says="Your session had ended before this could be saved. It is as you typed it."
    >
      <Form method="post" action={to} className="sheet max-w-xl p-4">
        <dl className="mb-4 grid grid-cols-[8rem_1fr] gap-2">
          {typed.map(([name, value]) => (
            <div key={name + value} className="contents">
              <dt className="text-quiet">{name}</dt>
              <dd className="ver break-all">{value || "emptied"}</dd>
            </div>
          ))}
        </dl>
        {fields.map(([name, value]) => (
          <input key={name + value} type="hidden" name={name} value={value} />
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
