// The filters of Due: a plain form whose fields become the address.

import { Form, Link } from "react-router";
import type { BoardName } from "#db/unit/index.ts";
import { Labelled } from "../forms/field.tsx";

type Choices = Readonly<Record<BoardName["kind"], readonly (readonly [string, string])[]>>;

/** What may be chosen for each filter: ids and names, without what is shelved. */
export function choicesOf(known: readonly BoardName[]): Choices {
  const of = (kind: BoardName["kind"]) =>
    known.filter((c) => c.kind === kind && !c.shelved).map((c) => [c.id, c.name] as const);
  return { model: of("model"), place: of("place"), group: of("group"), person: of("person") };
}

export function Filters(props: {
  readonly asked: Readonly<Record<string, string>>;
  readonly choices: Choices;
  readonly groups: readonly { readonly key: string; readonly title: string }[];
}) {
  const { asked, choices } = props;
  return (
    // On a phone one row that moves sideways: wrapped, it would take a third of the first screen.
    <Form
      className="mb-4 flex items-end gap-2.5 text-sm max-md:-mx-4 max-md:overflow-x-auto max-md:px-4 max-md:pb-1.5 md:flex-wrap"
      key={JSON.stringify(asked)}
    >
      <Choose
        name="do"
        label="What to do"
        all="everything"
        value={asked.do}
        options={props.groups.map((g) => [g.key, g.title])}
      />
      <Choose name="model" label="Model" all="any" value={asked.model} options={choices.model} />
      <Choose name="place" label="Place" all="anywhere" value={asked.place} options={choices.place} />
      <Choose name="group" label="Group" all="any" value={asked.group} options={choices.group} />
      <Choose
        name="urgency"
        label="Urgency"
        all="any"
        value={asked.urgency}
        options={[
          ["safety", "safety"],
          ["fix", "a fix"],
          ["routine", "routine"],
        ]}
      />
      <Choose name="person" label="With" all="anybody" value={asked.person} options={choices.person} />
      <Choose
        name="sort"
        label="Sort by"
        all="urgency first"
        value={asked.sort}
        options={[
          ["since", "age"],
          ["tag", "tag"],
          ["model", "model"],
          ["place", "place"],
        ]}
      />
      <button type="submit" className="btn btn-primary btn-sm shrink-0">
        Show
      </button>
      {Object.keys(asked).length > 0 && (
        <Link to="/due" className="link max-md:order-first max-md:mb-1">
          everything
        </Link>
      )}
    </Form>
  );
}

function Choose(props: {
  readonly name: string;
  readonly label: string;
  readonly all: string;
  readonly value: string | undefined;
  readonly options: readonly (readonly [string, string])[];
}) {
  return (
    <Labelled
      name={props.name}
      label={props.label}
      small
      value={props.value ?? ""}
      options={[["", props.all], ...props.options]}
      sendsItself
      box="w-34 shrink-0 md:w-32"
    />
  );
}
