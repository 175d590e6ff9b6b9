// The bench: who works on what, at which step, what is stuck, what waits for whom; and a radio taken to it.
import { Link, useActionData } from "react-router";
import { foldRun, nextStep, stepsOf } from "#core/run/index.ts";
import { benchRules, eventsOf, isSilent, openRuns, thingsTaken } from "#db/run/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import { sayListedStep } from "../ui/words/run.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/bench";
import { drawnRules } from "./rules-form.ts";
import { startByForm } from "./start.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "Bench · Mossy Cabinet" }];

export const handle = { follows: ["run", "log"] };

export async function loader({ context }: Route.LoaderArgs) {
  return readInClub(context, async (tx) => {
    // What was lined up first comes first.
    const rows = (await openRuns(tx)).reverse();
    const events = await eventsOf(
      tx,
      rows.map((row) => row.id),
    );
    const taken = (await thingsTaken(tx)).filter(({ kind }) => kind !== "tool");
    const runs = [];
    for (const row of rows) {
      const run = foldRun(row.plan, events.get(row.id) ?? []);
      const next = nextStep(run);
      const wanted =
        run.phase === "ready"
          ? new Set((await thingsTaken(tx, row.id)).map(({ kind, id }) => `${kind} ${id}`))
          : new Set<string>();
      runs.push({
        id: row.id,
        tag: row.tag,
        title: row.title,
        by: row.held_by,
        begunAt: row.begun_at.toISOString(),
        heardAt: row.heard_at.toISOString(),
        silent: run.phase !== "ready" && (await isSilent(tx, row.id)),
        phase: run.phase,
        place: run.place,
        of: stepsOf(row.plan).length,
        step: next && sayListedStep(next.step),
        odd: run.odd,
        holds: taken.filter((thing) => thing.run_id === row.id).map(({ name }) => name),
        waits: taken
          .filter((thing) => thing.run_id !== row.id && wanted.has(`${thing.kind} ${thing.id}`))
          .map(({ name, by, tag }) => ({ name, by, tag })),
      });
    }
    return { runs, rules: await benchRules(tx) };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "work-at-bench");
  const form = await request.formData();
  return readInClub(context, (tx, who) => startByForm(tx, who, form));
}

export const clientAction = offlineSaid;

type Shown = Route.ComponentProps["loaderData"]["runs"][number];

const GROUPS: readonly { readonly title: string; readonly has: (run: Shown) => boolean }[] = [
  { title: "Stuck", has: (run) => run.odd !== undefined || run.silent },
  { title: "Under way", has: (run) => run.phase !== "ready" && run.odd === undefined && !run.silent },
  { title: "Lined up", has: (run) => run.phase === "ready" },
];

export default function Bench({ loaderData: { runs, rules } }: Route.ComponentProps) {
  const said = useActionData<typeof action>();
  const mayWork = useMay("work-at-bench");
  const mayRule = useMay("edit-club");
  const kept = said?.ok === false ? said.kept : undefined;
  return (
    <Page
      title="Bench"
      says={
        runs.length === 0 ? "nothing is being worked on" : `${counted(runs.length, "radio")} at the bench`
      }
    >
      {said && said.says !== "" && <Said answer={said} />}
      {mayWork && (
        <ActForm intent="start" className="sheet mb-5 flex flex-wrap items-end gap-3 p-3">
          <Labelled
            name="tag"
            label="Take a radio to the bench"
            mono
            placeholder="W-03"
            most={40}
            value={kept?.tag}
            box="w-44"
          />
          <Labelled
            name="for"
            label="for"
            value={kept?.for ?? "update"}
            options={[
              ["update", "the firmware it needs"],
              ["backup", "a backup"],
            ]}
            box="w-56"
          />
          <button type="submit" className="btn btn-primary">
            Take it
          </button>
        </ActForm>
      )}
      <p className="-mt-2 mb-4 text-sm">
        <Link to="/bench/practice" className="link">
          Practise on a simulated radio
        </Link>
      </p>
      {runs.length === 0 && (
        <p className="doubt max-w-xl p-5 text-lg">
          Nothing is at the bench. A radio's own page takes it through a procedure, and Due lines several up.
        </p>
      )}
      <div className="flex flex-col gap-6">
        {GROUPS.map(({ title, has }) => (
          <Group key={title} title={title} runs={runs.filter(has)} />
        ))}
      </div>
      {mayRule && (
        <Rules rules={rules} kept={said?.ok === false && said.intent === "rules" ? said.kept : undefined} />
      )}
    </Page>
  );
}

function Group({ title, runs }: { readonly title: string; readonly runs: readonly Shown[] }) {
  const { locale, timeZone } = useClub();
  if (runs.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1.5">
        {title}{" "}
        <span className="font-sans text-sm font-normal text-quiet">{counted(runs.length, "radio")}</span>
      </h2>
      <ul className="sheet divide-y divide-line">
        {runs.map((run) => (
          <li
            key={run.id}
            className="grid gap-x-4 px-4 py-3 md:grid-cols-[5rem_minmax(0,1fr)_minmax(0,14rem)_12rem]"
          >
            <Go to={`/bench/${run.id}`} className="link tag">
              {run.tag}
            </Go>
            <span>
              <strong>{run.title}</strong>
              {run.phase !== "ready" && (
                <span className="mt-1 flex items-center gap-2 text-sm text-quiet">
                  <progress
                    className="progress progress-primary h-1.5 w-24"
                    value={run.place}
                    max={run.of}
                    aria-label={`${run.place} of ${run.of} steps done`}
                  />
                  <span>
                    step {Math.min(run.place + 1, run.of)} of {run.of}
                    {run.step && `: ${run.step}`}
                    {run.phase === "paused" && "; paused"}
                  </span>
                </span>
              )}
              {run.odd !== undefined && <span className="block font-semibold text-rust">{run.odd}</span>}
            </span>
            <span className="text-sm text-quiet">
              {run.holds.length > 0 && `has ${run.holds.join(", ")}`}
              {run.waits.map(({ name, by, tag }) => (
                <span key={name} className="block">
                  waits for {name}: {by} has it, on {tag}
                </span>
              ))}
            </span>
            <span className="text-sm text-quiet">
              {run.by}, {sayInstant(run.begunAt, locale, timeZone)}
              {run.silent && (
                <span className="block font-semibold text-rust">
                  silent since {sayInstant(run.heardAt, locale, timeZone)}
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** When a bench counts as silent, and what is practised before a real radio is erased. */
function Rules(props: {
  readonly rules: Route.ComponentProps["loaderData"]["rules"];
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const { rules, kept } = props;
  return (
    <details className="mt-6 text-sm" open={kept !== undefined}>
      <summary className="cursor-pointer text-quiet">Rules of the bench</summary>
      <ActForm
        intent="rules"
        drawn={drawnRules(rules)}
        kept={kept}
        className="sheet mt-2 flex flex-wrap items-end gap-3 p-3"
      >
        <Labelled
          name="silence"
          label="Silent after so many minutes"
          type="number"
          small
          value={kept?.silence ?? String(rules.silence)}
          box="w-56"
        />
        <Labelled
          name="clean"
          label="Clean tries before a real radio is erased"
          type="number"
          small
          value={kept?.clean ?? String(rules.clean)}
          box="w-72"
        />
        <button type="submit" className="btn btn-primary btn-sm">
          Set
        </button>
      </ActForm>
    </details>
  );
}
