// Before the first step: in one look what will be done, with what, how long, what is erased, and what could go wrong.
import { listed } from "#core/quantities/index.ts";
import { Caution } from "../ui/caution.tsx";
import { useClub } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";
import { sayMinutes } from "../ui/words/duration.ts";
import { sayRunStep, shouldSee } from "../ui/words/run.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Shown } from "./shown.ts";

export function Ready({ run }: { readonly run: Shown }) {
  const { locale, today } = useClub();
  const steps = run.steps.map(({ step }) => step);
  const minutes = run.steps.reduce((sum, { usual }) => sum + usual.minutes, 0);
  const flashes = steps.filter((step) => step.kind === "machine" && step.work === "flash");
  const erases = steps.filter((step) => step.kind === "machine" && step.erases);
  const open = steps.filter((step) => step.kind === "open");
  const switched = steps.find((step) => step.kind === "switched");
  const probes = steps.filter((step) => step.kind === "probe");
  const changes = steps.some((step) => step.kind === "machine" && step.work !== "read");
  return (
    <section className="flex flex-col gap-3">
      <header>
        <h1>{run.title}</h1>
        <p className="mt-1 text-lg">
          {counted(run.steps.length, "step")} on {run.tag}, about {sayMinutes(minutes)}.
        </p>
      </header>
      <dl className="sheet grid max-w-3xl gap-x-6 gap-y-2 p-4 text-lg md:grid-cols-[9rem_minmax(0,1fr)]">
        {run.things.length > 0 && (
          <>
            <dt className="text-quiet">With</dt>
            <dd>
              {listed(
                run.things.map(({ kind, name }) =>
                  kind === "lead" || kind === "adapter" ? `${kind} ${name}` : name,
                ),
                9,
              )}
            </dd>
          </>
        )}
        {run.things.length === 0 && changes && (
          <>
            <dt className="text-quiet">With</dt>
            <dd className="doubt w-fit px-2">Nothing of our kit is known to reach into it.</dd>
          </>
        )}
        {flashes.length > 0 && (
          <>
            <dt className="text-quiet">Goes on</dt>
            <dd>
              {listed(
                flashes.map((step) => (step.kind === "machine" ? `${step.component} ${step.version}` : "")),
                9,
              )}
              {flashes.length > 1 && ", one after the other"}
            </dd>
          </>
        )}
        {changes && (
          <>
            <dt className="text-quiet">Erased</dt>
            <dd>
              {erases.length === 0
                ? "nothing"
                : flashes.length === 0
                  ? "what is in it now; it is read out and kept first"
                  : "what is programmed in it; it is backed up before and written back after"}
            </dd>
          </>
        )}
        {probes.length > 0 && (
          <>
            <dt className="text-quiet">Proved</dt>
            <dd>on {counted(probes.length, "test frequency", "test frequencies")}, into a dummy load</dd>
          </>
        )}
        {switched && probes.length === 0 && (
          <>
            <dt className="text-quiet">Proved</dt>
            <dd className="doubt w-fit px-2">No test frequency tells its modes apart.</dd>
          </>
        )}
        {changes && (
          <>
            <dt className="text-quiet">Could go wrong</dt>
            <dd>
              A plug that slips or a flat battery while it is written leaves it dead until it is flashed again
              {open.length > 0 && `; ${counted(open.length, "step")} nobody has written down yet`}.
            </dd>
          </>
        )}
      </dl>
      {run.hold && (
        <p className="doubt w-fit px-3 py-1">
          It is on hold until {sayDate(run.hold.until, locale, today)}: {run.hold.why}
        </p>
      )}
      {changes && <Caution of="flashing" />}
      {switched?.kind === "switched" && switched.beyond && (
        <p className="hatch w-fit border-l-4 border-rust p-3 font-semibold text-rust">
          In {switched.mode} it transmits where its user may not.
        </p>
      )}
      {switched && <Caution of="unlocking" />}
      <details className="max-w-3xl" open={run.stages.length === 1}>
        <summary className="cursor-pointer font-semibold">All steps</summary>
        <ol className="sheet mt-2 list-decimal py-3 pr-4 pl-9 text-lg">
          {steps.map((step, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
            <li key={i}>
              {sayRunStep(step)} <span className="text-base text-quiet">{shouldSee(step).join(" ")}</span>
            </li>
          ))}
        </ol>
      </details>
    </section>
  );
}
