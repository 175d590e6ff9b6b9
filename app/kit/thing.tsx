// One thing of the kit: added, corrected, shelved. Every kind has the same page, with its own fields.
import { data, Form, Link, redirect } from "react-router";
import { isDuplicate } from "#db/pool.ts";
import { idIn, mustBeAllowed, notFound, readInClub, writeInClub } from "../context.ts";
import { Baseline, baselineOf, useDrawn } from "../forms/baseline.tsx";
import { Input } from "../forms/input.tsx";
import { merge } from "../forms/merge.server.ts";
import { offlineValues } from "../forms/offline.ts";
import { strike, triesOf } from "../shared/note-try.server.ts";
import { ConnectorPicture } from "../ui/connector.tsx";
import { Page } from "../ui/page.tsx";
import { listed } from "../ui/words/count.ts";
import type { Route } from "./+types/thing";
import { KINDS } from "./kinds/kinds.ts";
import { BEGIN, kindNamed, loadKnown, saveThing, shelve, valuesOf } from "./load-thing.server.ts";
import type { Values } from "./reader.ts";
import { Tries } from "./tries.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? "Kit"} · Mossy Cabinet` },
];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-kit");
  const name = kindNamed(params.kind);
  if (!name) throw notFound("This kind of thing");
  return readInClub(context, async (tx) => {
    const known = await loadKnown(tx);
    const values: Values | undefined =
      params.id === "new"
        ? (BEGIN[name] ?? {})
        : (await valuesOf(tx, name, known)).find((row) => row.id === params.id);
    if (!values) throw notFound(`This ${KINDS[name].one}`);
    const kind = KINDS[name];
    const title = params.id === "new" ? `A new ${kind.one}` : `${values[kind.name] ?? kind.one}`;
    return {
      kind: name,
      title,
      known,
      values,
      isNew: params.id === "new",
      tries: params.id === "new" ? [] : await triesOf(tx, name, params.id),
      shape: name === "connectors" ? (values.shape ?? "") : undefined,
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-kit");
  const name = kindNamed(params.kind);
  if (!name) throw notFound("This kind of thing");
  const kind = KINDS[name];
  const form = await request.formData();
  const typed: Values = Object.fromEntries([...form].map(([k, v]) => [k, String(v)]));
  let values = typed;
  const id = idIn(params.id, `This ${kind.one}`);
  try {
    return await writeInClub(context, async (tx, who) => {
      if (id !== undefined && values.intent === "strike") {
        const thing = (await valuesOf(tx, name, await loadKnown(tx))).find((row) => row.id === id);
        const trouble = await strike(tx, who, thing?.[kind.name] ?? kind.one, form);
        return trouble
          ? data({ values: undefined, errors: { tries: trouble } as Values }, { status: 400 })
          : redirect(`/kit/${name}/${id}#tries`);
      }
      if (id !== undefined && values.intent === "shelve") {
        const users = await shelve(tx, kind, id, values[kind.name] ?? "");
        if (users.length > 0) {
          const still: Values = {
            [kind.name]: `It cannot be shelved: ${listed(users, 6)} still ${users.length === 1 ? "has" : "have"} it.`,
          };
          return data({ values, errors: still }, { status: 400 });
        }
        return redirect(`/kit/own#${name}`);
      }
      const held = await merge(tx, `${name} ${id}`, typed, async () => {
        const rows = id === undefined ? [] : await valuesOf(tx, name, await loadKnown(tx));
        const row = rows.find((one) => one.id === id);
        // Beside its fields a row holds what they are called in the inventory.
        return row && Object.fromEntries(kind.fields.map((field) => [field.name, row[field.name] ?? ""]));
      });
      values = held.values;
      if (Object.keys(held.errors).length > 0)
        return data({ values, errors: held.errors as Values }, { status: 409 });
      if (held.unchanged) return redirect(`/kit/own#${name}`);
      const saved = await saveThing(tx, kind, id, values);
      if ("errors" in saved) return data({ values, errors: saved.errors }, { status: 400 });
      if (saved.id === "") throw notFound(`This ${kind.one}`);
      // Quick entry goes on where it was: the next one is typed at once.
      return redirect(values.intent === "next" ? `/kit/own?added=${name}#${name}` : `/kit/own#${name}`);
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const taken: Values = { [kind.name]: `There is another ${kind.one} of this ${kind.name} already.` };
    return data({ values, errors: taken }, { status: 400 });
  }
}

export const clientAction = offlineValues;

export default function Thing({ loaderData, actionData }: Route.ComponentProps) {
  const kind = KINDS[loaderData.kind];
  const drawn = useDrawn(loaderData.values);
  const values: Values = actionData?.values ?? drawn;
  const errors: Values = actionData?.errors ?? {};
  return (
    <Page title={loaderData.title} says={kind.many}>
      <p className="mb-3">
        <Link className="link" to={`/kit/own#${loaderData.kind}`}>
          Back to the inventory
        </Link>
      </p>
      <div className="flex flex-wrap items-start gap-8">
        <Form
          method="post"
          noValidate
          className="grid max-w-2xl grow gap-3 sm:grid-cols-2"
          key={JSON.stringify(values)}
        >
          <Baseline drawn={baselineOf(actionData?.values, drawn)} />
          {kind.fields.map((field) => (
            <div key={field.name} className={"rows" in field && field.rows ? "sm:col-span-2" : ""}>
              <Input
                name={field.name}
                label={field.label}
                value={values[field.name]}
                error={errors[field.name]}
                {...("mono" in field && field.mono ? { mono: true } : {})}
                {...("rows" in field && field.rows ? { rows: field.rows } : {})}
                {...("options" in field && field.options ? { options: field.options(loaderData.known) } : {})}
              />
            </div>
          ))}
          <div className="mt-2 flex items-center gap-5 sm:col-span-2">
            <button type="submit" name="intent" value="save" className="btn btn-primary">
              Save
            </button>
            {!loaderData.isNew && (
              <button type="submit" name="intent" value="shelve" className="link text-sm">
                Shelve it
              </button>
            )}
          </div>
        </Form>
        {loaderData.shape && (
          <div className="sheet w-44 p-3">
            <ConnectorPicture shape={loaderData.shape} pins={Number(values.pins) || undefined} />
          </div>
        )}
      </div>
      <Tries tries={loaderData.tries} trouble={errors.tries} />
    </Page>
  );
}
