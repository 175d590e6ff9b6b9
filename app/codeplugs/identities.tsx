// Digital IDs and call signs of radios and people: what is there, what was asked for, what is late, and what is wrong among them.
import { useActionData } from "react-router";
import { noteIdentity } from "#acts/codeplug/note-identity.ts";
import { shelveIdentity } from "#acts/codeplug/shelve-identity.ts";
import { type IdentityFinding, identityFindings, identityState } from "#core/codeplug/index.ts";
import { listed } from "#core/quantities/index.ts";
import { people } from "#db/club/index.ts";
import { identities, known } from "#db/codeplug/index.ts";
import type { Tx } from "#db/pool.ts";
import { unitByTag } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub, type SignedIn } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { madeInPassing } from "../forms/choice/in-passing.server.ts";
import { Pick } from "../forms/choice/pick.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { fieldText, performForm } from "../forms/perform.server.ts";
import { type ActAnswer, answer, textsOf } from "../shared/act-answer.server.ts";
import { answerProblem, typedWrongly } from "../shared/refusals.server.ts";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Noted } from "../ui/noted.tsx";
import { Wide } from "../ui/wide.tsx";
import { counted } from "../ui/words/count.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/identities";
import { CodeplugTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "IDs and call signs · Mossy Cabinet" }];

export const handle = { follows: ["club", "need"] };

export async function loader({ context }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx, who) => {
    const rows = await identities(tx);
    return {
      rows: rows.map((row) => ({ ...row, state: identityState(known(row), who.today) })),
      findings: identityFindings(rows.map(known)),
      people: (await people(tx)).map(({ id, name }) => [id, name] as const),
    };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-plan");
  const form = await request.formData();
  return readInClub(context, (tx, who) => noteByForm(tx, who, form));
}

async function noteByForm(tx: Tx, who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) } satisfies ActAnswer);
  const fine = (says: string) => answer(200, { ok: true, intent, says });
  if (intent === "shelve") {
    const done = await performForm(shelveIdentity, who, form);
    return done.ok ? fine("Taken away.") : refused(404, "That is not there any more.");
  }
  const tag = fieldText(form, "tag");
  const unit = tag === undefined ? undefined : await unitByTag(tx, tag.slice(0, 80));
  if (tag !== undefined && !unit) return refused(404, `No radio has the tag ${tag.slice(0, 40)}.`);
  const trouble = await madeInPassing(tx, who, form, { owner: "person" });
  if (trouble) return refused(400, String(Object.values(trouble)[0]));
  const days = fieldText(form, "usuallyDays");
  if (days !== undefined && !/^\d{1,4}$/.test(days))
    return refused(400, "How long it usually takes is a number of days.");
  const done = await performForm(noteIdentity, who, form, {
    unit: unit?.id,
    usuallyDays: days === undefined ? undefined : Number(days),
  });
  if (done.ok) return fine("Noted.");
  return answerProblem(intent, form, done.problem, {
    nobody: typedWrongly("Whose is it? Type a radio's tag, or choose a person: one of the two."),
    "no-identity": { status: 404, says: "That is not there any more." },
  });
}

export const clientAction = offlineSaid;

export { afterMaking as shouldRevalidate } from "../forms/choice/pick.tsx";

type Data = Route.ComponentProps["loaderData"];
const KIND = { digital: "digital ID", call: "call sign" } as const;

export default function Identities({ loaderData }: Route.ComponentProps) {
  const { rows, findings } = loaderData;
  const said = useActionData<ActAnswer>();
  const mayPlan = useMay("edit-plan");
  const late = rows.filter(
    ({ state }) => state.kind === "wanted" || (state.kind === "asked" && state.late),
  ).length;
  const there = rows.filter(({ state }) => state.kind === "there").length;
  return (
    <Noted
      title="IDs and call signs"
      says={rows.length === 0 ? "none noted" : `${there} there; ${late} to ask for, or late`}
      acts={<CodeplugTabs here="identities" />}
      said={said}
      empty={rows.length === 0 ? "Nobody has noted one." : undefined}
      form={mayPlan && <Note people={loaderData.people} kept={said?.ok === false ? said.kept : undefined} />}
    >
      {findings.length > 0 && (
        <ul className="flex flex-col gap-1">
          {findings.map((finding) => (
            <li key={JSON.stringify(finding)} className="hatch w-fit border-l-4 border-rust px-3 py-1">
              {sayFinding(finding, rows)}
            </li>
          ))}
        </ul>
      )}
      {rows.length > 0 && <Table rows={rows} />}
    </Noted>
  );
}

function sayFinding(finding: IdentityFinding, rows: Data["rows"]): string {
  if (finding.kind === "twice")
    return `${listed(finding.of)} have the same digital ID ${finding.value}: one of them was copied along. Ask for another.`;
  const whose = rows.find(({ id }) => id === finding.id);
  return `${finding.value} of ${whose?.tag ?? whose?.owner} has ${counted(finding.digits, "digit")}: a digital ID has seven, of what repeats six.`;
}

function Table({ rows }: { readonly rows: Data["rows"] }) {
  const { locale, today } = useClub();
  const mayPlan = useMay("edit-plan");
  return (
    <Wide label="Digital IDs">
      <table className="table table-sm">
        <thead>
          <tr>
            <th>Whose</th>
            <th>What</th>
            <th>How it stands</th>
            {mayPlan && (
              <th>
                <span className="sr-only">What can be done</span>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <th scope="row">
                {row.tag ? (
                  <Go to={`/units/${encodeURIComponent(row.tag)}`} className="link tag">
                    {row.tag}
                  </Go>
                ) : (
                  row.owner
                )}
              </th>
              <td>{KIND[row.kind]}</td>
              <td>
                {row.state.kind === "there" ? (
                  <span className="ver">{row.state.value}</span>
                ) : row.state.kind === "wanted" ? (
                  <span className="doubt px-2">nobody has asked for it</span>
                ) : (
                  <span className={row.state.late ? "text-rust" : ""}>
                    asked for on {sayDate(row.state.on, locale, today)}
                    {row.state.by
                      ? row.state.late
                        ? `; it should have come by ${sayDate(row.state.by, locale, today)}`
                        : `; expected by ${sayDate(row.state.by, locale, today)}`
                      : "; nobody knows how long they take"}
                  </span>
                )}
              </td>
              {mayPlan && (
                <td>
                  <Change row={row} />
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  );
}

function Change({ row }: { readonly row: Data["rows"][number] }) {
  const { today } = useClub();
  const hidden = (
    <>
      <input type="hidden" name="identity" value={row.id} />
      <input type="hidden" name="kind" value={row.kind} />
      <input type="hidden" name="note" value={row.note} />
    </>
  );
  const whose = row.tag ?? row.owner ?? "";
  return (
    <details>
      <summary
        className="link cursor-pointer text-sm"
        aria-label={`Change the ${KIND[row.kind]} of ${whose}`}
      >
        Change
      </summary>
      <ActForm intent="note" className="mt-1 flex flex-wrap items-end gap-2">
        {hidden}
        <Labelled name="value" label="It is" mono small value={row.value ?? ""} box="w-32" />
        <Labelled
          name="askedOn"
          label="Asked for on"
          type="date"
          small
          value={row.asked_on ?? ""}
          max={today}
          box="w-40"
        />
        <Labelled
          name="usuallyDays"
          label="They take, days"
          small
          inputMode="numeric"
          value={row.usually_days === null ? "" : String(row.usually_days)}
          box="w-28"
        />
        <button type="submit" className="btn btn-primary btn-sm mb-1">
          Note it
        </button>
      </ActForm>
      <ActForm intent="shelve">
        <input type="hidden" name="identity" value={row.id} />
        <button type="submit" className="link text-sm text-rust">
          It is nobody's any more
        </button>
      </ActForm>
    </details>
  );
}

function Note(props: {
  readonly people: Data["people"];
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const { today } = useClub();
  const { people: all, kept } = props;
  return (
    <section>
      <h2 className="mb-1.5">Note one</h2>
      <ActForm intent="note" className="sheet flex flex-col gap-2 p-3">
        <Labelled
          name="kind"
          label="What"
          small
          value={kept?.kind}
          options={[
            ["digital", "digital ID"],
            ["call", "call sign"],
          ]}
        />
        <Labelled name="tag" label="Of the radio" mono small placeholder="S-02" value={kept?.tag} />
        <Pick
          makes="person"
          name="owner"
          label="or of"
          small
          value={kept?.owner}
          options={[["", "nobody"], ...all]}
        />
        <Labelled name="value" label="It is (empty: it has not come)" mono small value={kept?.value} />
        <Labelled
          name="askedOn"
          label="Asked for on (empty: not yet)"
          type="date"
          small
          max={today}
          value={kept?.askedOn}
        />
        <Labelled
          name="usuallyDays"
          label="They usually take, days"
          small
          inputMode="numeric"
          value={kept?.usuallyDays}
        />
        <Labelled name="note" label="Note" small most={300} value={kept?.note} />
        <button type="submit" className="btn btn-primary btn-sm">
          Note it
        </button>
      </ActForm>
    </section>
  );
}
