// The form that puts all picked radios on hold. It comes to the foot of the screen as soon as one is picked, and answers there.
import { Form } from "react-router";
import { FormKey } from "../forms/form-key.tsx";
import type { HoldAnswer } from "./hold-answer.ts";

/** The picks among the rows belong to this form by its id. */
export function HoldPicked({ answer }: { readonly answer: HoldAnswer | undefined }) {
  const kept = answer?.ok === false ? answer.kept : undefined;
  return (
    <Form
      method="post"
      id="picked"
      preventScrollReset
      key={answer?.ok ? answer.done : ""}
      data-answered={answer && ""}
      className="sheet mt-6 flex flex-wrap items-center gap-x-3 gap-y-2 p-3 text-sm"
    >
      <FormKey />
      <p className="font-semibold">The picked radios:</p>
      <label className="flex items-center gap-1.5 font-semibold">
        leave alone until
        <input type="date" name="until" defaultValue={kept?.until} className="input input-sm w-40" />
      </label>
      <label className="flex items-center gap-1.5 font-semibold max-md:grow">
        because
        <input name="why" defaultValue={kept?.why} className="input input-sm w-64 max-md:w-20 max-md:grow" />
      </label>
      <button type="submit" className="btn btn-primary btn-sm">
        Put on hold
      </button>
      <p role="status" className={answer?.ok === false ? "font-semibold text-rust" : "font-semibold"}>
        {answer?.says}
      </p>
    </Form>
  );
}
