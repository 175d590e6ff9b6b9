// A known oddity: what one sees, why, what helps; for which firmware, and whence it is known.
import { shelveQuirk } from "#acts/model/shelve-quirk.ts";
import { writeQuirk } from "#acts/model/write-quirk.ts";
import { mapped } from "#core/quantities/index.ts";
import { dossierHead, quirksOf, revisionsOf } from "#db/model/index.ts";
import { mustBeAllowed, notFound, readInClub } from "../../context.ts";
import { boundsOf } from "../../forms/edit/bounds.server.ts";
import { EditOne } from "../../forms/edit/edit-one.tsx";
import { Field } from "../../forms/field.tsx";
import { textsIn } from "../../forms/merge.server.ts";
import { offlineForm } from "../../forms/offline.ts";
import { performForm } from "../../forms/perform.server.ts";
import { editOne } from "../../shared/edit/edit-one.server.ts";
import { isGone } from "../../shared/refusals.server.ts";
import { mustHaveModel } from "../load-dossier.server.ts";
import type { Route } from "./+types/quirk";
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
    return { model, parts, known: quirk !== undefined, values, bounds: boundsOf(writeQuirk) };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const load = async () => (await quirksOf(tx, model.id)).find((q) => q.id === params.quirk);
    const quirk = await load();
    if (params.quirk !== "new" && !quirk) throw notFound("This oddity");
    const { parts, identity } = await dossierHead(tx, model.id);
    const known = { layout: identity.layout, parts, revisions: await revisionsOf(tx, model.id) };
    return editOne(who, form, {
      write: writeQuirk,
      shelve: quirk && (() => performForm(shelveQuirk, who, form, { model: model.id, quirk: quirk.id })),
      there: `/models/${model.id}#quirks`,
      own: { "no-quirk": isGone("This oddity") },
      read: (sent) =>
        mapped(readQuirk(textsIn(sent), known), (fields) => ({
          ...fields,
          model: model.id,
          quirk: quirk?.id,
        })),
      drawn: async () => {
        const now = await load();
        return now && quirkValues(now);
      },
    });
  });
}

export const clientAction = offlineForm;

export default function Quirk({ loaderData, actionData }: Route.ComponentProps) {
  const { model } = loaderData;
  return (
    <EditOne
      title={`An oddity of the ${model.name}`}
      back={{ to: `/models/${model.id}#quirks`, says: `Back to the ${model.name}` }}
      loaded={loaderData}
      lastResult={actionData}
      shelve="Shelve it"
    >
      {(fields) => (
        <>
          <Field of={fields.symptom} label="What one sees or hears" rows={2} />
          <Field of={fields.cause} label="Why (if anybody knows)" rows={2} />
          <Field of={fields.cure} label="What helps" rows={2} />
          <FirmwareFields of={(name) => fields[name]} parts={loaderData.parts} />
          <SourceFields of={(name) => fields[name]} />
        </>
      )}
    </EditOne>
  );
}
