// A spectrum comes in: from a meter's table or typed, with what was found in it before it is kept.
import { FREQUENCY_UNITS } from "#core/import/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { Caution } from "../../ui/caution.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayHertz } from "../../ui/words/frequency.ts";
import type { Found } from "./spectra.server.ts";

/** What was found in a table, before it is kept. */
export function Looked({ found }: { readonly found: Found }) {
  return (
    <section className="doubt p-4">
      <h2>Found in it</h2>
      <p>
        The carrier on {sayHertz(found.carrier.frequency)}, {found.carrier.dbm} dBm at the meter, and{" "}
        {counted(found.lines.length, "harmonic")}, in {counted(found.points, "point")}
        {found.lines.length > 0 &&
          `: ${found.lines.map((line) => `${sayHertz(line.frequency)} ${line.dbm} dBm`).join(", ")}`}
        .
      </p>
      {found.odd.map(({ row, cell }) => (
        <p key={row} className="text-sm">
          Row {row}: “{cell.slice(0, 40)}” is no number, so the row was left out.
        </p>
      ))}
    </section>
  );
}

export function Note(props: {
  readonly data: {
    readonly meters: readonly (readonly [string, string])[];
    readonly limits: readonly { readonly id: string; readonly name: string }[];
  };
  readonly kept: Readonly<Record<string, string>> | undefined;
  readonly found: Found | undefined;
}) {
  const { data, found } = props;
  const kept = props.kept?.intent === "strike" ? undefined : props.kept;
  const columns = found?.head.map((name, i) => [String(i), name || `column ${i + 1}`] as const);
  return (
    <section>
      <h2 className="mb-1">Take one down</h2>
      <ActForm className="sheet flex flex-col gap-3 p-3" encType="multipart/form-data">
        <div className="flex flex-col gap-1">
          <label htmlFor="spectrum-file" className="text-sm font-semibold">
            The meter's table, as CSV
          </label>
          <input
            id="spectrum-file"
            name="file"
            type="file"
            accept=".csv,.txt,.tsv,text/*"
            className="file-input file-input-sm w-full"
          />
        </div>
        <Labelled
          name="text"
          label="Or its lines: megahertz and dBm, one pair a line"
          small
          mono
          rows={4}
          most={1024 * 1024}
          value={found?.text ?? kept?.text}
        />
        {found && columns && (
          <>
            <Labelled
              name="frequency"
              label="Frequency is in"
              small
              value={String(found.columns.frequency)}
              options={columns}
            />
            <Labelled
              name="unit"
              label="counted in"
              small
              value={found.columns.unit}
              options={FREQUENCY_UNITS.map((unit) => [unit, unit] as const)}
            />
            <Labelled
              name="level"
              label="Level is in"
              small
              value={String(found.columns.level)}
              options={columns}
            />
          </>
        )}
        <Labelled
          name="carrier"
          label="Carrier, MHz (empty: the highest line)"
          mono
          small
          value={kept?.carrier}
        />
        <Labelled
          name="attenuation"
          label="Attenuation in between, dB"
          mono
          small
          value={kept?.attenuation ?? "40"}
        />
        <Labelled
          name="meter"
          label="With"
          small
          value={kept?.meter}
          options={[["", "a meter that is not ours"], ...data.meters]}
        />
        <Labelled name="floor" label="Its own noise, dBm (may stay empty)" mono small value={kept?.floor} />
        <Labelled name="most" label="Overdriven from, dBm (may stay empty)" mono small value={kept?.most} />
        <Labelled
          name="limit"
          label="Held against"
          small
          value={kept?.limit ?? data.limits[0]?.id}
          options={[["", "nothing"], ...data.limits.map(({ id, name }) => [id, name] as const)]}
        />
        <Labelled name="on" label="On which day (empty: today)" type="date" small value={kept?.on} />
        <Labelled name="note" label="Note" small most={500} value={kept?.note} />
        <div className="flex flex-wrap gap-3">
          <button
            type="submit"
            name="intent"
            value="look"
            className={found ? "btn btn-outline btn-primary btn-sm" : "btn btn-primary btn-sm"}
          >
            {found ? "Look again" : "Look at it"}
          </button>
          {found && (
            <button type="submit" name="intent" value="keep" className="btn btn-primary btn-sm">
              Keep it
            </button>
          )}
        </div>
        <Caution of="keying-up" />
        <Caution of="measuring" />
      </ActForm>
    </section>
  );
}
