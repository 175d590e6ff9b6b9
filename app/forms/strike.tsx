// Something that was recorded and was wrong is struck, with a reason: it stays in sight, crossed out, and counts no more.
import { Form } from "react-router";
import { FormKey } from "./form-key.tsx";

export function Strike(props: {
  /** The field that says what is struck, and its id. */
  readonly name: "reading" | "try";
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  /** The reason that was refused, if one was. */
  readonly why?: string | undefined;
}) {
  return (
    <details open={props.why !== undefined} className="shrink-0">
      <summary className="cursor-pointer text-quiet">Strike it</summary>
      <Form method="post" className="mt-1 flex gap-2" preventScrollReset>
        <input type="hidden" name="intent" value="strike" />
        <FormKey />
        <input type="hidden" name={props.name} value={props.id} />
        <input
          name="why"
          aria-label={props.label}
          placeholder={props.hint}
          defaultValue={props.why}
          maxLength={300}
          className="input input-sm min-w-40 grow"
        />
        <button type="submit" className="btn btn-sm btn-outline btn-error">
          Strike
        </button>
      </Form>
    </details>
  );
}
