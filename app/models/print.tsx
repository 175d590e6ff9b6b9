// Procedures as cards on paper, a quarter of a page each, black on white.

import { Link } from "react-router";
import { isGuarded } from "#core/dossier/index.ts";
import { listed } from "#core/quantities/index.ts";
import { dossierHead, proceduresOf } from "#db/model/index.ts";
import { readInClub } from "../context.ts";
import { inPassing, shownTo } from "../shared/guarded.server.ts";
import { KeyCard } from "../ui/key-card.tsx";
import { EFFECT_WORD, PURPOSE_WORD, saySource, sayStepAndSigns } from "../ui/words/step.ts";
import type { Route } from "./+types/print";
import { mustHaveModel, warningsOf } from "./load-dossier.server.ts";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Cards of the ${loaderData?.model.name ?? "model"} · Mossy Cabinet` },
];

export async function loader({ context, params, request }: Route.LoaderArgs) {
  const only = new URL(request.url).searchParams.get("only");
  return readInClub(context, async (tx, who) => {
    const model = await mustHaveModel(tx, params.model);
    const all = await proceduresOf(tx, model.id);
    const { identity } = await dossierHead(tx, model.id);
    const warnings = warningsOf(all);
    const passing = inPassing(all);
    // What unlocks is printed only where it is asked for by itself.
    const asked = all.filter((p) => !p.draft && (only === null ? !isGuarded(p) : p.id === only));
    const shown = await Promise.all(asked.map((p) => shownTo(who, model.id, p)));
    const cards = shown
      .filter(({ hidden }) => !hidden)
      .map((procedure) => ({
        procedure,
        beside: warnings
          .filter((w) => w.of === procedure.id)
          .flatMap((w) => passing.find((p) => p.id === w.other) ?? []),
      }));
    return { model, layout: identity.layout, cards };
  });
}

export default function Print({ loaderData }: Route.ComponentProps) {
  const { model, layout, cards } = loaderData;
  return (
    <div className="px-4 pt-3 pb-8 md:px-6 print:p-0">
      <div className="no-print mb-4 flex flex-wrap items-baseline gap-4">
        <h1>Cards of the {model.name}</h1>
        <Link className="link" to={`/models/${model.id}`}>
          Back to the dossier
        </Link>
        <p className="text-sm text-quiet">
          Print this page: four cards go on a sheet. What unlocks a radio is printed from its own page.
        </p>
      </div>
      <div className="print-sheet grid gap-4 xl:grid-cols-2">
        {cards.map(({ procedure, beside }) => {
          const first = procedure.steps.find((step) => step.kind === "hold" || step.kind === "press");
          return (
            <article key={procedure.id} className="print-card">
              <h2 className="text-base">
                {model.name}: {procedure.title}
              </h2>
              <p className="text-sm">
                {PURPOSE_WORD[procedure.purpose]}; {EFFECT_WORD[procedure.effect]}
              </p>
              {beside.map((other) => {
                const hold = other.steps.find((step) => step.kind === "hold");
                return (
                  <p key={other.id} className="text-sm font-bold">
                    Not {listed(hold?.keys ?? [], 9)}: that is “{other.title}” and {EFFECT_WORD[other.effect]}
                    .
                  </p>
                );
              })}
              <div className={layout && first ? "grid grid-cols-[40%_minmax(0,1fr)] gap-3" : ""}>
                {layout && first && <KeyCard layout={layout} step={first} />}
                <ol className="list-decimal pl-5 text-sm">
                  {procedure.steps.map((step, i) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: steps have no ids; the list is only shown
                    <li key={i}>{sayStepAndSigns(step)}</li>
                  ))}
                </ol>
              </div>
              <p className="text-xs">From {saySource(procedure.source)}.</p>
            </article>
          );
        })}
      </div>
    </div>
  );
}
