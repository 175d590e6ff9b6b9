// The step that a run is at: what to do, with its keys, and what should be seen.
import { listed } from "#core/quantities/index.ts";
import { Beside } from "../../shared/beside.tsx";
import { Caution } from "../../ui/caution.tsx";
import { KeyCard } from "../../ui/key-card.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayUsual } from "../../ui/words/duration.ts";
import { sayRunStep, shouldSee } from "../../ui/words/run.ts";
import { sayStep } from "../../ui/words/step.ts";
import { Clock } from "../clock.tsx";
import { Handy } from "../handy.tsx";
import { Progress } from "../machine.tsx";
import type { Shown } from "../shown.ts";

export function CurrentStep({ run }: { readonly run: Shown }) {
  const step = run.next;
  if (!step)
    return (
      <section>
        <h1>All steps are done</h1>
        <p className="mt-1 text-lg">Say so, and it is free again.</p>
      </section>
    );
  const before = new Map(run.took).get(run.place) ?? 0;
  const usual = run.steps[run.place]?.usual ?? { minutes: step.minutes, times: 0 };
  const see = shouldSee(step);
  const isFlash = step.kind === "machine" && step.work !== "read";
  return (
    <section className="flex flex-col gap-4">
      <header>
        <p className="flex flex-wrap justify-between gap-x-4 text-quiet">
          <span>
            Step {run.place + 1} of {run.steps.length}
          </span>
          <span>
            {run.phase === "going" && run.since && <Clock since={run.since} before={before} />}
            {sayUsual(usual.minutes)}
            {usual.times > 0 && `, by our last ${usual.times === 1 ? "time" : `${usual.times} times`}`}
          </span>
        </p>
        <h1 className="text-3xl">{sayRunStep(step)}</h1>
        {step.kind === "machine" && step.tool !== undefined && (
          <p className="mt-1 text-lg">With {step.tool}.</p>
        )}
        {step.kind === "machine" && run.code && (
          <p className="doubt mt-2 w-fit px-3 py-1 text-lg">
            This one is {run.code.name}: set the tool to <strong>{run.code.tool}</strong>.
          </p>
        )}
        {step.kind === "right-menu" && step.wrongShows !== undefined && (
          <p className="relative mt-3 max-w-2xl border border-rust bg-base-100 p-3 pl-7 text-lg">
            <span aria-hidden="true" className="hatch absolute inset-y-0 left-0 w-3" />
            In the wrong one {step.wrongShows}.
          </p>
        )}
        {step.kind === "gate" && step.what !== undefined && <p className="mt-1 text-lg">{step.what}</p>}
        <Handy text={[sayRunStep(step), ...see].join(". ")} awake={run.phase === "going"} />
        {run.phase === "paused" && <p className="doubt mt-2 w-fit px-3 py-1">It is paused.</p>}
        {run.lent !== null && (
          <p className="doubt mt-2 w-fit px-3 py-1">{run.lent} has it meanwhile: take it back first.</p>
        )}
      </header>
      {run.odd !== undefined && (
        <p role="alert" className="hatch border-l-4 border-rust p-3 text-lg font-semibold text-rust">
          {run.odd}
        </p>
      )}
      {run.odd !== undefined && step.kind === "probe" && run.fits && (
        <p className="text-lg">
          {run.fits.length === 0
            ? "What was seen fits none of its modes that we know of."
            : `What was seen fits the mode ${listed(run.fits, 6)}.`}
        </p>
      )}
      {run.odd !== undefined && run.recover && (
        <div className="sheet p-4">
          <h2>{run.recover.title}</h2>
          <ol className="mt-1 list-decimal pl-6 text-lg">
            {run.recover.steps.map((one, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
              <li key={i}>{sayStep(one)}</li>
            ))}
          </ol>
        </div>
      )}
      {step.kind === "machine" && run.work && run.odd === undefined && <Progress run={run} work={run.work} />}
      <div className="grid auto-rows-max gap-4 lg:grid-cols-2">
        {run.layout && step.kind === "do" && (
          <div className="sheet p-4 lg:row-span-6">
            <KeyCard layout={run.layout} step={step.step} />
          </div>
        )}
        {see.length > 0 && (
          <div className="sheet h-fit p-4 text-lg">
            <h2 className="mb-1">You should see</h2>
            {see.map((sign) => (
              <p key={sign}>{sign}</p>
            ))}
          </div>
        )}
        {run.beside.map((other) => (
          // On a phone what does harm is read before the keys are.
          <div key={other.id} className="max-lg:order-first">
            <Beside other={other} model={run.model_id} />
          </div>
        ))}
        {run.radio && <Simulated radio={run.radio} obeys={run.obeys} />}
      </div>
      {step.kind === "probe" && (
        <p className={step.outside ? "w-fit border-l-4 border-rust pl-3" : ""}>
          In this mode it should {step.transmits ? "transmit" : "stay silent"} there.
          {step.outside &&
            " It lies where its user may not transmit: into the load only, and only if local rules allow even that."}
        </p>
      )}
      {step.kind === "switched" && step.beyond && <Caution of="unlocking" />}
      {step.kind === "measure" && (
        <>
          {step.rated !== undefined && <p className="text-lg">It is rated for {step.rated} W.</p>}
          <Caution of="measuring" />
        </>
      )}
      {(step.kind === "probe" ||
        step.kind === "measure" ||
        (step.kind === "do" && step.step.kind === "key-up")) && <Caution of="keying-up" />}
      {isFlash && <Caution of="flashing" />}
      {run.files.length > 0 && step.kind === "gate" && step.gate === "backup" && (
        <p className="text-lg">{counted(run.files.length, "file")} kept in this run.</p>
      )}
    </section>
  );
}

/** What the simulated radio shows now, in words: nobody holds it in their hands. */
function Simulated({
  radio,
  obeys,
}: {
  readonly radio: NonNullable<Shown["radio"]>;
  readonly obeys: boolean | undefined;
}) {
  const { signs, charge, on } = radio;
  return (
    <div className="h-fit border border-dashed border-line p-4">
      <h2 className="mb-1">The simulated radio</h2>
      <p>
        It is {on ? "on" : "off"}, charged to {charge} %.{" "}
        {[
          signs.lamp && `Lamp ${signs.lamp}.`,
          signs.screen && `Screen: ${signs.screen}.`,
          signs.sound && `Sound: ${signs.sound}.`,
        ]
          .filter(Boolean)
          .join(" ")}
        {obeys !== undefined && ` Asked to, it ${obeys ? "transmits" : "does not transmit"}.`}
      </p>
    </div>
  );
}
