// The form that lines all picked radios up at the bench, or puts them on hold. It comes to the foot of the screen as soon as one is picked, and answers there.

import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import type { HoldAnswer } from "./hold-answer.ts";

/** The picks among the rows belong to this form by its id. */
export function HoldPicked(props: { readonly answer: HoldAnswer | undefined; readonly mayWork: boolean }) {
  const { answer } = props;
  const kept = answer && "kept" in answer ? answer.kept : undefined;
  return (
    <ActForm
      id="picked"
      preventScrollReset
      key={answer && "done" in answer ? answer.done : ""}
      data-answered={answer && ""}
      className="sheet mt-6 flex flex-wrap items-center gap-x-3 gap-y-2 p-3 text-sm"
    >
      <p className="font-semibold">The picked radios:</p>
      {props.mayWork && (
        <button
          type="submit"
          formAction="/bench"
          name="intent"
          value="line-up"
          className="btn btn-outline btn-primary btn-sm"
        >
          Line them up
        </button>
      )}
      {props.mayWork && (
        <button
          type="submit"
          formAction="/bench"
          name="intent"
          value="line-up-plan"
          className="btn btn-outline btn-primary btn-sm"
        >
          Line them up for the plan
        </button>
      )}
      <Labelled
        name="until"
        label="leave alone until"
        type="date"
        small
        value={kept?.until}
        box="in-line"
        className="w-40"
      />
      <Labelled
        name="why"
        label="because"
        small
        most={300}
        value={kept?.why}
        box="in-line max-md:grow"
        className="w-64 max-md:w-20 max-md:grow"
      />
      <button type="submit" className="btn btn-primary btn-sm">
        Put on hold
      </button>
      <button type="submit" name="look" value="on" className="btn btn-outline btn-primary btn-sm">
        What would that do?
      </button>
      <p role="status" className={answer?.ok === false ? "font-semibold text-rust" : "font-semibold"}>
        {answer?.says}
      </p>
    </ActForm>
  );
}
