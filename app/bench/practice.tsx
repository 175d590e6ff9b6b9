// Practice: a drawn radio on which a procedure is tried; a wrong key is named, with what it would have done to a real one.
import { notePractice } from "#acts/run/note-practice.ts";
import { dossierHead, modelById, modelsToPick, proceduresOf } from "#db/model/index.ts";
import { benchRules, practiceOf, practisable } from "#db/run/index.ts";
import { idIn, mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { inPassing, isHidden, shownTo } from "../shared/guarded.server.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { sayClock } from "../ui/words/duration.ts";
import { PURPOSE_WORD } from "../ui/words/step.ts";
import type { Route } from "./+types/practice";
import { type Ready, Try } from "./practice-try.tsx";

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
