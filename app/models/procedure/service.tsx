// An item of a service menu, or a region code, of a model: what it means, what is usual, what is never touched; what a wrong code looks like.
import { z } from "zod";
import { shelveServiceItem } from "#acts/model/shelve-service-item.ts";
import { itemStands, writeServiceItem } from "#acts/model/write-service-item.ts";
import { codeShape, settingShape } from "#core/dossier/index.ts";
import { bad, good, type Result, SOURCE_KINDS } from "#core/quantities/index.ts";
import { type ItemKind, type ItemRow, serviceItems } from "#db/model/index.ts";
import { mustBeAllowed, notAllowed, notFound, readInClub } from "../../context.ts";
import { boundsOf } from "../../forms/edit/bounds.server.ts";
import { EditOne } from "../../forms/edit/edit-one.tsx";
import { Field } from "../../forms/field.tsx";
import { textsIn } from "../../forms/merge.server.ts";
import { offlineForm } from "../../forms/offline.ts";
import { performForm } from "../../forms/perform.server.ts";
import { editOne } from "../../shared/edit/edit-one.server.ts";
import { isHandedOut } from "../../shared/guarded.server.ts";
import { besideField, isGone } from "../../shared/refusals.server.ts";
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
    return {
      model,
      kind: item?.kind ?? kindIn(request),
      known: item !== undefined,
      values,
      bounds: boundsOf(writeServiceItem),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const load = async () => (await serviceItems(tx, model.id)).find((one) => one.id === params.item);
    const item = await load();
    if (params.item !== "new" && !item) throw notFound("This item");
    const kind = item?.kind ?? kindIn(request);
    return editOne(who, form, {
      write: writeServiceItem,
      shelve: item && (() => performForm(shelveServiceItem, who, form, { model: model.id, item: item.id })),
      there: `/models/${model.id}?guarded=shown#service`,
      own: {
        "no-item": isGone("This item"),
        taken: besideField("name", "This model has one of that name already."),
      },
      read: (sent) => {
        const fields = read(kind, textsIn(sent));
        return fields.ok ? good({ ...fields.value, model: model.id, item: item?.id }) : fields;
      },
      drawn: async () => {
        const now = await load();
        return now && valuesOf(now);
      },
    });
  });
}

export const clientAction = offlineForm;

export default function ServiceItem({ loaderData, actionData }: Route.ComponentProps) {
  const { model, kind } = loaderData;
  return (
    <EditOne
      title={kind === "code" ? `A code of the ${model.name}` : `A service setting of the ${model.name}`}
      says={kind === "code" ? "that radio and tool must agree on" : "an item of its hidden menu"}
      back={{ to: `/models/${model.id}#service`, says: `Back to the ${model.name}` }}
      loaded={loaderData}
      lastResult={actionData}
      shelve="Shelve it"
    >
      {(fields) => (
        <>
          {kind === "setting" ? (
            <>
              <Field of={fields.name} label="What the menu calls it" mono />
              <Field of={fields.where} label="Where it is found" />
              <Field of={fields.meaning} label="What it does" rows={2} />
              <Field of={fields.usual} label="Usual value (empty: nobody knows)" mono />
              <Field of={fields.never} label="Never to be touched, because (empty: it may be)" rows={2} />
            </>
          ) : (
            <>
              <Field of={fields.name} label="The code, as it stands on the radio" mono />
              <Field of={fields.meaning} label="What it means" rows={2} />
              <Field of={fields.tool} label="How a tool is set for it" />
              <Field of={fields.symptom} label="What one sees when the tool is set for another" rows={2} />
              <Field of={fields.cure} label="What helps then" rows={2} />
            </>
          )}
          <SourceFields of={(name) => fields[name]} />
        </>
      )}
    </EditOne>
  );
}
