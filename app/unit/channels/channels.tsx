// What is programmed into a radio: its line of revisions, its channels held against mode, user, band plan, model and lists, and its lists.
import { useActionData } from "react-router";
import { listed } from "#core/quantities/index.ts";
import { mustBeAllowed, readInClub } from "../../context.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { offlineSaid } from "../../forms/offline.ts";
import { ChannelFindings } from "../../shared/channel-findings.tsx";
import { Rows } from "../../shared/channel-rows.tsx";
import { loadUnit } from "../../shared/load-unit.server.ts";
import { TakeTable } from "../../shared/take-table.tsx";
import { following, useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { Page } from "../../ui/page.tsx";
import { Said } from "../../ui/said.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayInstant } from "../../ui/words/time.ts";
import { Lists } from "../lists.tsx";
import type { Route } from "./+types/channels";
import { ChannelLine } from "./channel-line.tsx";
import { actOnChannels, type ChannelsAnswer } from "./channels.server.ts";
import { Bring, Look } from "./channels-form.tsx";
import { type ChannelsData, loadChannels } from "./load-channels.server.ts";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `Channels of ${params.tag} · Mossy Cabinet` },
];

export const handle = { follows: following<typeof loader>(({ unit }) => [`unit:${unit.id}`]) };

export async function loader({ context, params, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const asked = new URL(request.url).searchParams.get("of");
  return readInClub(context, (tx, who) => loadChannels(tx, params.tag, asked, who.today));
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "work-at-bench");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    return actOnChannels(tx, who, row, form);
  });
}

export const clientAction = offlineSaid;

export default function Channels({ loaderData }: Route.ComponentProps) {
  const { unit, shown, plan, findings } = loaderData;
  const said = useActionData<ChannelsAnswer>();
  const mayWork = useMay("work-at-bench");
  const lacksPlan = plan && !plan.is;
  return (
    <Page
      title={`Channels of ${unit.tag}`}
      says={
        plan
          ? plan.is
            ? `it carries plan ${plan.number}, ${counted(plan.count, "channel")}`
            : `it does not carry plan ${plan.number}, as far as anybody knows`
          : unit.model
      }
      acts={
        mayWork &&
        !unit.gone &&
        lacksPlan && (
          <ActForm intent="bench">
            <button type="submit" name="for" value="write" className="btn btn-primary btn-sm">
              Write plan {plan.number} into it
            </button>
          </ActForm>
        )
      }
    >
      <p className="mb-3">
        <Go to={`/units/${encodeURIComponent(unit.tag)}`} className="link">
          Back to {unit.tag}
        </Go>
      </p>
      {said?.says && <Said answer={said} />}
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_19rem]">
        <div className="flex min-w-0 flex-col gap-5">
          {said?.looked && <Look looked={said.looked} />}
          {shown?.known ? (
            <>
              <Which data={loaderData} />
              <Verdict data={loaderData} />
              {findings.length > 0 && <ChannelFindings findings={findings} codeplug={shown.id} />}
              <InModes stranded={loaderData.stranded} now={loaderData.mode} />
              <List data={loaderData} />
              <Lists data={loaderData} said={said} />
            </>
          ) : (
            <p className="doubt w-fit p-5 text-lg">
              {shown?.source === "written" || shown?.source === "restored"
                ? "Something was written into it and not read again: nobody knows what it has."
                : shown?.source === "erased"
                  ? "It was erased: nobody knows what is programmed in it now."
                  : "Nobody knows what is programmed in it."}
            </p>
          )}
          {mayWork && !unit.gone && (
            <Bring kept={said?.ok === false ? said.kept : undefined} dialects={loaderData.mappings} />
          )}
        </div>
        <ChannelLine data={loaderData} />
      </div>
    </Page>
  );
}

type Data = ChannelsData;

/** Which of its tables is looked at. */
function Which({ data: { shown } }: { readonly data: Data }) {
  const { locale, timeZone } = useClub();
  if (!shown) return null;
  return (
    <p className="text-quiet">
      {shown.isNow
        ? "What is in it"
        : shown.source === "made"
          ? "Made for it, and not written yet"
          : "What it had then"}
      {": "}
      {shown.plan === null ? shown.name || "a table" : `plan ${shown.plan}`}, by {shown.by},{" "}
      {sayInstant(shown.at, locale, timeZone)}
    </p>
  );
}

/** What could be compared, and what could not. */
function Verdict({ data }: { readonly data: Data }) {
  const lacks = [
    data.mode === undefined && "in which mode it is",
    !data.compared && "what its user may use",
    !data.holds && "what its model holds",
    data.class === undefined && data.compared && "whose lines of the band plan count",
  ].filter((one) => one !== false);
  return (
    <p className="max-w-3xl text-lg">
      {data.findings.length === 0
        ? lacks.length === 0
          ? `All of them fit the mode ${data.mode}, what its user may use, and the band plan.`
          : "Nothing is wrong with them as far as that can be told."
        : `${counted(data.findings.length, "thing")} to look at.`}
      {lacks.length > 0 && ` Nobody knows ${listed(lacks, 3)}: that was not held against them.`}
    </p>
  );
}

/** Of each mode: how many of its channels it would not transmit on. */
function InModes({
  stranded,
  now,
}: {
  readonly stranded: Data["stranded"];
  readonly now: string | undefined;
}) {
  if (stranded.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1.5">In each of its modes</h2>
      <ul className="sheet w-fit divide-y divide-line">
        {stranded.map((mode) => (
          <li key={mode.name} className="px-4 py-2">
            <strong>{mode.name}</strong>
            {mode.name === now && <span className="text-quiet"> (it is in it now)</span>}:{" "}
            {mode.count === 0
              ? "none is stranded"
              : `${mode.count} stranded: ${mode.first.join(", ")}${mode.count > mode.first.length ? ", …" : ""}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

function List({ data }: { readonly data: Data }) {
  const { channels, count, shown, mappings } = data;
  return (
    <details>
      <summary className="cursor-pointer font-semibold">All {count} of them</summary>
      <TakeTable kind="codeplug" of={shown?.id} dialects={mappings} />
      <div className="mt-2">
        <Rows label="Its channels" channels={channels} />
      </div>
      {count > channels.length && (
        <p className="text-sm text-quiet">The first {channels.length} are shown.</p>
      )}
    </details>
  );
}
