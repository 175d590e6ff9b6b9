// What must hold before anything is flashed or erased: how it is shown to hold, and, where that is allowed, passed by with a reason.

import { Link } from "react-router";
import { listed } from "#core/quantities/index.ts";
import { FIRM_GATES, POWER_FLOOR } from "#core/run/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { useMay } from "../../ui/club.ts";
import type { Shown } from "../shown.ts";
import type { Kept } from "./one-press.tsx";

type Props = {
  readonly run: Shown;
  readonly step: Extract<NonNullable<Shown["next"]>, { kind: "gate" }>;
  readonly known: React.ReactNode;
  readonly kept: Kept;
};

export function GateAnswer(props: Props) {
  const { step } = props;
  const mayPassBackup = useMay("pass-backup");
  const isFirm = FIRM_GATES.includes(step.gate);
  const mayPass = !isFirm && (step.gate !== "backup" || mayPassBackup);
  return (
    <div className="flex flex-col gap-3">
      <Look {...props} />
      {mayPass && (
        <details open={props.kept?.intent === "override"}>
          <summary className="link w-fit cursor-pointer text-sm">Go on without it</summary>
          <ActForm intent="override" className="sheet mt-2 flex w-fit items-end gap-3 p-3">
            {props.known}
            <input type="hidden" name="gate" value={step.gate} />
            <Labelled name="reason" label="Why" most={500} value={props.kept?.reason} box="w-64" />
            <button type="submit" className="btn btn-outline btn-error btn-sm">
              Go on without it
            </button>
          </ActForm>
        </details>
      )}
    </div>
  );
}

function Look({ run, step, known, kept }: Props) {
  const gate = <input type="hidden" name="gate" value={step.gate} />;
  if (step.revisions)
    return (
      <WhichHardware revisions={step.revisions} tag={run.tag}>
        {known}
        {gate}
      </WhichHardware>
    );
  switch (step.gate) {
    case "power":
      return (
        <ActForm intent="hold" className="flex flex-wrap items-end gap-4">
          {known}
          {gate}
          <Labelled
            name="charge"
            label={`Charge in percent, ${step.floor ?? POWER_FLOOR} at least`}
            inputMode="numeric"
            autoFocus
            value={kept?.charge ?? (run.radio ? String(run.radio.charge) : undefined)}
            box="w-72"
          />
          <Labelled name="supply" label="It runs from a supply" type="checkbox" value={kept?.supply} />
          <Go label="That is what it has" />
        </ActForm>
      );
    case "backup":
      return run.gate?.holds ? (
        <ActForm intent="hold">
          {known}
          {gate}
          <Go label="It is kept" />
        </ActForm>
      ) : (
        <FileForm intent="backup" known={known} label="The file that was read out of it" button="Keep it">
          {kept?.intent === "backup" && (
            <Labelled name="confirmed" label="It is right all the same" type="checkbox" value={undefined} />
          )}
        </FileForm>
      );
    case "same":
      return run.gate?.holds ? (
        <ActForm intent="hold">
          {known}
          {gate}
          <Go label="It is the same" />
        </ActForm>
      ) : (
        <div className="flex flex-col gap-3">
          {run.files.some(({ role }) => role === "read-again") && (
            <p className="hatch w-fit border-l-4 border-rust p-3 font-semibold text-rust">
              What was read again is not what was written. Go back one and read it once more, or stop here.
            </p>
          )}
          <FileForm
            intent="file"
            label="The file that was read once more"
            button="Compare it"
            known={
              <>
                {known}
                {gate}
              </>
            }
          />
        </div>
      );
    case "file":
      return (
        <div className="flex flex-wrap items-end gap-4">
          {run.gate?.stored && step.sha256 !== undefined && (
            <ActForm intent="file">
              {known}
              <input type="hidden" name="stored" value="yes" />
              <input type="hidden" name="sha256" value={step.sha256} />
              <Go label="Take the club's own copy" />
            </ActForm>
          )}
          {step.sha256 === undefined && (
            <p className="doubt px-3 py-1">
              Nobody has noted the sum of this release's file: there is nothing to compare with.
            </p>
          )}
          <FileForm
            intent="file"
            known={known}
            label="The file that is to be written"
            button="Look at it"
            second={run.gate?.stored === true}
          />
        </div>
      );
    case "hardware":
    case "chain":
    case "base":
      return step.bad ? (
        <p className="hatch w-fit border-l-4 border-rust p-3 font-semibold text-rust">
          {step.gate === "base"
            ? "This would replace what is in it. What is in it is read and kept first; whether to go on is yours to say, with a reason."
            : `${step.what ?? "It"} is known to fail.`}
        </p>
      ) : (
        <ActForm intent="hold">
          {known}
          {gate}
          <Go label="It is so" />
        </ActForm>
      );
  }
}

/** Nobody has noted which hardware it has: it is looked at, said, and noted. */
function WhichHardware(props: {
  readonly revisions: NonNullable<Props["step"]["revisions"]>;
  readonly tag: string;
  readonly children: React.ReactNode;
}) {
  const other = props.revisions.filter(({ fits }) => !fits).map(({ name }) => name);
  return (
    <ActForm intent="hold" className="flex flex-col gap-3">
      {props.children}
      <fieldset className="flex flex-col gap-1">
        <legend className="mb-1 font-semibold">Which hardware does it have?</legend>
        {props.revisions.map(({ name, tell }) => (
          <label key={name} className="flex min-h-11 items-center gap-3">
            <input
              type="radio"
              name="revision"
              value={name}
              required
              className="radio radio-primary border-quiet"
            />
            <span>
              <strong>{name}</strong> {tell && <span className="text-quiet">{tell}</span>}
            </span>
          </label>
        ))}
      </fieldset>
      {other.length > 0 && (
        <p className="max-w-prose text-quiet">
          What is planned here is not for {listed(other)}. If it is that, stop here,{" "}
          <Link className="link" to={`/units/${encodeURIComponent(props.tag)}/edit`}>
            note it for the radio
          </Link>
          , and begin anew.
        </p>
      )}
      <Go label="It is that one" />
    </ActForm>
  );
}

function FileForm(props: {
  readonly intent: string;
  readonly known: React.ReactNode;
  readonly label: string;
  readonly button: string;
  /** There is a quicker answer beside it. */
  readonly second?: boolean;
  readonly children?: React.ReactNode;
}) {
  return (
    <ActForm intent={props.intent} encType="multipart/form-data" className="flex flex-wrap items-end gap-4">
      {props.known}
      <Labelled name="file" label={props.label} type="file" value={undefined} box="w-80" />
      {props.children}
      <Go label={props.button} second={props.second} />
    </ActForm>
  );
}

const Go = ({ label, second }: { readonly label: string; readonly second?: boolean | undefined }) => (
  <button type="submit" className={`btn btn-primary max-md:w-full ${second ? "btn-outline" : "btn-lg"}`}>
    {label}
  </button>
);
