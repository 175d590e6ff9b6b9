// The Cabinet: the wall of drawers under a lens, and beside it what the cabinet needs, or the chosen radio.
import { data, Link, useSearchParams } from "react-router";
import { setFirstStep } from "#acts/club/set-first-step.ts";
import { firstSteps } from "#core/club/index.ts";
import { isUntold } from "#core/unit/index.ts";
import { clubProgress, offersToTry } from "#db/club/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { offlineSaid } from "../forms/offline.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { TryThis } from "../shared/tools/try-this.tsx";
import { useMay } from "../ui/club.ts";
import { MossSymbols } from "../ui/moss.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import type { Route } from "./+types/cabinet";
import { Chosen } from "./chosen.tsx";
import { EmptyCabinet, FirstSteps } from "./first-steps.tsx";
import { loadWall } from "./load.server.ts";
import { Needed } from "./needed.tsx";
import { FAR_FROM, LENSES, type Lens, Wall } from "./wall.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Cabinet · Mossy Cabinet" }];

export const handle = { follows: ["need", "unit", "club"] };

export async function loader({ context, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const lens = LENSES.find((l) => l.key === search.get("lens"))?.key ?? "needs";
  return readInClub(context, async (tx, who) => {
    const wall = await loadWall(tx, who.today, search.get("unit"), lens);
    const { unwanted, ...there } = await clubProgress(tx);
    return { ...wall, lens, begun: there, steps: firstSteps(there, unwanted), tries: await offersToTry(tx) };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  const who = mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  const done = await performForm(setFirstStep, who, form, { wanted: false });
  return done.ok ? null : data({ ok: false, says: NOT_WHOLE }, { status: 400 });
}

export const clientAction = offlineSaid;

export default function Cabinet({ loaderData, actionData }: Route.ComponentProps) {
  const { shelves, items, lens } = loaderData;
  const drawers = shelves.flatMap((s) => s.drawers);
  const { chosen } = loaderData;
  const away = drawers.filter((d) => d.holder !== undefined).length;
  const needing = drawers.filter((d) => d.needs !== undefined).length;
  const untold = drawers.filter((d) => d.needs === undefined && isUntold(d.standing)).length;
  const mayBegin = useMay("edit-unit");
  const [search] = useSearchParams();
  const look = search.get("look");
  const far = look === "far" || (look !== "near" && drawers.length > FAR_FROM);
  return (
    <div className="flex flex-col lg:grid lg:grid-cols-[minmax(0,1fr)_17rem]">
      <MossSymbols />
      <div className="min-w-0 px-4 pt-3 pb-4 md:pl-5">
        {actionData && <Said answer={actionData} />}
        <header className="mb-1 flex flex-wrap items-baseline gap-x-4">
          <h1>Cabinet</h1>
          <p className="text-sm text-quiet">
            {counted(drawers.length, "radio")}
            {drawers.length > 0 &&
              `: ${drawers.length - needing - untold} as they should be, ${needing} need something, ${untold > 0 ? `of ${untold} nobody can tell, ` : ""}${away} away`}
          </p>
          {(far || drawers.length > MANY) && (
            <a
              href={`/cabinet?${lookAt(search, far ? "near" : "far")}`}
              className="link inline-block py-0.5 text-sm"
            >
              {far ? "Step nearer" : "From farther away"}
            </a>
          )}
          <Lenses lens={lens} />
        </header>
        {lens === "mode" && (
          <p className="mb-1 text-sm">
            Hatched: it transmits where its user may not.{" "}
            <Link className="link" to="/cabinet/modes">
              All by mode and privilege
            </Link>
          </p>
        )}
        {drawers.length === 0 ? (
          <EmptyCabinet begun={loaderData.begun} />
        ) : (
          <Wall shelves={shelves} lens={lens} chosen={chosen?.drawer.tag} far={far} />
        )}
      </div>
      <aside
        className={`${chosen ? "order-first" : ""} border-t border-line bg-base-100 px-5 py-4 lg:sticky lg:top-0 lg:h-dvh lg:overflow-y-auto lg:order-none lg:border-t-0 lg:border-l`}
      >
        {chosen && <Chosen {...chosen} key={chosen.drawer.tag} />}
        <div className={chosen ? "max-lg:hidden" : ""}>
          <TryThis offered={loaderData.tries} />
          {mayBegin && loaderData.steps.length > 0 && (
            <FirstSteps steps={loaderData.steps} begun={loaderData.begun} apart={drawers.length > 0} />
          )}
          {drawers.length > 0 && <Needed items={items} untold={untold} />}
        </div>
      </aside>
    </div>
  );
}

/** From so many drawers on one may wish to step back. */
const MANY = 100;

function lookAt(search: URLSearchParams, look: "near" | "far"): string {
  const to = new URLSearchParams(search);
  to.set("look", look);
  return to.toString();
}

function Lenses({ lens }: { readonly lens: Lens }) {
  const [search] = useSearchParams();
  return (
    <nav aria-label="Lenses" data-go data-stay className="tabs tabs-border ml-auto">
      {LENSES.map(({ key, name }) => {
        const to = new URLSearchParams(search);
        to.set("lens", key);
        return (
          <a
            key={key}
            href={`/cabinet?${to}`}
            aria-current={key === lens ? "page" : undefined}
            className={`tab h-8 px-2.5 font-semibold ${key === lens ? "tab-active" : "text-quiet"}`}
          >
            {name}
          </a>
        );
      })}
    </nav>
  );
}
