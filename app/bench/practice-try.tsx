// One try of a procedure on a simulated radio.
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { CAUSES } from "#core/run/index.ts";
import { type Exercise, isClean, type Practice as State } from "#simulators/radio/practice.ts";
import { FAULTS, type FaultKind } from "#simulators/radio/state.ts";
import { SYMPTOM } from "#simulators/radio/work.ts";
import { KEY, newKey } from "../forms/form-key.tsx";
import { counted } from "../ui/words/count.ts";
import { sayStep } from "../ui/words/step.ts";
import type { Route } from "./+types/practice";
import { Handset } from "./handset.tsx";
import type { PracticeOrder } from "./practice.worker.ts";
import { Hands, Verdict } from "./run/verdict.tsx";

type Loaded = Route.ComponentProps["loaderData"];
export type Ready = { readonly [K in Exclude<keyof Loaded, "all" | "asked">]-?: NonNullable<Loaded[K]> };

/** A made-up version: what it shows is told from what is read off it. */
const RUNS = "1.02";

export function Try({ of }: { readonly of: Ready }) {
  const procedure = of.procedures.find((p) => p.id === of.chosen);
  const worker = useRef<Worker>(undefined);
  const [state, setState] = useState<State>();
  const [fault, setFault] = useState<FaultKind | "lot" | "">("");
  const began = useRef(0);
  const noted = useRef(false);
  const fetcher = useFetcher();

  const begin = (kind: typeof fault) => {
    // A deed of the try before it may still be under way.
    worker.current?.terminate();
    const mine = new Worker(new URL("./practice.worker.ts", import.meta.url), { type: "module" });
    mine.onmessage = ({ data }: MessageEvent<State>) => setState(data);
    worker.current = mine;
    const exercise: Exercise = {
      kind: { name: of.model.name, ways: of.procedures, reading: of.reading },
      target: of.chosen,
      effects: Object.fromEntries(of.procedures.map((p) => [p.id, p.effect])),
      runs: Object.fromEntries(Object.keys(of.reading).map((name) => [name, RUNS])),
    };
    const seed = Math.floor(performance.now());
    const drawn = kind === "lot" ? FAULTS[seed % (FAULTS.length + 1)] : kind || undefined;
    mine.postMessage({
      kind: "begin",
      exercise,
      seed,
      ...(drawn && { fault: drawn }),
    } satisfies PracticeOrder);
    began.current = performance.now();
    noted.current = false;
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: another procedure is another try, by its key
  useEffect(() => {
    begin("");
    return () => worker.current?.terminate();
  }, []);
  const send = (order: PracticeOrder) => worker.current?.postMessage(order);

  const isOver = state?.verdict.kind === "finished";
  // biome-ignore lint/correctness/useExhaustiveDependencies: noted once, when it is over
  useEffect(() => {
    if (!state || !isOver || noted.current) return;
    noted.current = true;
    const form = new FormData();
    form.set(KEY, newKey());
    form.set("model", of.model.id);
    form.set("procedure", of.chosen);
    form.set("clean", isClean(state) ? "yes" : "no");
    form.set("ms", String(Math.round(performance.now() - began.current)));
    fetcher.submit(form, { method: "post" });
  }, [isOver]);

  if (!procedure) return null;
  // Mobiles and bases are broad: in a narrow column nobody could read their keys.
  const isWide = of.layout.body === "mobile" || of.layout.body === "base";
  const needsHands = procedure.steps.some((step) => ["connect", "wait", "tool", "menu"].includes(step.kind));
  return (
    <div
      className={`grid gap-6 ${isWide ? "xl:grid-cols-[minmax(0,44rem)_minmax(0,1fr)]" : "lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]"}`}
    >
      <div className="sheet p-4">
        {state && (
          <Handset
            layout={of.layout}
            on={state.radio.on}
            signs={state.radio.signs}
            onDeed={(deed) => send({ kind: "deed", deed })}
          />
        )}
        {needsHands && <Hands steps={procedure.steps} onDeed={(deed) => send({ kind: "deed", deed })} />}
      </div>
      <div className={`flex flex-col gap-4 ${isWide ? "max-xl:order-first" : "max-lg:order-first"}`}>
        <header>
          <h2 className="text-2xl">{procedure.title}</h2>
          <p className="text-quiet">
            {state &&
              `${state.done} of ${counted(state.of, "step")} done, ${counted(state.wrong, "mistake")}`}
            {procedure.tally &&
              `; you have ${counted(procedure.tally.clean, "clean try", "clean tries")} of ${procedure.tally.tries}${procedure.tally.best === null ? "" : `, the best in ${(procedure.tally.best / 1000).toFixed(1)} s`}`}
          </p>
        </header>
        {state && <Verdict state={state} />}
        {state?.verdict.kind === "stopped" && (
          <section>
            <h3 className="mb-1">Why is that?</h3>
            <ul className="flex flex-col items-start gap-2">
              {CAUSES.map((cause) => (
                <li key={cause.id}>
                  <button
                    type="button"
                    className="btn btn-outline btn-primary btn-sm"
                    onClick={() => send({ kind: "cause", cause: cause.id })}
                  >
                    {cause.cause}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        )}
        <details>
          <summary className="cursor-pointer font-semibold">How it is done</summary>
          <ol className="mt-1 list-decimal pl-6">
            {procedure.steps.map((step, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
              <li key={i}>{sayStep(step)}</li>
            ))}
          </ol>
        </details>
        <div className="flex flex-wrap items-end gap-3">
          <button type="button" className="btn btn-primary" onClick={() => begin(fault)}>
            Begin again
          </button>
          <label className="text-sm">
            With
            <select
              className="select select-sm ml-2 w-56"
              value={fault}
              onChange={(event) => setFault(event.target.value as typeof fault)}
            >
              <option value="">nothing wrong</option>
              <option value="lot">a fault by lot</option>
              {FAULTS.map((kind) => (
                <option key={kind} value={kind}>
                  {SYMPTOM[kind]}
                </option>
              ))}
            </select>
          </label>
        </div>
      </div>
    </div>
  );
}
