// Writing a procedure: what it is for, whence it is known, and its steps in the step editor.
import { data, Form, Link, redirect } from "react-router";
import { writeProcedure } from "#acts/write-procedure.ts";
import { EFFECTS, PURPOSES } from "#core/dossier/procedure.ts";
import { dossierHead, procedureById } from "#db/dossier.ts";
import { revisionsOf } from "#db/models.ts";
import type { Tx } from "#db/pool.ts";
import { mustBeAllowed, notFound, readInClub, writeInClub } from "../context.ts";
import { Baseline, baselineOf, useDrawn } from "../forms/baseline.tsx";
import { FormKey } from "../forms/form-key.tsx";
import { Input } from "../forms/input.tsx";
import { merge } from "../forms/merge.server.ts";
import { offlineValues } from "../forms/offline.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { Page } from "../ui/page.tsx";
import { listed } from "../ui/words/count.ts";
import { EFFECT_WORD, PURPOSE_WORD } from "../ui/words/step.ts";
import type { Route } from "./+types/procedure-edit";
import { modelIdOf, mustHaveModel } from "./load-dossier.server.ts";
import { type Known, procedureValues, readProcedure, type Values } from "./procedure-form.ts";
import { FirmwareFields, SourceFields } from "./shared-fields.tsx";
import { StepEditor } from "./step-editor.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Procedure · Mossy Cabinet" }];

const NEW: Values = { purpose: "update-mode", effect: "harmless", minutes: "5", sourceKind: "bench" };

async function load(tx: Tx, modelId: string | undefined, id: string | undefined) {
  const model = await mustHaveModel(tx, modelId);
  const procedure = id === "new" ? undefined : await procedureById(tx, model.id, modelIdOf(id));
  if (id !== "new" && !procedure) throw notFound("This procedure");
  const { identity, parts } = await dossierHead(tx, model.id);
  const known: Known = { layout: identity.layout, parts, revisions: await revisionsOf(tx, model.id) };
  return { model, procedure, known };
}

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "write-procedure");
  return readInClub(context, async (tx) => {
    const { model, procedure, known } = await load(tx, params.model, params.procedure);
    return {
      model,
      known,
      title: procedure?.title,
      values: procedure ? procedureValues(procedure, known.revisions) : NEW,
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  const typed: Values = Object.fromEntries([...form].map(([name, value]) => [name, String(value)]));
  return writeInClub(context, async (tx, who) => {
    const what = `procedure ${params.model} ${params.procedure}`;
    const {
      values,
      errors: clashes,
      unchanged,
    } = await merge(tx, what, typed, async () => {
      const { procedure, known } = await load(tx, params.model, params.procedure);
      return procedure && procedureValues(procedure, known.revisions);
    });
    const { model, procedure, known } = await load(tx, params.model, params.procedure);
    const { errors, fields } = readProcedure(values, known, values.intent === "draft");
    if (!fields) return data({ values, errors }, { status: 400 });
    if (Object.keys(clashes).length > 0) return data({ values, errors: clashes }, { status: 409 });
    if (unchanged && procedure && procedure.draft === fields.draft)
      return redirect(`/models/${model.id}/procedures/${procedure.id}`);
    const { component_id: component, hardware_revisions: revisions, ...rest } = fields;
    const done = await performForm(tx, writeProcedure, who, form, {
      ...rest,
      component,
      revisions,
      model: model.id,
      procedure: procedure?.id,
    });
    if (done.ok) return redirect(`/models/${model.id}/procedures/${done.value.answer.procedure}`);
    const many =
      done.problem.kind === "input" && done.problem.issues.some((issue) => issue.field === "steps");
    const says = many ? "At most 100 steps." : NOT_WHOLE;
    return data({ values, errors: { steps: says } as Values }, { status: 400 });
  });
}

export const clientAction = offlineValues;

export default function EditProcedure({ loaderData, actionData }: Route.ComponentProps) {
  const { model, known } = loaderData;
  const drawn = useDrawn(loaderData.values);
  const values: Values = actionData?.values ?? drawn;
  const errors: Record<string, string> = actionData?.errors ?? {};
  const seen = baselineOf(actionData?.values, drawn);
  const of = (name: string) => ({ name, value: values[name], error: errors[name] });
  return (
    <Page title={loaderData.title ?? `How to do something with the ${model.name}`}>
      <p className="mb-3">
        <Link className="link" to={`/models/${model.id}#procedures`}>
          Back to the {model.name}
        </Link>
      </p>
      <Form method="post" noValidate className="flex flex-col gap-4" key={seen}>
        <FormKey />
        <Baseline drawn={seen} />
        <div className="grid gap-3 md:grid-cols-[minmax(0,1fr)_13rem_13rem_6rem]">
          <Input {...of("title")} label="What it does, in a few words" />
          <Input {...of("purpose")} label="Purpose" options={PURPOSES.map((p) => [p, PURPOSE_WORD[p]])} />
          <Input
            {...of("effect")}
            label="Beside that, it"
            options={EFFECTS.map((e) => [e, EFFECT_WORD[e]])}
          />
          <Input {...of("minutes")} label="Minutes" type="number" />
        </div>
        <StepEditor initial={values.steps ?? ""} layout={known.layout} trouble={errors.steps} />
        <div className="grid gap-3 md:grid-cols-2 xl:grid-cols-4">
          <FirmwareFields of={of} parts={known.parts} />
          {known.revisions.length > 0 && (
            <Input
              {...of("revisions")}
              label={`Only for hardware (${listed(known.revisions.map((r) => r.name))}; empty: all)`}
            />
          )}
          <SourceFields of={of} />
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <button type="submit" name="intent" value="save" className="btn btn-primary">
            Save
          </button>
          {errors.steps && (
            <>
              <button type="submit" name="intent" value="draft" className="btn btn-outline btn-error">
                Save as a draft
              </button>
              <span className="text-sm text-rust" role="alert">
                {errors.steps} A draft is kept, but is not to be used.
              </span>
            </>
          )}
        </div>
      </Form>
    </Page>
  );
}
