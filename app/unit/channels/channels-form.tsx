// Channels come in: from a file or pasted, with what each column is taken for before they are kept.

import { CHANNEL_MEANINGS, type ChannelMeaning } from "#core/codeplug/index.ts";
import { FREQUENCY_UNITS } from "#core/import/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { Rows } from "../../shared/channel-rows.tsx";
import { counted } from "../../ui/words/count.ts";
import type { Looked } from "./channels.server.ts";

const MEANING_WORD: Record<ChannelMeaning, string> = {
  ignore: "leave it out",
  name: "its name",
  receive: "receives on",
  transmit: "transmits on",
  offset: "offset",
  direction: "direction of the offset",
  bandwidth: "width",
  position: "position",
  kind: "digital or analogue",
  tone: "tone, sent and heard",
  sends: "tone sent",
  hears: "tone heard",
  power: "power",
  scan: "scanned",
  colour: "colour code",
  slot: "slot",
  talkgroup: "talkgroup",
  identity: "digital ID",
};

const BECAUSE = {
  head: "by its heading",
  values: "by what stands in it",
  told: "as you said",
  nothing: "nothing tells",
} as const;

/** What a table is taken for, before it is kept; each column can be corrected. */
export function Look({ looked }: { readonly looked: Looked }) {
  return (
    <section className="doubt p-4">
      <h2>
        {counted(looked.count, "channel")} in {looked.name || "what was pasted"}
      </h2>
      <ActForm className="mt-2 flex flex-col gap-3">
        <textarea name="text" defaultValue={looked.text} hidden readOnly aria-label="The table" />
        <input type="hidden" name="name" value={looked.name} />
        <div className="flex flex-wrap gap-3">
          {looked.columns.map((column, i) => (
            <Labelled
              // biome-ignore lint/suspicious/noArrayIndexKey: two columns may be called the same
              key={i}
              name="column"
              label={column.head}
              hint={`${column.sample.slice(0, 30) || "empty"}; ${BECAUSE[column.because]}`}
              small
              value={column.meaning}
              options={CHANNEL_MEANINGS.map((meaning) => [meaning, MEANING_WORD[meaning]] as const)}
              box="w-44"
            />
          ))}
          <Labelled
            name="unit"
            label="Frequencies are in"
            small
            value={looked.unit}
            options={FREQUENCY_UNITS.map((unit) => [unit, unit] as const)}
            box="w-32"
          />
        </div>
        {looked.headSays && (
          <p className="hatch w-fit border-l-4 border-rust px-3 py-1">
            Its heading says {looked.headSays}, and what stands there would be out of all reach: read as{" "}
            {looked.unit}.
          </p>
        )}
        {looked.odd.length > 0 && (
          <ul className="text-sm">
            {looked.odd.map((cell) => (
              <li key={`${cell.row} ${cell.column}`}>
                Row {cell.row}, {cell.column}: “{cell.cell.slice(0, 40)}” is not {cell.wanted}.
              </li>
            ))}
            {looked.oddCount > looked.odd.length && <li>and {looked.oddCount - looked.odd.length} more</li>}
          </ul>
        )}
        <Rows label="As they were read" channels={looked.first} />
        {looked.count > looked.first.length && (
          <p className="text-sm text-quiet">
            The first {looked.first.length} of {looked.count} are shown.
          </p>
        )}
        <div className="flex flex-wrap items-end gap-3">
          <Labelled
            name="keepAs"
            label="Keep this dialect under a name (may stay empty)"
            small
            most={60}
            value=""
            box="w-80"
          />
          <button type="submit" name="intent" value="look" className="btn btn-outline btn-primary btn-sm">
            Look again
          </button>
          <button type="submit" name="intent" value="keep" className="btn btn-primary btn-sm">
            Keep them
          </button>
        </div>
      </ActForm>
    </section>
  );
}

export function Bring(props: {
  readonly kept: Readonly<Record<string, string>> | undefined;
  readonly dialects: readonly { readonly id: string; readonly name: string }[];
}) {
  const { kept, dialects } = props;
  return (
    <section>
      <h2 className="mb-1.5">Bring in its channels</h2>
      <ActForm
        intent="look"
        className="sheet flex max-w-3xl flex-col gap-3 p-3"
        encType="multipart/form-data"
      >
        <div className="flex flex-col gap-1">
          <label htmlFor="channels-file" className="text-sm font-semibold">
            A table as CSV, from whichever tool
          </label>
          <input
            id="channels-file"
            name="file"
            type="file"
            accept=".csv,.txt,.tsv,text/*"
            className="file-input file-input-sm w-full"
          />
        </div>
        <Labelled
          name="text"
          label="Or the table itself, pasted"
          small
          mono
          rows={4}
          most={2 * 1024 * 1024}
          value={kept?.text}
        />
        {dialects.length > 0 && (
          <Labelled
            name="dialect"
            label="In the dialect"
            small
            value={kept?.dialect}
            options={[["", "find out"], ...dialects.map(({ id, name }) => [id, name] as const)]}
            box="w-64"
          />
        )}
        <button type="submit" className="btn btn-primary btn-sm w-fit">
          Look at it
        </button>
      </ActForm>
    </section>
  );
}
