// What is known of a Bluetooth device beside its fields: its battery over time, what it serves, under which radio its firmware is kept.
import { useState } from "react";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { Strike } from "../../forms/strike.tsx";
import type { ActAnswer } from "../../shared/act-answer.server.ts";
import { Caution } from "../../ui/caution.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { chartFrom } from "../../ui/later.tsx";
import { Said } from "../../ui/said.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayDrain, sayNow, sayPercent } from "../../ui/words/kit/charge.ts";
import { sayPairing } from "../../ui/words/kit/pairing.ts";
import { sayInstant } from "../../ui/words/time.ts";
import type { ShownDevice } from "./load-device.server.ts";
import { AskNearby, type ReadNearby } from "./nearby.tsx";
import { Profiles } from "./profiles.tsx";

const ChargeChart = chartFrom(async () => (await import("./charge-chart.tsx")).ChargeChart, 208);

const NOTE_WORD = {
  level: "seen at",
  used: "programming took",
  plugged: "on its charger",
  unplugged: "off its charger",
} as const;

export function DevicePanel(props: { readonly device: ShownDevice; readonly said: ActAnswer | undefined }) {
  const { device, said } = props;
  const { now } = device;
  return (
    <section aria-label="As a device" className="mb-6 flex flex-col gap-5">
      {said && <Said answer={said} />}
      <p className="max-w-3xl text-lg">
        {now.kind === "known"
          ? [`It has about ${sayPercent(now.percent)}`, now.charging ? "on its charger" : sayDrain(now.drain)]
              .filter(Boolean)
              .join(", ")
          : sayNow(now)}
        .
      </p>
      {(device.lamp || device.fails || device.serves.length > 0) && <Known device={device} />}
      {now.kind !== "out" && (
        <div className="grid gap-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
          <div className="flex min-w-0 flex-col gap-4">
            {device.levels.length > 0 && <ChargeChart levels={device.levels} ahead={device.ahead} />}
            <Notes device={device} kept={said?.ok === false ? said.kept : undefined} />
          </div>
          <NoteCharge device={device} kept={said?.ok === false ? said.kept : undefined} />
        </div>
      )}
      {device.kind !== "radio" && device.kind !== "programmer" && <PairedWith device={device} />}
      {device.kind === "programmer" && (
        <Profiles device={device} kept={said?.ok === false ? said.kept : undefined} />
      )}
      {device.kind === "programmer" && <Firmware device={device} />}
      {device.kind === "vehicle" && <Caution of="driving" />}
    </section>
  );
}

function PairedWith({ device }: { readonly device: ShownDevice }) {
  const { locale, timeZone } = useClub();
  return (
    <section id="pairings">
      <h2 className="mb-1">Paired with</h2>
      {device.pairings.length === 0 ? (
        <p className="text-quiet">Nothing. A radio's page has the way to pair it.</p>
      ) : (
        <ul className="sheet w-fit divide-y divide-line">
          {device.pairings.map((one) => (
            <li key={one.id} className="px-3 py-1.5">
              <Go
                className="link tag"
                to={`/units/${encodeURIComponent(one.tag)}/pairing?device=${device.id}`}
              >
                {one.tag}
              </Go>{" "}
              <span className={one.state.kind === "broken" ? "text-rust" : "text-quiet"}>
                {one.model}; {sayPairing(one.state, locale, timeZone)}
                {one.drops > 0 && `; dropped ${counted(one.drops, "time")} in all`}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Known({ device }: { readonly device: ShownDevice }) {
  return (
    <dl className="grid max-w-3xl grid-cols-[9rem_minmax(0,1fr)] gap-x-4 gap-y-1">
      {device.serves.length > 0 && (
        <>
          <dt className="text-quiet">Serves</dt>
          <dd>
            {device.serves.map(({ model, name, as }) => (
              <span key={model} className="mr-4 inline-block">
                {name}
                {as && (
                  <>
                    , picked as <strong>{as}</strong>
                  </>
                )}
              </span>
            ))}
          </dd>
        </>
      )}
      {device.app && (
        <>
          <dt className="text-quiet">App</dt>
          <dd>
            {device.app} <span className="ver">{device.app_version}</span>
            {device.app_needs && <span className="block text-quiet">wants {device.app_needs}</span>}
          </dd>
        </>
      )}
      {device.lamp && (
        <>
          <dt className="text-quiet">Its lamp</dt>
          <dd className="whitespace-pre-line">{device.lamp}</dd>
        </>
      )}
      {device.fails && (
        <>
          <dt className="text-quiet">Known to fail</dt>
          <dd>{device.fails}</dd>
        </>
      )}
    </dl>
  );
}

function Notes(props: {
  readonly device: ShownDevice;
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const { device } = props;
  const refused = props.kept?.intent === "strike-charge" ? props.kept : undefined;
  const { locale, timeZone } = useClub();
  const mayStrike = useMay("strike-reading");
  if (device.notes.length === 0) return null;
  return (
    <ol aria-label="What was noted of its battery" className="sheet divide-y divide-line">
      {device.notes.map((note) => (
        <li key={note.id} className="flex flex-wrap items-baseline gap-x-4 px-3 py-1">
          <span className={`w-44 ${note.struck === null ? "" : "text-quiet line-through"}`}>
            {NOTE_WORD[note.what]} {note.percent !== null && sayPercent(note.percent)}
          </span>
          <span className="text-sm text-quiet">
            {sayInstant(note.at, locale, timeZone)}, {note.by}
            {note.how === "read" && ", read from it"}
            {note.how === "run" && ", with a run"}
            {note.struck && `; struck: ${note.struck}`}
          </span>
          {mayStrike && note.struck === null && (
            <span className="ml-auto text-sm">
              <Strike
                name="charge"
                id={note.id}
                device={device.id}
                intent="strike-charge"
                label="Why it is wrong"
                hint="why it is wrong"
                why={refused?.charge === note.id ? refused.why : undefined}
              />
            </span>
          )}
        </li>
      ))}
    </ol>
  );
}

function NoteCharge(props: {
  readonly device: ShownDevice;
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const mayWork = useMay("work-at-bench");
  const kept = props.kept?.intent === "charge" ? props.kept : undefined;
  const [read, setRead] = useState<ReadNearby>();
  if (!mayWork) return null;
  return (
    <section>
      <h2 className="mb-1">Note of its battery</h2>
      <ActForm intent="charge" className="sheet flex flex-col gap-3 p-3">
        <input type="hidden" name="device" value={props.device.id} />
        <Labelled
          name="kind"
          label="What"
          small
          value={kept?.kind}
          options={[
            ["level", "how full it is, in percent"],
            ["plugged", "it went on its charger"],
            ["unplugged", "it came off its charger"],
            ["used", "what programming took, in percent"],
          ]}
        />
        {read && <input type="hidden" name="how" value="read" />}
        <Labelled
          key={read ? `${read.name} ${read.percent}` : ""}
          name="percent"
          label="Percent"
          mono
          small
          value={read ? String(read.percent) : kept?.percent}
        />
        <AskNearby shows={props.device.shows} onRead={setRead} />
        <Labelled name="at" label="When (empty: now)" type="datetime-local" small value={kept?.at} />
        <button type="submit" className="btn btn-primary btn-sm">
          Note it
        </button>
        <Caution of="batteries" />
      </ActForm>
      {props.device.simulated && (
        <ActForm intent="read-level" className="mt-2">
          <input type="hidden" name="device" value={props.device.id} />
          <button type="submit" className="btn btn-outline btn-primary btn-sm">
            Ask the simulated one
          </button>
        </ActForm>
      )}
    </section>
  );
}

/** A programmer's own firmware: standings, needs and routes are those of the radio under which it is kept. */
function Firmware({ device }: { readonly device: ShownDevice }) {
  const mayEdit = useMay("edit-kit");
  return (
    <section>
      <h2 className="mb-1">Its own firmware</h2>
      {device.unit ? (
        <p>
          Kept like a radio's, under{" "}
          <Go className="link tag" to={`/units/${encodeURIComponent(device.unit)}`}>
            {device.unit}
          </Go>
          : what it runs, what it should run, and how it gets there.
        </p>
      ) : (
        <p className="text-quiet">
          Nobody keeps it. Add the programmer like a radio, with its model and its releases, and say its tag
          here.
        </p>
      )}
      {mayEdit && (
        <ActForm intent="tie" className="mt-2 flex items-end gap-2">
          <input type="hidden" name="device" value={device.id} />
          <Labelled
            name="tag"
            label="Kept under the tag (empty: none)"
            mono
            small
            value={device.unit ?? ""}
            box="w-64"
          />
          <button type="submit" className="btn btn-outline btn-primary btn-sm">
            Change
          </button>
        </ActForm>
      )}
    </section>
  );
}
