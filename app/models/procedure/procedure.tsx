// One procedure: its steps with the key card, what is one key away from it, whence it is known, and one press to confirm.

import { Link, redirect } from "react-router";
import { shelveProcedure } from "#acts/model/shelve-procedure.ts";
import { dossierHead, procedureById, proceduresOf, releasesOf } from "#db/model/index.ts";
import { mustBeAllowed, notFound, readInClub } from "../../context.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { offlineSaid } from "../../forms/offline.ts";
import { NOT_WHOLE, performForm } from "../../forms/perform.server.ts";
import { Beside } from "../../shared/beside.tsx";
import { inPassing, shownTo } from "../../shared/guarded.server.ts";
import { Confirmed } from "../../shared/known-from.tsx";
import { Steps } from "../../shared/steps.tsx";
import { Caution } from "../../ui/caution.tsx";
import { useMay } from "../../ui/club.ts";
import { KeyCard } from "../../ui/key-card.tsx";
import { Page } from "../../ui/page.tsx";
import { Said } from "../../ui/said.tsx";
import { sayRange } from "../../ui/words/route.ts";
import { EFFECT_WORD, PURPOSE_WORD, saySource } from "../../ui/words/step.ts";
import { confirmFact, loadConfirmed, modelIdOf, mustHaveModel, warningsOf } from "../load-dossier.server.ts";
import type { Route } from "./+types/procedure";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.procedure.title ?? "Procedure"} · Mossy Cabinet` },
];

export async function loader({ context, params }: Route.LoaderArgs) {
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const procedure = await procedureById(tx, model.id, modelIdOf(params.procedure));
    if (!procedure) throw notFound("This procedure");
    const { identity, parts } = await dossierHead(tx, model.id);
    const others = await proceduresOf(tx, model.id);
    const passing = inPassing(others);
    const warned = warningsOf(others)
      .filter((w) => w.of === procedure.id)
      .flatMap((w) => passing.find((p) => p.id === w.other) ?? []);
    const confirmed = await loadConfirmed(tx, who, model.id);
    return {
      model,
      procedure: await shownTo(who, model.id, procedure),
      layout: identity.layout,
      part: parts.find((p) => p.id === procedure.component_id)?.name,
      warned,
      confirmed: confirmed.find((c) => c.kind === "procedure" && c.subject === procedure.id),
      versions: (await releasesOf(tx, model.id)).map((r) => r.version),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "confirm-fact");
  const form = await request.formData();
  const model = modelIdOf(params.model);
  if (form.get("intent") === "shelve") {
    return readInClub(context, async (_tx, actor) => {
      const procedure = modelIdOf(params.procedure);
      const done = await performForm(shelveProcedure, actor, form, { model, procedure });
      if (done.ok) return redirect(`/models/${model}#procedures`);
      if (done.problem.kind === "no-procedure") throw notFound("This procedure");
      return { ok: false, says: NOT_WHOLE };
    });
  }
  return readInClub(context, (tx, actor) => confirmFact(tx, actor, model, form));
}

export const clientAction = offlineSaid;

export default function Procedure({ loaderData, actionData }: Route.ComponentProps) {
  const { model, procedure, layout, warned } = loaderData;
  const mayWrite = useMay("write-procedure");
  const mayConfirm = useMay("confirm-fact");
  const first = procedure.steps.find((step) => step.kind === "hold" || step.kind === "press");
  return (
    <Page
      title={procedure.title}
      says={`${PURPOSE_WORD[procedure.purpose]}, about ${procedure.minutes} min; ${EFFECT_WORD[procedure.effect]}`}
      acts={
        <>
          {!procedure.hidden && (
            <>
              <Link className="link" to={`/bench/practice?model=${model.id}&procedure=${procedure.id}`}>
                Practise it
              </Link>
              <Link
                to={`/models/${model.id}/print?only=${procedure.id}`}
                className="btn btn-outline btn-primary btn-sm"
              >
                Print it
              </Link>
            </>
          )}
          {mayWrite && (
            <Link
              to={`/models/${model.id}/procedures/${procedure.id}/edit`}
              className="btn btn-primary btn-sm"
            >
              Correct it
            </Link>
          )}
        </>
      }
    >
      <p className="mb-3 text-quiet">
        <Link className="link" to={`/models/${model.id}#procedures`}>
          {model.name}
        </Link>
        {procedure.firmware && `; for ${loaderData.part ?? "firmware"} ${sayRange(procedure.firmware)}`}
        {procedure.draft && <span className="doubt-thin ml-3 px-1">a draft, not to be used as it is</span>}
      </p>
      {actionData && <Said answer={actionData} />}
      {/* Above the picture on a phone too: it must be read before the keys are held. */}
      <div className="mb-4 flex flex-col gap-2 empty:hidden">
        {warned.map((other) => (
          <Beside key={other.id} other={other} model={model.id} />
        ))}
      </div>
      <div className="grid gap-6 lg:grid-cols-[26rem_minmax(0,1fr)]">
        {layout && (
          <div className="sheet p-4">
            <KeyCard layout={layout} step={first} />
          </div>
        )}
        <div className="flex min-w-0 flex-col gap-4">
          {procedure.hidden && (
            <p className="doubt max-w-xl p-4 text-lg">
              It unlocks the radio: its steps are shown to bench and keeper, and each showing is noted in the
              log.
            </p>
          )}
          <Steps steps={procedure.steps} />
          {(procedure.purpose === "flash" || procedure.purpose === "recover") && <Caution of="flashing" />}
          {procedure.effect === "unlock" && <Caution of="unlocking" />}
          {procedure.steps.some((step) => step.kind === "key-up") && <Caution of="keying-up" />}
          <p className="text-sm text-quiet">
            From {saySource(procedure.source)}; <Confirmed of={loaderData.confirmed} />.
          </p>
          {mayConfirm && (
            <ActForm className="flex flex-wrap items-end gap-3 text-sm">
              <input type="hidden" name="kind" value="procedure" />
              <input type="hidden" name="subject" value={procedure.id} />
              <Labelled
                name="firmware"
                label="on firmware"
                small
                options={[...loaderData.versions, ["", "I did not look"]]}
                box="w-40"
              />
              <button type="submit" name="intent" value="confirm" className="btn btn-primary btn-sm">
                It went just so
              </button>
              {mayWrite && (
                <button type="submit" name="intent" value="shelve" className="link ml-auto text-sm">
                  Shelve this procedure
                </button>
              )}
            </ActForm>
          )}
        </div>
      </div>
    </Page>
  );
}
