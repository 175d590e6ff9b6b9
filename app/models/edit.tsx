// A model's identity: maker, name, kind, its parts and hardware revisions.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { z } from "zod";
import { FIELD_LIMITS } from "#core/club/unit-fields.ts";
import { overlapOf, parseSerials, type SerialProblem, serialsText } from "#core/dossier/serial.ts";
import { onceEach, typedList } from "#core/quantities/list.ts";
import { loadCatalogues } from "#db/facts.ts";
import { appendLog } from "#db/log.ts";
import { type ModelHead, modelById, putModel, type RevisionRow, revisionsOf } from "#db/models.ts";
import {
  addParts,
  orderParts,
  othersInUse,
  type PartKind,
  type RevisionFields,
  takeAway,
} from "#db/parts.ts";
import { isDuplicate, type Tx } from "#db/pool.ts";
import { bringUpToDate } from "#db/work.ts";
import { mustBeAllowed, notFound, readInClub, writeInClub } from "../context.ts";
import { Field, PostForm } from "../forms/form.tsx";
import { mergeForm } from "../forms/merge.server.ts";
import { offlineForm } from "../forms/offline.ts";
import { Page } from "../ui/page.tsx";
import { sayPartUse } from "../ui/words/parts.ts";
import type { Route } from "./+types/edit";
import { modelIdOf } from "./load-dossier.server.ts";

const KINDS = ["handheld", "mobile", "base", "module"] as const;

/** A line each: name: how to tell; serials 0400 to 0999, 2000 and up. */
const revisionLines = z
  .string()
  .default("")
  .transform((text, context) => {
    const wrong = (message: string) => context.addIssue({ code: "custom", message });
    const revisions = typedList(text, "\n").map((line): RevisionFields => {
      const [name = "", ...rest] = line.split(":");
      const [, tell = "", said = ""] =
        /^(.*?)(?:;?\s*\bserials?\s+(.*))?$/is.exec(rest.join(":").trim()) ?? [];
      const serials = parseSerials(said);
      if (!serials.ok) wrong(`${name.trim()}: ${saySerialProblem(serials.problem)}`);
      return { name: name.trim(), tell: tell.trim(), serials: serials.ok ? serials.value : [] };
    });
    const both = overlapOf(revisions);
    if (both) wrong(`${both[0]} and ${both[1]} claim the same serial numbers.`);
    return revisions;
  });

const revisionText = (r: RevisionRow): string =>
  `${r.name}: ${[r.how_to_tell, r.serials.length > 0 && `serials ${serialsText(r.serials)}`].filter(Boolean).join("; ")}`;

const SERIAL_TROUBLE: Record<SerialProblem["kind"], string> = {
  "no-number": "has no number to count by; write for instance LF-0400 to LF-0999, or LF-2000 and up",
  "ends-differ": "begins and ends with different letters",
  backwards: "ends before it begins",
};
const saySerialProblem = ({ kind, text }: SerialProblem) => `“${text.slice(0, 40)}” ${SERIAL_TROUBLE[kind]}.`;

const shape = z.object({
  maker: z.string().trim().max(FIELD_LIMITS.maker).default(""),
  name: z.string({ error: "A model has a name." }).trim().min(1).max(FIELD_LIMITS.model),
  kind: z.enum(KINDS),
  note: z.string().trim().max(2000).default(""),
  components: z
    .string({ error: "At least one part, such as main." })
    .transform((text) => onceEach(typedList(text)))
    .refine((parts) => parts.length > 0, "At least one part, such as main."),
  suffixes: z
    .string()
    .default("")
    .transform((text) => typedList(text)),
  revisions: revisionLines,
});

export const meta: Route.MetaFunction = () => [{ title: "Model · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-model");
  return readInClub(context, async (tx) => {
    if (params.model === undefined)
      return { name: undefined, fields: { kind: "handheld", components: "main" } as Record<string, string> };
    const model = await modelById(tx, modelIdOf(params.model));
    if (!model) throw notFound("This model");
    return { name: model.name, fields: await fieldsOf(tx, model) };
  });
}

async function fieldsOf(tx: Tx, model: ModelHead): Promise<Record<string, string>> {
  const components = [...((await loadCatalogues(tx, [model.id])).get(model.id)?.values() ?? [])];
  const revisions = await revisionsOf(tx, model.id);
  return {
    maker: model.maker,
    name: model.name,
    kind: model.kind,
    note: model.note,
    components: components.map((c) => c.component.name).join(", "),
    suffixes: model.suffixes.join(", "),
    revisions: revisions.map(revisionText).join("\n"),
  };
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const form = await request.formData();
  let submission = parseWithZod(form, { schema: shape });
  const refuse = (fieldErrors?: Record<string, string[]>, status = 400) =>
    data(submission.reply(fieldErrors && { fieldErrors }), { status });
  try {
    return await writeInClub(context, async (tx) => {
      const known = params.model === undefined ? undefined : modelIdOf(params.model);
      const held = await mergeForm(tx, `model ${known}`, form, async () => {
        const model = known && (await modelById(tx, known));
        return model ? fieldsOf(tx, model) : undefined;
      });
      submission = parseWithZod(held.form, { schema: shape });
      if (submission.status !== "success") return refuse();
      if (Object.keys(held.errors).length > 0) return refuse(held.errors, 409);
      if (held.unchanged) return redirect(`/models/${known}`);
      const { components, revisions, ...fields } = submission.value;
      const stuck = known
        ? await takenAway(tx, known, {
            component: components,
            hardware_revision: revisions.map((r) => r.name),
          })
        : {};
      if (Object.keys(stuck).length > 0) return refuse(stuck);
      const id = await putModel(tx, known, fields);
      if (id === "") throw notFound("This model");
      await addParts(tx, id, components, revisions);
      await orderParts(tx, id, components);
      await appendLog(
        tx,
        known
          ? { kind: "model-changed", name: fields.name, what: "its identity" }
          : { kind: "model-added", name: fields.name },
        { model: id },
      );
      await bringUpToDate(tx, { of: "model", id }, fields.name);
      return redirect(`/models/${id}`);
    });
  } catch (error) {
    if (isDuplicate(error)) return refuse({ name: ["This maker has a model of that name already."] });
    throw error;
  }
}

/** Takes away the parts and revisions that the form no longer names; or nothing, and by field what cannot go and why. */
async function takenAway(
  tx: Tx,
  model: string,
  named: Record<PartKind, readonly string[]>,
): Promise<Record<string, string[]>> {
  const stuck: Record<string, string[]> = {};
  const gone: [PartKind, string[]][] = [];
  for (const [field, of] of [
    ["components", "component"],
    ["revisions", "hardware_revision"],
  ] as const) {
    const others = await othersInUse(tx, model, of, named[of]);
    gone.push([of, others.map((one) => one.id)]);
    const says = others.flatMap((one) => sayPartUse(one) ?? []);
    if (says.length > 0) stuck[field] = says;
  }
  if (Object.keys(stuck).length === 0) for (const [of, ids] of gone) await takeAway(tx, of, ids);
  return stuck;
}

export const clientAction = offlineForm;

export default function EditModel({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page title={loaderData.name ? `${loaderData.name}: what it is` : "A new model"}>
      <PostForm
        lastResult={actionData}
        submit="Save"
        defaults={loaderData.fields}
        className="flex max-w-xl flex-col gap-3"
      >
        {(fields) => (
          <>
            <Field of={fields.maker} label="Maker" />
            <Field of={fields.name} label="Name" />
            <Field of={fields.kind} label="Kind" options={KINDS} />
            <Field
              of={fields.components}
              label="Parts with firmware of their own (parted by commas)"
              hint="the first is the one meant when a reading names none; a name is changed under “Names and keys”"
            />
            <Field
              of={fields.revisions}
              label="Hardware revisions: a line each, as name: how to tell; serials 0400 to 0999"
              rows={3}
            />
            <Field
              of={fields.suffixes}
              label="Endings its versions carry (parted by commas)"
              hint="regions and the like, such as -eu; they do not count"
            />
            <Field of={fields.note} label="Note" rows={3} />
          </>
        )}
      </PostForm>
    </Page>
  );
}
