// A release that was found in release notes: its fields, and the lines that it was found in.
import {
  cell,
  ERASES,
  FIX_SAYS,
  type FieldErrors,
  rowsSaid,
  stretchesSaid,
  type TextRange,
  TRACKS,
} from "#core/release/index.ts";
import { Labelled } from "../../forms/field.tsx";
import { useClub } from "../../ui/club.ts";
import { ERASES_WORD } from "../../ui/words/route.ts";
import { sayDate } from "../../ui/words/time.ts";
import { fieldName, type Shown } from "./notes-form.ts";
import { Cell, FixRow, RangePick, Wrong } from "./release-rows.tsx";

export type NotesAnswer = {
  readonly text: string;
  readonly source: string;
  readonly component: string;
  readonly trouble: string | undefined;
  readonly shown: readonly Shown[] | undefined;
  readonly places: readonly (readonly TextRange[])[];
  readonly known: readonly boolean[];
  readonly wrong: readonly (readonly [number, FieldErrors])[];
  readonly days?: readonly (Parameters<typeof sayDate>[0] | undefined)[];
};

/** Rows for fixes that were not found stand behind the others. */
const SPARE_FIXES = 1;
/** The fields that stand on the page; what is wrong with any other is said below them. */
const SHOWN = /^(version|releasedOn|track|from|from-.*|fixes|fix-.*|rollbackFloor|erases|minutes|notes)$/;

export function FoundRelease({
  i,
  one,
  sent,
}: {
  readonly i: number;
  readonly one: Shown;
  readonly sent: NotesAnswer;
}) {
  const { locale, today } = useClub();
  const name = (field: string) => fieldName(i, field);
  const errors = sent.wrong.find(([at]) => at === i)?.[1] ?? {};
  const held = { values: one.values, errors, name };
  const other = sent.days?.[i];
  const places = sent.places[i] ?? [];
  const lines = sent.text.split(/\r\n|\r|\n/);
  const { version = "" } = one.values;
  const fixes = rowsSaid(one.values, "fix", FIX_SAYS) + SPARE_FIXES;
  const elsewhere = Object.entries(errors).filter(([field]) => !SHOWN.test(field));
  return (
    <fieldset className="sheet p-4">
      <legend className="sr-only">Release {version}</legend>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <Labelled
          name={name("pick")}
          label={`Take ${version}`}
          type="checkbox"
          value={one.picked ? "on" : ""}
        />
        {sent.known[i] && <span className="border border-brass px-1 text-xs">in the list already</span>}
        {one.withdrawn && (
          <span className="text-sm font-semibold text-rust">the notes say that it was withdrawn</span>
        )}
        <span className="ml-auto text-sm text-quiet">
          {places
            .map(({ from, to }) => (from === to ? `line ${from}` : `lines ${from} to ${to}`))
            .join(" and ")}
          {places.length > 1 && ": told more than once"}
        </span>
      </div>
      <input type="hidden" name={name("withdrawn")} value={one.withdrawn ? "on" : ""} />
      <div className="mt-2 grid gap-3 sm:grid-cols-3">
        <Cell held={held} field="version" label="Version" mono />
        <Cell
          held={held}
          field="releasedOn"
          label="Released on"
          type="date"
          {...(other && { hint: `or ${sayDate(other, locale, today)}: day and month look alike` })}
          {...(one.values.releasedOn === "" && !errors.releasedOn && { hint: "no day stands in the notes" })}
        />
        <Cell held={held} field="track" label="Track" options={TRACKS.map((t) => [t, t] as const)} />
      </div>
      <fieldset className="mt-3 flex flex-col gap-1">
        <legend className="text-sm font-semibold">What it mends</legend>
        {Array.from({ length: fixes }, (_, at) => at).map((at) => (
          <div key={at}>
            <input type="hidden" name={name(cell("fix", at, "line"))} value={one.lines[at] ?? ""} />
            <FixRow held={held} at={at} line={one.lines[at]} />
          </div>
        ))}
        <Wrong held={held} field="fixes" />
      </fieldset>
      <fieldset className="mt-3">
        <legend className="text-sm font-semibold">Only over these versions</legend>
        <RangePick
          held={held}
          name="from"
          what="Only over"
          said={stretchesSaid(one.values, "from")}
          list={undefined}
          one
        />
        <Wrong held={held} field="from" />
      </fieldset>
      <div className="mt-3 grid gap-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_5rem]">
        <Cell held={held} field="rollbackFloor" label="Nothing older after" mono />
        <Cell
          held={held}
          field="erases"
          label="It"
          options={ERASES.map((e) => [e, ERASES_WORD[e]] as const)}
        />
        <Cell held={held} field="minutes" label="Minutes" />
      </div>
      <Cell held={held} field="notes" label="Warnings and the rest" rows={2} box="mt-3" />
      {elsewhere.map(([field, says]) => (
        <p key={field} role="alert" className="mt-1 text-sm font-semibold text-rust">
          {says}
        </p>
      ))}
      <details className="mt-2 text-sm">
        <summary className="link w-fit cursor-pointer">The place in the text</summary>
        <div className="mt-1 border-l-2 border-brass pl-3">
          <ol className="ver text-xs [overflow-wrap:anywhere]">
            {places.flatMap(({ from, to }) =>
              lines.slice(from - 1, Math.min(to, from + 40)).map((line, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: lines are known by their number
                <li key={`${from + at}`}>
                  <span className="mr-3 inline-block w-8 text-right text-quiet">{from + at}</span>
                  {line.slice(0, 300)}
                </li>
              )),
            )}
          </ol>
        </div>
      </details>
    </fieldset>
  );
}
