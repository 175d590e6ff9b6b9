// An item of a service menu, or a region code, of a model: what it means, what is usual, what is never touched; what a wrong code looks like.
import { Link, redirect } from "react-router";
import { z } from "zod";
import { shelveServiceItem } from "#acts/model/shelve-service-item.ts";
import { itemStands, writeServiceItem } from "#acts/model/write-service-item.ts";
import { codeShape, settingShape } from "#core/dossier/service.ts";
import { bad, good, type Result } from "#core/quantities/result.ts";
import { SOURCE_KINDS } from "#core/quantities/source.ts";
import { type ItemKind, type ItemRow, serviceItems } from "#db/model/service.ts";
import { mustBeAllowed, notAllowed, notFound, readInClub } from "../../context.ts";
import { Field } from "../../forms/field.tsx";
import { PostForm } from "../../forms/form.tsx";
import { textsIn } from "../../forms/merge.server.ts";
import { offlineForm } from "../../forms/offline.ts";
import { performForm } from "../../forms/perform.server.ts";
import { notWhole, refusal, saveForm } from "../../forms/save.server.ts";
import { isHandedOut } from "../../shared/guarded.server.ts";
import { Page } from "../../ui/page.tsx";
import { mustHaveModel } from "../load-dossier.server.ts";
import type { Route } from "./+types/service";
import type { Errors, Values } from "./procedure-form.ts";
import { SourceFields } from "./shared-fields.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Service menu · Mossy Cabinet" }];

const source = { sourceKind: z.enum(SOURCE_KINDS), sourceWhat: z.string().trim().max(300).default("") };
const SHAPES = { setting: settingShape.extend(source), code: codeShape.extend(source) } as const;

function read(kind: ItemKind, values: Values): Result<object, { kind: "fields"; errors: Errors }> {
  const parsed = SHAPES[kind].safeParse(values);
  if (parsed.success) {
    const { sourceKind, sourceWhat, ...fields } = parsed.data;
    return good({ kind, ...fields, source: { kind: sourceKind, what: sourceWhat } });
  }
  const errors: Errors = {};
  for (const issue of parsed.error.issues) errors[String(issue.path[0])] ??= issue.message;
  return bad({ kind: "fields", errors });
}

function valuesOf(row: ItemRow): Values {
  const { kind: _, source: from, ...fields } = itemStands(row);
  return { ...fields, sourceKind: from.kind, sourceWhat: from.what ?? "" };
}

const kindIn = (request: Request): ItemKind =>
  new URL(request.url).searchParams.get("kind") === "code" ? "code" : "setting";

export async function loader({ context, params, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "write-procedure");
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const item = (await serviceItems(tx, model.id)).find((one) => one.id === params.item);
    if (params.item !== "new" && !item) throw notFound("This item");
    if (item && !(await isHandedOut(who, { model: model.id, service: "menu" })))
      throw notAllowed("see-unlocking");
    const values: Values = item ? valuesOf(item) : { sourceKind: "bench" };
    return { model, kind: item?.kind ?? kindIn(request), known: item !== undefined, values };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const there = redirect(`/models/${model.id}?guarded=shown#service`);
    const load = async () => (await serviceItems(tx, model.id)).find((one) => one.id === params.item);
    const item = await load();
    if (params.item !== "new" && !item) throw notFound("This item");
    if (item && form.get("intent") === "shelve") {
      const done = await performForm(shelveServiceItem, who, form, { model: model.id, item: item.id });
      return done.ok ? there : notWhole(form);
    }
    const kind = item?.kind ?? kindIn(request);
    const done = await saveForm(writeServiceItem, who, form, {
      read: (sent) => {
        const fields = read(kind, textsIn(sent));
        return fields.ok ? good({ ...fields.value, model: model.id, item: item?.id }) : fields;
      },
      drawn: async () => {
        const now = await load();
        return now && valuesOf(now);
      },
    });
    if (done.ok) return there;
    if (done.problem.kind === "taken")
      return refusal({ form, errors: { name: "This model has one of that name already." } });
    return done.problem.kind === "refused" ? refusal(done.problem.refused) : notWhole(form);
  });
}

export const clientAction = offlineForm;

export default function ServiceItem({ loaderData, actionData }: Route.ComponentProps) {
  const { model, kind } = loaderData;
  return (
    <Page
      title={kind === "code" ? `A code of the ${model.name}` : `A service setting of the ${model.name}`}
      says={kind === "code" ? "that radio and tool must agree on" : "an item of its hidden menu"}
    >
      <p className="mb-3">
        <Link className="link" to={`/models/${model.id}#service`}>
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
            {kind === "setting" ? (
              <>
                <Field of={fields.name} label="What the menu calls it" most={60} mono />
                <Field of={fields.where} label="Where it is found" most={200} />
                <Field of={fields.meaning} label="What it does" rows={2} most={500} />
                <Field of={fields.usual} label="Usual value (empty: nobody knows)" most={60} mono />
                <Field
                  of={fields.never}
                  label="Never to be touched, because (empty: it may be)"
                  rows={2}
                  most={300}
                />
              </>
            ) : (
              <>
                <Field of={fields.name} label="The code, as it stands on the radio" most={40} mono />
                <Field of={fields.meaning} label="What it means" rows={2} most={300} />
                <Field of={fields.tool} label="How a tool is set for it" most={200} />
                <Field
                  of={fields.symptom}
                  label="What one sees when the tool is set for another"
                  rows={2}
                  most={300}
                />
                <Field of={fields.cure} label="What helps then" rows={2} most={500} />
              </>
            )}
            <SourceFields of={(name) => fields[name]} />
          </>
        )}
      </PostForm>
    </Page>
  );
}
