// A field that picks one of the club's own, and can make another in passing: its name is enough.
import type { FieldMetadata } from "@conform-to/react";
import type { ShouldRevalidateFunctionArgs } from "react-router";
import type { Permission } from "#core/club/index.ts";
import { useMay } from "../../ui/club.ts";
import type { Options } from "../baseline.tsx";
import { Field, Labelled } from "../field.tsx";
import { useSent } from "../form.tsx";

export type Makes = "model" | "place" | "group" | "connector" | "person";

/** What one must be allowed to make one. */
const NEEDS: Readonly<Record<Makes, Permission>> = {
  model: "edit-model",
  place: "edit-club",
  group: "edit-club",
  person: "edit-club",
  connector: "edit-kit",
};
/** As long as the longest of them may be. */
const MOST = 80;

/** The field beside one that picks, in which the name of a new one is typed. */
export const newNameOf = (field: string): string => `${field}New`;

type Fields = Readonly<Record<string, FieldMetadata<unknown> | undefined>>;
type Look = Omit<Parameters<typeof Field>[0], "of">;

/** There is none to pick. Without choices the names of several are typed. */
const isNone = (options: Options | undefined): boolean =>
  options?.every((option) => (typeof option === "string" ? option : option[0]) === "") ?? false;

/** What was just made comes among the choices a moment after the answer: only then can it be shown as chosen. */
const offers = (options: Options = [], value: unknown): string =>
  options.some((option) => (typeof option === "string" ? option : option[0]) === value)
    ? "offered"
    : "not offered";

/** A field of a `PostForm` by its name. Where there is none to pick yet, the name of the first is asked for instead. */
export function PickField({
  name,
  of,
  makes,
  ...look
}: Look & { readonly name: string; readonly of: Fields; readonly makes: Makes }) {
  const own = of[newNameOf(name)];
  const mayMake = useMay(NEEDS[makes]);
  const sent = useSent(name);
  const typed = useSent(newNameOf(name)) ?? "";
  if (!mayMake) return <Field {...look} of={of[name]} />;
  const { label, box = "", small = false } = look;
  if (isNone(look.options))
    return (
      <First
        name={name}
        makes={makes}
        label={label}
        box={box}
        small={small}
        typed={typed}
        errors={own?.errors ?? of[name]?.errors}
      />
    );
  return (
    <div className={box}>
      {sent === undefined ? (
        <Field {...look} box="" of={of[name]} />
      ) : (
        <Labelled
          {...look}
          key={look.options ? offers(look.options, sent) : sent}
          box=""
          name={name}
          value={sent}
          errors={of[name]?.errors}
        />
      )}
      <Another name={name} makes={makes} small={small} typed={typed} errors={own?.errors} />
    </div>
  );
}

/** The same outside of conform. */
export function Pick({ makes, ...look }: Parameters<typeof Labelled>[0] & { readonly makes: Makes }) {
  const mayMake = useMay(NEEDS[makes]);
  const { name, label, box = "", small = false } = look;
  if (!mayMake) return <Labelled {...look} />;
  if (isNone(look.options))
    return (
      <First name={name} makes={makes} label={label} box={box} small={small} typed="" errors={look.errors} />
    );
  return (
    <div className={box}>
      <Labelled {...look} key={offers(look.options, look.value)} box="" />
      <Another name={name} makes={makes} small={small} typed="" errors={undefined} />
    </div>
  );
}

type Asked = {
  readonly name: string;
  readonly makes: Makes;
  readonly typed: string;
  readonly errors: readonly string[] | undefined;
  readonly small: boolean;
};

const First = (props: Asked & { readonly label: Look["label"]; readonly box: string }) => (
  <Labelled
    name={newNameOf(props.name)}
    label={props.label}
    hint={`there is no ${props.makes} yet: the name of the first`}
    most={MOST}
    value={props.typed}
    errors={props.errors}
    small={props.small}
    box={props.box}
  />
);

const Another = ({ name, makes, typed, errors, small }: Asked) => (
  <details className="mt-0.5" open={typed !== "" || errors !== undefined}>
    <summary className="link w-fit cursor-pointer text-sm">another {makes}</summary>
    <Labelled
      name={newNameOf(name)}
      label={`Name of the new ${makes}`}
      most={MOST}
      value={typed}
      errors={errors}
      small={small}
      quiet
      placeholder="its name"
    />
  </details>
);

/** For pages with such fields: what was made stands in their choices, though the rest was refused. Where nothing answered, nothing is asked again. */
export const afterMaking = ({
  actionStatus,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean =>
  actionStatus === 400 || actionStatus === 409 || defaultShouldRevalidate;
