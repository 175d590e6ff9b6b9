// What speaks Bluetooth or has a battery: how full each is, and what has to go on a charger by when for a day that comes.
import { Link, useActionData } from "react-router";
import { localTime } from "#acts/shapes.ts";
import type { Readiness } from "#core/bluetooth/index.ts";
import { addDays } from "#core/quantities/index.ts";
import { localInstant, now as nowIn } from "#db/clock.ts";
import { mustBeAllowed, readInClub } from "../../context.ts";
import { Labelled } from "../../forms/field.tsx";
import { offlineSaid } from "../../forms/offline.ts";
import type { ActAnswer } from "../../shared/act-answer.server.ts";
import { pageOf } from "../../shared/device-page.ts";
import { loadCharge, loadReady } from "../../shared/load-charge.server.ts";
import { Caution } from "../../ui/caution.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { Page } from "../../ui/page.tsx";
import { Said } from "../../ui/said.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayMoment } from "../../ui/words/time.ts";
import { KitTabs } from "../tabs.tsx";
import type { Route } from "./+types/bluetooth";
import { actOnCharge } from "./charge.server.ts";
import { Devices } from "./devices.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Bluetooth · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

const USUAL_NEED = 80;

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const query = new URL(request.url).searchParams;
  return readInClub(context, async (tx, who) => {
    const typed = query.get("at") ?? "";
    const isTime = localTime.safeParse(typed).success;
    const at = isTime ? typed : `${addDays(who.today, 1)}T18:00`;
    const wanted = query.get("need")?.trim().slice(0, 20) || String(USUAL_NEED);
    const asked = Number(wanted.replace(",", "."));
    const isNeed = asked >= 1 && asked <= 100;
    const need = isNeed ? asked : USUAL_NEED;
    const present = (await nowIn(tx)).getTime();
    const time = (await localInstant(tx, at)).getTime();
    const loaded = await loadCharge(tx, present);
    const { ready, plans, broken } = await loadReady(tx, loaded, need, time, present);
    return {
      at,
      need: wanted,
      isNeed,
      /** What was asked for cannot be read, or is past. */
      trouble: typed !== "" && !isTime ? "no-time" : time <= present ? "past" : undefined,
      plans,
      devices: loaded.rows.map((row) => ({
        id: row.id,
        kind: row.kind,
        tag: row.tag,
        what: row.what,
        holder: row.holder,
        place: row.place,
        to: pageOf(row),
        unit: row.kind === "radio" ? row.unit_tag : null,
        app: [row.app, row.app_version].filter(Boolean).join(" "),
        now: loaded.now.get(row.id) ?? ({ kind: "unknown", lacks: "level" } as const),
        ready: ready.get(row.id) ?? ({ kind: "unknown", lacks: "level" } as const),
        charger: broken.find(({ id }) => id === row.id)?.charger,
      })),
    };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "work-at-bench");
  const form = await request.formData();
  return readInClub(context, (_tx, who) => actOnCharge(who, form));
}

export const clientAction = offlineSaid;

type Shown = Route.ComponentProps["loaderData"]["devices"][number];

const SETTLED: readonly Readiness["kind"][] = ["ready", "charging"];

export default function Bluetooth({ loaderData }: Route.ComponentProps) {
  const { devices, at, need, trouble, plans } = loaderData;
  const said = useActionData<ActAnswer>();
  const { locale, timeZone } = useClub();
  const mayEdit = useMay("edit-kit");
  return (
    <Page title="Kit" says={sayAll(devices, locale, timeZone)} acts={<KitTabs here="bluetooth" />}>
      {said && <Said answer={said} />}
      <form className="mb-4 flex flex-wrap items-end gap-3">
        <Labelled name="at" label="Charged by" type="datetime-local" small value={at} box="w-52" />
        <Labelled name="need" label="With at least, percent" mono small value={need} box="w-40" />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Show what has to be done
        </button>
        <span className="ml-auto flex flex-wrap gap-4 text-sm">
          <Go className="link" to="/kit/ways">
            Ways compared
          </Go>
          <Go className="link" to="/kit/field-day">
            Sheet for a field day
          </Go>
          {mayEdit && (
            <Link className="link" to="/kit/devices/new">
              Add a device
            </Link>
          )}
          {mayEdit && (
            <a className="link" href="/kit/own#pairing">
              Advice about pairing
            </a>
          )}
        </span>
      </form>
      {trouble && (
        <p className="doubt mb-4 w-fit px-4 py-2">
          {trouble === "past"
            ? "That time is past: what is not charged now cannot be charged by then."
            : "That is no day and time; shown is tomorrow evening."}
        </p>
      )}
      {!loaderData.isNeed && (
        <p className="doubt mb-4 w-fit px-4 py-2">
          That is no number from 1 to 100; shown is with at least {USUAL_NEED} percent.
        </p>
      )}
      {devices.length === 0 ? (
        <p className="doubt max-w-xl p-5 text-lg">
          No Bluetooth device is noted yet: no programmer, button, headset or vehicle, and no radio whose
          battery is looked after.
        </p>
      ) : (
        <div className="grid gap-5 xl:grid-cols-[minmax(0,1fr)_19rem]">
          <Devices devices={devices} />
          {plans.length > 0 && (
            <div className="flex flex-col gap-5">
              {plans.map((plan) => (
                <Turns key={plan.charger} plan={plan} />
              ))}
            </div>
          )}
        </div>
      )}
      <div className="mt-5 flex flex-col gap-1">
        <Caution of="batteries" />
        <Caution of="driving" />
      </div>
    </Page>
  );
}

/** What has to be done first, in a sentence. */
function sayAll(devices: readonly Shown[], locale: string, timeZone: string): string {
  const inUse = devices.filter(({ ready }) => ready.kind !== "out");
  if (inUse.length === 0) return "nothing with a battery in use";
  const first = inUse
    .flatMap(({ ready, tag }) => (ready.kind === "plug-in" ? [{ by: ready.by, tag }] : []))
    .sort((a, b) => a.by - b.by)[0];
  const ready = inUse.filter((one) => SETTLED.includes(one.ready.kind)).length;
  const late = inUse.filter((one) => one.ready.kind === "too-late").length;
  const unknown = inUse.filter((one) => one.ready.kind === "unknown").length;
  return [
    `${ready} of ${inUse.length} will be charged`,
    first && `plug in ${first.tag} by ${sayMoment(new Date(first.by), locale, timeZone)} at the latest`,
    late > 0 && `${late} too late`,
    unknown > 0 && `of ${unknown} it cannot be told`,
  ]
    .filter(Boolean)
    .join("; ");
}

/** Who is on which place of a charger, from when to when. */
function Turns({ plan }: { readonly plan: Route.ComponentProps["loaderData"]["plans"][number] }) {
  const { locale, timeZone } = useClub();
  return (
    <section>
      <h2 className="mb-1">
        On {plan.tag}, {counted(plan.places, "place")}
      </h2>
      <ol className="sheet divide-y divide-line">
        {[...plan.turns]
          .sort((a, b) => a.from - b.from)
          .map((turn) => (
            <li key={turn.id} className="grid grid-cols-[5rem_minmax(0,1fr)] gap-x-3 px-3 py-1.5">
              <span className="tag">{turn.tag}</span>
              <span>
                {sayMoment(new Date(turn.from), locale, timeZone)}
                <span className="block text-sm text-quiet">
                  until {sayMoment(new Date(turn.to), locale, timeZone)}, place {turn.place + 1}
                </span>
              </span>
            </li>
          ))}
      </ol>
      {plan.late.length > 0 && (
        <p className="mt-1 text-rust">
          There is no place in time for {plan.late.join(", ")}
          {plan.exact ? ", in whatever order they go on." : "; not all orders could be looked at."}
        </p>
      )}
    </section>
  );
}
