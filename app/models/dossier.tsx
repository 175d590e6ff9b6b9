// A model's dossier, first page: components, how their versions count, the ladder, the releases.
import { Link } from "react-router";
import { may } from "#core/club/index.ts";
import { IDENTITY_FACTS } from "#core/dossier/index.ts";
import { classesOf, privilegesOn, probesFor, RASTER, transmitOf } from "#core/modes/index.ts";
import { groupBy, type PlainDate, toldFacts } from "#core/quantities/index.ts";
import type { Catalogue } from "#core/release/index.ts";
import { standingsOf } from "#core/unit/index.ts";
import {
  bandPlan,
  dossierHead,
  type KnownSegment,
  type ModeRow,
  modesOf,
  proceduresOf,
  quirksOf,
  releasesOf,
  revisionsOf,
  serviceItems,
} from "#db/model/index.ts";
import { loadSituations, wallUnits } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { offlineSaid } from "../forms/offline.ts";
import { isHandedOut, modeInPassing } from "../shared/guarded.server.ts";
import { ConfirmForm } from "../shared/known-from.tsx";
import { following, useClub, useMay } from "../ui/club.ts";
import { Ladder } from "../ui/ladder.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import { sayNumbering } from "../ui/words/unit/standing.ts";
import type { Route } from "./+types/dossier";
import { confirm } from "./confirm-numbering.server.ts";
import { HowToRead, IdentityHead } from "./identity.tsx";
import { confirmFact, loadConfirmed, modelIdOf, mustHaveModel, warningsOf } from "./load-dossier.server.ts";
import { Counting, CountSo } from "./numbering.tsx";
import { ModeList } from "./procedure/modes.tsx";
import { ProcedureList, QuirkList } from "./procedure/procedures.tsx";
import { ServiceList } from "./procedure/service-list.tsx";
import { ReleaseTable } from "./release/release-table.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.model.name ?? "Model"} · Mossy Cabinet` },
];

export const handle = {
  follows: following<typeof loader>(({ model }) => [`model:${model.id}`, "unit"]),
};

export async function loader({ context, params, request }: Route.LoaderArgs) {
  const isWhole = new URL(request.url).searchParams.has("all");
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const { all, catalogues } = await loadSituations(tx, { of: "model", id: model.id }, who.today);
    const catalogue: Catalogue = catalogues.get(model.id) ?? new Map();
    const standings = all.map((situation) => ({ unit: situation.unit.id, parts: standingsOf(situation) }));
    const tags = new Map((await wallUnits(tx)).map((row) => [row.id, row.tag]));
    const components = [...catalogue.values()].map((prepared, i) => {
      const running = new Map<string, string[]>();
      for (const { unit, parts } of standings) {
        const release = parts[i]?.release;
        if (release) running.set(release, [...(running.get(release) ?? []), tags.get(unit) ?? "?"]);
      }
      return {
        id: prepared.component.id,
        name: prepared.component.name,
        numbering: prepared.reader.scheme.numbering,
        confirmed: prepared.inference === undefined,
        tau: prepared.inference?.best.tau,
        tied: prepared.inference?.tied === true,
        runnerUp: prepared.inference?.runnerUp.numbering,
        rungs: prepared.releases.map((r) => ({
          id: r.id,
          version: r.version,
          track: r.track,
          on: r.releasedOn,
          withdrawn: r.withdrawn !== undefined,
          erases: r.conditions !== undefined && r.conditions.erases !== "nothing",
          draft: r.draft === true,
          units: running.get(r.id) ?? [],
        })),
      };
    });
    const head = await dossierHead(tx, model.id);
    const procedures = await proceduresOf(tx, model.id);
    const modes = await modesOf(tx, model.id);
    const items = may(who.role, "see-unlocking") ? await serviceItems(tx, model.id) : undefined;
    const isShown =
      new URL(request.url).searchParams.get("guarded") === "shown" &&
      (await isHandedOut(who, { model: model.id, service: "menu" }));
    return {
      model,
      head,
      told: toldFacts(IDENTITY_FACTS, head.identity),
      // The list shows no steps; the page of each procedure does.
      procedures: procedures.map(({ steps: _, ...rest }) => rest),
      warned: [...new Set(warningsOf(procedures).map((w) => w.of))],
      quirks: await quirksOf(tx, model.id),
      // A service menu is not shown to everybody, and to whom it is shown is noted: so only if asked for.
      service: items && { items: isShown ? items : undefined, count: items.length },
      probes: probesOf(modes, await bandPlan(tx), who.today),
      modes: modes.map((mode) => ({
        ...modeInPassing(mode),
        // How it is set stands for the steps where there are none.
        setting: isShown ? mode.facts.setting : undefined,
        transmit: transmitOf(mode.facts),
        units: all.flatMap(({ unit }) => (unit.mode?.now.id === mode.id ? [tags.get(unit.id) ?? "?"] : [])),
      })),
      confirmed: await loadConfirmed(tx, who, model.id),
      components,
      revisions: await revisionsOf(tx, model.id),
      ...newestOf(await releasesOf(tx, model.id), isWhole),
      units: all.length,
    };
  });
}

/** The test frequencies that tell a model's modes apart, inside what anybody of the club may use where that is possible. */
function probesOf(modes: readonly ModeRow[], plan: readonly KnownSegment[], today: PlainDate) {
  const anybodys = classesOf(plan).flatMap((name) => privilegesOn(plan, name, today) ?? []);
  const { probes, alike } = probesFor(
    modes.map(({ name, facts }) => ({ id: name, transmit: transmitOf(facts) })),
    anybodys,
    RASTER,
  );
  return { probes, alike };
}

/** So many of each part are shown at first: what lies further back is one press away, and the page opens quickly. */
const FIRST = 12;

function newestOf<Row extends { component_id: string }>(rows: readonly Row[], all: boolean) {
  const byPart = groupBy(rows, (row) => row.component_id);
  return {
    releases: [...byPart.values()].flatMap((list) => (all ? list : list.slice(0, FIRST))),
    counts: Object.fromEntries([...byPart].map(([part, list]) => [part, list.length])) as Record<
      string,
      number
    >,
  };
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  const model = modelIdOf(params.model);
  if (form.get("intent") === "confirm") {
    mustBeAllowed(context, "confirm-fact");
    return readInClub(context, (tx, who) => confirmFact(tx, who, model, form));
  }
  mustBeAllowed(context, "edit-model");
  return readInClub(context, (tx, who) => confirm(tx, who, model, form));
}

export const clientAction = offlineSaid;

export default function Dossier({ loaderData, actionData }: Route.ComponentProps) {
  const { model, components } = loaderData;
  const mayEdit = useMay("edit-release");
  return (
    <Page
      title={model.name}
      says={`${model.maker}, ${model.kind}; ${counted(loaderData.units, "unit")} here`}
      acts={
        <>
          <a href={`/models/${model.id}/dossier.json`} download className="link self-center text-sm">
            Take it out
          </a>
          {mayEdit && (
            <>
              <Link to={`/models/${model.id}/edit`} className="btn btn-outline btn-primary btn-sm">
                Correct what it is
              </Link>
              <Link to={`/models/${model.id}/identity`} className="btn btn-outline btn-primary btn-sm">
                Names and keys
              </Link>
              <Link to={`/models/${model.id}/releases/new`} className="btn btn-primary btn-sm">
                Add a release
              </Link>
            </>
          )}
        </>
      }
    >
      {actionData && <Said answer={actionData} />}
      {actionData && "asked" in actionData && actionData.asked && (
        <CountSo key={JSON.stringify(actionData.asked)} asked={actionData.asked} />
      )}
      <ConfirmForm />
      <IdentityHead
        model={model}
        head={loaderData.head}
        told={loaderData.told}
        revisions={loaderData.revisions}
        confirmed={loaderData.confirmed}
      />
      <div className="flex flex-col gap-7">
        <ProcedureList
          model={model.id}
          procedures={loaderData.procedures}
          confirmed={loaderData.confirmed}
          warned={new Set(loaderData.warned)}
        />
        {components.map((component) => (
          <ComponentPart key={component.id} component={component} loaderData={loaderData} />
        ))}
        <ModeList
          model={model.id}
          modes={loaderData.modes}
          probes={loaderData.probes}
          procedures={loaderData.procedures}
          confirmed={loaderData.confirmed}
        />
        {loaderData.service && <ServiceList model={model.id} {...loaderData.service} />}
        <QuirkList
          model={model.id}
          quirks={loaderData.quirks}
          parts={loaderData.head.parts}
          confirmed={loaderData.confirmed}
        />
      </div>
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];

function ComponentPart({
  component,
  loaderData,
}: {
  readonly component: Data["components"][number];
  readonly loaderData: Data;
}) {
  const { locale, today } = useClub();
  const mayEdit = useMay("edit-model");
  return (
    <section>
      <h2>{component.name}</h2>
      <HowToRead
        part={loaderData.head.parts.find((p) => p.id === component.id)}
        confirmed={loaderData.confirmed}
      />
      <p className="mb-2 text-sm text-quiet">
        {component.confirmed ? "Versions count " : "Versions seem to count "}
        {sayNumbering(component.numbering)}
        {!component.confirmed &&
          component.tau !== undefined &&
          `; fit ${component.tau.toFixed(2)} of 1, nobody has confirmed it`}
        {component.tied &&
          component.runnerUp &&
          `. Just as well they count ${sayNumbering(component.runnerUp)}`}
        .
      </p>
      {mayEdit && <Counting component={component} />}
      <Ladder
        rungs={component.rungs}
        name={`${loaderData.model.name} ${component.name}`}
        locale={locale}
        today={today}
      />
      <ReleaseTable
        releases={loaderData.releases.filter((r) => r.component_id === component.id)}
        revisions={loaderData.revisions}
        running={Object.fromEntries(component.rungs.map((r) => [r.id, r.units]))}
        model={loaderData.model.id}
        confirmed={loaderData.confirmed}
        count={loaderData.counts[component.id] ?? 0}
      />
    </section>
  );
}
