// Channels come in: from a file or pasted, with what each column is taken for before they are kept.
import { CHANNEL_MEANINGS, type ChannelMeaning } from "#core/codeplug/channel-table.ts";
import { FREQUENCY_UNITS } from "#core/import/numbers.ts";
import type { Channel } from "#core/modes/mode.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { counted } from "../ui/words/count.ts";
import { sayHertz, sayWidth } from "../ui/words/frequency.ts";
import type { Looked } from "./channels.server.ts";

/** Channels as a table. */
export function Rows({ channels }: { readonly channels: readonly Channel[] }) {
  return (
    <table className="table table-sm">
      <thead>
        <tr>
          <th>Channel</th>
          <th>Receives</th>
          <th>Transmits</th>
          <th>Width</th>
        </tr>
      </thead>
      <tbody>
        {channels.map((channel, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: their place is what they are known by
          <tr key={i}>
            <th scope="row">
              {i + 1}. <span className="ver">{channel.name}</span>
            </th>
            <td className="ver">{sayHertz(channel.receive)}</td>
            <td className="ver">
              {channel.transmit === undefined ? "receives only" : sayHertz(channel.transmit)}
            </td>
            <td className="ver">{channel.bandwidth === undefined ? "?" : sayWidth(channel.bandwidth)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const MEANING_WORD: Record<ChannelMeaning, string> = {
  ignore: "leave it out",
  name: "its name",
  receive: "receives on",
  transmit: "transmits on",
  offset: "offset",
  direction: "direction of the offset",
  bandwidth: "width",
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
        <div className="sheet overflow-x-auto">
          <Rows channels={looked.first} />
        </div>
        <div className="flex gap-3">
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

export function Bring({ kept }: { readonly kept: Readonly<Record<string, string>> | undefined }) {
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
        <button type="submit" className="btn btn-primary btn-sm w-fit">
          Look at it
        </button>
      </ActForm>
    </section>
  );
}
