// One run at the bench: a step at a time, large, with its keys, what should be seen, and the answers.

import { useActionData } from "react-router";
import { foldRun, nextStep } from "#core/run/fold.ts";
import { stepsOf } from "#core/run/plan.ts";
import { dossierHead, proceduresOf } from "#db/dossier.ts";
import { eventsOf, runById } from "#db/runs.ts";
import { unitById } from "#db/units.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { Beside } from "../shared/beside.tsx";
import { besideStep } from "../shared/load-beside.server.ts";
import { orSayAway } from "../shared/say-away.server.ts";
import { Caution } from "../ui/caution.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { KeyCard } from "../ui/key-card.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/run";
import { answerByForm } from "./answer.server.ts";
import { Clock } from "./clock.tsx";
import { sayClock, sayRunStep, sayUsual, shouldSee } from "./steps.tsx";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `${loaderData.tag}: ${loaderData.title}` : "Run"} · Mossy Cabinet` },
];

export const handle = { follows: ({ id }: { id: string }) => [`run:${id}`] };

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx) => {
    const id = idIn(params.run, "This run");
    const row = id === undefined ? undefined : await runById(tx, id);
    const unit = row && (await unitById(tx, row.unit_id));
    if (!row || !unit) throw notFound("This run");
    const run = foldRun(row.plan, (await eventsOf(tx, [row.id])).get(row.id) ?? []);
    const steps = stepsOf(row.plan);
    const next = nextStep(run);
    return {
      id: row.id,
      tag: row.tag,
      model: unit.model,
      title: row.title,
      by: row.begun_by,
      begunAt: row.begun_at.toISOString(),
      layout: (await dossierHead(tx, unit.model_id)).identity.layout,
      phase: run.phase,
      number: run.number,
      place: run.place,
      odd: run.odd,
      since: run.since,
      // What this step had taken before what is going on now began.
      took: [...run.took],
      steps: steps.map(({ step }) => step),
      next: next?.step,
      model_id: unit.model_id,
      beside: besideStep(
        next?.step.kind === "do" ? next.step.step : undefined,
        await proceduresOf(tx, unit.model_id),
      ),
      readings: run.readings,
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return orSayAway(form, () =>
    readInClub(context, (_tx, who) => answerByForm(who, idIn(params.run, "This run") ?? "", form)),
  );
}

export const clientAction = offlineSaid;

export default function Run({ loaderData: run }: Route.ComponentProps) {
  const said = useActionData<typeof action>();
  const mayWork = useMay("work-at-bench");
  const isOver = run.phase === "stopped" || run.phase === "finished";
  return (
    <div className="grid md:min-h-dvh md:grid-cols-[15rem_minmax(0,1fr)]">
      <Steps run={run} />
      <div className="flex min-w-0 flex-col gap-4 px-4 pt-4 pb-6 md:px-6">
        {said && !said.ok && <Said answer={said} />}
        {isOver ? <Over run={run} /> : run.phase === "ready" ? <Ready run={run} /> : <Here run={run} />}
        {!mayWork && !isOver && <p className="text-quiet">Who works at the bench answers here.</p>}
        {mayWork && !isOver && <Answers run={run} kept={said?.ok === false ? said.kept : undefined} />}
      </div>
    </div>
  );
}

type Shown = Route.ComponentProps["loaderData"];

/** All steps: those done with how long they took, the one that is next, and those to come. On a phone only where it is. */
function Steps({ run }: { readonly run: Shown }) {
  const took = new Map(run.took);
  return (
    <aside className="border-line bg-base-200 px-4 py-3 md:border-r md:py-4">
      <p>
        <Go to={`/units/${encodeURIComponent(run.tag)}`} className="tag text-xl">
          {run.tag}
        </Go>{" "}
        <span className="text-quiet">{run.model}</span>
      </p>
      <p className="text-sm text-quiet">
        {run.title}, {run.by}
      </p>
      <ol className="mt-3 hidden text-sm md:block">
        {run.steps.map((step, i) => (
          <li
            // Steps have no ids of their own, and never change their order.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            key={i}
            aria-current={i === run.place ? "step" : undefined}
            className={`grid grid-cols-[1.5rem_minmax(0,1fr)] py-1 ${i === run.place ? "border-l-4 border-primary bg-base-100 pl-2 font-semibold" : "pl-3"} ${i < run.place ? "text-quiet" : ""}`}
          >
            <span aria-hidden="true">{i < run.place ? "✓" : i === run.place ? "●" : "○"}</span>
            <span>
              {sayRunStep(step)}
              {i < run.place && took.has(i) && (
                <span className="block text-xs">
                  <span className="sr-only">done in </span>
                  {sayClock(took.get(i) ?? 0)}
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
    </aside>
  );
}

function Ready({ run }: { readonly run: Shown }) {
  const minutes = run.steps.reduce((sum, step) => sum + step.minutes, 0);
  return (
    <section>
      <h1>{run.title}</h1>
      <p className="mt-1 text-lg">
        {counted(run.steps.length, "step")} on {run.tag}, about{" "}
        {counted(Math.max(1, Math.round(minutes)), "minute")}.
      </p>
      <ol className="sheet mt-3 max-w-2xl list-decimal py-3 pr-4 pl-9 text-lg">
        {run.steps.map((step, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
          <li key={i}>
            {sayRunStep(step)} <span className="text-base text-quiet">{shouldSee(step).join(" ")}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Here({ run }: { readonly run: Shown }) {
  const step = run.next;
  if (!step) return <h1>All steps are done</h1>;
  const before = new Map(run.took).get(run.place) ?? 0;
  const see = shouldSee(step);
  return (
    <section className="flex flex-col gap-4">
      <header>
        <p className="flex flex-wrap justify-between gap-x-4 text-quiet">
          <span>
            Step {run.place + 1} of {run.steps.length}
          </span>
          <span>
            {run.phase === "going" && run.since && <Clock since={run.since} before={before} />}
            {sayUsual(step.minutes)}
          </span>
        </p>
        <h1 className="text-3xl">{sayRunStep(step)}</h1>
        {run.phase === "paused" && <p className="doubt mt-2 w-fit px-3 py-1">It is paused.</p>}
      </header>
      {run.odd !== undefined && (
        <p role="alert" className="hatch border-l-4 border-rust p-3 font-semibold text-rust">
          {run.odd}
        </p>
      )}
      {run.beside.map((other) => (
        <Beside key={other.id} other={other} model={run.model_id} />
      ))}
      <div className="grid gap-4 lg:grid-cols-2">
        {run.layout && step.kind === "do" && (
          <div className="sheet p-4">
            <KeyCard layout={run.layout} step={step.step} />
          </div>
        )}
        {step.kind === "do" && step.step.kind === "key-up" && <Caution of="keying-up" />}
        {see.length > 0 && (
          <div className="sheet h-fit p-4 text-lg">
            <h2 className="mb-1">You should see</h2>
            {see.map((sign) => (
              <p key={sign}>{sign}</p>
            ))}
          </div>
        )}
      </div>
    </section>
  );
}

/** The answers stay within the thumb's reach on a phone. */
function Answers(props: {
  readonly run: Shown;
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const { run, kept } = props;
  const known = (
    <>
      <input type="hidden" name="number" value={run.number} />
      <input type="hidden" name="place" value={run.place} />
      <input type="hidden" name="last" value={run.place === run.steps.length - 1 ? "yes" : "no"} />
    </>
  );
  const isOpen = (intent: string) => kept?.intent === intent;
  // Drawn anew with each step, so that what was typed for the one before is not in it.
  return (
    <div
      key={run.number}
      className="mt-auto flex flex-col gap-3 py-2 max-md:sticky max-md:bottom-14 max-md:bg-base-200"
    >
      {run.phase === "ready" ? (
        <One intent="begin" label="Begin" known={known} primary />
      ) : run.phase === "paused" ? (
        <One intent="resume" label="Go on" known={known} primary />
      ) : run.odd !== undefined ? (
        <ActForm intent="cured" className="sheet grid max-w-2xl gap-2 p-3 md:grid-cols-2">
          {known}
          <Labelled name="cause" label="Why it was" most={500} value={kept?.cause} />
          <Labelled name="cure" label="What helped" most={500} value={kept?.cure} />
          <button type="submit" className="btn btn-primary w-fit">
            It is well again
          </button>
        </ActForm>
      ) : run.next?.kind === "read-back" ? (
        <ActForm intent="reading" className="flex max-w-xl items-end gap-3">
          {known}
          <input type="hidden" name="component" value={run.next.component} />
          <Labelled
            name="typed"
            label={`What ${run.next.component} shows`}
            mono
            autoFocus
            value={kept?.typed}
            box="grow"
          />
          <button type="submit" className="btn btn-primary">
            Record
          </button>
        </ActForm>
      ) : (
        <One intent="seen" label="Seen it" known={known} primary />
      )}
      <div className="flex flex-wrap items-start gap-3">
        {run.phase === "going" && run.odd === undefined && run.next && (
          <details open={isOpen("odd")}>
            <summary className="btn btn-outline btn-primary btn-sm">Something else</summary>
            <ActForm intent="odd" className="sheet mt-2 flex items-end gap-3 p-3">
              {known}
              <Labelled
                name="symptom"
                label="What is there instead"
                most={500}
                value={kept?.symptom}
                box="w-64"
              />
              <button type="submit" className="btn btn-primary btn-sm">
                Note it
              </button>
            </ActForm>
          </details>
        )}
        {run.phase === "going" && run.place > 0 && run.odd === undefined && (
          <One intent="back" label="Back one" known={known} />
        )}
        {run.phase === "going" && <One intent="pause" label="Pause" known={known} />}
        <details open={isOpen("stop")} className="md:ml-auto">
          <summary className="link cursor-pointer list-none text-sm">Stop here</summary>
          <ActForm intent="stop" className="sheet mt-2 flex items-end gap-3 p-3">
            {known}
            <Labelled name="reason" label="Why" most={500} value={kept?.reason} box="w-64" />
            <button type="submit" className="btn btn-outline btn-error btn-sm">
              Stop
            </button>
          </ActForm>
        </details>
      </div>
    </div>
  );
}

function One(props: {
  readonly intent: string;
  readonly label: string;
  readonly known: React.ReactNode;
  readonly primary?: boolean;
}) {
  return (
    <ActForm intent={props.intent}>
      {props.known}
      <button
        type="submit"
        // The step's own answer is the next thing: Enter gives it.
        // biome-ignore lint/a11y/noAutofocus: see above
        autoFocus={props.primary}
        className={
          props.primary ? "btn btn-primary btn-lg max-md:w-full" : "btn btn-outline btn-primary btn-sm"
        }
      >
        {props.label}
      </button>
    </ActForm>
  );
}

function Over({ run }: { readonly run: Shown }) {
  const { locale, timeZone } = useClub();
  const ms = run.took.reduce((sum, [, one]) => sum + one, 0);
  return (
    <section>
      <h1>{run.phase === "finished" ? "Done" : "Stopped"}</h1>
      <p className="mt-1 text-lg">
        {run.title} on {run.tag}, begun {sayInstant(run.begunAt, locale, timeZone)} by {run.by}: {run.place}{" "}
        of {counted(run.steps.length, "step")} in {sayClock(ms)}.
      </p>
      {run.readings.map(({ component, raw }) => (
        <p key={component + raw} className="mt-1">
          It showed {component} <span className="ver">{raw}</span>, which is recorded.
        </p>
      ))}
      <p className="mt-3">
        <Go to={`/units/${encodeURIComponent(run.tag)}`} className="link">
          To {run.tag}
        </Go>
      </p>
    </section>
  );
}
