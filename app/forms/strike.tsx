// Something that was recorded and was wrong is struck, with a reason: it stays in sight, crossed out, and counts no more.

import { ActForm } from "./act-form.tsx";
import { Labelled } from "./field.tsx";

export function Strike(props: {
  /** The field that says what is struck, and its id. */
  readonly name: "reading" | "try" | "measurement" | "spectrum" | "charge";
  readonly id: string;
  readonly label: string;
  readonly hint?: string;
  /** Where a page strikes other things, too. */
  readonly intent?: string;
  /** Whose it is, where the page's address does not say it. */
  readonly device?: string;
  /** The reason that was refused, if one was. */
  readonly why?: string | undefined;
}) {
  return (
    <details open={props.why !== undefined} className="shrink-0">
      <summary className="min-h-6 cursor-pointer py-0.5 text-quiet">Strike it</summary>
      <ActForm intent={props.intent ?? "strike"} className="mt-1 flex gap-2" preventScrollReset>
        <input type="hidden" name={props.name} value={props.id} />
        {props.device !== undefined && <input type="hidden" name="device" value={props.device} />}
        <Labelled
          name="why"
          label={props.label}
          quiet
          small
          most={300}
          placeholder={props.hint}
          value={props.why}
          box="min-w-40 grow"
        />
        <button type="submit" className="btn btn-sm btn-outline btn-error">
          Strike
        </button>
      </ActForm>
    </details>
  );
}
