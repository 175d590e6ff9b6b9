// Two models turn out to be one: what the one that stays would gain, what the one that goes would lose, before anything is done.
import { data, Form, Link, redirect } from "react-router";
import { mergeModels } from "#acts/model/merge-models.ts";
import { mergeEffect } from "#core/dossier/index.ts";
import { listed } from "#core/quantities/index.ts";
import { models, writeDossier } from "#db/model/index.ts";
import { mustBeAllowed, notFound, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { firstIssue, performForm } from "../forms/perform.server.ts";
import { refusalOf, typedWrongly } from "../shared/refusals.server.ts";
import { following } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/merge";
import { FactPicks } from "./fact-picks.tsx";
import { modelIdOf, mustHaveModel } from "./load-dossier.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "Two models that are one · Mossy Cabinet" }];

export const handle = { follows: following<typeof loader>(({ model }) => [`model:${model.id}`, "unit"]) };

export async function loader({ context, params, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-model");
  const asked = new URL(request.url).searchParams.get("into");
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const all = await models(tx, who.today);
    const goes = all.find(({ id }) => id === model.id);
    const others = all.filter(({ id }) => id !== model.id);
    const into = others.find(({ id }) => id === asked);
    const itself = asked === model.id;
    const told = {
      model,
      units: goes?.units ?? 0,
      others: others.map(({ id, name }) => ({ id, name })),
      itself,
    };
    if (!into) return { ...told, into: undefined, gains: [], differs: [] };
    const gone = await writeDossier(tx, who, model.id);
    const stays = await writeDossier(tx, who, into.id);
    if (!gone || !stays) throw notFound("This model");
    return {
      ...told,
      into: { id: into.id, name: into.name, units: into.units },
      ...mergeEffect(stays, gone),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const form = await request.formData();
  return readInClub(context, async (_tx, who) => {
    const done = await performForm(mergeModels, who, form, {
      model: modelIdOf(params.model),
      accepted: form.getAll("accept").map(String),
    });
    if (done.ok) return redirect(`/models/${done.value.answer.into}`);
    const { status, says } = refusalOf(done.problem, {
      same: typedWrongly("That is the same model: it cannot be merged into itself."),
      "no-model": "One of the two is no longer in the cabinet: nothing was merged.",
      "on-bench": ({ tags }) =>
        `${listed(tags, 8)} ${tags.length === 1 ? "is" : "are"} at the bench: end what goes on there first.`,
      input: (problem) => typedWrongly(firstIssue(problem, "Pick the model that stays.")),
    });
    return data({ ok: false, says }, { status });
  });
}

export const clientAction = offlineSaid;

export default function Merge({ loaderData, actionData }: Route.ComponentProps) {
  const { model, into, others } = loaderData;
  return (
    <Page
      title={`${model.name} is another model`}
      says="two names of one radio, or one entered twice: the one that goes hands over its radios"
      acts={
        <Link to={`/models/${model.id}`} className="link self-center text-sm">
          Back to {model.name}
        </Link>
      }
    >
      {actionData && <Said answer={actionData} />}
      {loaderData.itself && (
        <Said answer={{ ok: false, says: `That is ${model.name} itself: pick another model.` }} />
      )}
      <Form className="mb-5 flex flex-wrap items-end gap-3">
        <Labelled
          name="into"
          label="The one that stays"
          options={[["", "pick one"], ...others.map(({ id, name }): [string, string] => [id, name])]}
          value={into?.id ?? ""}
        />
        <button type="submit" className="btn btn-outline btn-primary">
          Show what that would do
        </button>
      </Form>
      {into && <Effect key={into.id} data={loaderData} into={into} />}
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];

function Effect({ data: told, into }: { readonly data: Data; readonly into: NonNullable<Data["into"]> }) {
  const { model, gains, differs, units } = told;
  return (
    <ActForm className="flex flex-col gap-5">
      <input type="hidden" name="into" value={into.id} />
      <div className="sheet max-w-3xl p-4">
        <h2 className="mb-1.5">What stays is {into.name}</h2>
        <ul className="ml-5 list-disc">
          <li>
            {units === 0
              ? `No radio is a ${model.name}.`
              : `${counted(units, "radio")} of ${model.name} become ${into.name}`}
            {units > 0 &&
              `, ${into.units + units} in all; what was read of them goes along, part by part by their names, and each is judged anew.`}
          </li>
          <li>
            {into.name} gains {counted(gains.length, "fact")} that only {model.name} has, as long as they are
            picked below; {model.name} stays as a name it is sold under.
          </li>
          <li>
            {differs.length === 0
              ? "Nothing is said of both in two ways."
              : `Of ${counted(differs.length, "fact")} both say something else: ${into.name} keeps its own, and what ${model.name} says is lost to the bench, unless you pick it.`}
          </li>
          <li>
            Tools, devices and groups that speak of {model.name} speak of {into.name}. Who confirmed a fact of{" "}
            {model.name} is not carried over. The address of {model.name} leads to {into.name}.
          </li>
        </ul>
        <p className="mt-2 text-sm text-quiet">
          There is no press that parts them again: keep{" "}
          <a className="link" href={`/models/${model.id}/dossier.json`} download>
            the dossier of {model.name} as a file
          </a>{" "}
          if you are not sure.
        </p>
      </div>
      {gains.length > 0 && (
        <section className="flex flex-col gap-3">
          <h2>{into.name} would gain</h2>
          <FactPicks under differences={gains} picked={() => true} isNew={`only ${model.name} has it`} />
        </section>
      )}
      {differs.length > 0 && (
        <section className="flex flex-col gap-3">
          <h2>{model.name} would lose, unless it is picked</h2>
          <FactPicks under differences={differs} picked={() => false} />
        </section>
      )}
      <button type="submit" className="btn btn-primary w-fit">
        Merge {model.name} into {into.name}
      </button>
    </ActForm>
  );
}
