// Forms on conform: the fields come from the form, the answer stands beside the field, what was typed stays.
import { type FieldMetadata, type SubmissionResult, useForm } from "@conform-to/react";
import type { InputHTMLAttributes, ReactNode } from "react";
import { Form, useNavigation } from "react-router";

type Fields = Record<string, FieldMetadata<unknown>>;

/** A posting form; `children` draws its fields. While it is under way it cannot be sent a second time. */
export function PostForm(props: {
  readonly lastResult: SubmissionResult<string[]> | undefined;
  readonly submit: string;
  readonly id?: string;
  readonly defaults?: Record<string, string>;
  readonly action?: string;
  readonly danger?: boolean;
  readonly also?: ReactNode;
  readonly className?: string;
  readonly children: (fields: Fields) => ReactNode;
}) {
  const navigation = useNavigation();
  const [form, fields] = useForm<Record<string, unknown>>({
    id: props.id,
    lastResult: props.lastResult,
    defaultValue: props.defaults,
  });
  const busy = navigation.state !== "idle" && navigation.formMethod === "POST";
  return (
    <Form
      method="post"
      action={props.action}
      id={form.id}
      noValidate
      className={props.className ?? "flex max-w-md flex-col gap-3"}
      aria-describedby={form.errors ? `${form.id}-trouble` : undefined}
    >
      {form.errors && (
        <p
          id={`${form.id}-trouble`}
          role="alert"
          className="hatch border-l-4 border-rust p-3 font-semibold text-rust"
        >
          {form.errors.join(" ")}
        </p>
      )}
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
  readonly options?: readonly (string | readonly [string, string])[];
  /** Makes it a text of several lines. */
  readonly rows?: number;
};

/** A labelled field with its hint and its trouble, tied together for screen readers. */
export function Field({ of, label, hint, options, rows, ...input }: FieldProps) {
  if (!of) return null;
  const describedBy = [hint && `${of.id}-hint`, of.errors && `${of.id}-trouble`].filter(Boolean).join(" ");
  const initial = typeof of.initialValue === "string" ? of.initialValue : undefined;
  const shared = {
    id: of.id,
    name: of.name,
    defaultValue: initial ?? input.defaultValue,
    "aria-invalid": of.errors ? true : undefined,
    "aria-describedby": describedBy || undefined,
  };
  const className = `w-full ${of.errors ? "input-error" : ""} ${input.className ?? ""}`;
  return (
    <div>
      <label htmlFor={of.id} className="mb-1 block text-sm font-semibold">
        {label}
      </label>
      {options ? (
        <select {...shared} key={of.key} className={`select ${className}`}>
          {options.map((option) => {
            const [value, text] = typeof option === "string" ? [option, option] : option;
            return (
              <option key={value} value={value}>
                {text}
              </option>
            );
          })}
        </select>
      ) : rows ? (
        <textarea {...shared} key={of.key} rows={rows} className={`textarea ${className}`} />
      ) : (
        <input {...input} {...shared} key={of.key} className={`input ${className}`} />
      )}
      {hint && (
        <p id={`${of.id}-hint`} className="mt-1 text-sm text-quiet">
          {hint}
        </p>
      )}
      {of.errors && (
        <p id={`${of.id}-trouble`} role="alert" className="mt-1 text-sm font-semibold text-rust">
          {of.errors.join(" ")}
        </p>
      )}
    </div>
  );
}
