// What a model is known by, where its keys are, and how the versions of its parts are read.
import { data, Form, Link, redirect } from "react-router";
import { SHOWN_WHERE } from "#core/dossier/identity.ts";
import { dossierHead, putIdentity, putPartReading } from "#db/dossier.ts";
import { appendLog } from "#db/log.ts";
import { renamePart } from "#db/parts.ts";
import { bringUpToDate } from "#db/work.ts";
import { mustBeAllowed, readInClub, writeInClub } from "../context.ts";
import { Baseline, baselineOf, useDrawn } from "../forms/baseline.tsx";
import { Input } from "../forms/input.tsx";
import { merge } from "../forms/merge.server.ts";
import { offlineValues } from "../forms/offline.ts";
import { KeyCard } from "../ui/key-card.tsx";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/identity-edit";
import { type IdentityValues, identityValues, readIdentity } from "./identity-form.ts";
import { mustHaveModel } from "./load-dossier.server.ts";
import { SourceFields } from "./shared-fields.tsx";

export const meta: Route.MetaFunction = () => [{ title: "What a model is known by · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-model");
  return readInClub(context, async (tx) => {
    const model = await mustHaveModel(tx, params.model);
    const head = await dossierHead(tx, model.id);
    return { model, parts: head.parts, layout: head.identity.layout, values: identityValues(head) };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const typed: IdentityValues = Object.fromEntries(
    [...(await request.formData())].map(([k, v]) => [k, String(v)]),
  );
  return writeInClub(context, async (tx) => {
    const model = await mustHaveModel(tx, params.model);
    const {
      values,
      errors: clashes,
      unchanged,
    } = await merge(tx, `identity ${model.id}`, typed, async () =>
      identityValues(await dossierHead(tx, model.id)),
    );
    const { parts } = await dossierHead(tx, model.id);
    const read = readIdentity(values, model.kind, parts);
    if ("errors" in read) return data({ values, errors: read.errors }, { status: 400 });
    if (Object.keys(clashes).length > 0) return data({ values, errors: clashes }, { status: 409 });
    if (unchanged) return redirect(`/models/${model.id}`);
    await putIdentity(tx, model.id, read.identity);
    const renamed = read.parts.filter((part) => parts.find((p) => p.id === part.id)?.name !== part.name);
    // Two parts may change names with each other: first out of the way, then to the new one.
    for (const part of renamed)
      await renamePart(tx, model.id, part.id, `${part.name} ${crypto.randomUUID()}`);
    for (const part of renamed) await renamePart(tx, model.id, part.id, part.name);
    for (const part of read.parts) await putPartReading(tx, part.id, part.reading);
    await appendLog(
      tx,
      { kind: "model-changed", name: model.name, what: "what it is known by" },
      { model: model.id },
    );
    // Which leads meet it hangs on its plugs.
    await bringUpToDate(tx, { of: "model", id: model.id }, model.name);
    return redirect(`/models/${model.id}`);
  });
}

export const clientAction = offlineValues;

export default function EditIdentity({ loaderData, actionData }: Route.ComponentProps) {
  const { model, parts, layout } = loaderData;
  const drawn = useDrawn(loaderData.values);
  const values = actionData?.values ?? drawn;
  const errors: IdentityValues = actionData?.errors ?? {};
  const seen = baselineOf(actionData?.values, drawn);
  const of = (name: string) => ({ name, value: values[name], error: errors[name] });
  const yesNo = [
    ["yes", "yes"],
    ["no", "no"],
  ] as const;
  return (
    <Page title={`What the ${model.name} is known by`}>
      <p className="mb-3">
        <Link className="link" to={`/models/${model.id}`}>
          Back to the {model.name}
        </Link>
      </p>
      <Form method="post" noValidate className="grid gap-x-8 gap-y-6 lg:grid-cols-2" key={seen}>
        <Baseline drawn={seen} />
        <fieldset className="flex flex-col gap-3">
          <legend className="mb-2 font-serif text-lg font-bold">
            Names and marks (parted by semicolons)
          </legend>
          <Input {...of("soldAs")} label="Also sold as" />
          <Input {...of("pickInTool")} label="What to pick in a tool where it is not listed" />
          <Input {...of("labels")} label="Texts on its label" mono />
          <Input {...of("screens")} label="Texts on its screen" mono />
          <Input {...of("plugs")} label="Plugs at the radio" />
          <div className="grid gap-3 sm:grid-cols-2">
            <SourceFields of={of} open />
          </div>
          {parts.map((part) => (
            <fieldset key={part.id} className="mt-2 border-t border-line pt-2">
              <legend className="float-left w-full font-semibold">How {part.name} is read</legend>
              <div className="clear-both grid gap-3 pt-1 sm:grid-cols-[8rem_9rem_minmax(0,1fr)]">
                <Input {...of(`name-${part.id}`)} label="The part's name" />
                <Input
                  {...of(`where-${part.id}`)}
                  label="Where it shows"
                  options={[["", "nobody knows"], ...SHOWN_WHERE.map((w) => [w, w] as const)]}
                />
                <Input {...of(`sample-${part.id}`)} label="Looks like" mono />
              </div>
              <div className="mt-2 flex flex-col gap-2">
                <Input {...of(`how-${part.id}`)} label="How" />
                <div className="grid gap-3 sm:grid-cols-2">
                  <SourceFields of={(name) => of(`${part.id}-${name}`)} open />
                </div>
              </div>
            </fieldset>
          ))}
        </fieldset>
        <fieldset className="flex flex-col gap-3">
          <legend className="mb-2 font-serif text-lg font-bold">Its keys, as a hand finds them</legend>
          <div className="grid grid-cols-3 gap-3">
            <Input {...of("screen")} label="Screen" options={yesNo} />
            <Input
              {...of("lamp")}
              label="Lamp"
              options={[
                ["top", "on top"],
                ["front", "in front"],
                ["none", "none"],
              ]}
            />
            <Input {...of("antenna")} label="Antenna" options={yesNo} />
          </div>
          <div className="grid grid-cols-2 gap-3">
            <Input {...of("knobs")} label="Knobs, left to right" mono />
            <Input {...of("top")} label="Keys on top" mono />
            <Input {...of("left")} label="Keys on the left side, from the top" mono />
            <Input {...of("right")} label="Keys on the right side" mono />
          </div>
          <Input {...of("rows")} label="Keys in front: a line a row" rows={5} mono />
          {layout && (
            <div className="[&_.key-card]:max-h-64">
              <KeyCard layout={layout} step={undefined} />
            </div>
          )}
        </fieldset>
        <button type="submit" className="btn btn-primary w-fit">
          Save
        </button>
      </Form>
    </Page>
  );
}
