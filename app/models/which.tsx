// Which model is this? What one sees, typed as far as one sees it; the likeliest models, and what to look at next.
import { Form, Link } from "react-router";
import { type Candidate, FEATURES, type Feature, type SeenRadio, whichModel } from "#core/dossier/index.ts";
import { allIdentities } from "#db/model/index.ts";
import { readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/which";

export const meta: Route.MetaFunction = () => [{ title: "Which model is this? · Mossy Cabinet" }];

export async function loader({ context, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const asked = Object.fromEntries(
    FEATURES.map((f) => [f, (search.get(f) ?? "").trim().slice(0, 200)]),
  ) as Record<Feature, string>;
  const keys = /^\d{1,3}$/.test(asked.keys) ? Number(asked.keys) : undefined;
  const seen: SeenRadio = {
    label: asked.label,
    screen: asked.screen,
    plug: asked.plug,
    keys,
    serial: asked.serial,
  };
  return readInClub(context, async (tx) => {
    const models = await allIdentities(tx);
    const trouble =
      asked.keys !== "" && keys === undefined ? "A whole number of keys, or nothing." : undefined;
    return {
      asked,
      trouble,
      which: whichModel(seen, models),
      names: Object.fromEntries(models.map((m) => [m.id, m.name])),
    };
  });
}

const WORD: Record<Feature, string> = {
  label: "Text on its label or front",
  screen: "Text on its screen",
  plug: "The plug at the radio",
  keys: "Number of keys (not knobs)",
  serial: "Serial number",
};

const LOOK: Record<Feature, string> = {
  label: "Look at the label, mostly under the battery.",
  screen: "Turn it on and look at its first screen.",
  plug: "Look at the plug for the lead.",
  keys: "Count its keys, the talk key too, knobs not.",
  serial: "Look for its serial number, mostly under the battery.",
};

export default function WhichModel({ loaderData }: Route.ComponentProps) {
  const { asked, which, names } = loaderData;
  const any = Object.values(asked).some((text) => text !== "");
  const isSilent = ({ says }: Candidate) => says.every((said) => said.fits === "unknown");
  const speaking = which.candidates.filter((candidate) => !isSilent(candidate));
  const silent = which.candidates.filter(isSilent);
  return (
    <Page title="Which model is this?" says="one housing is sold under several names; type what you see">
      <div className="grid gap-6 lg:grid-cols-[22rem_minmax(0,1fr)]">
        <Form className="sheet flex h-fit flex-col gap-3 p-4" key={JSON.stringify(asked)}>
          {FEATURES.map((feature) => (
            <Labelled
              key={feature}
              name={feature}
              label={WORD[feature]}
              value={asked[feature]}
              errors={feature === "keys" && loaderData.trouble ? [loaderData.trouble] : undefined}
            />
          ))}
          <button type="submit" className="btn btn-primary w-fit">
            Rank the models
          </button>
        </Form>
        <div className="flex flex-col gap-4">
          {!any && (
            <p className="doubt w-fit p-4">Fill in whatever you can see; one of them may be enough.</p>
          )}
          {any && which.candidates.length === 0 && (
            <p className="doubt w-fit p-4">Nothing that we know looks like that.</p>
          )}
          {which.next && (
            <p className="cut border-2 border-brass bg-plate p-3">
              <strong>{LOOK[which.next.feature]}</strong>
              {which.next.shows.slice(0, 4).map((s) => (
                <span key={s.id} className="block">
                  {names[s.id]}: <span className="text-quiet">{s.what || "not written down"}</span>
                </span>
              ))}
            </p>
          )}
          {speaking.length > 0 && (
            <ol className="flex flex-col gap-3">
              {speaking.slice(0, 6).map((candidate) => (
                <li key={candidate.id} className="sheet p-3">
                  <Link className="link text-lg" to={`/models/${candidate.id}`}>
                    {names[candidate.id]}
                  </Link>
                  <ul className="mt-1 text-sm">
                    {candidate.says.map((said) => (
                      <li key={said.feature}>{sayFit(said)}</li>
                    ))}
                  </ul>
                </li>
              ))}
            </ol>
          )}
          {silent.length > 0 && (
            <p className="text-quiet">
              It could{speaking.length > 0 && " also"} be {silent.length === 1 ? "this one" : "one of these"},
              of which nobody has written that down:{" "}
              {silent.map((candidate, i) => (
                <span key={candidate.id}>
                  {i > 0 && ", "}
                  <Link className="link" to={`/models/${candidate.id}`}>
                    {names[candidate.id]}
                  </Link>
                </span>
              ))}
              .
            </p>
          )}
        </div>
      </div>
    </Page>
  );
}

function sayFit({ feature, fits, expected }: Candidate["says"][number]): string {
  const what = WORD[feature].toLowerCase();
  switch (fits) {
    case "yes":
      return `✓ ${what}: just so (${expected})`;
    case "partly":
      return `~ ${what}: nearly (${expected})`;
    case "no":
      return `✗ ${what}: it would be ${expected}`;
    case "unknown":
      return `? ${what}: nobody has written it down`;
  }
}
