// A model's identity: maker, name, kind, its parts and hardware revisions.

import { Link, redirect } from "react-router";
import { z } from "zod";
import { MOST_PARTS, MOST_REVISIONS, modelStands, writeModel } from "#acts/model/write-model.ts";
import {
  BODIES,
  overlapOf,
  parseSerials,
  type SerialProblem,
  type SerialRange,
  serialsText,
} from "#core/dossier/index.ts";
import { mapped, onceEach, typedList } from "#core/quantities/index.ts";
import { FIELD_LIMITS } from "#core/unit/index.ts";
import type { PartKind, RevisionFields } from "#db/model/index.ts";
import { mustBeAllowed, notFound, readInClub } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import { NOT_WHOLE, type ProblemsOf } from "../forms/perform.server.ts";
import { type Errors, readBy, refusal, saveForm } from "../forms/save.server.ts";
import { besideField, isGone, refuseForm } from "../shared/refusals.server.ts";
import { Page } from "../ui/page.tsx";
import { sayPartUse } from "../ui/words/parts.ts";
import type { Route } from "./+types/edit";
import { modelIdOf } from "./load-dossier.server.ts";

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

const revisionText = (r: { name: string; tell: string; serials: readonly SerialRange[] }): string =>
  `${r.name}: ${[r.tell, r.serials.length > 0 && `serials ${serialsText(r.serials)}`].filter(Boolean).join("; ")}`;

const SERIAL_TROUBLE: Record<SerialProblem["kind"], string> = {
  "no-number": "has no number to count by; write for instance LF-0400 to LF-0999, or LF-2000 and up",
  "ends-differ": "begins and ends with different letters",
  backwards: "ends before it begins",
};
const saySerialProblem = ({ kind, text }: SerialProblem) => `“${text.slice(0, 40)}” ${SERIAL_TROUBLE[kind]}.`;

const shape = z.object({
  maker: z.string().trim().max(FIELD_LIMITS.maker).default(""),
  name: z.string({ error: "A model has a name." }).trim().min(1).max(FIELD_LIMITS.model),
  kind: z.enum(BODIES),
  note: z.string().trim().max(2000).default(""),
  components: z
    .string({ error: "At least one part, such as main." })
    .transform((text) => onceEach(typedList(text)))
    .refine((parts) => parts.length > 0, "At least one part, such as main."),
  suffixes: z
    .string()
    .default("")
    .transform((text) => typedList(text)),
  noBackupWhy: z.string().trim().max(300, "At most 300 signs.").default(""),
  revisions: revisionLines,
});

export const meta: Route.MetaFunction = () => [{ title: "Model · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-model");
  return readInClub(context, async (tx) => {
    if (params.model === undefined)
      return { name: undefined, fields: { kind: "handheld", components: "main" } as Record<string, string> };
    const model = await modelStands(tx, { model: modelIdOf(params.model) });
    if (!model) throw notFound("This model");
    return { name: model.name, fields: fieldsOf(model) };
  });
}

const fieldsOf = (model: NonNullable<Awaited<ReturnType<typeof modelStands>>>): Record<string, string> => ({
  maker: model.maker,
  name: model.name,
  kind: model.kind,
  note: model.note,
  components: model.components.join(", "),
  suffixes: model.suffixes.join(", "),
  noBackupWhy: model.noBackupWhy,
  revisions: model.revisions.map(revisionText).join("\n"),
});

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const form = await request.formData();
  const model = params.model === undefined ? undefined : modelIdOf(params.model);
  return readInClub(context, async (tx, who) => {
    const done = await saveForm(writeModel, who, form, {
      read: (sent) => mapped(readBy(shape)(sent), (value) => ({ ...value, ...(model && { model }) })),
      drawn: async () => {
        const now = await modelStands(tx, { model });
        return now && fieldsOf(now);
      },
    });
    if (done.ok) return redirect(`/models/${done.value.model}`);
    const { problem } = done;
    if (problem.kind === "in-use") return refusal({ form, errors: partsInUse(problem) });
    if (problem.kind === "input") return refusal({ form, errors: inputErrors(problem.issues) });
    return refuseForm(form, problem, {
      "no-model": isGone("This model"),
      taken: besideField("name", "This maker has a model of that name already."),
      "serials-overlap": ({ revisions }) =>
        besideField("revisions", `${revisions.join(" and ")} claim the same serial numbers.`),
    });
  });
}

/** What still uses a part or a revision that was left out, beside the field that named it. */
function partsInUse({ stuck }: Extract<ProblemsOf<typeof writeModel>, { kind: "in-use" }>): Errors {
  const says = (of: PartKind) => stuck.filter((one) => one.of === of).flatMap((one) => sayPartUse(one) ?? []);
  const all = { components: says("component"), revisions: says("hardware_revision") };
  return Object.fromEntries(Object.entries(all).filter(([, list]) => list.length > 0));
}

/** What only the act refuses: more, or longer, than a model can have. */
const inputErrors = (issues: readonly { readonly field: string }[]): Errors => {
  const SAYS: Readonly<Record<string, string>> = {
    components: `At most ${MOST_PARTS} parts, of at most 80 signs each.`,
    suffixes: "At most 100 endings, of at most 40 signs.",
    revisions: `At most ${MOST_REVISIONS} revisions; a name has at most 200 signs, how to tell it 1,000.`,
  };
  const named = issues.map(({ field }) => field.split(".")[0] ?? "");
  const known = named.filter((field) => field in SAYS).map((field) => [field, SAYS[field] ?? ""] as const);
  return known.length > 0 ? Object.fromEntries(known) : { "": NOT_WHOLE };
};

export const clientAction = offlineForm;

export default function EditModel({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page
      title={loaderData.name ? `${loaderData.name}: what it is` : "A new model"}
      acts={
        loaderData.name && (
          <Link to="../merge" relative="path" className="link self-center text-sm">
            It is the same as another model
          </Link>
        )
      }
    >
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
            <Field of={fields.kind} label="Kind" options={BODIES} />
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
            <Field
              of={fields.noBackupWhy}
              label="Why no backup is wanted before a flash that erases nothing"
              hint="empty: one is taken before every flash, since any may fail half-way"
            />
            <Field of={fields.note} label="Note" rows={3} />
          </>
        )}
      </PostForm>
    </Page>
  );
}
