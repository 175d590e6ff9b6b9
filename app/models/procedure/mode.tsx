// A mode of a model: where its radios transmit and hear in it, how one gets in and out, what that erases.
import { shelveMode } from "#acts/mode/shelve-mode.ts";
import { writeMode } from "#acts/mode/write-mode.ts";
import { OUTSIDE } from "#core/modes/index.ts";
import { listed, mapped } from "#core/quantities/index.ts";
import { ERASES } from "#core/release/index.ts";
import { dossierHead, modesOf, proceduresOf, revisionsOf } from "#db/model/index.ts";
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
import { Caution } from "../../ui/caution.tsx";
import { mustHaveModel } from "../load-dossier.server.ts";
import type { Route } from "./+types/mode";
import { BANDWIDTH_WORD, modeValues, pairName, pairsOf, readMode, type Side } from "./mode-form.ts";
import type { Values } from "./procedure-form.ts";
import { FirmwareFields, SourceFields } from "./shared-fields.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Mode · Mossy Cabinet" }];

const EMPTY: Values = { sourceKind: "bench", outside: "refuses", erases: "nothing" };

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "write-procedure");
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const mode = (await modesOf(tx, model.id)).find((one) => one.id === params.mode);
    if (params.mode !== "new" && !mode) throw notFound("This mode");
    if (mode?.facts.setting !== undefined && !(await isHandedOut(who, { model: model.id, mode: mode.id })))
      throw notAllowed("see-unlocking");
    const { parts } = await dossierHead(tx, model.id);
    const procedures = (await proceduresOf(tx, model.id)).map(({ id, title }) => [id, title] as const);
    const revisions = await revisionsOf(tx, model.id);
    const values = mode ? modeValues(mode, revisions) : EMPTY;
    const pairs = { transmit: pairsOf(values, "transmit"), receive: pairsOf(values, "receive") };
    return {
      model,
      parts,
      procedures,
      values,
      pairs,
      known: mode !== undefined,
      bounds: boundsOf(writeMode),
      revisions: revisions.map(({ name }) => name),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "write-procedure");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const load = async () => (await modesOf(tx, model.id)).find((one) => one.id === params.mode);
    const mode = await load();
    if (params.mode !== "new" && !mode) throw notFound("This mode");
    const { parts, identity } = await dossierHead(tx, model.id);
    const known = { layout: identity.layout, parts, revisions: await revisionsOf(tx, model.id) };
    return editOne(who, form, {
      write: writeMode,
      shelve: mode && (() => performForm(shelveMode, who, form, { model: model.id, mode: mode.id })),
      there: `/models/${model.id}#modes`,
      own: {
        "no-mode": isGone("This mode"),
        "no-revision": besideField("revisions", "This model has no such hardware revision."),
        taken: besideField("name", "This model has a mode of that name already."),
      },
      read: (sent) =>
        mapped(readMode(textsIn(sent), known), (fields) => ({ ...fields, model: model.id, mode: mode?.id })),
      drawn: async () => {
        const now = await load();
        return now && modeValues(now, known.revisions);
      },
    });
  });
}

export const clientAction = offlineForm;

export default function ModePage({ loaderData, actionData }: Route.ComponentProps) {
  const { model, procedures, pairs } = loaderData;
  const way = [["", "nobody has written that down"] as const, ...procedures];
  return (
    <EditOne
      title={`A mode of the ${model.name}`}
      back={{ to: `/models/${model.id}#modes`, says: `Back to the ${model.name}` }}
      loaded={loaderData}
      lastResult={actionData}
      shelve="Shelve it"
      width="max-w-3xl"
    >
      {(fields) => (
        <>
          <Field of={fields.name} label="What it is called" />
          {(["transmit", "receive"] as const satisfies readonly Side[]).map((side) => (
            <fieldset key={side}>
              <legend className="font-semibold">
                {side === "transmit" ? "Transmits" : "Hears"}, in MHz; each from, and up to but not on
              </legend>
              <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2">
                {Array.from({ length: pairs[side] }, (_, i) => (
                  <div key={pairName(side, "from", i)} className="grid grid-cols-2 gap-2">
                    <Field of={fields[pairName(side, "from", i)]} label={`${i + 1}: from`} mono />
                    <Field of={fields[pairName(side, "to", i)]} label="to" mono />
                  </div>
                ))}
              </div>
            </fieldset>
          ))}
          <div className="grid gap-3 sm:grid-cols-2">
            <Field of={fields.watts} label="Watts at most (may stay empty)" mono />
            <Field of={fields.bandwidths} label="How wide it sends" options={BANDWIDTH_WORD} />
            <Field
              of={fields.outside}
              label="With a channel outside it"
              options={OUTSIDE.map((one) => [one, one === "refuses" ? "refuses" : "falls to a band edge"])}
            />
            <Field
              of={fields.erases}
              label="Switching to it erases"
              options={ERASES.map((one) => [one, one])}
            />
            <Field of={fields.enter} label="How one gets in" options={way} />
            <Field of={fields.leave} label="How one gets out" options={way} />
          </div>
          <Field of={fields.setting} label="How it is set in a tool, where it is" />
          <Field of={fields.sign} label="What else tells it from the others" />
          <Field
            of={fields.fixed}
            label="Fixed channels, where it transmits on these alone: one a line, such as 446.1, or 446.1, 2 W, or 446.1, listen only"
            rows={3}
            mono
          />
          <FirmwareFields of={(name) => fields[name]} parts={loaderData.parts} />
          {loaderData.revisions.length > 0 && (
            <Field
              of={fields.revisions}
              label={`Only for hardware (${listed(loaderData.revisions, 9)}; empty: all)`}
            />
          )}
          <SourceFields of={(name) => fields[name]} />
          <Caution of="unlocking" />
        </>
      )}
    </EditOne>
  );
}
