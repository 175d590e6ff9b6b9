// After a session had ended in the middle of a form: what was typed, each field as a difference, and one press to save it now.
import { Form, Link } from "react-router";
import { orAway } from "../away.server.ts";
import { signedIn } from "../context.ts";
import { BASELINE, DRAWN_FOR } from "../forms/baseline.tsx";
import { KEY } from "../forms/form-key.tsx";
import { baselineIn } from "../forms/merge.server.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/kept";
import { keptForm, ownPath } from "./pack.server.ts";

/** What only ties the form to what it was drawn from; the rest of what it sends is shown. */
const TIES = new Set([KEY, BASELINE, DRAWN_FOR]);

/** Field by field: what it was drawn with, where that is known, and what it would become. */
function differences(fields: readonly (readonly [string, string])[]) {
  const seen = baselineIn(fields.find(([name]) => name === BASELINE)?.[1]);
  return (
    fields
      .filter(([name]) => !TIES.has(name))
      // Nothing typed into a field that was drawn empty says nothing.
      .filter(([name, value]) => value !== "" || seen === undefined || (seen[name] ?? "") !== "")
      .map(([name, value]) => ({ name, value, was: seen?.[name], same: value === seen?.[name] }))
  );
}

export const meta = () => [{ title: "What was typed and not saved · Mossy Cabinet" }];

export async function loader({ request, context }: Route.LoaderArgs) {
  const { club, person } = signedIn(context);
  const search = new URL(request.url).searchParams;
  const to = ownPath(search.get("to"));
  const fields = await orAway(
    keptForm(search.get("kept") ?? "", { club, person, path: to, now: Date.now() }),
  );
  return { to, fields, shown: fields && differences(fields) };
}

export default function Kept({ loaderData }: Route.ComponentProps) {
  const { to, fields, shown } = loaderData;
  if (!fields || !shown)
    return (
      <Page
        title="Nothing is kept here for you"
        says="What was typed when a session ends is kept for the one who typed it, for an hour. This address holds nothing of yours."
      >
        <Link className="link" to="/cabinet">
          To the Cabinet
        </Link>
      </Page>
    );
  const changed = shown.filter((field) => !field.same);
  const same = shown.filter((field) => field.same);
  return (
    <Page
      title="Not saved yet"
      says={`Your session had ended before this could be saved. It goes to ${to}, as you typed it.`}
    >
      <Form method="post" action={to} className="sheet max-w-2xl p-4">
        <Fields of={changed} />
        {same.length > 0 && (
          <details className="mb-4 text-sm">
            <summary className="cursor-pointer">The rest of the form, which stays as it was</summary>
            <Fields of={same} />
          </details>
        )}
        {fields.map(([name, value], i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a form may send the same twice, and its order is fixed
          <input key={i} type="hidden" name={name} value={value} />
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

function Fields(props: {
  readonly of: readonly { readonly name: string; readonly value: string; readonly was: string | undefined }[];
}) {
  return (
    <dl className="my-3 grid grid-cols-[8rem_1fr] gap-2">
      {props.of.map(({ name, value, was }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a form may send the same twice, and its order is fixed
        <div key={i} className="contents">
          <dt className="text-quiet">{name}</dt>
          <dd className="ver break-all whitespace-pre-wrap">
            {was !== undefined && was !== value && (
              <>
                <del className="text-quiet">{was || "nothing"}</del>{" "}
              </>
            )}
            <ins className="no-underline">{value || "emptied"}</ins>
          </dd>
        </div>
      ))}
    </dl>
  );
}
