// Spectra of a radio: its carrier and harmonics as a meter showed them, each held against the club's own limit, with what the meter may be off by.
import { useActionData } from "react-router";
import { FREQUENCY_UNITS } from "#core/import/numbers.ts";
import { harmonics, type LineVerdict, worstOf } from "#core/measure/harmonics.ts";
import { parseMeterError, wattsOf } from "#core/measure/power.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import { gearRows } from "#db/kit-put.ts";
import { limitsOf, type SpectrumRow, spectraOf } from "#db/spectra.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { leadToTag, loadUnit } from "../shared/load-unit.server.ts";
import { orSayAway } from "../shared/say-away.server.ts";
import { Caution } from "../ui/caution.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import { sayHertz } from "../ui/words/frequency.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/spectra";
import { actOnSpectra, type Found, type SpectrumAnswer } from "./spectra.server.ts";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `Harmonics of ${params.tag} · Mossy Cabinet` },
];

export const handle = { follows: ({ unit }: { unit: { id: string } }) => [`unit:${unit.id}`, "club"] };

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    leadToTag(row, params.tag, "/spectrum");
    const limits = await limitsOf(tx, true);
    const open = new Set((await limitsOf(tx)).map((one) => one.id));
    return {
      unit: { id: row.id, tag: row.tag, model: row.model, gone: row.shelved_at !== null },
      spectra: (await spectraOf(tx, row.id)).map((one) => judged(one, limits)),
      limits: limits.filter(({ id }) => open.has(id)),
      meters: (await gearRows(tx))
        .filter(({ kind, condition }) => kind === "meter" && condition !== "lost")
        .map(({ id, tag, what, error }) => {
          const read = parseMeterError(error);
          const off = read.ok ? read.value.decibels : undefined;
          return [
            id,
            `${tag}, ${what} (${off === undefined ? "nobody knows by how many dB it is off" : error})`,
          ] as const;
        }),
    };
  });
}

function judged(row: SpectrumRow, limits: Awaited<ReturnType<typeof limitsOf>>) {
  const limit = limits.find(({ id }) => id === row.limit_id);
  const meter = {
    ...(row.error !== null && { error: row.error }),
    ...(row.floor !== null && { floor: row.floor }),
    ...(row.most !== null && { most: row.most }),
  };
  const carrier = { frequency: row.carrier_hz, dbm: row.carrier_dbm };
  const verdicts = harmonics(carrier, row.lines, meter, limit ?? { source: "" }, row.attenuation);
  return {
    ...{ id: row.id, carrier, attenuation: row.attenuation, meter: row.meter, error: row.error },
    ...{ note: row.note, day: row.day as PlainDate, by: row.by, struck: row.struck_why, limit, verdicts },
    worst: worstOf(verdicts),
  };
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return orSayAway(form, () =>
    readInClub(context, async (tx, who) => {
      const { row } = await loadUnit(tx, params.tag, who.today);
      return actOnSpectra(who, row, form);
    }),
  );
}

export const clientAction = offlineSaid;

type Data = Route.ComponentProps["loaderData"];
type Shown = Data["spectra"][number];

const WORST = {
  passes: "keeps to it",
  fails: "does not keep to it",
  "cannot tell": "cannot be told",
  "nothing found": "no harmonic was seen",
} as const;

const BECAUSE: Record<NonNullable<LineVerdict["because"]>, string> = {
  straddles: "the limit lies within what the meter may be off by",
  floor: "the meter's own noise hides it",
  "front-end": "the carrier overdrives the meter, which then makes harmonics of its own: more attenuation",
  "no-limit": "no limit was entered to hold it against",
  "no-error": "nobody knows by how many decibels the meter is off",
};

export default function Spectra({ loaderData }: Route.ComponentProps) {
  const { unit, spectra } = loaderData;
  const said = useActionData<SpectrumAnswer>();
  const mayWork = useMay("work-at-bench");
  const newest = spectra.find(({ struck }) => struck === null);
  return (
    <Page title={`Harmonics of ${unit.tag}`} says={unit.model}>
      <p className="mb-3 flex flex-wrap gap-4">
        <Go to={`/units/${encodeURIComponent(unit.tag)}`} className="link">
          Back to {unit.tag}
        </Go>
        <Go to={`/units/${encodeURIComponent(unit.tag)}/measured`} className="link">
          What else was measured
        </Go>
        <Go to="/club/limits" className="link">
          Our limits
        </Go>
      </p>
      {said?.says && <Said answer={said} />}
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="flex min-w-0 flex-col gap-5">
          {!newest && <p className="doubt w-fit p-5 text-lg">No spectrum has been taken of it yet.</p>}
          {said?.found && <Looked found={said.found} />}
          {spectra.map((one) => (
            <Spectrum key={one.id} one={one} />
          ))}
        </div>
        {mayWork && !unit.gone && <Note data={loaderData} kept={said?.kept} found={said?.found} />}
      </div>
    </Page>
  );
}

const interval = ({ low, high }: { low: number; high: number }): string =>
  low === Number.NEGATIVE_INFINITY
    ? `${high.toFixed(1)} or less`
    : low === high
      ? low.toFixed(1)
      : `${low.toFixed(1)} to ${high.toFixed(1)}`;

function Spectrum({ one }: { readonly one: Shown }) {
  const { locale, today } = useClub();
  const mayStrike = useMay("strike-reading");
  const at = one.carrier.dbm + one.attenuation;
  return (
    <section className={one.struck === null ? "" : "opacity-70"}>
      <h2 className="mb-1.5">
        {one.struck === null ? (
          <>
            {one.limit ? `${one.limit.name}: ` : ""}
            <span className={one.worst === "fails" ? "text-rust" : ""}>{WORST[one.worst]}</span>
          </>
        ) : (
          <span className="line-through">Struck</span>
        )}{" "}
        <span className="font-sans text-sm font-normal text-quiet">
          {sayDate(one.day, locale, today)}, by {one.by}
          {one.struck !== null && `; ${one.struck}`}
        </span>
      </h2>
      <div className="sheet overflow-x-auto">
        <p className="px-4 pt-2 text-sm">
          Carrier {sayHertz(one.carrier.frequency)}, {at.toFixed(1)} dBm at the radio (
          {wattsOf(at).toPrecision(2)} W), through {one.attenuation} dB
          {one.meter && `, with ${one.meter}`}
          {one.error !== null && `, off by up to ${one.error} dB`}
          {one.note && `; ${one.note}`}.{one.limit && ` Limit from: ${one.limit.source}.`}
        </p>
        <table className="table table-sm">
          <thead>
            <tr>
              <th>Harmonic</th>
              <th className="text-right">At the radio, dBm</th>
              <th className="text-right">Against the carrier, dB</th>
              <th className="text-right">At most, dBm</th>
              <th>Verdict</th>
            </tr>
          </thead>
          <tbody>
            {one.verdicts.map((line) => (
              <tr key={`${line.harmonic} ${line.frequency}`}>
                <th scope="row" className="whitespace-nowrap">
                  {line.harmonic}. <span className="ver font-normal">{sayHertz(line.frequency)}</span>
                </th>
                <td className="text-right whitespace-nowrap">{interval(line.dbm)}</td>
                <td className="text-right whitespace-nowrap">{interval(line.dbc)}</td>
                <td className="text-right whitespace-nowrap">{one.limit ? interval(line.limit) : ""}</td>
                <td className={line.verdict === "fails" ? "text-rust" : ""}>
                  <span className={line.verdict === "cannot tell" ? "doubt-thin px-1" : ""}>
                    {line.verdict}
                    {line.because && `: ${BECAUSE[line.because]}`}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {mayStrike && one.struck === null && (
          <details className="px-4 pb-2 text-sm">
            <summary className="cursor-pointer">Strike it</summary>
            <ActForm intent="strike" className="mt-1 flex items-end gap-2">
              <input type="hidden" name="spectrum" value={one.id} />
              <Labelled name="why" label="Why" small most={300} value={undefined} box="w-60" />
              <button type="submit" className="btn btn-outline btn-error btn-sm">
                Strike
              </button>
            </ActForm>
          </details>
        )}
      </div>
    </section>
  );
}

/** What was found in a table, before it is kept. */
function Looked({ found }: { readonly found: Found }) {
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

function Note(props: {
  readonly data: Data;
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
