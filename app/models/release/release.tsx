// One release: add it, correct it, withdraw it; first shown is which units that touches, then it is done.
import { Link } from "react-router";
import { mustBeAllowed, readInClub } from "../../context.ts";
import { useDrawn } from "../../forms/baseline.tsx";
import { PostForm } from "../../forms/form.tsx";
import { offlineResult } from "../../forms/offline.ts";
import { Tags, TouchedUnits } from "../../shared/touched.tsx";
import { Page } from "../../ui/page.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayRange, sayStop } from "../../ui/words/route.ts";
import type { Route } from "./+types/release";
import { actOnRelease, loadRelease } from "./load-release.server.ts";
import { ReleaseFields } from "./release-fields.tsx";
import type { Held } from "./release-rows.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Release · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-release");
  return readInClub(context, async (tx, who) => {
    const { releases: _, ...shown } = await loadRelease(tx, params.model, params.release, who.today);
    return shown;
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-release");
  const form = await request.formData();
  return readInClub(context, (tx, who) => actOnRelease(tx, who, params.model, params.release, form));
}

export const clientAction = offlineResult;

export default function Release({ loaderData, actionData }: Route.ComponentProps) {
  const { model, release, components, revisions, offers } = loaderData;
  const held = heldOf(useDrawn(loaderData.values), actionData?.result);
  const savableAsDraft = actionData && "savableAsDraft" in actionData && actionData.savableAsDraft;
  const touched = actionData && "touched" in actionData ? actionData.touched : undefined;
  // What was typed and looked at stands for what is kept, until it is.
  const told = actionData && "whatIf" in actionData ? actionData.whatIf : loaderData.whatIf;
  return (
    <Page title={release ? `${model.name} ${release.version}` : `A new release for the ${model.name}`}>
      <p className="mb-4">
        <Link className="link" to={`/models/${model.id}`}>
          Back to the {model.name}
        </Link>
        {!release && (
          <>
            {" · "}
            <Link className="link" to={`/models/${model.id}/notes`}>
              Paste release notes
            </Link>
          </>
        )}
      </p>
      <div className="flex flex-col gap-6">
        <PostForm
          lastResult={actionData?.result}
          encType="multipart/form-data"
          className="sheet p-4"
          defaults={loaderData.values}
          also={<Buttons old={release !== undefined} savableAsDraft={savableAsDraft === true} />}
        >
          {(fields) => (
            <ReleaseFields
              fields={fields}
              held={held}
              offers={offers}
              components={components}
              revisions={revisions}
              old={release !== undefined}
            />
          )}
        </PostForm>
        {told && <IfTarget told={told} />}
        {touched && <TouchedUnits key={JSON.stringify(touched)} touched={touched} />}
      </div>
    </Page>
  );
}

/** What the rows of the form hold: what came back with an answer, or what was read when the page was drawn. */
function heldOf(
  drawn: Readonly<Record<string, string>>,
  result:
    | { readonly initialValue?: unknown; readonly error?: Record<string, string[] | null> | null }
    | undefined,
): Held {
  const errors = Object.entries(result?.error ?? {}).map(([name, says]) => [name, (says ?? []).join(" ")]);
  return {
    values: (result?.initialValue as Record<string, unknown> | undefined) ?? drawn,
    errors: Object.fromEntries(errors),
  };
}

function Buttons({ old, savableAsDraft }: { readonly old: boolean; readonly savableAsDraft: boolean }) {
  return (
    <>
      <button type="submit" name="intent" value="look" className="btn btn-outline btn-primary">
        See what it touches
      </button>
      <button type="submit" name="intent" value="save" className="btn btn-primary">
        {old ? "Save" : "Add it"}
      </button>
      {savableAsDraft && (
        <>
          <button type="submit" name="intent" value="draft" className="btn btn-outline btn-error">
            Save as a draft
          </button>
          <span className="text-sm text-quiet">
            A draft is kept and known by name, but no radio is sent to it until it is put right.
          </span>
        </>
      )}
    </>
  );
}

type Told = NonNullable<Route.ComponentProps["loaderData"]["whatIf"]>;

/** What it would take if every radio went to this release. */
function IfTarget({ told }: { readonly told: Told }) {
  const names = {
    release: (id: string) => told.names[`r${id}`] ?? "another release",
    component: (id: string) => told.names[id] ?? "?",
  };
  const total = told.there + told.reach.count + told.stuck.count + told.untold.count;
  const lists = [
    ["get there", told.reach],
    ["no route", told.stuck],
    ["not known", told.untold],
  ] as const;
  return (
    <section>
      <h2 className="mb-1.5">If every radio went to it</h2>
      <p>
        {told.there} of {total} run it. {counted(told.reach.count, "radio")} would get there in about{" "}
        {counted(told.minutes, "minute")} of installing; {told.losing === 0 ? "none" : told.losing} would lose
        at least the settings.{" "}
        {told.stuck.count > 0 && `${counted(told.stuck.count, "radio")} would have no route.`}{" "}
        {told.untold.count > 0 &&
          `Whether ${counted(told.untold.count, "radio has", "radios have")} a route was not found out in the time a page may take.`}
      </p>
      <dl className="mt-2 grid gap-x-4 gap-y-1 text-sm sm:grid-cols-[8rem_minmax(0,1fr)]">
        {lists.map(
          ([name, some]) =>
            some.count > 0 && (
              <div key={name} className="contents">
                <dt className="text-quiet">{name}</dt>
                <dd className="tag">
                  <Tags some={some} />
                </dd>
              </div>
            ),
        )}
        {told.installs.length > 0 && (
          <div className="contents">
            <dt className="text-quiet">files</dt>
            <dd>
              {told.installs.map(({ component, release, times }) => (
                <span key={release} className="mr-4 inline-block">
                  {names.component(component)} <span className="ver">{names.release(release)}</span>, {times}{" "}
                  times
                  {told.files[release] !== "kept" && (
                    <span className="text-rust">
                      {" "}
                      ({told.files[release] === "known" ? "not kept here, only its hash" : "no file known"})
                    </span>
                  )}
                </span>
              ))}
            </dd>
          </div>
        )}
        {told.tools.length > 0 && (
          <div className="contents">
            <dt className="text-quiet">software</dt>
            <dd>
              {told.tools.map(({ tool, radios }) => (
                <span key={JSON.stringify(tool)} className="mr-4 inline-block">
                  {tool.name}
                  {tool.range && ` ${sayRange(tool.range)}`}, for {counted(radios, "radio")}
                </span>
              ))}
            </dd>
          </div>
        )}
      </dl>
      {told.stops.length > 0 && (
        <ul className="mt-2 list-[square] pl-5 text-sm">
          {told.stops.map((stop) => (
            <li key={JSON.stringify(stop)}>{sayStop(stop, names)}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
