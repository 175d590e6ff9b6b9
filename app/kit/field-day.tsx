// The sheet for a field day: which programmer serves which radios, in which order, until its charge is used up. To print.
import { Fragment } from "react";
import { fieldDay, lastsFor, RESERVE, timesOf } from "#core/bluetooth/index.ts";
import { isOutOfUse } from "#core/kit/index.ts";
import { mustGet } from "#core/quantities/index.ts";
import { now as nowIn } from "#db/clock.ts";
import { groups } from "#db/club/index.ts";
import type { DeviceRow } from "#db/kit/index.ts";
import { wallUnits } from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { loadCharge } from "../shared/load-charge.server.ts";
import { Caution } from "../ui/caution.tsx";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { counted } from "../ui/words/count.ts";
import { sayMinutes } from "../ui/words/duration.ts";
import { sayPercent } from "../ui/words/kit/charge.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/field-day";
import { measuredMinutes } from "./load-ways.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "Field day · Mossy Cabinet" }];

const MOST_RADIOS = 500;

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const query = new URL(request.url).searchParams;
  const group = query.get("group") ?? "";
  const full = query.get("full") === "on";
  return readInClub(context, async (tx) => {
    const { rows, now } = await loadCharge(tx, (await nowIn(tx)).getTime());
    const chosen = (await groups(tx)).map(({ id, name }) => [id, name] as const);
    const programmers = rows.filter((row) => row.kind === "programmer" && !isOutOfUse(row.battery));
    const percentOf = (row: DeviceRow) => {
      const known = now.get(row.id);
      return full ? 100 : known?.kind === "known" ? known.percent : undefined;
    };
    const own = new Set(rows.flatMap((row) => (row.kind === "programmer" ? (row.unit_id ?? []) : [])));
    const radios = (await wallUnits(tx))
      .filter((unit) => unit.holder === null && !own.has(unit.id))
      .filter((unit) => group === "" || unit.group_id === group)
      .slice(0, MOST_RADIOS);
    const plan = fieldDay(
      programmers.map((row) => {
        const percent = percentOf(row);
        const lasts = row.battery === "none" ? undefined : (lastsFor(percent, row.per_use) ?? 0);
        return {
          id: row.id,
          serves: new Set(row.serves.map(({ model }) => model)),
          ...(lasts !== undefined && { lasts }),
        };
      }),
      radios.map(({ id, model_id }) => ({ id, model: model_id })),
    );
    const unitOf = new Map(radios.map((unit) => [unit.id, unit]));
    const { setUp, perRadio } = timesOf("bluetooth", (await measuredMinutes(tx)).bluetooth);
    return {
      groups: chosen,
      group,
      full,
      radios: radios.length,
      sheets: programmers.map((row) => ({
        id: row.id,
        tag: row.tag,
        holder: row.holder,
        app: `${row.app} ${row.app_version}`.trim(),
        percent: percentOf(row),
        lasts: lastsFor(percentOf(row), row.per_use),
        serves: radios.filter((unit) => row.serves.some(({ model }) => model === unit.model_id)).length,
        queue: (plan.queues.get(row.id) ?? []).flatMap((id, i) => {
          const unit = unitOf.get(id);
          if (!unit) return [];
          const as = row.serves.find(({ model }) => model === unit.model_id)?.as;
          return [{ tag: unit.tag, model: unit.model, as: as || unit.model, by: setUp + (i + 1) * perRadio }];
        }),
      })),
      left: plan.left.map(({ id, why }) => ({ tag: mustGet(unitOf, id).tag, why })),
    };
  });
}

export default function FieldDaySheet({ loaderData }: Route.ComponentProps) {
  const { sheets, left, group, full } = loaderData;
  const { locale, today } = useClub();
  const served = sheets.reduce((sum, sheet) => sum + sheet.queue.length, 0);
  const noneServe = left.filter(({ why }) => why === "no-programmer").map(({ tag }) => tag);
  const noCharge = left.filter(({ why }) => why === "charge").map(({ tag }) => tag);
  return (
    <div className="px-4 pt-3 pb-8 md:px-6 print:p-0">
      <header className="mb-3">
        <h1>Field day</h1>
        <p className="text-quiet">
          {served} of {counted(loaderData.radios, "radio")}, as of {sayDate(today, locale)}
          {full && ", with all programmers full"}
        </p>
      </header>
      <div className="no-print mb-4 flex flex-wrap items-end gap-4">
        <form className="flex flex-wrap items-end gap-3">
          <Labelled
            name="group"
            label="Radios of"
            small
            value={group}
            options={[["", "all groups"], ...loaderData.groups]}
            box="w-56"
          />
          <Labelled
            name="full"
            label="All programmers are full by then"
            type="checkbox"
            small
            value={full ? "on" : undefined}
          />
          <button type="submit" className="btn btn-outline btn-primary btn-sm">
            Show
          </button>
        </form>
        <Go to="/kit/ways" className="link">
          Ways compared
        </Go>
      </div>
      {sheets.length === 0 && (
        <p className="doubt max-w-xl p-5 text-lg">We have no programmer: there is nothing to hand out.</p>
      )}
      <div className="grid items-start gap-5 lg:grid-cols-2 xl:grid-cols-3 print:grid-cols-2">
        {sheets.map((sheet) => (
          <section key={sheet.id} className="sheet break-inside-avoid p-3">
            <h2>
              <span className="tag">{sheet.tag}</span>{" "}
              <span className="font-sans text-base font-normal text-quiet">
                {sheet.percent === undefined ? "charge not known" : sayPercent(sheet.percent)}
                {sheet.holder && `, with ${sheet.holder}`}
              </span>
            </h2>
            {sheet.app && <p className="text-sm text-quiet">with {sheet.app}</p>}
            {sheet.queue.length === 0 ? (
              <p className="mt-2">
                {sheet.percent === undefined
                  ? "Note how full it is, and it is counted on."
                  : sheet.serves === 0
                    ? "It serves none of these."
                    : sheet.lasts === 0
                      ? `It is down to its reserve of ${RESERVE} %: charge it first.`
                      : "It is not needed: the others serve all that it could."}
              </p>
            ) : (
              <ol className="mt-2 divide-y divide-line">
                {sheet.queue.map((radio, i) => (
                  <li
                    key={radio.tag}
                    className="grid grid-cols-[1.25rem_1.25rem_4rem_minmax(0,1fr)_auto] gap-x-2 py-1"
                  >
                    <span className="text-quiet">{i + 1}</span>
                    <span aria-hidden="true" className="mt-1 size-4 border border-quiet" />
                    <span className="tag">{radio.tag}</span>
                    <span>pick {radio.as}</span>
                    <span className="text-sm text-quiet">by {sayMinutes(radio.by)}</span>
                  </li>
                ))}
              </ol>
            )}
          </section>
        ))}
      </div>
      {(noneServe.length > 0 || noCharge.length > 0) && (
        <section className="mt-5">
          <h2 className="mb-1">Left over</h2>
          {noCharge.length > 0 && (
            <p>
              The charge does not last for <Tags tags={noCharge} />: charge before, or take a cable. What is
              below {RESERVE} % is kept as a reserve.
            </p>
          )}
          {noneServe.length > 0 && (
            <p>
              No programmer of ours serves <Tags tags={noneServe} />.
            </p>
          )}
        </section>
      )}
      <div className="no-print mt-4">
        <Caution of="batteries" />
      </div>
    </div>
  );
}

/** Tags in a row, none of them broken over two lines. */
const Tags = ({ tags }: { readonly tags: readonly string[] }) =>
  tags.map((tag, i) => (
    <Fragment key={tag}>
      {i > 0 && ", "}
      <span className="whitespace-nowrap">{tag}</span>
    </Fragment>
  ));
