// Spectra of a radio: its carrier and harmonics as a meter showed them, each held against the club's own limit, with what the meter may be off by.
import { useActionData } from "react-router";
import { harmonics, type LineVerdict, parseMeterError, wattsOf, worstOf } from "#core/measure/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { gearRows } from "#db/kit/index.ts";
import { limitsOf, type SpectrumRow, spectraOf } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../../context.ts";
import { offlineSaid } from "../../forms/offline.ts";
import { Strike } from "../../forms/strike.tsx";
import { leadToTag, loadUnit } from "../../shared/load-unit.server.ts";
import { following, useClub, useMay } from "../../ui/club.ts";
import { Noted } from "../../ui/noted.tsx";
import { Wide } from "../../ui/wide.tsx";
import { sayHertz } from "../../ui/words/frequency.ts";
import { sayDate } from "../../ui/words/time.ts";
import type { Route } from "./+types/spectra";
import { actOnSpectra, type SpectrumAnswer } from "./spectra.server.ts";
import { Looked, Note } from "./spectrum-form.tsx";

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `Harmonics of ${params.tag} · Mossy Cabinet` },
];

export const handle = { follows: following<typeof loader>(({ unit }) => [`unit:${unit.id}`, "club"]) };

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
    id: row.id,
    carrier,
    attenuation: row.attenuation,
    meter: row.meter,
    error: row.error,
    note: row.note,
    day: row.day as PlainDate,
    by: row.by,
    struck: row.struck_why,
    limit,
    verdicts,
    worst: worstOf(verdicts),
  };
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    return actOnSpectra(who, row, form);
  });
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
  const refused = said?.kept?.intent === "strike" ? said.kept : undefined;
  const mayWork = useMay("work-at-bench");
  const newest = spectra.find(({ struck }) => struck === null);
  return (
    <Noted
      title={`Harmonics of ${unit.tag}`}
      says={unit.model}
      links={[
        { to: `/units/${encodeURIComponent(unit.tag)}`, says: `Back to ${unit.tag}` },
        { to: `/units/${encodeURIComponent(unit.tag)}/measured`, says: "What else was measured" },
        { to: "/club/limits", says: "Our limits" },
      ]}
      said={said}
      empty={newest ? undefined : "No spectrum has been taken of it yet."}
      form={mayWork && !unit.gone && <Note data={loaderData} kept={said?.kept} found={said?.found} />}
    >
      {said?.found && <Looked found={said.found} />}
      {spectra.map((one) => (
        <Spectrum key={one.id} one={one} refused={refused} />
      ))}
    </Noted>
  );
}

const interval = ({ low, high }: { low: number; high: number }): string =>
  low === Number.NEGATIVE_INFINITY
    ? `${high.toFixed(1)} or less`
    : low === high
      ? low.toFixed(1)
      : `${low.toFixed(1)} to ${high.toFixed(1)}`;

function Spectrum(props: {
  readonly one: Shown;
  readonly refused: Readonly<Record<string, string>> | undefined;
}) {
  const { one, refused } = props;
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
      <Wide label="Harmonics">
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
              <th>Verdict</th>
              <th className="text-right">At the radio, dBm</th>
              <th className="text-right">Against the carrier, dB</th>
              <th className="text-right">At most, dBm</th>
            </tr>
          </thead>
          <tbody>
            {one.verdicts.map((line) => (
              <tr key={`${line.harmonic} ${line.frequency}`}>
                <th scope="row" className="whitespace-nowrap">
                  {line.harmonic}. <span className="ver font-normal">{sayHertz(line.frequency)}</span>
                </th>
                <td className={`min-w-44 ${line.verdict === "fails" ? "text-rust" : ""}`}>
                  <span className={line.verdict === "cannot tell" ? "doubt-thin px-1" : ""}>
                    {line.verdict}
                    {line.because && `: ${BECAUSE[line.because]}`}
                  </span>
                </td>
                <td className="text-right whitespace-nowrap">{interval(line.dbm)}</td>
                <td className="text-right whitespace-nowrap">{interval(line.dbc)}</td>
                <td className="text-right whitespace-nowrap">{one.limit ? interval(line.limit) : ""}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {mayStrike && one.struck === null && (
          <div className="max-w-md px-4 pb-2 text-sm">
            <Strike
              name="spectrum"
              id={one.id}
              label="Why it is wrong"
              hint="why it is wrong"
              why={refused?.spectrum === one.id ? refused.why : undefined}
            />
          </div>
        )}
      </Wide>
    </section>
  );
}
