// Forms on conform: the fields come from the form, the answer stands beside the field, what was typed stays.
import { type FieldMetadata, type SubmissionResult, useForm } from "@conform-to/react";
import { createContext, type ReactNode, useContext } from "react";
import { Form, useNavigation } from "react-router";
import { BASELINE, Baseline, useDrawn } from "./baseline.tsx";
import { FormKey } from "./form-key.tsx";
import { useKept } from "./keep/keep.ts";

export type Fields = Record<string, FieldMetadata<unknown>>;

/** For fields in a fold: it is open where one of them says something, or is wrong. */
export const hasSomething = (field: FieldMetadata<unknown> | undefined): boolean =>
  field?.errors !== undefined || (typeof field?.initialValue === "string" && field.initialValue !== "");

const Sent = createContext<Readonly<Record<string, unknown>> | undefined>(undefined);

/** What the server had of a field when it answered; undefined: it has not answered. Where it is other than what was typed, the field must be told. */
export function useSent(name: string): string | undefined {
  const sent = useContext(Sent)?.[name];
  return typeof sent === "string" ? sent : undefined;
}

export type PostFormProps = {
  readonly lastResult: SubmissionResult<string[]> | undefined;
  /** The words on its button; without it, `also` has the buttons. */
  readonly submit?: string;
  readonly defaults?: Readonly<Record<string, string | readonly string[]>>;
  readonly danger?: boolean;
  readonly also?: ReactNode;
  readonly className?: string;
  readonly encType?: "multipart/form-data";
  readonly children: (fields: Fields) => ReactNode;
};

/** A posting form; `children` draws its fields. While it is under way it cannot be sent a second time. */
export function PostForm(props: PostFormProps) {
  const defaults = useDrawn(props.defaults);
  const sent = props.lastResult?.initialValue?.[BASELINE];
  const seen = typeof sent === "string" ? sent : JSON.stringify(defaults);
  // Where others saved something meanwhile it is drawn anew, with what they saved in its fields.
  return <Drawn key={seen} seen={seen} {...props} {...(defaults && { defaults })} />;
}

function Drawn({ seen, ...props }: PostFormProps & { readonly seen: string | undefined }) {
  const navigation = useNavigation();
  const [form, fields] = useForm<Record<string, unknown>>({
    lastResult: props.lastResult,
    defaultValue: props.defaults as Record<string, string> | undefined,
  });
  const kept = useKept(props.lastResult);
  // Once it is answered it may be sent again, though the page is still being brought up to date.
  const busy = navigation.state === "submitting";
  return (
    <Form
      method="post"
      id={form.id}
      noValidate
      ref={kept.form}
      onSubmit={(event) => {
        if (busy) event.preventDefault();
        else kept.sent();
      }}
      onInput={kept.keep}
      data-unsaved={props.lastResult?.status === "error" ? "" : undefined}
      data-guarded={seen ? "" : undefined}
      className={props.className ?? "flex w-full max-w-md flex-col gap-3"}
      aria-describedby={form.errors ? `${form.id}-trouble` : undefined}
      {...(props.encType && { encType: props.encType })}
    >
      {kept.restored && (
        <p role="status" className="sheet flex flex-wrap gap-x-4 border-l-4 border-brass p-3">
          What you had typed here and not saved is back.
          <button type="button" className="link" onClick={kept.drop}>
            Leave it away
          </button>
        </p>
      )}
      {form.errors && (
        <p
          id={`${form.id}-trouble`}
          role="alert"
          className="sheet sticky top-0 z-20 border-l-4 border-rust p-3 font-semibold text-rust"
        >
          {form.errors.join(" ")}
        </p>
      )}
      <FormKey />
      {seen && <Baseline drawn={kept.baseline ?? seen} />}
      <Sent.Provider value={props.lastResult?.initialValue ?? undefined}>
        {props.children(fields as Fields)}
      </Sent.Provider>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        {props.submit !== undefined && (
          <button
            type="submit"
            className={`btn ${props.danger ? "btn-error" : "btn-primary"}`}
            aria-disabled={busy}
          >
            {props.submit}
          </button>
        )}
        {props.also}
      </div>
    </Form>
  );
}
