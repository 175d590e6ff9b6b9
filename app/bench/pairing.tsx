// Pairing, tried on a simulated radio and device: the menu that looks right and is not, the button pressed too late, the PIN that expires.
import { useState } from "react";
import { adviceOf } from "#acts/bluetooth/pair-facts.ts";
import { pairAdviceRows } from "#db/kit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { airOf } from "../shared/air.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { saySigns, sayStep, signsOf } from "../ui/words/step.ts";
import type { Route } from "./+types/pairing";
import { AirBench } from "./air.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Pairing, tried · Mossy Cabinet" }];

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "practise");
  const asked = new URL(request.url).searchParams.get("advice");
  return readInClub(context, async (tx) => {
    const rows = (await pairAdviceRows(tx)).filter(({ menu }) => menu !== "");
    const row = rows.find(({ id }) => id === asked) ?? rows[0];
    return {
      choices: rows.map(
        ({ id, what, model }) => [id, model === null ? what : `${what}, with a ${model}`] as const,
      ),
      chosen: row && { id: row.id, kind: airOf(adviceOf(row)), steps: row.steps },
    };
  });
}

export default function PairingPractice({ loaderData }: Route.ComponentProps) {
  const { choices, chosen } = loaderData;
  const [held, setHeld] = useState<number>();
  const [round, setRound] = useState(0);
  return (
    <Page title="Pairing" says="on a simulated radio: nothing can break">
      <p className="mb-3">
        <Go to="/bench/practice" className="link">
          Procedures to practise
        </Go>
      </p>
      {chosen ? (
        <div className="flex flex-col gap-4">
          <form className="flex flex-wrap items-end gap-3">
            <Labelled name="advice" label="With" small value={chosen.id} options={choices} box="w-80" />
            <button type="submit" className="btn btn-outline btn-primary btn-sm">
              Try it
            </button>
          </form>
          <AirBench key={`${chosen.id} ${round}`} kind={chosen.kind} onHold={setHeld} />
          {held !== undefined && (
            <p role="status" className="text-lg font-semibold text-primary">
              {held === 0
                ? "It holds, and without a mistake."
                : `It holds, after ${counted(held, "mistake")}.`}{" "}
              <button
                type="button"
                className="link"
                onClick={() => {
                  setHeld(undefined);
                  setRound(round + 1);
                }}
              >
                Begin again
              </button>
            </p>
          )}
          <details>
            <summary className="cursor-pointer font-semibold">How it is done</summary>
            <p className="mt-1">In the menu {chosen.kind.menu}.</p>
            <ol className="mt-1 list-decimal pl-6">
              {chosen.steps.map((step, i) => {
                const signs = signsOf(step);
                return (
                  // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
                  <li key={i}>
                    {sayStep(step)} {signs && <span className="text-quiet">{saySigns(signs).join(" ")}</span>}
                  </li>
                );
              })}
            </ol>
            {chosen.kind.pin && (
              <p>
                The PIN is <span className="ver">{chosen.kind.pin}</span>.
              </p>
            )}
          </details>
        </div>
      ) : (
        <p className="doubt max-w-xl p-5 text-lg">
          Nobody has written down how anything is paired: the kit has a place for it.
        </p>
      )}
      <noscript>
        <p className="doubt max-w-xl p-5 text-lg">A radio that answers its keys needs scripts.</p>
      </noscript>
    </Page>
  );
}
