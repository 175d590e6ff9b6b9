// The table as it would be brought in: what was found, which column means what, every row with its problem beside it.

import { Link, useNavigation } from "react-router";
import { COLUMN_MEANINGS, DELIMITERS, type Meaning, readingOf } from "#core/import/index.ts";
import { DATE_ORDERS, listed } from "#core/quantities/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { useClub } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";
import { clip } from "../ui/words/unit/standing.ts";
import { Rows } from "./preview-rows.tsx";
import type { Preview } from "./sheet-preview.ts";
import { DELIMITER_WORD, ENCODING_WORD, ORDER_WORD, sayMeaning } from "./words.ts";

export function PreviewForm({ preview }: { readonly preview: Preview }) {
  const { counts } = preview;
  const busy = useNavigation().state !== "idle";
  const toDo = counts.add + counts.change;
  return (
    <ActForm encType="multipart/form-data" className="flex flex-col gap-5">
      <input type="hidden" name="text" value={preview.text} />
      <input type="hidden" name="name" value={preview.file} />
      <input type="hidden" name="encoding" value={preview.encoding} />
      <input type="hidden" name="columns" value={preview.head.length} />
      {preview.trouble && (
        <p role="alert" className="sheet hatch border-rust p-3 font-semibold text-rust">
          {preview.trouble}
        </p>
      )}
      <Found preview={preview} />
      <Asked preview={preview} />
      <Columns preview={preview} />
      <Unused preview={preview} />
      {preview.newModels.length > 0 && <NewModels models={preview.newModels} />}
      <section
        className="sheet sticky top-0 z-20 flex flex-wrap items-center gap-x-5 gap-y-2 p-3"
        role="status"
      >
        <p>
          <strong>{counts.add.toLocaleString("en-GB")} new</strong>, {counts.change} changed, {counts.same}{" "}
          the same, {counted(counts.readings, "reading")}
          {counts.problem > 0 && (
            <strong className="text-rust">, {counted(counts.problem, "row")} with a problem</strong>
          )}
        </p>
        {counts.problem > 0 && <Labelled name="leaveOut" type="checkbox" small label="leave those out" />}
        <button
          type="submit"
          name="intent"
          value="again"
          className="btn btn-outline btn-primary btn-sm ml-auto"
          aria-disabled={busy}
        >
          Look again
        </button>
        <button
          type="submit"
          name="intent"
          value="save"
          className="btn btn-primary btn-sm"
          aria-disabled={busy || toDo === 0}
          onClick={(e) => (busy || toDo === 0) && e.preventDefault()}
        >
          {toDo === 0 ? "Nothing would change" : `Bring in ${counted(toDo, "radio")}`}
        </button>
        <Link to="/import" reloadDocument className="link text-sm">
          Another sheet
        </Link>
      </section>
      <Rows preview={preview} />
    </ActForm>
  );
}

function Found({ preview }: { readonly preview: Preview }) {
  return (
    <section className="flex flex-wrap items-end gap-4 text-sm">
      <p className="pb-2">
        Found: {ENCODING_WORD[preview.encoding]}, parted by {DELIMITER_WORD[preview.delimiter]}.
      </p>
      <Choice
        name="delimiter"
        label="Parted by"
        value={preview.delimiter}
        options={DELIMITERS.map((d) => [d, DELIMITER_WORD[d]])}
      />
      <Choice
        name="decimal"
        label="Decimal sign"
        value={preview.decimal}
        options={[
          [".", "point: 1.14"],
          [",", "comma: 1,14"],
        ]}
      />
      <Choice
        name="dates"
        label="Dates are"
        value={preview.dates}
        options={DATE_ORDERS.map((o) => [o, ORDER_WORD[o]])}
      />
      {preview.datesAsk && (
        <p className="doubt-thin p-1.5 pb-2">The dates can be read in more than one order: please check.</p>
      )}
    </section>
  );
}

/** What only a person can say: the day of readings without one, which model a name is meant for, which words mean nothing. */
function Asked({ preview }: { readonly preview: Preview }) {
  const { today } = useClub();
  return (
    <section className="flex flex-wrap items-start gap-4 text-sm">
      {(preview.withoutDay > 0 || preview.undated !== "") && (
        <Labelled
          name="undated"
          label={`From which day are the readings without one (${preview.withoutDay.toLocaleString("en-GB")})?`}
          hint="Left empty, nobody knows: they count, but as old."
          type="date"
          small
          max={today}
          value={preview.undated}
          className="max-w-40"
          box="doubt-thin max-w-sm p-2!"
        />
      )}
      {preview.near.map((name, i) => (
        <div key={name.key} className={name.said === "" ? "doubt-thin p-2" : "p-2"}>
          <input type="hidden" name={`near-name-${i}`} value={name.key} />
          <Choice
            name={`near-${i}`}
            label={`“${clip(name.name)}” is nearly a model of ours`}
            value={name.said}
            options={name.options}
          />
        </div>
      ))}
      {preview.strangers.length > 0 && (
        <Labelled
          name="makePeople"
          type="checkbox"
          small
          value={preview.makes ? "on" : undefined}
          label={`Add ${listed(preview.strangers)} to the club`}
          hint="as members; nobody can sign in before you give them a link"
          box={preview.makes ? "max-w-sm p-2!" : "doubt-thin max-w-sm p-2!"}
        />
      )}
      <Labelled
        name="nothing"
        label="Words that mean nothing"
        small
        mono
        most={1000}
        value={preview.nothing}
        box="max-w-sm grow p-2!"
      />
    </section>
  );
}

/** Nothing is dropped without a word: what of the sheet is not used, and how to keep it. */
function Unused({ preview }: { readonly preview: Preview }) {
  const { columns, beyond } = preview.unused;
  const parts = [
    ...columns.map(
      ({ column, cells }) =>
        `“${clip(preview.head[column] || `column ${column + 1}`)}” (${counted(cells, "cell")})`,
    ),
    ...(beyond > 0 ? [`${counted(beyond, "cell")} beyond the last column`] : []),
    ...preview.above.map((line) => `“${clip(line, 60)}” above the columns`),
  ];
  if (parts.length === 0) return null;
  return (
    <p className="text-sm">
      <strong>Not used:</strong> {listed(parts, 12)}. A column can be kept in the note.
    </p>
  );
}

/** What a column may mean: versions also of each component that is known, or of one that is called as the column is. */
function meaningsFor(preview: Preview, name: string, now: Meaning): Meaning[] {
  const own = name.trim() === "" ? [] : [name];
  const versions = [...preview.components, ...own].map(readingOf);
  return [...new Set<Meaning>([...COLUMN_MEANINGS, ...versions, now])];
}

function Columns({ preview }: { readonly preview: Preview }) {
  return (
    <section>
      <h2 className="mb-1.5">What each column means</h2>
      <ul className="flex max-h-64 flex-wrap gap-2 overflow-y-auto text-sm">
        {preview.head.map((name, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other identity than their place
          <li key={i} className="sheet w-[calc(50%-0.25rem)] p-2 sm:w-44">
            <Choice
              name={`column-${i}`}
              label={name || `column ${i + 1}`}
              value={preview.meanings[i] ?? "ignore"}
              options={meaningsFor(preview, name, preview.meanings[i] ?? "ignore").map((m) => [
                m,
                sayMeaning(m),
              ])}
            />
            <p className="ver mt-1 truncate text-xs text-quiet">{preview.sample[i] || "empty"}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

function NewModels({ models }: { readonly models: Preview["newModels"] }) {
  return (
    <section className="text-sm">
      <h2 className="mb-1.5">Models that would be made</h2>
      <ul className="flex flex-wrap gap-3">
        {models.map((model, i) => (
          <li key={model.maker + model.name} className="sheet flex items-center gap-2 p-2">
            <strong>{`${model.maker} ${model.name}`.trim()}</strong>
            {model.revisions.length > 0 && (
              <span className="text-quiet">hardware {listed(model.revisions, 6)}</span>
            )}
            {model.components.length > 1 && (
              <span className="text-quiet">parts {listed(model.components, 6)}</span>
            )}
            <Choice
              name={`kind-${i}`}
              label=""
              value="handheld"
              options={[
                ["handheld", "handheld"],
                ["mobile", "mobile"],
                ["base", "base set"],
                ["module", "module"],
              ]}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Choice(props: {
  readonly name: string;
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
}) {
  return (
    <Labelled
      name={props.name}
      label={props.label || "Kind of radio"}
      quiet={props.label === ""}
      small
      value={props.value}
      options={props.options}
    />
  );
}
