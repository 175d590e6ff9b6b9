// The files: what was read out of each radio and kept, each by what it is, so that nothing is lost when a radio is erased.
import { useActionData } from "react-router";
import { knownNow } from "#db/codeplug/index.ts";
import { backupsOf } from "#db/run/index.ts";
import { unitByTag } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { withForm } from "../forms/with-form.server.ts";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { Wide } from "../ui/wide.tsx";
import { sayBytes } from "../ui/words/bytes.ts";
import { counted } from "../ui/words/count.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/files";
import { keepByForm } from "./keep.server.ts";
import { CodeplugTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Codeplugs · Mossy Cabinet" }];

export const handle = { follows: ["log"] };

/** So many are listed; those of one radio are found by its tag. */
const MOST = 200;
const MOST_NOW = 600;

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const tag = (new URL(request.url).searchParams.get("unit") ?? "").trim().slice(0, 80);
  return readInClub(context, async (tx) => {
    const unit = tag === "" ? undefined : await unitByTag(tx, tag);
    const isNone = tag !== "" && !unit;
    const rows = isNone ? [] : await backupsOf(tx, unit?.id, MOST + 1);
    const now = isNone ? [] : await knownNow(tx, unit?.id, MOST_NOW + 1);
    return {
      tag,
      unknown: isNone,
      now: now.slice(0, MOST_NOW),
      moreNow: now.length > MOST_NOW,
      more: rows.length > MOST,
      backups: rows.slice(0, MOST).map((row) => ({ ...row, kept_at: row.kept_at.toISOString() })),
    };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "work-at-bench");
  return withForm(request, (form) => readInClub(context, (tx, who) => keepByForm(tx, who, form)));
}

export const clientAction = offlineSaid;

export default function Files({ loaderData }: Route.ComponentProps) {
  const { backups, tag, unknown, more } = loaderData;
  const said = useActionData<typeof action>();
  const mayWork = useMay("work-at-bench");
  const units = new Set(backups.map((backup) => backup.unit_id)).size;
  return (
    <Page
      title="Codeplugs"
      says={
        backups.length === 0
          ? "no backup is kept"
          : `${counted(backups.length, "backup")}${more ? " and more" : ""} of ${counted(units, "radio")}`
      }
      acts={<CodeplugTabs here="files" />}
    >
      {said && <Said answer={said} />}
      <form className="mb-4 flex items-end gap-3">
        <Labelled name="unit" label="Of one radio" mono small placeholder="W-03" value={tag} box="w-40" />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Show
        </button>
      </form>
      {unknown && <p className="doubt mb-4 w-fit px-4 py-2">No radio has the tag {tag}.</p>}
      {backups.length === 0 && !unknown && (
        <p className="doubt max-w-xl p-5 text-lg">
          What is read out of a radio at the bench is kept here by itself: with its day, its sum, and whose it
          is.
        </p>
      )}
      {loaderData.now.length > 0 && <Now now={loaderData.now} more={loaderData.moreNow} />}
      {backups.length > 0 && <Table backups={backups} />}
      {mayWork && <Keep kept={said?.ok === false ? said.kept : undefined} tag={tag} />}
    </Page>
  );
}

type Known = Route.ComponentProps["loaderData"]["now"];

/** The channels of any radio as a file, in one press. */
function Now({ now, more }: { readonly now: Known; readonly more: boolean }) {
  return (
    <section aria-labelledby="now" className="mb-5">
      <h2 id="now" className="mb-2">
        What each radio carries
      </h2>
      <ul
        className="flex max-h-64 flex-wrap gap-1.5 overflow-y-auto"
        aria-label="Radios whose channels are known"
      >
        {now.map(({ id, tag, model, name }) => (
          <li key={id}>
            <a
              href={`/codeplugs/out/codeplug/${id}/channels.json`}
              download
              title={`${model}: ${name}`}
              className="btn btn-outline btn-primary btn-sm tag"
              aria-label={`Take the channels of ${tag}, ${model}: ${name}`}
            >
              {tag}
            </a>
          </li>
        ))}
      </ul>
      <p className="mt-1.5 text-sm text-quiet">
        A press takes its channels as an open document.
        {more && ` The first ${now.length} are shown; the others are found by their tags.`}
      </p>
    </section>
  );
}

type Shown = Route.ComponentProps["loaderData"]["backups"];

function Table({ backups }: { readonly backups: Shown }) {
  const { locale, timeZone } = useClub();
  const mayWork = useMay("work-at-bench");
  return (
    <section aria-labelledby="kept">
      <h2 id="kept" className="mb-2">
        Files as they were read out
      </h2>
      <Wide label="Kept files">
        <table className="table">
          <thead>
            <tr>
              <th>Radio</th>
              <th>Kept</th>
              <th>File</th>
              <th>Size</th>
              <th>SHA-256</th>
              <th>
                <span className="sr-only">What can be done with it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {backups.map((backup) => (
              <tr key={backup.id}>
                <td>
                  <Go to={`/units/${encodeURIComponent(backup.tag)}`} className="link tag">
                    {backup.tag}
                  </Go>
                </td>
                <td>
                  {sayInstant(backup.kept_at, locale, timeZone)}
                  <span className="block text-sm text-quiet">{backup.kept_by}</span>
                </td>
                <td>
                  {backup.name}
                  {backup.same_as.length > 0 && (
                    <span className="doubt mt-1 block w-fit px-2 text-sm">
                      same bytes as one of {backup.same_as.join(", ")}
                    </span>
                  )}
                </td>
                <td className="whitespace-nowrap">{sayBytes(Number(backup.size))}</td>
                <td>
                  <span className="ver" title={backup.sha256}>
                    {backup.sha256.slice(0, 12)}…
                  </span>
                </td>
                <td>
                  <a href={`/backups/${backup.id}`} download className="link mr-4 text-sm">
                    Take the file
                  </a>
                  {mayWork && (
                    <ActForm intent="restore" className="inline">
                      <input type="hidden" name="tag" value={backup.tag} />
                      <input type="hidden" name="backup" value={backup.id} />
                      <button
                        type="submit"
                        name="for"
                        value="restore"
                        className="btn btn-outline btn-primary btn-sm"
                        aria-label={`Write it back into ${backup.tag}: ${backup.name}`}
                      >
                        Write it back
                      </button>
                    </ActForm>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </section>
  );
}

function Keep(props: { readonly kept: Readonly<Record<string, string>> | undefined; readonly tag: string }) {
  const { kept, tag } = props;
  const isAsked = kept?.intent === "keep";
  return (
    <details className="mt-5" open={isAsked}>
      <summary className="btn btn-outline btn-primary btn-sm">Keep a file</summary>
      <ActForm
        intent="keep"
        encType="multipart/form-data"
        className="sheet mt-2 flex flex-wrap items-end gap-3 p-3"
      >
        <Labelled name="tag" label="Read out of" mono small value={kept?.tag ?? tag} box="w-40" />
        <Labelled
          name="file"
          label="The file, 64 MB at most"
          type="file"
          small
          value={undefined}
          box="w-80"
        />
        {isAsked && (
          <Labelled name="confirmed" label="It is right all the same" type="checkbox" value={undefined} />
        )}
        <button type="submit" className="btn btn-primary btn-sm">
          Keep it
        </button>
      </ActForm>
    </details>
  );
}
