// A dossier from another club: pasted or uploaded, shown as differences against ours, accepted one by one.

import { data, Form, Link, redirect } from "react-router";
import { bringInDossier } from "#acts/model/bring-in-dossier.ts";
import { type Difference, differencesOf, LONGEST_DOSSIER, readDossier } from "#core/dossier/index.ts";
import { listed } from "#core/quantities/index.ts";
import { oursFor, writeDossier } from "#db/model/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineOnly, useSent } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { refusalOf } from "../shared/refusals.server.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import { sayDocumentProblem } from "../ui/words/document.ts";
import type { Route } from "./+types/bring-in";
import { FactPicks } from "./fact-picks.tsx";

export const meta: Route.MetaFunction = () => [{ title: "A dossier from elsewhere · Mossy Cabinet" }];

export function loader({ context }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-model");
  return null;
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const form = await request.formData();
  const file = form.get("file");
  const text = file instanceof File && file.size > 0 ? await textOf(file) : String(form.get("text") ?? "");
  if (text.length > LONGEST_DOSSIER)
    return data({ text: "", trouble: "That is larger than 4 MB; no dossier is." }, { status: 400 });
  const accepted = form.getAll("accept").map(String);
  return readInClub(context, async (tx, who) => {
    const read = readDossier(text, who.today);
    if (!read.ok) return data({ text, trouble: sayDocumentProblem(read.problem) }, { status: 400 });
    const { dossier, unknown } = read.value;
    let trouble: string | undefined;
    if (form.get("intent") === "accept" && accepted.length > 0) {
      const done = await performForm(bringInDossier, who, form, { text, accepted });
      if (done.ok) return redirect(`/models/${done.value.answer.model}`);
      const { problem } = done;
      trouble =
        problem.kind === "input" || problem.kind === "no-key"
          ? refusalOf(problem, {}).says
          : sayDocumentProblem(problem);
    }
    const known = await oursFor(tx, dossier);
    const ours = known && (await writeDossier(tx, who, known));
    const differences = differencesOf(ours || undefined, dossier);
    const about = {
      name: dossier.model.name,
      from: dossier.from,
      on: dossier.writtenOn,
      known: known !== undefined,
    };
    return data({ text, unknown, differences, about, accepted, trouble }, { status: trouble ? 400 : 200 });
  });
}

async function textOf(file: File): Promise<string> {
  return file.size > LONGEST_DOSSIER ? "x".repeat(LONGEST_DOSSIER + 1) : file.text();
}

export const clientAction = offlineOnly;

export default function BringIn({ actionData }: Route.ComponentProps) {
  const { sent, offline } = useSent<Answer>(actionData);
  const shown = sent && "differences" in sent ? sent : undefined;
  return (
    <Page
      title="A dossier from elsewhere"
      says={
        shown ? `${shown.about.name}, written by ${shown.about.from}` : "what another club knows of a model"
      }
    >
      {offline && <Said answer={{ ok: false, says: offline }} />}
      {shown ? (
        <Differences shown={shown} />
      ) : (
        <Form method="post" encType="multipart/form-data" className="flex max-w-2xl flex-col gap-4">
          {sent?.trouble && (
            <p role="alert" className="hatch border-l-4 border-rust p-3 font-semibold text-rust">
              {sent.trouble}
            </p>
          )}
          <Labelled name="file" label="The file" type="file" accept=".json,application/json" />
          <Labelled name="text" label="Or paste its text here" rows={8} mono value={sent?.text} />
          <p className="text-sm text-quiet">
            Nothing is taken over before you have seen it. What is in it:{" "}
            <a className="link" href="/out/dossier.schema.json">
              the format
            </a>
            .
          </p>
          <button type="submit" className="btn btn-primary w-fit">
            Hold it against ours
          </button>
        </Form>
      )}
    </Page>
  );
}

type Answer = { readonly text: string; readonly trouble: string | undefined } | Shown;

type Shown = {
  readonly trouble: string | undefined;
  /** What was picked in a form that came back. */
  readonly accepted: readonly string[];
  readonly text: string;
  readonly unknown: readonly string[];
  readonly differences: readonly Difference[];
  readonly about: { readonly name: string; readonly from: string; readonly known: boolean };
};

function Differences({ shown }: { readonly shown: Shown }) {
  const { differences, about } = shown;
  if (differences.length === 0) {
    return (
      <p className="sheet w-fit p-4">
        It says nothing that ours does not say.{" "}
        <Link className="link" to="/models/bring-in">
          Another one
        </Link>
      </p>
    );
  }
  return (
    <ActForm className="flex flex-col gap-5">
      {shown.trouble && (
        <p role="alert" className="hatch border-l-4 border-rust p-3 font-semibold text-rust">
          {shown.trouble}
        </p>
      )}
      <input type="hidden" name="text" value={shown.text} />
      <p>
        {about.known
          ? `It differs from our dossier in ${counted(differences.length, "fact")}. Pick those that you take over; ours stay otherwise.`
          : `We have no ${about.name} yet: what you pick begins its dossier.`}
        {shown.unknown.length > 0 &&
          ` Left out, since our format has no such field: ${listed(shown.unknown, 6)}.`}
      </p>
      <FactPicks
        differences={differences}
        picked={(key) => (shown.accepted.length > 0 ? shown.accepted.includes(key) : !about.known)}
      />
      <button type="submit" name="intent" value="accept" className="btn btn-primary w-fit">
        Take over what is picked
      </button>
    </ActForm>
  );
}
