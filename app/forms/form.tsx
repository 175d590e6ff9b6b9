// Forms on conform: the fields come from the form, the answer stands beside the field, what was typed stays.
import { type FieldMetadata, type SubmissionResult, useForm } from "@conform-to/react";
import type { InputHTMLAttributes, ReactNode } from "react";
import { Form, useNavigation } from "react-router";
import { BASELINE, Baseline, inWords, type Options, useDrawn } from "./baseline.tsx";
import { FormKey } from "./form-key.tsx";

type Fields = Record<string, FieldMetadata<unknown>>;

type PostFormProps = {
  readonly lastResult: SubmissionResult<string[]> | undefined;
  readonly submit: string;
  readonly defaults?: Record<string, string | string[]>;
  readonly danger?: boolean;
  readonly also?: ReactNode;
  readonly className?: string;
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
  const busy = navigation.state !== "idle" && navigation.formMethod === "POST";
  return (
    <Form
      method="post"
      id={form.id}
      noValidate
      className={props.className ?? "flex max-w-md flex-col gap-3"}
      aria-describedby={form.errors ? `${form.id}-trouble` : undefined}
    >
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
      {seen && <Baseline drawn={seen} />}
      {props.children(fields as Fields)}
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <button
          type="submit"
          className={`btn ${props.danger ? "btn-error" : "btn-primary"}`}
          aria-disabled={busy}
          onClick={(e) => busy && e.preventDefault()}
        >
          {props.submit}
        </button>
        {props.also}
      </div>
    </Form>
  );
}

type FieldProps = Omit<InputHTMLAttributes<HTMLInputElement>, "form" | "id" | "name"> & {
  readonly of: FieldMetadata<unknown> | undefined;
  readonly label: ReactNode;
  readonly hint?: ReactNode;
  /** Makes it a choice. Plain texts, or pairs of value and text. */
  readonly options?: Options;
  /** Makes it a text of several lines. */
  readonly rows?: number;
};

/** A labelled field with its hint and its trouble, tied together for screen readers. */
export function Field({ of, label, hint, ...rest }: FieldProps) {
  if (!of) return null;
  const describedBy = [hint && `${of.id}-hint`, of.errors && `${of.id}-trouble`].filter(Boolean).join(" ");
  const check = rest.type === "checkbox";
  const control = <Control of={of} describedBy={describedBy} {...rest} />;
  return (
    <div>
      <label
        htmlFor={of.id}
        className={check ? "flex items-center gap-2" : "mb-1 block text-sm font-semibold"}
      >
        {check && control}
        {label}
      </label>
      {!check && control}
      {hint && (
        <p id={`${of.id}-hint`} className="mt-1 text-sm text-quiet">
          {hint}
        </p>
      )}
      {of.errors && (
        <p id={`${of.id}-trouble`} role="alert" className="mt-1 text-sm font-semibold text-rust">
          {of.errors.map((says) => inWords(says, rest.options)).join(" ")}
        </p>
      )}
    </div>
  );
}

type ControlProps = Omit<FieldProps, "label" | "hint" | "of"> & {
  readonly of: FieldMetadata<unknown>;
  readonly describedBy: string;
};

function Control({ of, describedBy, options, rows, ...input }: ControlProps) {
  const initial: unknown = of.initialValue;
  const text = typeof initial === "string" ? initial : input.defaultValue;
  const shared = {
    id: of.id,
    name: of.name,
    "aria-invalid": of.errors ? true : undefined,
    "aria-describedby": describedBy || undefined,
  };
  const className = `w-full ${of.errors ? "input-error" : ""} ${input.className ?? ""}`;
  if (input.type === "checkbox") {
    return (
      <input
        {...shared}
        key={of.key}
        type="checkbox"
        value="on"
        defaultChecked={initial === "on"}
        className="checkbox checkbox-sm checkbox-primary"
      />
    );
  }
  if (options) {
    const many = input.multiple === true;
    const chosen = Array.isArray(initial)
      ? initial.map(String)
      : typeof initial === "string"
        ? [initial]
        : [];
    return (
      <select
        {...shared}
        key={of.key}
        multiple={many}
        size={many ? 7 : undefined}
        defaultValue={many ? chosen : text}
        className={`${many ? "textarea h-auto text-sm" : "select"} ${className}`}
      >
        {options.map((option) => {
          const [value, words] = typeof option === "string" ? [option, option] : option;
          return (
            <option key={value} value={value}>
              {words}
            </option>
          );
        })}
      </select>
    );
  }
  if (rows) {
    return (
      <textarea
        {...shared}
        key={of.key}
        rows={rows}
        defaultValue={text}
        className={`textarea ${className}`}
      />
    );
  }
  return <input {...input} {...shared} key={of.key} defaultValue={text} className={`input ${className}`} />;
}
