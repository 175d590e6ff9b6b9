// The codeplug of a model: what it holds, the plan's table for it, and what of the plan is left out and why.
import { Link, useActionData } from "react-router";
import { writeCodeplugFacts } from "#acts/codeplug/write-codeplug-facts.ts";
import { CODEPLUG_FACTS, checkCodeplug, habitsOf, type LeftOut, zonesFor } from "#core/codeplug/index.ts";
import { fieldsOf, good, groupBy } from "#core/quantities/index.ts";
import { codeplugFactsOf, listed, mappings, planNow, repeaters, tablesOf } from "#db/codeplug/index.ts";
import { knownMode, modelById, modesOf } from "#db/model/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { FactFields } from "../forms/fact-fields.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { saveForm } from "../forms/save.server.ts";
import { type ActAnswer, answer, answerRefused } from "../shared/act-answer.server.ts";
import { ChannelFindings } from "../shared/channel-findings.tsx";
import { Rows } from "../shared/channel-rows.tsx";
import { answerProblem } from "../shared/refusals.server.ts";
import { TakeTable } from "../shared/take-table.tsx";
import { following, useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { sayZones } from "../ui/words/codeplug.ts";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/model";
import { drawnFacts, sentFacts } from "./facts-form.server.ts";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Codeplug of the ${loaderData?.model.name ?? "model"} · Mossy Cabinet` },
];

export const handle = { follows: following<typeof loader>(({ model }) => [`model:${model.id}`, "club"]) };

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const id = idIn(params.model, "This model");
  if (id === undefined) throw notFound("This model");
  return readInClub(context, async (tx, who) => {
    const model = await modelById(tx, id);
    if (!model) throw notFound("This model");
    const [row] = await codeplugFactsOf(tx, id);
    const plan = await planNow(tx);
    const modes = (await modesOf(tx, id)).map(knownMode);
    const [table] = plan ? await tablesOf(tx, plan.id, id) : [];
    return {
      model,
      facts: row?.facts,
      fields: fieldsOf(CODEPLUG_FACTS),
      drawn: drawnFacts(row?.facts, row?.mode_id),
      modes: modes.map((mode) => [mode.id, mode.name] as const),
      mappings: (await mappings(tx)).map(({ id: one, name }) => ({ id: one, name })),
      table: table && {
        id: table.id,
        number: table.number,
        channels: table.laid.channels,
        left: table.laid.left.map(({ block, member, why }) => ({ block, name: member.name, why })),
        findings: checkCodeplug(table.laid.channels, {
          holds: row?.facts,
          lists: {},
          plan: [],
          on: who.today,
          mode: modes.find(({ id: one }) => one === row?.mode_id) ?? modes[0],
          habits: habitsOf((await repeaters(tx)).map(listed)),
          // Whose ID it is to be is not the model's.
          identity: "there",
        }),
        zones: row?.facts.perZone === undefined ? [] : zonesFor(table.laid.blocks, row.facts.perZone),
        cut: table.laid.cut.length,
        listening: table.laid.listening.length,
      },
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-model");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const done = await saveForm(writeCodeplugFacts, who, form, {
      read: (one) => good(sentFacts(params.model, one)),
      drawn: async () => {
        const [row] = await codeplugFactsOf(tx, params.model);
        return drawnFacts(row?.facts, row?.mode_id);
      },
    });
    if (done.ok)
      return answer(200, {
        ok: true,
        intent: "facts",
        says: "Noted. The plan is laid out by it from its next issue on.",
      });
    if (done.problem.kind === "refused") return answerRefused("facts", done.problem.refused);
    return answerProblem("facts", form, done.problem, { "no-mode": "It has no such mode any more." });
  });
}

export const clientAction = offlineSaid;

const WHY: Record<LeftOut["why"], string> = {
  full: "for want of room",
  name: "their names cannot be told apart",
  tone: "it does not make their tones",
  deaf: "it does not hear there",
  digital: "they are digital",
  "no-transmit": "it may not transmit there",
};

export default function Model({ loaderData }: Route.ComponentProps) {
  const { model, facts, table } = loaderData;
  const said = useActionData<ActAnswer>();
  const mayEdit = useMay("edit-model");
  return (
    <Page
      title={`Codeplug of the ${model.name}`}
      says={
        facts
          ? `holds ${counted(facts.capacity, "channel")}; ${table ? `plan ${table.number} puts ${table.channels.length} into it` : "the plan puts none into it"}`
          : "nobody has noted what it holds"
      }
      acts={
        <>
          <Link to="/codeplugs" className="link">
            Back to who carries what
          </Link>
          <Link to={`/models/${model.id}`} className="link">
            Its dossier
          </Link>
        </>
      }
    >
      {said?.says && <Said answer={said} />}
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div className="flex min-w-0 flex-col gap-4">
          {table ? (
            <Table table={table} mappings={loaderData.mappings} zones={facts?.zones} />
          ) : (
            <p className="doubt w-fit p-5">
              {facts
                ? "Nothing of the plan is for it."
                : "Note what it holds: then the plan is laid out for it."}
            </p>
          )}
        </div>
        {mayEdit && <Facts data={loaderData} kept={said?.ok === false ? said.kept : undefined} />}
      </div>
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];

function Table(props: {
  readonly table: NonNullable<Data["table"]>;
  readonly mappings: Data["mappings"];
  /** So many zones it has; undefined: nobody has noted it. */
  readonly zones: number | undefined;
}) {
  const { table, mappings: dialects } = props;
  return (
    <>
      {table.left.length > 0 && (
        <ul className="sheet divide-y divide-line">
          {[...groupBy(table.left, ({ why }) => why)].map(([why, out_]) => (
            <li key={why} className="px-4 py-1.5">
              <strong>{counted(out_.length, "channel")} left out</strong>: {WHY[why]}.{" "}
              <span className="text-sm text-quiet">
                {out_
                  .slice(0, 8)
                  .map(({ name }) => name)
                  .join(", ")}
                {out_.length > 8 && ` and ${out_.length - 8} more`}
              </span>
            </li>
          ))}
        </ul>
      )}
      {table.findings.length > 0 && <ChannelFindings findings={table.findings} />}
      {table.zones.length > 0 && <p className="text-sm text-quiet">{sayZones(table.zones, props.zones)}</p>}
      <TakeTable kind="table" of={table.id} dialects={dialects} />
      <Rows label="The table" channels={table.channels} />
    </>
  );
}

function Facts({
  data,
  kept,
}: {
  readonly data: Data;
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const { modes } = data;
  const { drawn } = data;
  return (
    <section>
      <h2 className="mb-1.5">What it holds</h2>
      <ActForm intent="facts" drawn={drawn} kept={kept} className="sheet flex flex-col gap-2 p-3">
        <FactFields fields={data.fields} shown={kept ?? drawn} />
        {modes.length > 0 && (
          <Labelled
            name="mode"
            label="The plan is laid out for the mode"
            small
            value={kept ? (kept.mode ?? "") : drawn.mode}
            options={[["", "its first"], ...modes]}
          />
        )}
        <button type="submit" className="btn btn-primary btn-sm">
          Note it
        </button>
      </ActForm>
    </section>
  );
}
