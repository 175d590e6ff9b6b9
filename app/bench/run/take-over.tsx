// Taking a run over from another bench, and what a simulated radio is to do wrong.
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import type { Shown } from "../shown.ts";

/** Who watches a run of somebody else answers nothing there; they may take it over, by name. */
export function TakeOver({ run }: { readonly run: Shown }) {
  const take = (
    <button type="submit" className="btn btn-outline btn-primary btn-sm">
      Take it over from {run.by}
    </button>
  );
  if (run.silent)
    return (
      <ActForm intent="take-over" className="flex flex-wrap items-center gap-3">
        <span className="text-quiet">The bench of {run.by} has been silent.</span>
        {take}
      </ActForm>
    );
  return (
    <details>
      <summary className="cursor-pointer text-quiet">
        {run.by} is at this bench and answers there. <span className="link">Take it over?</span>
      </summary>
      <ActForm intent="take-over" className="sheet mt-2 flex w-fit flex-wrap items-center gap-3 p-3">
        <input type="hidden" name="sure" value="yes" />
        <span>From then on {run.by} can answer nothing here, and the log says who has it.</span>
        {take}
      </ActForm>
    </details>
  );
}

const FAULT_WORD = {
  "loose-plug": "a plug that slips at 40 %",
  "no-port": "no port",
  "port-fault": "a port with a fault sign",
  "no-answer": "no answer",
  "wrong-model": "the wrong model in the tool",
  "battery-low": "a battery that gives out",
} as const;

/** What a simulated radio is to have wrong, so that finding it can be tried. */
export function Faults({ run }: { readonly run: Shown }) {
  const now = run.radio?.faults[0]?.kind ?? "";
  return (
    <details className="text-sm text-quiet">
      <summary className="cursor-pointer">What is wrong with the simulated radio</summary>
      <ActForm intent="fault" className="mt-2 flex items-end gap-3">
        <Labelled
          name="fault"
          label="Set"
          small
          value={now}
          options={[["", "nothing"], ...Object.entries(FAULT_WORD)]}
          box="w-64"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Set it
        </button>
      </ActForm>
    </details>
  );
}
