// How one radio and one device are paired: the menu, the presses, the settings; and how it went.
import type { Step } from "#core/dossier/index.ts";
import { isOutOfUse } from "#core/kit/index.ts";
import { SOURCE_WORD } from "#core/quantities/index.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { useClub } from "../../ui/club.ts";
import { Wide } from "../../ui/wide.tsx";
import { sayDrain, sayNow, sayPercent } from "../../ui/words/kit/charge.ts";
import { PAIRING_WORD, sayPairing } from "../../ui/words/kit/pairing.ts";
import { saySigns, sayStep, signsOf } from "../../ui/words/step.ts";
import { sayMoment } from "../../ui/words/time.ts";
import type { ShownPairing, ShownPairPlan } from "./load-pairings.server.ts";

export function Plan({ found, tag }: { readonly found: ShownPairPlan; readonly tag: string }) {
  const { plan, device } = found;
  if (!plan || !device) return null;
  const { advice } = plan;
  return (
    <div className="flex min-w-0 flex-col gap-5">
      {plan.forgets.length > 0 && (
        <p className="doubt w-fit px-4 py-2">
          {device.tag} holds {device.holds === 1 ? "one radio" : `${device.holds} radios`} at a time: it
          forgets {plan.forgets.join(", ")}.
        </p>
      )}
      {plan.turnOn && (
        <p className="doubt w-fit px-4 py-2">A reset leaves this radio's Bluetooth off: turn it on first.</p>
      )}
      {advice ? (
        <>
          {advice.menu && (
            <section aria-label="The menu" className="grid gap-3 sm:grid-cols-2">
              <div className="sheet p-4">
                <h2 className="text-base">Here</h2>
                <p className="mt-1 text-xl font-semibold">{advice.menu}</p>
                {advice.shows && <p className="mt-1 text-quiet">When it holds: {advice.shows}.</p>}
              </div>
              {advice.wrongMenu && (
                <div className="relative border border-rust bg-base-100 p-4 pl-7">
                  <span aria-hidden="true" className="hatch absolute inset-y-0 left-0 w-3" />
                  <h2 className="text-base text-rust">Not here</h2>
                  <p className="mt-1 text-xl font-semibold line-through">{advice.wrongMenu}</p>
                  {advice.wrongShows && <p className="mt-1">{advice.wrongShows}.</p>}
                </div>
              )}
            </section>
          )}
          {advice.steps.length > 0 && (
            <section>
              <h2 className="mb-1">In this order</h2>
              <ol className="sheet list-decimal divide-y divide-line pl-10">
                {advice.steps.map((step, i) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
                  <li key={i} className="py-1.5 pr-3">
                    <PairStep step={step} />
                  </li>
                ))}
                {advice.pin && (
                  <li className="py-1.5 pr-3">
                    Type the PIN <strong className="ver">{advice.pin}</strong>
                    {advice.pinSeconds !== undefined && (
                      <span className="text-quiet"> within {advice.pinSeconds} seconds; then it expires</span>
                    )}
                  </li>
                )}
              </ol>
            </section>
          )}
        </>
      ) : (
        <p className="doubt max-w-xl p-5 text-lg">
          Nobody has written down how a {device.what || device.kind} is paired with a radio like {tag}.
          {found.elsewhere &&
            found.elsewhere.length > 0 &&
            ` With another model it is in the menu ${found.elsewhere.join(", or ")}.`}
        </p>
      )}
      {plan.settings.length > 0 && <Settings settings={plan.settings} />}
      {plan.fails.length > 0 && (
        <section>
          <h2 className="mb-1">Known to fail</h2>
          <ul className="list-disc pl-5">
            {plan.fails.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </section>
      )}
      {advice && (
        <p className="text-sm text-quiet">
          Known from {SOURCE_WORD[advice.source.kind]}
          {advice.source.what && `, ${advice.source.what}`}.
        </p>
      )}
    </div>
  );
}

function PairStep({ step }: { readonly step: Step }) {
  const signs = signsOf(step);
  return (
    <>
      {sayStep(step)}
      {signs && <span className="block text-sm text-quiet">{saySigns(signs).join(" ")}</span>}
    </>
  );
}

function Settings({ settings }: { readonly settings: NonNullable<ShownPairPlan["plan"]>["settings"] }) {
  return (
    <section>
      <h2 className="mb-1">What is set</h2>
      <Wide label="What is set">
        <table className="table table-sm">
          <thead>
            <tr>
              <th>Setting</th>
              <th>Recommended</th>
              <th>This pair's own</th>
              <th>Why</th>
            </tr>
          </thead>
          <tbody>
            {settings.map(({ name, value, why, own }) => (
              <tr key={name}>
                <td>{name}</td>
                <td>{value}</td>
                <td>{own && own.value !== value ? own.value : ""}</td>
                <td>
                  {why}
                  {own?.why && <span className="block text-quiet">here: {own.why}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </section>
  );
}

type Device = NonNullable<ShownPairPlan["device"]>;

export function Begin({ device, tag }: { readonly device: Device; readonly tag: string }) {
  return (
    <section>
      <p>
        {device.charge.kind === "known"
          ? `${device.tag} has about ${sayPercent(device.charge.percent)}, ${sayDrain(device.charge.drain) ?? "and nobody knows what it loses"}.`
          : `${device.tag}: ${sayNow(device.charge)}.`}
        {device.shows && (
          <span className="block text-quiet">
            It shows itself as “{device.shows}”{device.address && `, ${device.address}`}.
          </span>
        )}
        {device.offers && <span className="block text-quiet">It offers {device.offers}.</span>}
      </p>
      {isOutOfUse(device.battery) ? (
        <p className="mt-2 text-rust">Its battery is {device.battery}: it is not paired with anything.</p>
      ) : (
        <ActForm intent="bench" className="mt-2">
          <input type="hidden" name="device" value={device.id} />
          <button type="submit" name="for" value="pair" className="btn btn-primary">
            Pair {tag} with it, step by step
          </button>
        </ActForm>
      )}
    </section>
  );
}

/** Somebody did it without a run. */
export function NoteIt({ device, open }: { readonly device: Device; readonly open: boolean }) {
  return (
    <details open={open}>
      <summary className="link w-fit cursor-pointer text-sm">They are paired already</summary>
      <ActForm intent="pair" className="sheet mt-2 flex flex-col gap-2 p-3">
        <input type="hidden" name="device" value={device.id} />
        <Labelled name="proved" label="Somebody saw that it holds" type="checkbox" value={undefined} small />
        <Labelled
          name="ends"
          label="It forgets what it holds no more beside this one"
          type="checkbox"
          value={undefined}
          small
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm w-fit">
          Note it
        </button>
      </ActForm>
    </details>
  );
}

export function Went(props: {
  readonly own: ShownPairing;
  readonly mayWork: boolean;
  readonly kept: Readonly<Record<string, string>> | undefined;
}) {
  const { own, kept } = props;
  const { locale, timeZone } = useClub();
  const pairing = <input type="hidden" name="pairing" value={own.id} />;
  return (
    <section className="flex flex-col gap-3">
      <p className={own.state.kind === "broken" ? "font-semibold text-rust" : ""}>
        Paired since {sayMoment(own.since, locale, timeZone)}; {sayPairing(own.state, locale, timeZone)}.
      </p>
      <ul aria-label="How it went" className="text-sm">
        {own.events.map((event) => (
          <li key={`${event.at}${event.kind}`}>
            {sayMoment(event.at, locale, timeZone)}: {PAIRING_WORD[event.kind]}
            <span className="text-quiet">
              {event.note && `, ${event.note}`} ({event.by})
            </span>
          </li>
        ))}
      </ul>
      {props.mayWork && (
        <>
          <ActForm intent="event" className="sheet flex flex-col gap-2 p-3">
            {pairing}
            <Labelled
              name="what"
              label="When somebody looked, it"
              small
              value={kept?.intent === "event" ? kept.what : undefined}
              options={[
                ["proved", "held"],
                ["dropped", "dropped"],
                ["failed", "failed"],
                ["lost", "was lost, to a reset"],
              ]}
            />
            <Labelled
              name="note"
              label="Note (may stay empty)"
              small
              most={300}
              value={kept?.intent === "event" ? kept.note : undefined}
            />
            <button type="submit" className="btn btn-outline btn-primary btn-sm w-fit">
              Note how it went
            </button>
          </ActForm>
          <details open={kept?.intent === "settings"}>
            <summary className="link w-fit cursor-pointer text-sm">Set otherwise in this pair</summary>
            <ActForm
              intent="settings"
              drawn={{ settings: own.settings }}
              kept={kept?.intent === "settings" ? kept : undefined}
              className="sheet mt-2 flex flex-col gap-2 p-3"
            >
              {pairing}
              <Labelled
                name="settings"
                label="A line each: hold time = 3 s: why"
                rows={3}
                small
                most={500}
                value={kept?.intent === "settings" ? kept.settings : own.settings}
              />
              <button type="submit" className="btn btn-outline btn-primary btn-sm w-fit">
                Note its settings
              </button>
            </ActForm>
          </details>
          <details>
            <summary className="link w-fit cursor-pointer text-sm">Take them apart</summary>
            <ActForm intent="end" className="sheet mt-2 flex items-end gap-2 p-3">
              {pairing}
              <Labelled
                name="why"
                label="Why (may stay empty)"
                small
                most={300}
                value={undefined}
                box="grow"
              />
              <button type="submit" className="btn btn-outline btn-error btn-sm">
                Take apart
              </button>
            </ActForm>
          </details>
        </>
      )}
    </section>
  );
}
