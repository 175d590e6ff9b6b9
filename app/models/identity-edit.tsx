// What a model is known by, where its keys are, and how the versions of its parts are read.
import { Link, redirect } from "react-router";
import { writeIdentity } from "#acts/model/write-identity.ts";
import { IDENTITY_FACTS, SHOWN_WHERE } from "#core/dossier/index.ts";
import { fieldsOf, mapped } from "#core/quantities/index.ts";
import { dossierHead } from "#db/model/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { textsIn } from "../forms/merge.server.ts";
import { offlineForm } from "../forms/offline.ts";
import { saveForm } from "../forms/save.server.ts";
import { refuseForm } from "../shared/refusals.server.ts";
import { KeyCard } from "../ui/key-card.tsx";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/identity-edit";
import { identityValues, readIdentity } from "./identity-form.ts";
import { mustHaveModel } from "./load-dossier.server.ts";
import { SourceFields } from "./procedure/shared-fields.tsx";

export const meta: Route.MetaFunction = () => [{ title: "What a model is known by · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-model");
  return readInClub(context, async (tx) => {
    const model = await mustHaveModel(tx, params.model);
    const head = await dossierHead(tx, model.id);
    return {
      model,
      parts: head.parts,
      layout: head.identity.layout,
      facts: fieldsOf(IDENTITY_FACTS),
      where: SHOWN_WHERE,
      values: identityValues(head),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const head = () => dossierHead(tx, model.id);
    const { parts } = await head();
    const done = await saveForm(writeIdentity, who, form, {
      read: (sent) =>
        mapped(readIdentity(textsIn(sent), model.kind, parts), (read) => ({
          model: model.id,
          identity: read.identity,
          parts: Object.fromEntries(read.parts.map(({ id, name, reading }) => [id, { name, reading }])),
        })),
      drawn: async () => identityValues(await head()),
    });
    if (done.ok) return redirect(`/models/${model.id}`);
    return refuseForm(form, done.problem, {
      "names-twice": "Two of its parts have the same name: each needs its own.",
    });
  });
}

export const clientAction = offlineForm;

export default function EditIdentity({ loaderData, actionData }: Route.ComponentProps) {
  const { model, parts, layout } = loaderData;
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
      <PostForm
        lastResult={actionData}
        submit="Save"
        defaults={loaderData.values}
        className="flex flex-col gap-6"
      >
        {(fields) => (
          <div className="grid gap-x-8 gap-y-6 lg:grid-cols-2">
            <fieldset className="flex flex-col gap-3">
              <legend className="mb-2 font-serif text-lg font-bold">
                Names and marks (parted by semicolons)
              </legend>
              {loaderData.facts.map(({ name, label, mono, most }) => (
                <Field key={name} of={fields[name]} label={label} mono={mono ?? false} most={most} />
              ))}
              <div className="grid gap-3 sm:grid-cols-2">
                <Field of={fields.btShows} label="Over Bluetooth it shows as" mono />
                <Field
                  of={fields.btReset}
                  label="Bluetooth built in"
                  options={[
                    ["", "none, or nobody knows"],
                    ["unknown", "yes"],
                    ["off", "yes; a reset leaves it off"],
                    ["on", "yes; a reset leaves it on"],
                  ]}
                />
              </div>
              <div className="grid gap-3 sm:grid-cols-2">
                <SourceFields of={(name) => fields[name]} open />
              </div>
              {parts.map((part) => (
                <fieldset key={part.id} className="mt-2 border-t border-line pt-2">
                  <legend className="float-left w-full font-semibold">How {part.name} is read</legend>
                  <div className="clear-both grid gap-3 pt-1 sm:grid-cols-[8rem_9rem_minmax(0,1fr)]">
                    <Field of={fields[`name-${part.id}`]} label="The part's name" />
                    <Field
                      of={fields[`where-${part.id}`]}
                      label="Where it shows"
                      options={[["", "nobody knows"], ...loaderData.where.map((w) => [w, w] as const)]}
                    />
                    <Field of={fields[`sample-${part.id}`]} label="Looks like" mono />
                  </div>
                  <div className="mt-2 flex flex-col gap-2">
                    <Field of={fields[`how-${part.id}`]} label="How" />
                    <div className="grid gap-3 sm:grid-cols-2">
                      <SourceFields of={(name) => fields[`${part.id}-${name}`]} open />
                    </div>
                  </div>
                </fieldset>
              ))}
            </fieldset>
            <fieldset className="flex flex-col gap-3">
              <legend className="mb-2 font-serif text-lg font-bold">
                Its keys, as a hand finds them (parted by commas)
              </legend>
              <div className="grid grid-cols-3 gap-3">
                <Field of={fields.screen} label="Screen" options={yesNo} />
                <Field
                  of={fields.lamp}
                  label="Lamp"
                  options={[
                    ["top", "on top"],
                    ["front", "in front"],
                    ["none", "none"],
                  ]}
                />
                <Field of={fields.antenna} label="Antenna" options={yesNo} />
              </div>
              <div className="grid grid-cols-2 gap-3">
                <Field of={fields.knobs} label="Knobs, left to right" mono />
                <Field of={fields.top} label="Keys on top" mono />
                <Field of={fields.left} label="Keys on the left side, from the top" mono />
                <Field of={fields.right} label="Keys on the right side" mono />
              </div>
              <Field of={fields.rows} label="Keys in front: a line a row" rows={5} mono />
              {layout && (
                <div className="[&_.key-card]:max-h-64">
                  <KeyCard layout={layout} step={undefined} />
                </div>
              )}
            </fieldset>
          </div>
        )}
      </PostForm>
    </Page>
  );
}
