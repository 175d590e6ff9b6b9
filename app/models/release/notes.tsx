// Release notes are pasted, and what is found in them is shown with its place in the text; what is picked is written down, all at once.
import { data, Link, redirect } from "react-router";
import { writeReleases } from "#acts/model/write-releases.ts";
import { findReleases, LONGEST_NOTES } from "#core/release/index.ts";
import type { Tx } from "#db/pool.ts";
import { mustBeAllowed, readInClub } from "../../context.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { offlineOnly, useSent } from "../../forms/offline.ts";
import { performForm } from "../../forms/perform.server.ts";
import { refusalOf } from "../../shared/refusals.server.ts";
import { Page } from "../../ui/page.tsx";
import { Said } from "../../ui/said.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayContradiction } from "../../ui/words/unit/contradiction.ts";
import type { Route } from "./+types/notes";
import { FoundRelease, type NotesAnswer } from "./found-release.tsx";
import { loadRelease } from "./load-release.server.ts";
import { readShown, sentShown, shownOf } from "./notes-form.ts";

export const meta: Route.MetaFunction = () => [{ title: "Release notes · Mossy Cabinet" }];

const loadModel = async (tx: Tx, model: string, today: Parameters<typeof loadRelease>[3]) => {
  const loaded = await loadRelease(tx, model, "new", today);
  return { model: loaded.model, components: loaded.components };
};

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-release");
  return readInClub(context, (tx, who) => loadModel(tx, params.model, who.today));
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-release");
  const form = await request.formData();
  const text = String(form.get("text") ?? "");
  const source = String(form.get("source") ?? "")
    .trim()
    .slice(0, 300);
  return readInClub(context, async (tx, who) => {
    const loaded = await loadRelease(tx, params.model, "new", who.today);
    const component = String(form.get("component") ?? loaded.components[0]?.id ?? "");
    const part = loaded.releases.filter((one) => one.component_id === component);
    const answer = (status: number, told: Partial<NotesAnswer>) =>
      data(
        {
          text,
          source,
          component,
          trouble: undefined,
          shown: undefined,
          places: [],
          known: [],
          wrong: [],
          ...told,
        } satisfies NotesAnswer,
        { status },
      );
    if (text.length > LONGEST_NOTES)
      return answer(400, {
        trouble: `That is ${(text.length / 1e6).toFixed(1)} million signs; release notes of up to ${LONGEST_NOTES.toLocaleString("en-GB")} are read. Paste the part that is new.`,
      });
    const tags = [...new Set(loaded.releases.flatMap(({ fixes }) => fixes.map(({ tag }) => tag)))];
    const found = findReleases(
      text,
      part.map(({ version }) => version),
      tags,
    );
    const knownHere = new Set(
      part.flatMap(({ version, aliases }) => [version, ...aliases]).map((name) => name.toLowerCase()),
    );
    const places = found.proposals.map((one) => one.places);
    const known = found.proposals.map(({ version }) => knownHere.has(version.toLowerCase()));
    const days = found.proposals.map(({ otherDay }) => otherDay);
    const also = { places, known, days };
    if (form.get("intent") !== "add") {
      if (found.proposals.length === 0)
        return answer(400, {
          trouble:
            text.trim() === ""
              ? "Paste the text of the notes first."
              : "No version was found: each release begins with a line such as “Version 1.14” or “1.14, 2 May 2027”, or stands in a row of a table.",
        });
      return answer(200, {
        shown: found.proposals.map((one, i) => shownOf(one, known[i] === true)),
        ...also,
      });
    }
    const shown = sentShown(form);
    const again = (status: number, told: Partial<NotesAnswer>) => answer(status, { shown, ...also, ...told });
    const { releases, wrong } = readShown(shown, source);
    if (wrong.size > 0)
      return again(400, {
        wrong: [...wrong],
        trouble: "Something is not right yet: it is said where it stands.",
      });
    const done = await performForm(writeReleases, who, form, { model: loaded.model.id, component, releases });
    if (done.ok) return redirect(`/models/${loaded.model.id}`);
    const { problem } = done;
    switch (problem.kind) {
      case "contradicts": {
        const [first] = problem.contradictions;
        const says = first ? sayContradiction(first, (of) => problem.versions[of] ?? "another release") : "";
        const at = shown.findIndex((one) => one.picked && one.values.version?.trim() === problem.version);
        return again(409, {
          trouble: `${problem.version}: ${says} Nothing was written down.`,
          wrong: [[at, { [first?.field ?? "version"]: says }]],
        });
      }
      default: {
        const { status, says } = refusalOf(problem, {
          "other-file": "A file is not the one whose hash was noted.",
        });
        return again(status, { trouble: says });
      }
    }
  });
}

export const clientAction = offlineOnly;

export default function NotesPage({ loaderData, actionData }: Route.ComponentProps) {
  const { model, components } = loaderData;
  const { sent, offline } = useSent<NotesAnswer>(actionData);
  const shown = sent?.shown;
  return (
    <Page
      title={`Release notes of the ${model.name}`}
      says={
        shown
          ? `${counted(shown.length, "release")} found`
          : "pasted as they are; what is found in them is shown first"
      }
      acts={
        <Link className="link self-center text-sm" to={`/models/${model.id}`}>
          Back to the {model.name}
        </Link>
      }
    >
      {offline && <Said answer={{ ok: false, says: offline }} />}
      {sent?.trouble && (
        <p role="alert" className="hatch mb-3 border-l-4 border-rust p-3 font-semibold text-rust">
          {sent.trouble}
        </p>
      )}
      <ActForm
        encType="multipart/form-data"
        className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)] lg:items-start"
      >
        <div className={`flex min-w-0 flex-col gap-4 ${shown ? "lg:order-2" : ""}`}>
          {components.length > 1 ? (
            <Labelled
              name="component"
              label="Of which part"
              options={components.map((c) => [c.id, c.name] as const)}
              value={sent?.component ?? ""}
            />
          ) : (
            <input type="hidden" name="component" value={components[0]?.id ?? ""} />
          )}
          <Labelled name="text" label="The notes" rows={shown ? 14 : 18} mono value={sent?.text ?? ""} />
          <Labelled
            name="source"
            label="Whence they are"
            hint="a leaflet, a page, a file; may stay empty"
            value={sent?.source ?? ""}
            most={300}
          />
          <button
            type="submit"
            name="intent"
            value="find"
            className={`btn w-fit ${shown ? "btn-outline btn-primary" : "btn-primary"}`}
          >
            {shown ? "Look through the text again" : "Find the releases"}
          </button>
        </div>
        <div className="flex min-w-0 flex-col gap-4">
          {shown && sent ? (
            <>
              <input type="hidden" name="count" value={shown.length} />
              {shown.map((one, i) => (
                <FoundRelease
                  // biome-ignore lint/suspicious/noArrayIndexKey: they are known by their place
                  key={`${i} ${one.values.version}`}
                  i={i}
                  one={one}
                  sent={sent}
                />
              ))}
              <button type="submit" name="intent" value="add" className="btn btn-primary w-fit">
                Write down what is picked
              </button>
            </>
          ) : (
            <div className="doubt max-w-xl p-4">
              <p className="mb-2">
                Versions, days, what is mended, conditions and warnings are looked for: in plain text, where a
                release begins with a line of its own, or in a table. Several releases at once.
              </p>
              <p>Nothing is taken over before you have seen and picked it.</p>
            </div>
          )}
        </div>
      </ActForm>
    </Page>
  );
}
