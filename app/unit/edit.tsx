// A radio's own facts: add one, correct one, put it on the shelf or take it back from there.
import { redirect } from "react-router";
import { MOST_WHY } from "#acts/shapes.ts";
import { addUnit } from "#acts/unit/add-unit.ts";
import { changeUnit } from "#acts/unit/change-unit.ts";
import { recoverUnit } from "#acts/unit/recover-unit.ts";
import { shelveUnit } from "#acts/unit/shelve-unit.ts";
import { mapped } from "#core/quantities/index.ts";
import { UNIT_FIELDS, unitShape, unitTexts, writtenUnit } from "#core/unit/index.ts";
import { groups, places } from "#db/club/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { type UnitRow, unitById, unitByTag } from "#db/unit/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { DRAWN_FOR } from "../forms/baseline.tsx";
import { madeInPassing } from "../forms/choice/in-passing.server.ts";
import { PickField } from "../forms/choice/pick.tsx";
import { Field, Labelled } from "../forms/field.tsx";
import { type Fields, hasSomething, PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { readBy, refusal, saveForm } from "../forms/save.server.ts";
import { leadToTag } from "../shared/load-unit.server.ts";
import { besideField, isGone, refuseForm } from "../shared/refusals.server.ts";
import { useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/edit";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `${params.tag ?? "A new radio"} · Mossy Cabinet` },
];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-unit");
  return readInClub(context, async (tx) => {
    const unit = params.tag === undefined ? undefined : await unitByTag(tx, params.tag);
    if (params.tag !== undefined && !unit) throw notFound(`A radio with the tag ${params.tag}`);
    if (unit) leadToTag(unit, params.tag, "/edit");
    return {
      unit,
      models: await modelsToPick(tx),
      places: await places(tx),
      groups: await groups(tx),
      fields: unitTexts(unit && writtenUnit(unit)),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  if (form.get("intent") !== "recover") mustBeAllowed(context, "edit-unit");
  if (form.get("intent") === "shelve" || form.get("intent") === "recover")
    return shelve(context, params.tag ?? "", form);
  return readInClub(context, async (tx, who) => {
    const unit = params.tag === undefined ? undefined : await unitOf(tx, params.tag, form);
    const trouble = await madeInPassing(tx, who, form, MADE);
    if (trouble) return refusal({ form, errors: trouble });
    const read = readBy(unitShape);
    const done = unit
      ? await saveForm(changeUnit, who, form, {
          read: (sent) => mapped(read(sent), (value) => ({ ...value, unit: unit.id })),
          drawn: async () => {
            const now = await unitById(tx, unit.id);
            return unitTexts(now && writtenUnit(now));
          },
        })
      : await saveForm(addUnit, who, form, { read, drawn: async () => undefined });
    if (done.ok) {
      const now = unit ? await unitById(tx, unit.id) : undefined;
      return redirect(`/units/${encodeURIComponent(now?.tag ?? String(form.get("tag")).trim())}`);
    }
    return refuseForm(form, done.problem, {
      "no-model": besideField("model", "Choose a model."),
      "no-revision": ({ model }) => besideField("hardware", `The ${model} has no such hardware revision.`),
      taken: besideField("tag", "Another radio has this tag."),
      "no-unit": isGone("This radio"),
    });
  });
}

/** Whose facts are corrected is the radio the form was drawn for, whichever tags were given to others since. */
async function unitOf(tx: Tx, tag: string, form: FormData): Promise<UnitRow> {
  const id = idIn(String(form.get(DRAWN_FOR) || "new"), "This radio");
  const unit = id === undefined ? await unitByTag(tx, tag) : await unitById(tx, id);
  if (!unit) throw notFound(`A radio with the tag ${tag}`);
  return unit;
}

async function shelve(context: Route.ActionArgs["context"], tag: string, form: FormData) {
  return readInClub(context, async (tx, who) => {
    const unit = await unitOf(tx, tag, form);
    const why = String(form.get("why") ?? "").slice(0, MOST_WHY);
    const done =
      form.get("intent") === "recover"
        ? await performForm(recoverUnit, who, form, { unit: unit.id })
        : await performForm(shelveUnit, who, form, { unit: unit.id, why });
    // Another radio has its tag by now: the shelf's own page says so, and has both.
    if (!done.ok && done.problem.kind === "taken") throw redirect("/club#shelf");
    return redirect(`/units/${encodeURIComponent(unit.tag)}`);
  });
}

export const clientAction = offlineForm;

export { afterMaking as shouldRevalidate } from "../forms/choice/pick.tsx";

/** What its fields pick and can make in passing. */
const MADE = { model: "model", place: "place", group: "group" } as const;
const makesOf = (name: string) => Object.entries(MADE).find(([field]) => field === name)?.[1];

export default function Edit({ loaderData, actionData }: Route.ComponentProps) {
  const { unit, models } = loaderData;
  const named = (rows: readonly { id: string; name: string }[]) =>
    rows.map((row) => [row.id, row.name] as const);
  const choices: Partial<Record<string, readonly (readonly [string, string])[]>> = {
    model: models.map((m) => [m.id, `${m.name} (${m.maker || "maker unknown"})`]),
    hardware: models.flatMap((m) => m.revisions.map((r) => [r.id, `${m.name}: ${r.name}`] as const)),
    place: named(loaderData.places),
    group: named(loaderData.groups),
  };
  return (
    <Page title={unit ? `${unit.tag}: what it is` : "A new radio"}>
      <div className="flex flex-wrap gap-10">
        <PostForm
          lastResult={actionData}
          submit={unit ? "Save" : "Put it in the cabinet"}
          defaults={loaderData.fields}
        >
          {(fields) => (
            <>
              {unit && <input type="hidden" name={DRAWN_FOR} value={unit.id} />}
              {(unit ? FIELDS : FIELDS.filter(([name]) => !RARER.has(name))).map(([name, spec]) => (
                <UnitField key={name} name={name} spec={spec} fields={fields} choices={choices} />
              ))}
              {!unit && (
                <details open={[...RARER].some((name) => hasSomething(fields[name]))}>
                  <summary className="link w-fit cursor-pointer">What else is known of it</summary>
                  <div className="mt-2 flex flex-col gap-3 border-l-2 border-line pl-4">
                    {FIELDS.filter(([name]) => RARER.has(name)).map(([name, spec]) => (
                      <UnitField key={name} name={name} spec={spec} fields={fields} choices={choices} />
                    ))}
                  </div>
                </details>
              )}
            </>
          )}
        </PostForm>
        {unit && <Shelf unit={unit.id} shelved={unit.shelved_at !== null} />}
      </div>
    </Page>
  );
}

const FIELDS = Object.entries(UNIT_FIELDS);
/** What can be written down later: folded while a radio is new. */
const RARER: ReadonlySet<string> = new Set(["hardware", "region", "serial", "note"]);
function UnitField(props: {
  readonly name: string;
  readonly spec: (typeof FIELDS)[number][1];
  readonly fields: Fields;
  readonly choices: Partial<Record<string, readonly (readonly [string, string])[]>>;
}) {
  const { name, spec, fields, choices } = props;
  const makes = makesOf(name);
  const look = {
    label: spec.label,
    hint: "hint" in spec ? spec.hint : undefined,
    options: choices[name] && withNothing(spec, choices[name]),
  };
  if (makes) return <PickField name={name} of={fields} makes={makes} {...look} />;
  // Revisions are of models that have some.
  if (name === "hardware" && choices.hardware?.length === 0) return null;
  return <Field of={fields[name]} mono={name === "tag" || name === "serial"} {...look} />;
}

const withNothing = (spec: object, choices: readonly (readonly [string, string])[]) =>
  "nothing" in spec ? [["", String(spec.nothing)] as const, ...choices] : choices;

function Shelf({ unit, shelved }: { readonly unit: string; readonly shelved: boolean }) {
  const mayRecover = useMay("recover-shelved");
  if (shelved && !mayRecover) return null;
  return (
    <ActForm className="sheet flex h-fit max-w-xs flex-col gap-2 p-4">
      <input type="hidden" name={DRAWN_FOR} value={unit} />
      <h2>{shelved ? "It is on the shelf" : "Put it on the shelf"}</h2>
      <p className="text-sm text-quiet">
        {shelved
          ? "Taken back, it is as it was."
          : "It leaves the wall and the lists; its history stays, and a keeper can take it back."}
      </p>
      {!shelved && <Labelled name="why" label="Why" small most={MOST_WHY} />}
      <button
        type="submit"
        name="intent"
        value={shelved ? "recover" : "shelve"}
        className="btn btn-outline btn-primary btn-sm w-fit"
      >
        {shelved ? "Take it back" : "Shelve it"}
      </button>
    </ActForm>
  );
}
