// Writing a procedure: what it is for, whence it is known, and its steps in the step editor.

import { writeProcedure } from "#acts/model/write-procedure.ts";
import { EFFECTS, PURPOSES } from "#core/dossier/index.ts";
import { listed, mapped } from "#core/quantities/index.ts";
import { dossierHead, procedureById, revisionsOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { mustBeAllowed, notAllowed, notFound, readInClub } from "../../context.ts";
import { boundsOf } from "../../forms/edit/bounds.server.ts";
import { EditOne } from "../../forms/edit/edit-one.tsx";
import { Field } from "../../forms/field.tsx";
import { textsIn } from "../../forms/merge.server.ts";
import { offlineForm } from "../../forms/offline.ts";
import { editOne } from "../../shared/edit/edit-one.server.ts";
import { shownTo } from "../../shared/guarded.server.ts";
import { besideField, isGone } from "../../shared/refusals.server.ts";
import { EFFECT_WORD, PURPOSE_WORD } from "../../ui/words/step.ts";
import { modelIdOf, mustHaveModel } from "../load-dossier.server.ts";
import type { Route } from "./+types/procedure-edit";
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
  return readInClub(context, async (tx, who) => {
    const { model, procedure, known } = await load(tx, params.model, params.procedure);
    // Whoever corrects it sees it.
    if (procedure && (await shownTo(who, model.id, procedure)).hidden) throw notAllowed("see-unlocking");
    return {
      model,
      title: procedure?.title,
      known: procedure !== undefined,
      values: procedure ? procedureValues(procedure, known.revisions) : NEW,
      bounds: boundsOf(writeProcedure),
      dossier: known,
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const { model, procedure, known } = await load(tx, params.model, params.procedure);
    const draft = form.get("intent") === "draft";
    return editOne(who, form, {
      write: writeProcedure,
      there: `/models/${model.id}`,
      saved: ({ procedure: id }) => `/models/${model.id}/procedures/${id}`,
      own: {
        "no-procedure": isGone("This procedure"),
        "no-revision": besideField("revisions", "This model has no such hardware revision."),
      },
      read: (sent, isBaseline) =>
        mapped(readProcedure(textsIn(sent), known, draft || isBaseline), (fields) => ({
          ...fields,
          model: model.id,
          procedure: procedure?.id,
        })),
      drawn: async () => {
        const now = procedure && (await procedureById(tx, model.id, procedure.id));
        return now && procedureValues(now, known.revisions);
      },
    });
  });
}

export const clientAction = offlineForm;

export default function EditProcedure({ loaderData, actionData }: Route.ComponentProps) {
  const { model, dossier } = loaderData;
  const trouble = actionData?.error?.steps?.join(" ");
  return (
    <EditOne
      title={loaderData.title ?? `How to do something with the ${model.name}`}
      back={{ to: `/models/${model.id}#procedures`, says: `Back to the ${model.name}` }}
      loaded={loaderData}
      lastResult={actionData}
      width="max-w-none"
      buttons={<Buttons trouble={trouble} />}
    >
      {(fields) => (
        <>
          <div className="grid gap-3 md:grid-cols-[minmax(0,1fr)_13rem_13rem_6rem]">
            <Field of={fields.title} label="What it does, in a few words" />
            <Field
              of={fields.purpose}
              label="Purpose"
              options={PURPOSES.map((p) => [p, PURPOSE_WORD[p]] as const)}
            />
            <Field
              of={fields.effect}
              label="Beside that, it"
              options={EFFECTS.map((e) => [e, EFFECT_WORD[e]] as const)}
            />
            <Field of={fields.minutes} label="Minutes" type="number" />
          </div>
          <StepEditor
            initial={String(fields.steps?.initialValue ?? "")}
            layout={dossier.layout}
            trouble={trouble}
          />
          <div className="grid gap-3 md:grid-cols-2 xl:grid-cols-4">
            <FirmwareFields of={(name) => fields[name]} parts={dossier.parts} />
            {dossier.revisions.length > 0 && (
              <Field
                of={fields.revisions}
                label={`Only for hardware (${listed(dossier.revisions.map((r) => r.name))}; empty: all)`}
              />
            )}
            <SourceFields of={(name) => fields[name]} />
          </div>
        </>
      )}
    </EditOne>
  );
}

function Buttons({ trouble }: { readonly trouble: string | undefined }) {
  return (
    <>
      <button type="submit" name="intent" value="save" className="btn btn-primary">
        Save
      </button>
      {trouble && (
        <>
          <button type="submit" name="intent" value="draft" className="btn btn-outline btn-error">
            Save as a draft
          </button>
          <span className="text-sm text-rust" role="alert">
            {trouble} A draft is kept, but is not to be used.
          </span>
        </>
      )}
    </>
  );
}
