// A release that was found in release notes: its fields, and the lines that it was found in.
import { ERASES } from "#core/release/conditions.ts";
import type { Place } from "#core/release/notes.ts";
import { TRACKS, URGENCIES } from "#core/release/words.ts";
import { Labelled } from "../forms/field.tsx";
import { useClub } from "../ui/club.ts";
import { ERASES_WORD } from "../ui/words/route.ts";
import { sayDate } from "../ui/words/time.ts";
import { fieldName, type Shown, SPARE_FIXES, type Wrong } from "./notes-form.ts";

export type NotesAnswer = {
  readonly text: string;
  readonly source: string;
  readonly component: string;
  readonly trouble: string | undefined;
  readonly shown: readonly Shown[] | undefined;
  readonly places: readonly (readonly Place[])[];
  readonly known: readonly boolean[];
  readonly wrong: readonly (readonly [number, Wrong])[];
  readonly days?: readonly (Parameters<typeof sayDate>[0] | undefined)[];
};

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
  const wrong = sent.wrong.find(([at]) => at === i)?.[1];
  const errors = (field: string) => (wrong?.field === field ? [wrong.says] : undefined);
  const isAnywhere =
    wrong && !["version", "releasedOn", "from", "rollbackFloor", "minutes", "fixes"].includes(wrong.field);
  const other = sent.days?.[i];
  const places = sent.places[i] ?? [];
  const lines = sent.text.split(/\r\n|\r|\n/);
  const fixes = [
    ...one.fixes,
    ...Array.from({ length: SPARE_FIXES }, () => ({ tag: "", urgency: "fix", text: "", line: undefined })),
  ];
  return (
    <fieldset className="sheet p-4">
      <legend className="sr-only">Release {one.version}</legend>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <Labelled
          name={name("pick")}
          label={`Take ${one.version}`}
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
      <div className="mt-2 grid gap-3 sm:grid-cols-3">
        <Labelled
          name={name("version")}
          label="Version"
          mono
          small
          value={one.version}
          errors={errors("version")}
        />
        <Labelled
          name={name("on")}
          label="Released on"
          type="date"
          small
          value={one.on}
          errors={errors("releasedOn")}
          {...(other && { hint: `or ${sayDate(other, locale, today)}: day and month look alike` })}
          {...(one.on === "" && !errors("releasedOn") && { hint: "no day stands in the notes" })}
        />
        <Labelled
          name={name("track")}
          label="Track"
          small
          value={one.track}
          options={TRACKS.map((t) => [t, t] as const)}
        />
      </div>
      <fieldset className="mt-3">
        <legend className="text-sm font-semibold">What it mends</legend>
        {fixes.map((fix, f) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: they are known by their place
          <div key={f} className="mt-1 grid gap-2 sm:grid-cols-[8rem_7rem_minmax(0,1fr)]">
            <input type="hidden" name={name(`fix${f}-line`)} value={fix.line ?? ""} />
            <Labelled
              name={name(`fix${f}-tag`)}
              label={`Word to watch for, fix ${f + 1}`}
              quiet
              small
              value={fix.tag}
              placeholder="word"
            />
            <Labelled
              name={name(`fix${f}-urgency`)}
              label={`Urgency of fix ${f + 1}`}
              quiet
              small
              value={fix.urgency}
              options={URGENCIES.map((u) => [u, u] as const)}
            />
            <Labelled
              name={name(`fix${f}-text`)}
              label={fix.line ? `What fix ${f + 1} is, line ${fix.line}` : `What fix ${f + 1} is`}
              quiet
              small
              value={fix.text}
              placeholder={fix.line ? "" : "another one"}
            />
          </div>
        ))}
        {errors("fixes") && (
          <p role="alert" className="validator-hint">
            {wrong?.says}
          </p>
        )}
      </fieldset>
      <div className="mt-3 grid gap-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_5rem]">
        <Labelled
          name={name("from")}
          label="Only over"
          small
          mono
          value={one.from}
          placeholder="any"
          errors={errors("from")}
        />
        <Labelled
          name={name("floor")}
          label="Nothing older after"
          small
          mono
          value={one.floor}
          errors={errors("rollbackFloor")}
        />
        <Labelled
          name={name("erases")}
          label="It"
          small
          value={one.erases}
          options={ERASES.map((e) => [e, ERASES_WORD[e]] as const)}
        />
        <Labelled
          name={name("minutes")}
          label="Minutes"
          small
          value={one.minutes}
          errors={errors("minutes")}
        />
      </div>
      <Labelled
        name={name("notes")}
        label="Warnings and the rest"
        small
        rows={2}
        value={one.notes}
        box="mt-3"
      />
      {isAnywhere && (
        <p role="alert" className="validator-hint">
          {wrong.says}
        </p>
      )}
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
