// One radio: what it is, where, who has it, how it stands and why, its readings, its history.

import { useActionData } from "react-router";
import { may } from "#core/club/index.ts";
import { followsStanding } from "#core/needs/index.ts";
import { standingsOf } from "#core/unit/index.ts";
import { people, readLog } from "#db/club/index.ts";
import { kitNames } from "#db/kit/index.ts";
import { dossierHead, revisionsOf } from "#db/model/index.ts";
import { custodyOf, formerTags, needsOfUnit, readingsOf } from "#db/unit/index.ts";
import { readInClub } from "../context.ts";
import { orOffline } from "../forms/offline.ts";
import { ReadingField } from "../forms/reading-field.tsx";
import type { ActAnswer } from "../shared/act-answer.server.ts";
import { minutesOfUpdate } from "../shared/estimate.server.ts";
import { componentsOf, howToOf, leadToTag, loadUnit, waysOf } from "../shared/load-unit.server.ts";
import { shownTooling } from "../shared/tools/load-tooling.server.ts";
import { following, useClub, useMay } from "../ui/club.ts";
import { Said } from "../ui/said.tsx";
import type { Route } from "./+types/unit";
import { actOnUnit } from "./act.server.ts";
import { Acts } from "./acts.tsx";
import { Bench, BenchRuns } from "./bench.tsx";
import { Head } from "./head.tsx";
import { History, Readings } from "./history.tsx";
import { HowTo } from "./how-to.tsx";
import { shownMode } from "./load-mode.server.ts";
import { shownRuns } from "./load-runs.server.ts";
import { ModeSection } from "./mode.tsx";
import { shownBattery, shownPairings } from "./pairing/load-pairings.server.ts";
import { Pairings } from "./pairing/pairings.tsx";
import { LadderHere, Panel } from "./panel.tsx";
import { SerialSays, serialSays } from "./serial.tsx";
import { WriteDown } from "./write-down.tsx";

export const meta: Route.MetaFunction = ({ params }) => [{ title: `${params.tag} · Mossy Cabinet` }];

export const handle = {
  follows: following<typeof loader>(({ unit }) => [`unit:${unit.id}`, `model:${unit.model_id}`, "club"]),
};

export async function loader({ context, params, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  return readInClub(context, async (tx, who) => {
    const { row, situation, catalogue } = await loadUnit(tx, params.tag, who.today);
    leadToTag(row, params.tag);
    const components = componentsOf(catalogue);
    const told = situation ? standingsOf(situation) : [];
    const standings = components.flatMap((component, i) => {
      const standing = told[i];
      return standing ? [{ component, standing }] : [];
    });
    const prepared = [...catalogue.values()];
    const needs = await needsOfUnit(tx, row.id, who.today);
    const ways = situation
      ? waysOf(situation, needs, {
          to: search.get("to") ?? undefined,
          keep: search.get("keep") === "on",
        })
      : undefined;
    const isThere = may(who.role, "work-at-bench") && needs.some(({ kind }) => kind === "firmware");
    return {
      ways,
      minutes:
        isThere && ways?.way?.result.ok
          ? await minutesOfUpdate(tx, row, search.get("to") ?? undefined, who.today)
          : undefined,
      ...(situation
        ? await shownTooling(tx, who, row.tag, situation, ways?.way)
        : { tooling: [], kitKnown: true }),
      pairings: await shownPairings(tx, { unit: row.id }),
      battery: await shownBattery(tx, row.id),
      runs: await shownRuns(tx, row.id),
      mode: await shownMode(tx, situation, who.today),
      howTo: situation && (await howToOf(tx, who, situation.unit, catalogue)),
      unit: row,
      former: await formerTags(tx, row.id),
      serialSays: serialSays(row, await revisionsOf(tx, row.model_id)),
      components: components.map((c) => c.name),
      standings,
      releases: Object.fromEntries(prepared.flatMap((p) => p.releases.map((r) => [r.id, r.version]))),
      ladders: prepared.map((p, i) => ({
        name: `${row.model} ${p.component.name}`,
        component: p.component.name,
        id: p.component.id,
        rungs: p.releases.map((r) => ({
          id: r.id,
          version: r.version,
          track: r.track,
          on: r.releasedOn,
          withdrawn: r.withdrawn !== undefined,
          erases: r.conditions !== undefined && r.conditions.erases !== "nothing",
          draft: r.draft === true,
          units: standings[i]?.standing.release === r.id ? [row.tag] : [],
        })),
      })),
      needs: needs.map((need) => ({ ...need, followsStanding: followsStanding(need.kind) })),
      readings: (await readingsOf(tx, row.id)).map(({ struck_at, struck_by, struck_why, ...r }) => ({
        ...r,
        read_at: r.read_at?.toISOString() ?? null,
        struck: struck_at && { at: struck_at.toISOString(), by: struck_by, why: struck_why ?? "" },
      })),
      log: (await readLog(tx, { unit: row.id }, 14, who.role)).map((entry) => ({
        ...entry,
        at: entry.at.toISOString(),
      })),
      custody: await custodyOf(tx, row.id),
      kit: await kitNames(tx),
      writes: search.has("write"),
      plugs: (await dossierHead(tx, row.model_id)).identity.plugs,
      people: (await people(tx)).map((p) => ({ id: p.id, name: p.name })),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return readInClub(context, (tx, who) => actOnUnit(tx, who, params.tag, form));
}

export { afterMaking as shouldRevalidate } from "../forms/choice/pick.tsx";

export const clientAction = (sending: Route.ClientActionArgs) =>
  orOffline(sending, (form, says): ActAnswer => {
    const texts = Object.fromEntries([...form].map(([name, value]) => [name, String(value)]));
    const { intent = "", typed } = texts;
    return { ok: false, intent, says, ...(typed !== undefined ? { typed } : { kept: texts }) };
  });

export default function Unit({ loaderData }: Route.ComponentProps) {
  const { unit, needs } = loaderData;
  const said = useActionData<typeof action>();
  const { person } = useClub();
  const mayRecord = useMay("record-reading", { holdsUnit: unit.holder_id === person });
  const mayWork = useMay("work-at-bench");
  return (
    <div className="unit-page px-4 pt-3 pb-8 md:px-6">
      <Head {...loaderData} />
      {loaderData.serialSays && unit.shelved_at === null && (
        <SerialSays says={loaderData.serialSays} unit={unit} />
      )}
      {said && said.intent !== "reading" && said.intent !== "hold-look" && <Said answer={said} />}
      <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1fr)_18rem]">
        <div className="flex min-w-0 flex-col gap-5">
          {mayRecord && unit.shelved_at === null && (
            <ReadingField
              tag={unit.tag}
              components={loaderData.components}
              answered={said?.intent === "reading" ? said : undefined}
              readOn={said?.intent === "reading" && !said.ok ? said.readOn : undefined}
            />
          )}
          <Panel data={loaderData} />
          {loaderData.mode && (
            <ModeSection mode={loaderData.mode} unit={unit} kept={said && !said.ok ? said.kept : undefined} />
          )}
          {loaderData.ladders
            .filter((ladder) => !loaderData.ways?.goal.some((g) => g.component === ladder.id))
            .map((ladder) => (
              <section key={ladder.name} className="no-print">
                <h2 className="mb-1.5">Releases of {ladder.component}</h2>
                <LadderHere ladder={ladder} ways={loaderData.ways} />
              </section>
            ))}
          {loaderData.howTo && <HowTo model={unit.model_id} {...loaderData.howTo} />}
          <BenchRuns runs={loaderData.runs} />
          <Readings
            readings={loaderData.readings}
            refused={
              said && !said.ok && (said.intent === "strike" || said.intent === "move") ? said.kept : undefined
            }
          />
        </div>
        <div className="flex flex-col gap-5">
          {unit.shelved_at === null && (
            <Bench
              runs={loaderData.runs}
              tag={unit.tag}
              needs={needs.map(({ kind }) => kind)}
              parts={loaderData.ladders.map(({ id, component }) => ({ id, name: component }))}
            />
          )}
          {unit.shelved_at === null && (
            <Pairings tag={unit.tag} pairings={loaderData.pairings} battery={loaderData.battery} />
          )}
          {mayWork && unit.shelved_at === null && (
            <WriteDown
              kept={said && !said.ok && said.intent === "write" ? said.kept : undefined}
              open={loaderData.writes}
              {...loaderData.kit}
            />
          )}
          <Acts unit={unit} people={loaderData.people} said={said} />
          <History log={loaderData.log} custody={loaderData.custody} unit={unit.id} />
        </div>
      </div>
    </div>
  );
}
