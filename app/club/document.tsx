// The whole club as one document: taken out, and brought into a club that is new.

import { data, Link, useNavigation } from "react-router";
import { filesBeyond } from "#db/club/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/document";
import { takeDocument } from "./take-document.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "The whole club · Mossy Cabinet" }];

export function loader({ context }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return readInClub(context, filesBeyond);
}

export async function action({ context, request }: Route.ActionArgs) {
  const who = mustBeAllowed(context, "edit-club");
  const said = await takeDocument(who, await request.formData());
  return data(said, { status: said.ok ? 200 : 400 });
}

export const clientAction = offlineSaid;

export default function ClubDocument({ loaderData, actionData }: Route.ComponentProps) {
  const { files, bytes } = loaderData;
  const busy = useNavigation().state !== "idle";
  return (
    <Page title="The whole club" says="as one open document, to keep, to read, or to move elsewhere">
      {actionData && <Said answer={actionData} />}
      <div className="grid max-w-5xl gap-10 lg:grid-cols-2">
        <section>
          <h2 className="mb-2">Take it out</h2>
          <p className="mb-3">
            Everything of the club: radios and readings, dossiers, kit, people, the log, files. Not in it:
            passwords and sessions. It is plain JSON, described in the formats page of the documentation.
          </p>
          {files > 0 && (
            <p role="status" className="doubt mb-3 w-fit p-3 font-semibold">
              {counted(files, "file")} ({(bytes / 1e6).toFixed(0)} MB) {files === 1 ? "is" : "are"} too much
              for it: it names {files === 1 ? "it" : "them"}, without what is in {files === 1 ? "it" : "them"}
              . A backup (./backup) has all files.
            </p>
          )}
          <a className="btn btn-primary" href="/out/club.json" download>
            The club as JSON
          </a>
          <p className="mt-3 text-sm text-quiet">
            It holds what everybody wrote: keep it where only those may read it who may read the cabinet.
          </p>
        </section>
        <section>
          <h2 className="mb-2">Bring it back</h2>
          <p className="mb-3">
            Into a club that has just been founded, with nothing in it yet. Whoever is in the document with
            your address becomes you; all others sign in by a link that you make for them.
          </p>
          <ActForm encType="multipart/form-data" className="flex flex-col gap-3">
            <Labelled name="file" label="The document" type="file" accept=".json,application/json" />
            <button
              type="submit"
              className="btn btn-primary w-fit"
              aria-disabled={busy}
              onClick={(event) => busy && event.preventDefault()}
            >
              Bring it back
            </button>
          </ActForm>
          <p className="mt-4 text-sm">
            <Link className="link" to="/club">
              Back to the club
            </Link>
          </p>
        </section>
      </div>
    </Page>
  );
}
