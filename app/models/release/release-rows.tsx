// Rows of a release's form: stretches of versions, fixes, requirements, names. What is typed is helped along by lists of what is known.
import type { ReactNode } from "react";
import {
  cell,
  type FieldErrors,
  FOLDED_ROWS,
  type FormValues,
  requirement,
  textOf,
  URGENCIES,
} from "#core/release/index.ts";
import { Labelled } from "../../forms/field.tsx";

/** What the fields of a form hold, and what is wrong with them. */
export type Held = {
  readonly values: FormValues;
  readonly errors: FieldErrors;
  /** The name of the field in a page with several such forms. */
  readonly name?: (field: string) => string;
};

const wrongWith = ({ errors }: Held, field: string) => {
  const says = errors[field];
  return says === undefined ? undefined : [says];
};

/** A field among others, by its name. */
export function Cell({
  held,
  field,
  ...look
}: Omit<Parameters<typeof Labelled>[0], "name" | "value" | "errors"> & {
  readonly held: Held;
  readonly field: string;
}) {
  const value = held.values[field];
  return (
    <Labelled
      {...look}
      small
      name={held.name?.(field) ?? field}
      value={typeof value === "string" ? value : look.start}
      errors={wrongWith(held, field)}
    />
  );
}

/** What is wrong with rows as a whole. */
export const Wrong = ({ held, field }: { readonly held: Held; readonly field: string }) =>
  held.errors[field] === undefined ? null : (
    <p role="alert" className="mt-1 text-sm font-semibold text-rust">
      {held.errors[field]}
    </p>
  );

const LOW = [
  ["atLeast", "from"],
  ["above", "newer than"],
] as const;
const HIGH = [
  ["atMost", "up to"],
  ["below", "older than"],
] as const;

/** One stretch of versions: from which, up to which; either may be open. `what` says of what, for screen readers. */
function Stretch(props: {
  readonly held: Held;
  readonly name: string;
  readonly at: number;
  readonly what: string;
  readonly list: string | undefined;
}) {
  const { held, name, at, what, list } = props;
  const nth = at === 0 ? "" : `, ${at + 1}`;
  const end = (part: "low" | "high", options: typeof LOW | typeof HIGH, says: string) => (
    <div className="grid grid-cols-[7rem_minmax(0,1fr)] items-start gap-1">
      <Cell
        held={held}
        field={cell(name, at, `${part}Sign`)}
        label={`${what}: how the ${says} is meant${nth}`}
        quiet
        options={options}
      />
      <Cell
        held={held}
        field={cell(name, at, part)}
        label={`${what}: ${says}${nth}`}
        quiet
        mono
        placeholder="any"
        {...(list && { list })}
      />
    </div>
  );
  return (
    <div className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
      {end("low", LOW, "oldest version")}
      {end("high", HIGH, "newest version")}
    </div>
  );
}

/** A range: its stretches, and room for one more. */
export function RangePick(props: {
  readonly held: Held;
  readonly name: string;
  readonly what: string;
  /** So many stretches are said. */
  readonly said: number;
  readonly list: string | undefined;
  /** Where there is no room for more than one. */
  readonly one?: boolean;
}) {
  const { held, name, what, list } = props;
  const shown = Math.max(1, props.said);
  const stretch = (at: number) => (
    <Stretch key={at} held={held} name={name} at={at} what={what} list={list} />
  );
  return (
    <div className="flex flex-col gap-1">
      {Array.from({ length: shown }, (_, at) => stretch(at))}
      {!props.one && (
        <details>
          <summary className="link w-fit cursor-pointer text-sm">or other versions</summary>
          {stretch(shown)}
        </details>
      )}
    </div>
  );
}

/** Rows that say something, some that are empty, and others in a fold; a row that is emptied is gone when it is saved. */
export function Rows(props: {
  readonly said: number;
  readonly more: string;
  readonly row: (at: number) => ReactNode;
  readonly spare: number;
  /** How the rows in the fold stand. */
  readonly fold?: string;
}) {
  const shown = props.said + props.spare;
  return (
    <>
      {Array.from({ length: shown }, (_, at) => props.row(at))}
      <details className="col-span-full">
        <summary className="link w-fit cursor-pointer text-sm">{props.more}</summary>
        <div className={`mt-1 ${props.fold ?? "flex flex-col gap-2"}`}>
          {Array.from({ length: FOLDED_ROWS }, (_, at) => props.row(shown + at))}
        </div>
      </details>
    </>
  );
}

/** One fix: the word to watch for, how urgent it is, what it is. `line`: where the notes tell it. */
export function FixRow(props: {
  readonly held: Held;
  readonly at: number;
  readonly line?: number | undefined;
}) {
  const { held, at, line } = props;
  return (
    <div className="grid gap-2 sm:grid-cols-[8rem_7rem_minmax(0,1fr)]">
      <Cell
        held={held}
        field={cell("fix", at, "tag")}
        label={`Word to watch for, fix ${at + 1}`}
        quiet
        placeholder="word"
      />
      <Cell
        held={held}
        field={cell("fix", at, "urgency")}
        label={`Urgency of fix ${at + 1}`}
        quiet
        start="fix"
        options={URGENCIES.map((u) => [u, u] as const)}
      />
      <Cell
        held={held}
        field={cell("fix", at, "words")}
        label={line ? `What fix ${at + 1} is, line ${line}` : `What fix ${at + 1} is`}
        quiet
        placeholder={line ? "" : "what it mends"}
      />
    </div>
  );
}

/** What another part must run. */
export function RequirementRow(props: {
  readonly held: Held;
  readonly at: number;
  readonly parts: readonly string[];
  readonly said: number;
  readonly list: string | undefined;
}) {
  const { held, at } = props;
  const field = `${requirement(at)}-part`;
  // A part that the model does not have may stand there, from a dossier: it is not lost by opening the form.
  const own = textOf(held.values, field);
  const parts = own === "" || props.parts.includes(own) ? props.parts : [...props.parts, own];
  return (
    <div className="grid gap-2 sm:grid-cols-[10rem_minmax(0,1fr)]">
      <Cell
        held={held}
        field={field}
        label={`Part that must run something, ${at + 1}`}
        quiet
        options={[["", "no other part"] as const, ...parts.map((part) => [part, part] as const)]}
      />
      <RangePick
        held={held}
        name={requirement(at)}
        what={`Part ${at + 1}`}
        said={props.said}
        list={props.list}
      />
    </div>
  );
}

/** Marks of which several can be set. */
export function Marks(props: {
  readonly held: Held;
  readonly title: string;
  readonly hint: string;
  readonly marks: readonly (readonly [field: string, words: string])[];
  readonly wrong?: string;
}) {
  return (
    <fieldset>
      <legend className="text-sm font-semibold">
        {props.title} <span className="font-normal text-quiet">{props.hint}</span>
      </legend>
      <div className="flex flex-wrap gap-x-5">
        {props.marks.map(([field, words]) => (
          <Cell key={field} held={props.held} field={field} label={words} type="checkbox" />
        ))}
      </div>
      {props.wrong && <Wrong held={props.held} field={props.wrong} />}
    </fieldset>
  );
}

/** What fields offer while one types. */
export const Offers = ({
  id,
  names,
}: {
  readonly id: string;
  readonly names: readonly (string | readonly [string, string])[];
}) => (
  <datalist id={id}>
    {names.map((one) => {
      const [name, says] = typeof one === "string" ? [one, undefined] : one;
      return <option key={`${name} ${says ?? ""}`} value={name} label={says} />;
    })}
  </datalist>
);
