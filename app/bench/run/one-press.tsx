// One answer that is a single press.
import { ActForm } from "../../forms/act-form.tsx";

/** What a refused form held. */
export type Kept = Readonly<Record<string, string>> | undefined;

export function OnePress(props: {
  readonly intent: string;
  readonly label: string;
  readonly known: React.ReactNode;
  readonly primary?: boolean;
  readonly hint?: string;
}) {
  return (
    <ActForm intent={props.intent}>
      {props.known}
      <button
        type="submit"
        // The step's own answer is the next thing: Enter gives it.
        // biome-ignore lint/a11y/noAutofocus: see above
        autoFocus={props.primary}
        data-key={props.hint}
        className={
          props.primary ? "btn btn-primary btn-lg max-md:w-full" : "btn btn-outline btn-primary btn-sm"
        }
      >
        {props.label}
        {props.primary && (
          <span className="ml-2 hidden font-mono text-sm font-normal opacity-80 md:inline" aria-hidden="true">
            Enter
          </span>
        )}
      </button>
    </ActForm>
  );
}
