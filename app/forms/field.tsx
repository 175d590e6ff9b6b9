// A labelled field with its hint, its bound and its trouble, tied together for screen readers; on conform, and without it.
import type { FieldMetadata } from "@conform-to/react";
import { type ComponentProps, createContext, type ReactNode, useContext, useId, useState } from "react";
import { inWords, type Options } from "./baseline.tsx";
import { Choices, LONG, LongChoice } from "./choice/long-choice.tsx";

type Look = {
  readonly label: ReactNode;
  readonly hint?: ReactNode;
  /** Makes it a choice. Plain texts, or pairs of value and text. */
  readonly options?: Options;
  readonly multiple?: boolean;
  /** Makes it a text of several lines. */
  readonly rows?: number;
  /** For versions and the like, where every sign counts. */
  readonly mono?: boolean;
  readonly type?: "text" | "number" | "date" | "datetime-local" | "checkbox" | "email" | "password" | "file";
  /** So many signs at most: shown before they are reached. */
  readonly most?: number | undefined;
  readonly className?: string;
  readonly placeholder?: string;
  readonly autoComplete?: string;
  readonly required?: boolean;
  /** The label is for screen readers alone. */
  readonly quiet?: boolean;
  readonly small?: boolean;
  readonly inputMode?: "numeric" | "text";
  readonly autoFocus?: boolean;
  /** Classes of the box around label, control and hint: its width in a row of several. */
  readonly box?: string;
  /** For filters: the form is sent as soon as something else is chosen. */
  readonly sendsItself?: boolean;
  /** What a file may be, and the last day that makes sense, as browsers take them. */
  readonly accept?: string;
  readonly max?: string;
  readonly spellCheck?: boolean;
  /** The id of a <datalist> with what is known: it helps, and does not bind. */
  readonly list?: string;
  /** What it begins with, where the form says nothing of it. */
  readonly start?: string;
};

/** A field of a `PostForm`. */
export function Field({ of, start, ...look }: Look & { readonly of: FieldMetadata<unknown> | undefined }) {
  if (!of) return null;
  const initial: unknown = of.initialValue;
  return (
    <Labelled
      {...look}
      key={of.key}
      id={of.id}
      name={of.name}
      value={Array.isArray(initial) ? initial.map(String) : typeof initial === "string" ? initial : start}
      errors={of.errors}
    />
  );
}

/** What is wrong with the fields of the form around it, by their names. */
export const Wrong = createContext<Readonly<Record<string, string>> | undefined>(undefined);

/** How many signs the texts of the form around it may have, by their names. */
export const MostSigns = createContext<Readonly<Record<string, number>>>({});

/** The same outside of conform: for filters, and for acts of one press. */
export function Labelled({
  id: own,
  name,
  value,
  errors: told,
  label,
  hint,
  quiet,
  box = "",
  ...given
}: Look & {
  readonly id?: string;
  readonly name: string;
  readonly value?: string | readonly string[] | undefined;
  readonly errors?: readonly string[] | undefined;
}) {
  const made = useId();
  const id = own ?? made;
  const wrong = useContext(Wrong)?.[name];
  const errors = told ?? (wrong === undefined ? undefined : [wrong]);
  const most = useContext(MostSigns)[name];
  const isText = !given.options && (given.type ?? "text") === "text";
  const look = { ...given, ...(isText && given.most === undefined && { most }) };
  const [count, setCount] = useState<number>();
  const length = count ?? (typeof value === "string" ? value.length : 0);
  const near = look.most !== undefined && length > look.most * 0.8;
  const describedBy = [hint && `${id}-hint`, near && `${id}-most`, errors && `${id}-trouble`]
    .filter(Boolean)
    .join(" ");
  const control = (
    <Control
      {...look}
      id={id}
      name={name}
      value={value}
      invalid={errors !== undefined}
      describedBy={describedBy}
      {...(look.most !== undefined && { onCount: setCount })}
    />
  );
  const check = look.type === "checkbox";
  return (
    <div className={`fieldset ${box}`}>
      {check ? (
        <label className={look.small ? "label small" : "label"} htmlFor={id}>
          {control}
          {label}
        </label>
      ) : (
        <>
          <label className={quiet ? "sr-only" : "fieldset-legend"} htmlFor={id}>
            {label}
          </label>
          {control}
        </>
      )}
      {hint && (
        <p id={`${id}-hint`} className="label">
          {hint}
        </p>
      )}
      {near && (
        <p id={`${id}-most`} className={`label ${length > (look.most ?? 0) ? "text-rust" : ""}`}>
          {length.toLocaleString("en-GB")} of {look.most?.toLocaleString("en-GB")} signs at most
        </p>
      )}
      {errors && (
        <p id={`${id}-trouble`} role="alert" className="validator-hint">
          {errors.map((says) => inWords(says, look.options)).join(" ")}
        </p>
      )}
    </div>
  );
}

type ControlProps = Omit<Look, "label" | "hint" | "quiet" | "start" | "box"> & {
  readonly id: string;
  readonly name: string;
  readonly value: string | readonly string[] | undefined;
  readonly invalid: boolean;
  readonly describedBy: string;
  readonly onCount?: (signs: number) => void;
};

// Written out: styles are made for the classes that stand in our files.
const SMALL = {
  input: "input-sm",
  select: "select-sm",
  textarea: "textarea-sm",
  "file-input": "file-input-sm",
} as const;

function Control({
  options,
  rows,
  multiple,
  mono,
  invalid,
  describedBy,
  value,
  small,
  sendsItself,
  most: _,
  ...rest
}: ControlProps) {
  const { onCount, className = "", type = "text", ...input } = rest;
  const text = typeof value === "string" ? value : undefined;
  const shared = {
    ...input,
    "aria-invalid": invalid ? true : undefined,
    "aria-describedby": describedBy || undefined,
    ...(onCount && {
      onInput: ({ currentTarget }: { currentTarget: { value: string } }) =>
        onCount(currentTarget.value.length),
    }),
  };
  const look = (of: keyof typeof SMALL) =>
    `${of} ${small ? SMALL[of] : ""} validator w-full ${mono ? "ver" : ""} ${className}`;
  if (type === "checkbox") {
    const { id, name } = input;
    return (
      <input
        id={id}
        name={name}
        aria-invalid={shared["aria-invalid"]}
        aria-describedby={shared["aria-describedby"]}
        type="checkbox"
        value="on"
        defaultChecked={text === "on"}
        className={`checkbox checkbox-sm checkbox-primary ${className}`}
      />
    );
  }
  if (options && !multiple && options.length > LONG)
    return (
      <LongChoice
        {...(shared as ComponentProps<"select">)}
        options={options}
        small={small === true}
        defaultValue={text}
        onChange={sendsItself ? ({ target }) => target.form?.requestSubmit() : undefined}
        className={look("select")}
      />
    );
  if (options) {
    return (
      <select
        {...(shared as ComponentProps<"select">)}
        multiple={multiple}
        size={multiple ? 7 : undefined}
        defaultValue={multiple ? [value ?? []].flat() : text}
        onChange={sendsItself ? ({ target }) => target.form?.requestSubmit() : undefined}
        className={multiple ? `${look("textarea")} h-auto text-sm` : look("select")}
      >
        <Choices options={options} />
      </select>
    );
  }
  if (rows) {
    return (
      <textarea
        {...(shared as ComponentProps<"textarea">)}
        rows={rows}
        defaultValue={text}
        className={look("textarea")}
      />
    );
  }
  return (
    <input
      {...shared}
      type={type}
      defaultValue={text}
      className={look(type === "file" ? "file-input" : "input")}
    />
  );
}
