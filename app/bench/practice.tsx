// Practice: a drawn radio on which a procedure is tried; a wrong key is named, with what it would have done to a real one.
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { notePractice } from "#acts/run/note-practice.ts";
import { CAUSES } from "#core/run/causes.ts";
import { dossierHead, proceduresOf } from "#db/model/dossier.ts";
import { modelById, modelsToPick } from "#db/model/models.ts";
import { benchRules, practiceOf, practisable } from "#db/run/practice.ts";
import { type Exercise, isClean, type Practice as State } from "#simulators/radio/practice.ts";
import { FAULTS, type FaultKind } from "#simulators/radio/state.ts";
import { SYMPTOM } from "#simulators/radio/work.ts";
import { idIn, mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { KEY, newKey } from "../forms/form-key.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { inPassing, isHidden, shownTo } from "../shared/guarded.server.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { sayClock } from "../ui/words/duration.ts";
import { PURPOSE_WORD, sayStep } from "../ui/words/step.ts";
import type { Route } from "./+types/practice";
import { Handset } from "./handset.tsx";
import type { PracticeOrder } from "./practice.worker.ts";
import { Hands, Verdict } from "./run/verdict.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Practice · Mossy Cabinet" }];

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "practise");
  const search = new URL(request.url).searchParams;
  const asked = search.get("model");
  return readInClub(context, async (tx, who) => {
    const id = asked === null ? undefined : idIn(asked, "This model");
    const model = id === undefined ? undefined : await modelById(tx, id);
    const models = (await modelsToPick(tx)).map((one) => [one.id, one.name] as const);
    if (!model || id === undefined) {
      const own = new Map((await practiceOf(tx, who.person)).map((tally) => [tally.procedure_id, tally]));
      const all = (await practisable(tx))
        .filter((one) => !isHidden(who, one))
        .map((one) => ({ ...one, tally: own.get(one.id) }));
      return { models, model: undefined, all, asked: (await benchRules(tx)).clean };
    }
    const head = await dossierHead(tx, id);
    const procedures = (await proceduresOf(tx, id)).filter((p) => !p.draft && !isHidden(who, p));
    const chosen = procedures.find((p) => p.id === search.get("procedure"));
    const shown = chosen && (await shownTo(who, id, chosen));
    const tallies = new Map((await practiceOf(tx, who.person)).map((tally) => [tally.procedure_id, tally]));
    return {
      models,
      model: { id, name: model.name },
      layout: head.identity.layout,
      reading: Object.fromEntries(head.parts.map((part) => [part.name, part.reading])),
      // The others as the simulated radio must know them: a key that is held by mistake has to lead somewhere.
      procedures: inPassing(procedures).map(({ id: one, title, purpose, effect, steps }) => ({
        id: one,
        title,
        purpose,
        effect,
        steps: shown && one === shown.id ? shown.steps : steps,
        tally: tallies.get(one),
      })),
      chosen: shown?.hidden ? undefined : shown?.id,
    };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  const form = await request.formData();
  return readInClub(context, async (_tx, who) => {
    const done = await performForm(notePractice, who, form, {
      clean: form.get("clean") === "yes",
      ms: Number(form.get("ms")),
    });
    return { ok: done.ok };
  });
}

export const clientAction = offlineSaid;

export default function Practice({ loaderData }: Route.ComponentProps) {
  const { models, model } = loaderData;
  return (
    <Page title="Practice" says="on a simulated radio: nothing can break">
      <form className="sheet mb-4 flex flex-wrap items-end gap-3 p-3">
        <Labelled name="model" label="Model" value={model?.id} options={models} box="w-56" />
        {loaderData.procedures && (
          <Labelled
            name="procedure"
            label="Procedure"
            value={loaderData.chosen}
            options={loaderData.procedures.map(
              (p) => [p.id, `${PURPOSE_WORD[p.purpose]}: ${p.title}`] as const,
            )}
            box="w-96"
          />
        )}
        <button type="submit" className="btn btn-primary">
          Try it
        </button>
      </form>
      {loaderData.all && (
        <p className="mb-3">
          <Go to="/bench/pairing" className="link">
            Pairing over Bluetooth can be tried, too
          </Go>
        </p>
      )}
      {loaderData.all && <Choose all={loaderData.all} asked={loaderData.asked} />}
      {model && loaderData.procedures?.length === 0 && (
        <p className="doubt max-w-xl p-5 text-lg">
          Nobody has written down how anything is done with a {model.name}.
        </p>
      )}
      {model && !loaderData.layout && (
        <p className="doubt max-w-xl p-5 text-lg">
          Nobody has written down which keys a {model.name} has: its dossier has a place for them.
        </p>
      )}
      {loaderData.chosen !== undefined && loaderData.layout && (
        <Try key={loaderData.chosen} of={loaderData as Ready} />
      )}
      <noscript>
        <p className="doubt max-w-xl p-5 text-lg">A radio that answers its keys needs scripts.</p>
      </noscript>
    </Page>
  );
}

type Loaded = Route.ComponentProps["loaderData"];
type Offered = NonNullable<Loaded["all"]>;

/** What can be tried, by model, with how one's own tries went; what erases is marked, since the club may ask for tries of it. */
function Choose({ all, asked }: { readonly all: Offered; readonly asked: number }) {
  const models = [...new Map(all.map((one) => [one.model_id, one.model]))];
  return (
    <>
      {asked > 0 && (
        <p className="mb-3">
          Before anybody erases a real radio the club asks for {counted(asked, "clean try", "clean tries")} of
          the procedure.
        </p>
      )}
      <div className="gap-4 sm:columns-2 xl:columns-3">
        {models.map(([id, name]) => (
          <section key={id} className="sheet mb-4 break-inside-avoid p-3">
            <h2>{name}</h2>
            <ul className="mt-1 flex flex-col gap-1">
              {all
                .filter((one) => one.model_id === id)
                .map((one) => (
                  <li key={one.id} className="flex flex-wrap items-baseline justify-between gap-x-3">
                    <Go to={`/bench/practice?model=${id}&procedure=${one.id}`} className="link">
                      {one.title}
                    </Go>
                    <span className="text-sm text-quiet">
                      {one.effect === "erase" && <span className="text-rust">erases; </span>}
                      {one.tally
                        ? `${one.tally.clean} of ${one.tally.tries} clean${one.tally.best === null ? "" : `, best ${sayClock(one.tally.best)}`}`
                        : "not tried"}
                    </span>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </div>
    </>
  );
}

type Ready = { readonly [K in Exclude<keyof Loaded, "all" | "asked">]-?: NonNullable<Loaded[K]> };

/** A made-up version: what it shows is told from what is read off it. */
const RUNS = "1.02";

function Try({ of }: { readonly of: Ready }) {
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
