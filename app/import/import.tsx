// Units from a spreadsheet: paste or upload, match the columns, look at every row, then bring them in at once.

import { data, Form, Link, useNavigation } from "react-router";
import { mustBeAllowed, readAtLength } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { offlineOnly, useSent } from "../forms/offline.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/import";
import { PreviewForm } from "./preview.tsx";
import { readImport } from "./read.server.ts";
import type { Reply } from "./sheet-preview.ts";
import { sayRowProblem } from "./words.ts";

export const meta: Route.MetaFunction = () => [{ title: "Bring in units · Mossy Cabinet" }];

export function loader({ context }: Route.LoaderArgs) {
  mustBeAllowed(context, "import-units");
  return null;
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "import-units");
  const form = await request.formData();
  const reply = await readAtLength(context, (tx, who) => readImport(tx, who, form));
  if (reply instanceof Response) return reply;
  return data(reply, { status: "trouble" in reply ? 400 : 200 });
}

export const clientAction = offlineOnly;

export default function Import({ actionData }: Route.ComponentProps) {
  const { sent, offline } = useSent<Reply>(actionData);
  const preview = sent && "preview" in sent ? sent.preview : undefined;
  const trouble = sent && "trouble" in sent ? sent : undefined;
  const done = sent && "left" in sent ? sent : undefined;
  return (
    <Page
      title="Bring in units"
      says={preview ? preview.file : "from a spreadsheet; nothing is saved until you say so"}
    >
      {offline && <Said answer={{ ok: false, says: offline }} />}
      {trouble && !offline && (
        <p role="alert" className="sheet hatch mb-4 border-rust p-3 font-semibold text-rust">
          {trouble.trouble}
        </p>
      )}
      {done && <LeftOut {...done} />}
      {preview ? <PreviewForm preview={preview} /> : <Open key={trouble?.trouble} text={trouble?.text} />}
    </Page>
  );
}

/** Shown of them at most; all are counted. */
const MOST_LEFT = 200;

function LeftOut({ left, brought }: Extract<Reply, { left: unknown }>) {
  return (
    <section role="status" className="sheet mb-6 p-4">
      <h2>
        {counted(brought, "radio")} brought in, {counted(left.length, "row")} left out
      </h2>
      <ul className="mt-2 text-sm">
        {left.slice(0, MOST_LEFT).map(({ line, lines, values, problems }) => (
          <li key={line}>
            Row {lines.join(", ")}, <span className="tag">{values.tag || "no tag"}</span>:{" "}
            {problems.map(sayRowProblem).join("; ")}
          </li>
        ))}
      </ul>
      {left.length > MOST_LEFT && <p>And {left.length - MOST_LEFT} more.</p>}
      <p className="mt-2">
        Bring in the same sheet again once they are mended: what is there already stays as it is.{" "}
        <Link to="/cabinet" className="link">
          To the Cabinet
        </Link>
      </p>
    </section>
  );
}

function Open({ text }: { readonly text: string | undefined }) {
  const busy = useNavigation().state !== "idle";
  return (
    <Form method="post" encType="multipart/form-data" className="flex max-w-3xl flex-col gap-4">
      <input type="hidden" name="intent" value="open" />
      <Labelled
        name="file"
        label="A file: CSV or TSV"
        type="file"
        accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values"
        className="max-w-md"
      />
      <Labelled
        name="text"
        label="Or paste the rows here, the column names first"
        rows={12}
        mono
        value={text}
        spellCheck={false}
        className="text-sm"
        placeholder={"tag\tmodel\tplace\tversion\nW-20\tWicket\tShelf 1\t1.14"}
      />
      <button type="submit" className="btn btn-primary w-fit" aria-disabled={busy}>
        Look at it
      </button>
    </Form>
  );
}
