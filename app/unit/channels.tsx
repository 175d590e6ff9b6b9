// The channels that are known of a radio, held against the mode it is in, what its user may use, and the band plan.
import { useActionData } from "react-router";
import { checkChannels, type Finding, strandedIn } from "#core/codeplug/check.ts";
import type { Channel } from "#core/modes/mode.ts";
import { listed } from "#core/quantities/list.ts";
import { channelsOf } from "#db/channels.ts";
import { knownMode, modesOf } from "#db/modes.ts";
import { bandPlan } from "#db/segments.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { offlineSaid } from "../forms/offline.ts";
import { leadToTag, loadUnit } from "../shared/load-unit.server.ts";
import { orSayAway } from "../shared/say-away.server.ts";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import { sayHertz, sayWidth } from "../ui/words/frequency.ts";
import { sayDate, sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/channels";
import { actOnChannels, type ChannelsAnswer } from "./channels.server.ts";
import { Bring, Look, Rows } from "./channels-form.tsx";
import { shownMode } from "./load-mode.server.ts";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `Channels of ${params.tag} · Mossy Cabinet` },
];

export const handle = { follows: ({ unit }: { unit: { id: string } }) => [`unit:${unit.id}`] };

/** So many channels are listed; what is wrong is listed whole. */
const MOST = 500;

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx, who) => {
    const { row, situation } = await loadUnit(tx, params.tag, who.today);
    leadToTag(row, params.tag, "/channels");
    const known = await channelsOf(tx, row.id);
    const mode = await shownMode(tx, situation, who.today);
    const modes = (await modesOf(tx, row.model_id)).map(knownMode);
    const own = modes.find(({ id }) => id === mode?.now);
    const channels: readonly Channel[] = known?.channels ?? [];
    const facts = { mode: own, allowed: mode?.allowed, class: mode?.class, on: who.today };
    return {
      unit: { id: row.id, tag: row.tag, model: row.model, gone: row.shelved_at !== null },
      known: known && { name: known.name, by: known.by, at: known.at.toISOString() },
      mode: own?.name,
      class: mode?.class,
      compared: mode?.allowed !== undefined,
      count: channels.length,
      channels: channels.slice(0, MOST),
      findings: checkChannels(channels, { ...facts, plan: await bandPlan(tx) }),
      stranded: strandedIn(channels, modes).map((one) => ({
        ...{ name: one.mode.name, count: one.stranded.length },
        first: one.stranded.slice(0, 6).map(({ channel }) => channel.name),
      })),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "work-at-bench");
  const form = await request.formData();
  return orSayAway(form, () =>
    readInClub(context, async (tx, who) => {
      const { row } = await loadUnit(tx, params.tag, who.today);
      return actOnChannels(who, row, form);
    }),
  );
}

export const clientAction = offlineSaid;

type Data = Route.ComponentProps["loaderData"];

export default function Channels({ loaderData }: Route.ComponentProps) {
  const { unit, known, findings } = loaderData;
  const { locale, timeZone } = useClub();
  const said = useActionData<ChannelsAnswer>();
  const mayWork = useMay("work-at-bench");
  return (
    <Page
      title={`Channels of ${unit.tag}`}
      says={
        known
          ? `${counted(loaderData.count, "channel")}${known.name && ` from ${known.name}`}, by ${known.by}, ${sayInstant(known.at, locale, timeZone)}`
          : unit.model
      }
    >
      <p className="mb-3">
        <Go to={`/units/${encodeURIComponent(unit.tag)}`} className="link">
          Back to {unit.tag}
        </Go>
      </p>
      {said?.says && <Said answer={said} />}
      <div className="flex flex-col gap-5">
        {said?.looked && <Look looked={said.looked} />}
        {known ? (
          <>
            <Verdict data={loaderData} />
            {findings.length > 0 && <Findings findings={findings} />}
            <InModes stranded={loaderData.stranded} now={loaderData.mode} />
            <List channels={loaderData.channels} count={loaderData.count} />
          </>
        ) : (
          <p className="doubt w-fit p-5 text-lg">Nobody knows what is programmed in it.</p>
        )}
        {mayWork && !unit.gone && <Bring kept={said?.ok === false ? said.kept : undefined} />}
      </div>
    </Page>
  );
}

/** What could be compared, and what could not. */
function Verdict({ data }: { readonly data: Data }) {
  const lacks = [
    data.mode === undefined && "in which mode it is",
    !data.compared && "what its user may use",
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

const KIND_WORD: Record<Finding["kind"], string> = {
  beyond: "beyond what its user may use",
  stranded: "not transmitted on in this mode",
  deaf: "not heard in this mode",
  wide: "too wide",
  narrow: "narrower than the plan",
};

function Findings({ findings }: { readonly findings: readonly Finding[] }) {
  const { locale, today } = useClub();
  const says = (one: Finding): string => {
    switch (one.kind) {
      case "beyond":
        return `It transmits on ${sayHertz(one.frequency)}: make it receive only, or change its frequency.`;
      case "stranded":
        return one.does === "refuses"
          ? "The radio refuses to transmit there: another mode, or receive only."
          : `The radio would transmit on ${one.edge === undefined ? "a band edge" : sayHertz(one.edge)} instead: take it out before somebody does.`;
      case "deaf":
        return "The radio does not receive there in this mode.";
      case "wide":
        return `${sayWidth(one.channel.bandwidth ?? 0)} where the plan has ${sayWidth(one.most)} at most${one.from ? ` from ${sayDate(one.from, locale, today)} on` : ""}: set it to narrow.`;
      case "narrow":
        return `${sayWidth(one.channel.bandwidth ?? 0)} where the plan has ${sayWidth(one.usual)}: it is heard faintly by those who are wide.`;
    }
  };
  return (
    <div className="sheet overflow-x-auto">
      <table className="table table-sm">
        <thead>
          <tr>
            <th>Channel</th>
            <th>What</th>
            <th>What helps</th>
          </tr>
        </thead>
        <tbody>
          {findings.map((one) => (
            <tr key={`${one.place} ${one.kind}`}>
              <th scope="row" className="whitespace-nowrap">
                {one.place + 1}. <span className="ver">{one.channel.name}</span>
              </th>
              <td className={one.kind === "beyond" || one.kind === "stranded" ? "text-rust" : ""}>
                {KIND_WORD[one.kind]}
              </td>
              <td>{says(one)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
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

function List({ channels, count }: { readonly channels: readonly Channel[]; readonly count: number }) {
  return (
    <details>
      <summary className="cursor-pointer font-semibold">All {count} of them</summary>
      <div className="sheet mt-2 overflow-x-auto">
        <Rows channels={channels} />
      </div>
      {count > channels.length && (
        <p className="text-sm text-quiet">The first {channels.length} are shown.</p>
      )}
    </details>
  );
}
