// The answers to a step. They stay within the thumb's reach on a phone; each is a form that works without scripts.
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { OtherWays } from "../other-ways.tsx";
import type { Shown } from "../shown.ts";
import { AnswerKeys } from "./answer-keys.tsx";
import { GateAnswer } from "./gate.tsx";
import { OddAnswer } from "./odd-answer.tsx";
import { type Kept, OnePress } from "./one-press.tsx";

export function Answers({ run, kept }: { readonly run: Shown; readonly kept: Kept }) {
  // What was refused may stand in the run already, before the page was asked for again.
  const number = Math.max(run.number, Number(kept?.number ?? 0) || 0);
  const known = (
    <>
      <input type="hidden" name="number" value={number} />
      <input type="hidden" name="place" value={run.place} />
      <input type="hidden" name="last" value={run.place === run.steps.length - 1 ? "yes" : "no"} />
    </>
  );
  // Drawn anew with each step, so that what was typed for the one before is not in it.
  return (
    <div
      key={`${run.place} ${run.phase} ${run.odd ?? ""}`}
      className={`mt-auto flex flex-col gap-3 py-2 ${run.odd === undefined && run.next?.kind !== "gate" ? "max-md:sticky max-md:bottom-14 max-md:bg-base-200" : ""}`}
    >
      <AnswerKeys />
      <Main run={run} known={known} kept={kept} />
      <div className="flex flex-wrap items-start gap-3">
        {run.phase === "going" && run.odd === undefined && run.next && (
          <SomethingElse run={run} known={known} kept={kept} />
        )}
        {run.phase === "going" && run.place > 0 && run.odd === undefined && (
          <OnePress intent="back" label="Back one" known={known} hint="b" />
        )}
        {run.phase === "going" && <OnePress intent="pause" label="Pause" known={known} hint="p" />}
        {run.isOld && (
          <ActForm intent="anew" className="doubt flex items-center gap-3 px-3 py-1">
            <span>What it was made from has changed since.</span>
            <button type="submit" className="btn btn-outline btn-primary btn-sm">
              Begin anew from here
            </button>
          </ActForm>
        )}
        <details open={kept?.intent === "stop"} className="md:ml-auto">
          <summary className="link cursor-pointer list-none text-sm" data-key="s">
            Stop here
          </summary>
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

/** The answer that the step is waiting for. */
function Main({
  run,
  known,
  kept,
}: {
  readonly run: Shown;
  readonly known: React.ReactNode;
  readonly kept: Kept;
}) {
  if (run.phase === "ready")
    return (
      <>
        <Begin run={run} known={known} />
        <OtherWays key={run.id} run={run} />
      </>
    );
  if (run.phase === "paused") return <OnePress intent="resume" label="Go on" known={known} primary />;
  if (run.odd !== undefined) return <OddAnswer run={run} known={known} kept={kept} />;
  const step = run.next;
  if (!step) return <OnePress intent="finish" label="It is done" known={known} primary />;
  if (step.kind === "gate") return <GateAnswer run={run} step={step} known={known} kept={kept} />;
  if (step.kind === "machine" && run.radio)
    return (
      <OnePress
        intent="machine"
        label={run.work ? "How far is it?" : "Start it on the simulated radio"}
        known={known}
        primary
      />
    );
  if (step.kind === "probe")
    return (
      <div className="flex flex-wrap gap-4">
        {[true, false].map((transmits) => (
          <ActForm key={String(transmits)} intent="probed">
            {known}
            <input type="hidden" name="transmits" value={transmits ? "yes" : "no"} />
            <button
              type="submit"
              // biome-ignore lint/a11y/noAutofocus: the expected answer is the next thing
              autoFocus={transmits === step.transmits}
              className="btn btn-primary btn-lg max-md:w-full"
            >
              {transmits ? "It transmits" : "It does not"}
            </button>
          </ActForm>
        ))}
      </div>
    );
  if (step.kind === "measure")
    return (
      <div className="flex flex-col gap-3">
        <ActForm intent="measured" className="flex flex-wrap items-end gap-3">
          {known}
          <Labelled
            name="watts"
            label="Watts, as the meter shows them"
            mono
            autoFocus
            value={kept?.watts}
            box="w-64"
          />
          <Labelled
            name="meter"
            label="With"
            value={kept?.meter ?? run.meters[0]?.[0]}
            options={[...run.meters, ["", "a meter that is not ours"]]}
            box="w-72"
          />
          {kept?.watts !== undefined && (
            <Labelled name="sure" label="I am sure of that number" type="checkbox" value={undefined} />
          )}
          <button type="submit" className="btn btn-primary btn-lg max-md:w-full">
            Write it down
          </button>
        </ActForm>
        <OnePress intent="seen" label="Not now" known={known} />
      </div>
    );
  if (step.kind === "open")
    return (
      <div className="flex flex-col gap-3">
        <ActForm intent="note" className="flex max-w-2xl flex-col gap-2">
          {known}
          <Labelled
            name="note"
            label="What was done, a step a line: it can become a draft of the dossier"
            rows={4}
            most={2000}
            value={kept?.intent === "note" ? kept.note : undefined}
          />
          <button type="submit" className="btn btn-primary btn-lg w-fit max-md:w-full">
            Note it and go on
          </button>
        </ActForm>
        <OnePress intent="seen" label="Seen it" known={known} />
      </div>
    );
  if (step.kind === "read-back")
    return (
      <ActForm intent="reading" className="flex max-w-xl items-end gap-3">
        {known}
        <input type="hidden" name="component" value={step.component} />
        <Labelled
          name="typed"
          label={`What ${step.component} shows`}
          mono
          autoFocus
          value={kept?.typed}
          box="grow"
        />
        <button type="submit" className="btn btn-primary">
          Record
        </button>
      </ActForm>
    );
  return (
    <OnePress
      intent="seen"
      label={step.kind === "machine" ? "It went through" : "Seen it"}
      known={known}
      primary
    />
  );
}

/** What another bench holds is said before it is tried. */
function Begin({ run, known }: { readonly run: Shown; readonly known: React.ReactNode }) {
  return (
    <ActForm intent="begin" className="flex flex-wrap items-center gap-4">
      {known}
      {/* biome-ignore lint/a11y/noAutofocus: Enter begins */}
      <button type="submit" autoFocus className="btn btn-primary btn-lg max-md:w-full">
        Begin
      </button>
      {run.inUse.map((thing) => (
        <span key={thing.name} className="doubt px-3 py-1">
          {thing.name} is in use at the bench of {thing.by}, on {thing.tag}
          {thing.silent && ", which has been silent"}.
        </span>
      ))}
      {run.inUse.length > 0 && run.inUse.every((thing) => thing.silent) && (
        <Labelled name="takeOver" label="Take it over" type="checkbox" value={undefined} />
      )}
    </ActForm>
  );
}

function SomethingElse(props: { readonly run: Shown; readonly known: React.ReactNode; readonly kept: Kept }) {
  return (
    <details open={props.kept?.intent === "odd"}>
      <summary className="btn btn-outline btn-primary btn-sm" data-key="o">
        Something else
      </summary>
      <ActForm intent="odd" className="sheet mt-2 flex items-end gap-3 p-3">
        {props.known}
        <Labelled
          name="symptom"
          label="What is there instead"
          most={500}
          value={props.kept?.symptom}
          box="w-64"
        />
        <button type="submit" className="btn btn-primary btn-sm">
          Note it
        </button>
      </ActForm>
      {props.run.quirks.length > 0 && (
        <ul className="sheet mt-2 flex max-w-2xl flex-col divide-y divide-line">
          {props.run.quirks.map(({ symptom }) => (
            <li key={symptom}>
              <ActForm intent="odd">
                {props.known}
                <input type="hidden" name="symptom" value={symptom} />
                <button type="submit" className="w-full cursor-pointer px-3 py-2 text-left hover:bg-base-200">
                  {symptom}
                </button>
              </ActForm>
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}
