// A known oddity: what one sees, why, what helps; for which firmware, and whence it is known.
import { Link, redirect } from "react-router";
import { shelveQuirk } from "#acts/model/shelve-quirk.ts";
import { writeQuirk } from "#acts/model/write-quirk.ts";
import { mapped } from "#core/quantities/result.ts";
import { dossierHead, quirksOf } from "#db/model/dossier.ts";
import { revisionsOf } from "#db/model/models.ts";
import { mustBeAllowed, notFound, readInClub } from "../../context.ts";
import { Field } from "../../forms/field.tsx";
import { PostForm } from "../../forms/form.tsx";
import { textsIn } from "../../forms/merge.server.ts";
import { offlineForm } from "../../forms/offline.ts";
import { performForm } from "../../forms/perform.server.ts";
import { notWhole, refusal, saveForm } from "../../forms/save.server.ts";
import { Page } from "../../ui/page.tsx";
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
    return { model, parts, known: quirk !== undefined, values };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const there = redirect(`/models/${model.id}#quirks`);
    const load = async () => (await quirksOf(tx, model.id)).find((q) => q.id === params.quirk);
    const quirk = await load();
    if (params.quirk !== "new" && !quirk) throw notFound("This oddity");
    if (quirk && form.get("intent") === "shelve") {
      const done = await performForm(shelveQuirk, who, form, { model: model.id, quirk: quirk.id });
      return done.ok ? there : notWhole(form);
    }
    const { parts, identity } = await dossierHead(tx, model.id);
    const known = { layout: identity.layout, parts, revisions: await revisionsOf(tx, model.id) };
    const done = await saveForm(writeQuirk, who, form, {
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
    if (done.ok) return there;
    return done.problem.kind === "refused" ? refusal(done.problem.refused) : notWhole(form);
  });
}

export const clientAction = offlineForm;

export default function Quirk({ loaderData, actionData }: Route.ComponentProps) {
  const { model } = loaderData;
  return (
    <Page title={`An oddity of the ${model.name}`}>
      <p className="mb-3">
        <Link className="link" to={`/models/${model.id}#quirks`}>
          Back to the {model.name}
        </Link>
      </p>
      <PostForm
        lastResult={actionData}
        submit="Save"
        defaults={loaderData.values}
        className="flex max-w-2xl flex-col gap-3"
        also={
          loaderData.known && (
            <button type="submit" name="intent" value="shelve" className="link text-sm">
              Shelve it
            </button>
          )
        }
      >
        {(fields) => (
          <>
            <Field of={fields.symptom} label="What one sees or hears" rows={2} most={500} />
            <Field of={fields.cause} label="Why (if anybody knows)" rows={2} most={1000} />
            <Field of={fields.cure} label="What helps" rows={2} most={1000} />
            <FirmwareFields of={(name) => fields[name]} parts={loaderData.parts} />
            <SourceFields of={(name) => fields[name]} />
          </>
        )}
      </PostForm>
    </Page>
  );
}
