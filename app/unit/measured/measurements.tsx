// What meters said of a radio: each with what it may be off by, held against what the radio is rated for; and whether it gets weaker.
import { useActionData } from "react-router";
import { noteMeasurement } from "#acts/measurement/note-measurement.ts";
import { strikeMeasurement } from "#acts/measurement/strike-measurement.ts";
import { judged, MEASURED, MEASURED_KINDS, measuredKind, trend, unseen } from "#core/measure/index.ts";
import { ratedWatts } from "#core/modes/index.ts";
import { type PlainDate, typedNumber, type Units, VOLTS } from "#core/quantities/index.ts";
import { gearRows } from "#db/kit/index.ts";
import { dossierHead, knownMode, modesOf } from "#db/model/index.ts";
import { measurementsOf } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../../context.ts";
import { offlineSaid } from "../../forms/offline.ts";
import { fieldText, performForm } from "../../forms/perform.server.ts";
import { Strike } from "../../forms/strike.tsx";
import { type ActAnswer, answer, answerWrong } from "../../shared/act-answer.server.ts";
import { leadToTag, loadUnit } from "../../shared/load-unit.server.ts";
import { answerProblem } from "../../shared/refusals.server.ts";
import { following, useClub, useMay } from "../../ui/club.ts";
import { chartFrom } from "../../ui/later.tsx";
import { Noted } from "../../ui/noted.tsx";
import { Wide } from "../../ui/wide.tsx";
import { readMhz, sayHertz } from "../../ui/words/frequency.ts";
import { isAmiss, sayMeasured, sayPpm, sayPpmRange, sayVerdict, tenths } from "../../ui/words/measured.ts";
import { sayDate } from "../../ui/words/time.ts";
import type { Route } from "./+types/measurements";
import { NoteForm } from "./note-form.tsx";

const PowerChart = chartFrom(async () => (await import("./power-chart.tsx")).PowerChart, 224);

export const meta: Route.MetaFunction = ({ params }) => [
  { title: `${params.tag}, measured · Mossy Cabinet` },
];

export const handle = { follows: following<typeof loader>(({ unit }) => [`unit:${unit.id}`]) };

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx, who) => {
    const { row, situation } = await loadUnit(tx, params.tag, who.today);
    leadToTag(row, params.tag);
    const rows = await measurementsOf(tx, row.id);
    const modes = await modesOf(tx, row.model_id);
    const rated = ratedWatts(modes.map(knownMode), situation?.unit.mode?.now.id);
    const { stability } = (await dossierHead(tx, row.model_id)).identity;
    const measured = rows.map((one) => {
      const frequency = one.frequency === null ? undefined : Number(one.frequency);
      const fullScale = one.full_scale ?? undefined;
      const { verdict, ...told } = judged({ ...one, frequency, fullScale }, { watts: rated, stability });
      return {
        id: one.id,
        kind: one.kind,
        value: one.value,
        day: one.day as PlainDate,
        by: one.by,
        meter: one.meter,
        error: one.error,
        note: one.note,
        struck: one.struck_why,
        frequency,
        supply: one.supply,
        ...told,
        // What was struck is held against nothing.
        ...(one.struck_why === null && verdict !== undefined && { verdict }),
      };
    });
    const counting = measured.filter(({ kind, struck }) => kind === "power" && struck === null);
    return {
      unit: { id: row.id, tag: row.tag, model: row.model, shelved: row.shelved_at !== null },
      rated,
      stability,
      measured,
      off: measured.find(({ kind, struck }) => kind === "frequency error" && struck === null),
      trend: trend(
        counting.map(({ day, value }) => ({ day, watts: value })),
        unseen(counting.flatMap(({ interval }) => interval ?? [])),
      ),
      meters: (await gearRows(tx))
        .filter(({ kind, condition }) => kind === "meter" && condition !== "lost")
        .map(({ id, tag, what, error }) => [id, `${tag}, ${what}${error ? ` (${error})` : ""}`] as const),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  const intent = String(form.get("intent") ?? "");
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    if (intent === "strike") {
      const done = await performForm(strikeMeasurement, who, form, { unit: row.id });
      if (done.ok) return answer(200, { ok: true, intent, says: "Struck: it counts no more." });
      return answerProblem(intent, form, done.problem, {});
    }
    const typed = (name: string, units: Units) => {
      const text = fieldText(form, name);
      return text === undefined ? undefined : (typedNumber(text, units) ?? Number.NaN);
    };
    const kind = MEASURED.find((one) => one === form.get("kind")) ?? "power";
    const [value, supply] = [typed("value", measuredKind(kind).typed), typed("supply", VOLTS)];
    const frequency = fieldText(form, "frequency");
    const hertz = frequency === undefined ? undefined : readMhz(frequency);
    const wrong = {
      ...((value === undefined || Number.isNaN(value)) && {
        value: "Type what the meter shows, as a number.",
      }),
      ...(supply !== undefined && !(supply > 0) && { supply: "The supply is in volts, such as 7.4." }),
      ...(frequency !== undefined &&
        hertz === undefined && { frequency: "The frequency is in megahertz, such as 145.5." }),
    };
    if (Object.keys(wrong).length > 0) return answerWrong(intent, form, wrong);
    const done = await performForm(noteMeasurement, who, form, {
      unit: row.id,
      value,
      supply,
      frequency: hertz,
    });
    if (done.ok) return answer(200, { ok: true, intent, says: "Written down." });
    return answerProblem(intent, form, done.problem, {}, { tag: row.tag });
  });
}

export const clientAction = offlineSaid;

export default function Measurements({ loaderData }: Route.ComponentProps) {
  const { unit, measured, rated, stability } = loaderData;
  const { locale, today } = useClub();
  const said = useActionData<ActAnswer>();
  const mayWork = useMay("work-at-bench");
  const mayStrike = useMay("strike-reading");
  const refused = said?.ok === false && said.intent === "strike" ? said.kept : undefined;
  const points = measured.filter(({ kind, struck }) => kind === "power" && struck === null);
  return (
    <Noted
      title={sayMeasured(loaderData.trend, loaderData.off)}
      says={[
        `${unit.tag}, ${unit.model}`,
        rated !== undefined && `rated for ${rated} W`,
        stability !== undefined && `keeps its frequency within ${stability} ppm`,
      ]
        .filter(Boolean)
        .join("; ")}
      links={[{ to: `/units/${encodeURIComponent(unit.tag)}`, says: `Back to ${unit.tag}` }]}
      said={said}
      empty={
        measured.length === 0
          ? "Nothing has been measured yet. From five measurements on it is told whether it gets weaker."
          : undefined
      }
      form={
        mayWork &&
        !unit.shelved && (
          <NoteForm meters={loaderData.meters} kept={said?.ok === false ? said.kept : undefined} />
        )
      }
    >
      {points.length > 1 && <PowerChart points={points} rated={rated} />}
      {measured.length > 0 && (
        <Wide label="What was measured">
          <table className="table table-sm">
            <thead>
              <tr>
                <th>When</th>
                <th className="text-right">Shown</th>
                <th>Verdict</th>
                <th>May be</th>
                <th>With, at</th>
                <th>
                  <span className="sr-only">Strike it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {measured.map((one) => (
                <tr key={one.id} className={one.struck === null ? "" : "text-quiet line-through"}>
                  <td className="whitespace-nowrap">
                    {sayDate(one.day, locale, today)}
                    <span className="block text-quiet">{one.by}</span>
                  </td>
                  <td className="text-right whitespace-nowrap">
                    {one.value} {MEASURED_KINDS[one.kind].unit}
                    {one.ppm && <span className="block text-quiet">{sayPpm(one.ppm.shown)}</span>}
                  </td>
                  <td className={`min-w-32 ${isAmiss(one) ? "text-rust" : ""}`}>{sayVerdict(one)}</td>
                  <td className="whitespace-nowrap">
                    {one.interval
                      ? `${tenths(one.interval.low)} to ${tenths(one.interval.high)} ${MEASURED_KINDS[one.kind].unit}`
                      : "nobody knows"}
                    {one.ppm?.within && (
                      <span className="block text-quiet">{sayPpmRange(one.ppm.within)}</span>
                    )}
                  </td>
                  <td className="text-quiet">
                    {[
                      one.meter,
                      one.frequency && sayHertz(one.frequency),
                      one.supply && `${one.supply} V`,
                      one.note,
                      one.struck && `struck: ${one.struck}`,
                    ]
                      .filter(Boolean)
                      .join(", ")}
                  </td>
                  <td className="whitespace-nowrap">
                    {mayStrike && one.struck === null && (
                      <Strike
                        name="measurement"
                        id={one.id}
                        label="Why it is wrong"
                        hint="why it is wrong"
                        why={refused?.measurement === one.id ? refused.why : undefined}
                      />
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      )}
    </Noted>
  );
}
