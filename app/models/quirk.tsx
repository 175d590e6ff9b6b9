// A known oddity: what one sees, why, what helps; for which firmware, and whence it is known.
import { data, Form, Link, redirect } from "react-router";
import { shelveQuirk } from "#acts/shelve-quirk.ts";
import { writeQuirk } from "#acts/write-quirk.ts";
import { dossierHead, quirksOf } from "#db/dossier.ts";
import { revisionsOf } from "#db/models.ts";
import { mustBeAllowed, notFound, readInClub, writeInClub } from "../context.ts";
import { Baseline, baselineOf, useDrawn } from "../forms/baseline.tsx";
import { FormKey } from "../forms/form-key.tsx";
import { Input } from "../forms/input.tsx";
import { merge } from "../forms/merge.server.ts";
import { offlineValues } from "../forms/offline.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/quirk";
import { mustHaveModel } from "./load-dossier.server.ts";
import { quirkValues, readQuirk, type Values } from "./procedure-form.ts";
import { FirmwareFields, SourceFields } from "./shared-fields.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Oddity · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "write-procedure");
  return readInClub(context, async (tx) => {
    const model = await mustHaveModel(tx, params.model);
    const quirk = (await quirksOf(tx, model.id)).find((q) => q.id === params.quirk);
    if (params.quirk !== "new" && !quirk) throw notFound("This oddity");
    const { parts } = await dossierHead(tx, model.id);
    const values: Values = quirk ? quirkValues(quirk) : { sourceKind: "bench" };
    return { model, parts, known: quirk !== undefined, values };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  const typed: Values = Object.fromEntries([...form].map(([name, value]) => [name, String(value)]));
  return writeInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const there = redirect(`/models/${model.id}#quirks`);
    const load = async () => (await quirksOf(tx, model.id)).find((q) => q.id === params.quirk);
    const {
      values,
      errors: clashes,
      unchanged,
    } = await merge(tx, `quirk ${params.quirk}`, typed, async () => {
      const stands = await load();
      return stands && quirkValues(stands);
    });
    const quirk = await load();
    if (params.quirk !== "new" && !quirk) throw notFound("This oddity");
    if (quirk && values.intent === "shelve") {
      const done = await performForm(tx, shelveQuirk, who, form, { model: model.id, quirk: quirk.id });
      return done.ok ? there : data({ values, errors: REFUSED }, { status: 400 });
    }
    const { parts, identity } = await dossierHead(tx, model.id);
    const known = { layout: identity.layout, parts, revisions: await revisionsOf(tx, model.id) };
    const { errors, fields } = readQuirk(values, known);
    if (!fields) return data({ values, errors }, { status: 400 });
    if (Object.keys(clashes).length > 0) return data({ values, errors: clashes }, { status: 409 });
    if (unchanged) return there;
    const { component_id: component, ...rest } = fields;
    const done = await performForm(tx, writeQuirk, who, form, {
      ...rest,
      component,
      model: model.id,
      quirk: quirk?.id,
    });
    return done.ok ? there : data({ values, errors: REFUSED }, { status: 400 });
  });
}

const REFUSED: Values = { symptom: NOT_WHOLE };

export const clientAction = offlineValues;

export default function Quirk({ loaderData, actionData }: Route.ComponentProps) {
  const { model } = loaderData;
  const drawn = useDrawn(loaderData.values);
  const values: Values = actionData?.values ?? drawn;
  const errors: Record<string, string> = actionData?.errors ?? {};
  const seen = baselineOf(actionData?.values, drawn);
  const of = (name: string) => ({ name, value: values[name], error: errors[name] });
  return (
    <Page title={`An oddity of the ${model.name}`}>
      <p className="mb-3">
        <Link className="link" to={`/models/${model.id}#quirks`}>
          Back to the {model.name}
        </Link>
      </p>
      <Form method="post" noValidate className="flex max-w-2xl flex-col gap-3" key={seen}>
        <FormKey />
        <Baseline drawn={seen} />
        <Input {...of("symptom")} label="What one sees or hears" rows={2} />
        <Input {...of("cause")} label="Why (if anybody knows)" rows={2} />
        <Input {...of("cure")} label="What helps" rows={2} />
        <FirmwareFields of={of} parts={loaderData.parts} />
        <SourceFields of={of} />
        <div className="flex items-center gap-4">
          <button type="submit" name="intent" value="save" className="btn btn-primary">
            Save
          </button>
          {loaderData.known && (
            <button type="submit" name="intent" value="shelve" className="link text-sm">
              Shelve it
            </button>
          )}
        </div>
      </Form>
    </Page>
  );
}
