// What the form of a release folds away: fields under what they are about, and names with a field each.
import type { ReactNode } from "react";
import { cell, rowsSaid, SPARE_ROWS } from "#core/release/index.ts";
import { Cell, type Held, Rows } from "./release-rows.tsx";

/** Names, each with a field of its own. */
export function Names(props: {
  readonly held: Held;
  readonly rows: string;
  readonly title: string;
  readonly hint: string;
  readonly list?: string;
  readonly mono?: boolean;
}) {
  const { held, rows, title, list, mono = false } = props;
  return (
    <fieldset>
      <legend className="text-sm font-semibold">
        {title} <span className="font-normal text-quiet">{props.hint}</span>
      </legend>
      <div className="grid gap-2 sm:grid-cols-3">
        <Rows
          said={rowsSaid(held.values, rows, ["name"])}
          spare={SPARE_ROWS.name}
          fold="grid gap-2 sm:grid-cols-3"
          more={`more: ${title.toLowerCase()}`}
          row={(at) => (
            <Cell
              key={at}
              held={held}
              field={cell(rows, at, "name")}
              label={`${title}, ${at + 1}`}
              quiet
              mono={mono}
              {...(list && { list })}
            />
          )}
        />
      </div>
    </fieldset>
  );
}

/** Fields under what they are about: open where all are wanted, one of them says something, or is wrong. `usual`: what says nothing. */
export function Fold(props: {
  readonly title: string;
  readonly held: Held;
  readonly names: readonly string[];
  /** Rows of fields that belong here too, by what their names begin with. */
  readonly rows?: string;
  readonly usual?: Readonly<Record<string, string>>;
  readonly all: boolean;
  readonly children: ReactNode;
}) {
  const { title, held, names, rows, usual = {}, all, children } = props;
  const isHere = (name: string) =>
    names.includes(name) || (rows !== undefined && name.startsWith(`${rows}-`));
  // How a fix's urgency or an end of a stretch is meant says nothing by itself.
  const says = ([name, value]: [string, unknown]) =>
    isHere(name) && !/-(urgency|lowSign|highSign)$/.test(name) && (value ?? "") !== (usual[name] ?? "");
  const isOpen = all || Object.keys(held.errors).some(isHere) || Object.entries(held.values).some(says);
  return (
    <details open={isOpen} className="max-w-3xl">
      <summary className="link w-fit cursor-pointer">{title}</summary>
      <div className="mt-2 mb-2 flex flex-col gap-3 border-l-2 border-line pl-4">{children}</div>
    </details>
  );
}
