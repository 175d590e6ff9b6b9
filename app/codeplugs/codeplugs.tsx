// Codeplugs: which radios carry what, how the plan lies in each model, and what is wrong with it.
import { Link } from "react-router";
import type { CarriedCounts } from "#core/unit/index.ts";
import { carriersOf } from "#db/codeplug/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { useClub, useMay } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { Page } from "../ui/page.tsx";
import { StripLegend, Strips } from "../ui/strips.tsx";
import { CARRIED_WORD, sayNoPlan, sayTrouble } from "../ui/words/codeplug.ts";
import { counted } from "../ui/words/count.ts";
import { sayHertz } from "../ui/words/frequency.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/codeplugs";
import { askedChannel } from "./asked-channel.ts";
import { loadCarried } from "./load-carried.server.ts";
import { CodeplugTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Codeplugs · Mossy Cabinet" }];

export const handle = { follows: ["club", "unit", "model"] };

const MOST_CARRIERS = 100;

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const typed = (new URL(request.url).searchParams.get("carries") ?? "").trim().slice(0, 80);
  return readInClub(context, async (tx) => {
    const asked = askedChannel(typed);
    const found = asked ? await carriersOf(tx, asked, MOST_CARRIERS + 1) : undefined;
    return {
      ...(await loadCarried(tx)),
      typed,
      carriers: found?.slice(0, MOST_CARRIERS).map(({ tag, model, channels }) => ({
        tag,
        model,
        channels: channels.slice(0, 3).map(({ position, name, receive }) => ({ position, name, receive })),
      })),
      more: (found?.length ?? 0) > MOST_CARRIERS,
    };
  });
}

type Data = Route.ComponentProps["loaderData"];

const unitsIn = (models: Data["models"], state: CarriedCounts["state"]): number =>
  models
    .flatMap((model) => model.carried)
    .reduce((sum, one) => sum + (one.state === state ? one.units : 0), 0);

export default function Codeplugs({ loaderData }: Route.ComponentProps) {
  const { plan, models, troubles, drafted } = loaderData;
  const { locale, timeZone } = useClub();
  const mayWork = useMay("work-at-bench");
  const [now, older, other, unknown] = (["plan", "older", "other", "unknown"] as const).map((state) =>
    unitsIn(models, state),
  );
  const behind = (older ?? 0) + (other ?? 0) + (unknown ?? 0);
  return (
    <Page
      title="Codeplugs"
      says={
        plan
          ? `${counted(now ?? 0, "radio")} carry plan ${plan.number} of ${sayInstant(plan.issued, locale, timeZone).split(",")[0]}, ${older} an older one, ${other} another table; ${unknown} nobody has read`
          : sayNoPlan(drafted)
      }
      acts={<CodeplugTabs here="carried" />}
    >
      {plan ? (
        <Strips
          blocks={plan.blocks}
          models={models.map((model) => ({ ...model, to: `/codeplugs/models/${model.id}` }))}
          foot={{
            head: (
              <span className="flex flex-col items-start gap-2">
                <span className="font-serif text-base">Who carries what</span>
                {mayWork && behind > 0 && (
                  <Go to="/due?do=program" className="btn btn-primary btn-sm">
                    Write to who lacks it
                  </Go>
                )}
              </span>
            ),
            of: (model) => <Squares counts={models.find(({ id }) => id === model.id)?.carried ?? []} />,
          }}
        />
      ) : (
        <p className="doubt max-w-xl p-5 text-lg">
          The club keeps one plan of channels; each model gets its table from it, and each radio is held
          against that.
          <Go to="/codeplugs/plan" className="link ml-2">
            {drafted === undefined ? "Begin the plan" : "Go on with the draft"}
          </Go>
        </p>
      )}
      {plan && <Legend />}
      <div className="mt-5 grid gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
        {plan && <Troubles troubles={troubles} />}
        <Carriers data={loaderData} />
      </div>
    </Page>
  );
}

const SQUARE = {
  plan: "bg-primary border-primary",
  older: "border-brass border-2",
  other: "hatch border-rust",
  unknown: "border-dotted border-quiet border-2",
} as const;

/** A small square for each radio; where there are many, how many. */
function Squares({ counts }: { readonly counts: readonly CarriedCounts[] }) {
  const units = counts.reduce((sum, one) => sum + one.units, 0);
  if (units > 24)
    return (
      <ul className="text-xs">
        {counts.map((one) => (
          <li key={one.state} className="flex items-center gap-1">
            <span className={`inline-block size-3 border ${SQUARE[one.state]}`} aria-hidden="true" />
            <span className="ver">{one.units}</span>{" "}
            <span className="sr-only">{CARRIED_WORD[one.state]}</span>
          </li>
        ))}
      </ul>
    );
  return (
    <ul className="-ml-1 flex flex-wrap">
      {counts.flatMap(({ state, tags }) =>
        tags.map((tag) => (
          <li key={tag}>
            <Link
              to={`/units/${encodeURIComponent(tag)}/channels`}
              title={`${tag}: ${CARRIED_WORD[state]}`}
              className="grid size-6 place-items-center"
            >
              <span aria-hidden="true" className={`block size-[15px] border ${SQUARE[state]}`} />
              <span className="sr-only">
                {tag}: {CARRIED_WORD[state]}
              </span>
            </Link>
          </li>
        )),
      )}
    </ul>
  );
}

const Legend = () => (
  <div className="flex flex-wrap justify-between gap-x-6">
    <StripLegend />
    <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-xs text-quiet">
      {(["plan", "older", "other", "unknown"] as const).map((state) => (
        <span key={state} className="inline-flex items-center gap-1.5">
          <span className={`inline-block size-[13px] border ${SQUARE[state]}`} aria-hidden="true" />
          {CARRIED_WORD[state]}
        </span>
      ))}
    </p>
  </div>
);

const FIRST = 6;
const MARK = { bad: "bg-rust", doubt: "bg-brass", quiet: "bg-quiet" } as const;

function Troubles({ troubles }: { readonly troubles: Data["troubles"] }) {
  const said = troubles.map(sayTrouble);
  const rows = (some: typeof said) => (
    <ul className="flex flex-col gap-1.5">
      {some.map(({ who, text, level }) => (
        <li
          key={`${who} ${text}`}
          className="grid grid-cols-[0.75rem_7.5rem_minmax(0,1fr)] items-baseline gap-2"
        >
          <span className={`h-3 ${MARK[level]}`} aria-hidden="true" />
          <strong>{who}</strong>
          <span>{text}</span>
        </li>
      ))}
    </ul>
  );
  return (
    <section aria-labelledby="wrong">
      <h2 id="wrong" className="mb-2">
        What is wrong with it
      </h2>
      {said.length === 0 && <p>Nothing: every model takes all of it, as far as that can be told.</p>}
      {rows(said.slice(0, FIRST))}
      {said.length > FIRST && (
        <details className="mt-2">
          <summary className="link w-fit cursor-pointer text-sm">{said.length - FIRST} more</summary>
          <div className="mt-2">{rows(said.slice(FIRST))}</div>
        </details>
      )}
    </section>
  );
}

function Carriers({ data }: { readonly data: Data }) {
  const { typed, carriers, more } = data;
  return (
    <section aria-labelledby="carriers">
      <h2 id="carriers" className="mb-1.5">
        Which radios carry it?
      </h2>
      <form className="flex items-end gap-2">
        <Labelled
          name="carries"
          label="A channel's name, or its frequency in MHz"
          small
          value={typed}
          placeholder="Circle call, or 145.500"
          box="grow"
        />
        <button type="submit" className="btn btn-outline btn-primary btn-sm mb-1">
          Find
        </button>
      </form>
      {carriers?.length === 0 && (
        <p className="doubt mt-2 w-fit px-3 py-1">No radio carries it, as far as anybody knows.</p>
      )}
      {carriers !== undefined && carriers.length > 0 && (
        <ul className="sheet mt-2 max-h-80 divide-y divide-line overflow-y-auto text-sm">
          {carriers.map(({ tag, model, channels }) => (
            <li key={tag} className="px-3 py-1.5">
              <Go to={`/units/${encodeURIComponent(tag)}/channels`} className="link tag">
                {tag}
              </Go>{" "}
              <span className="text-quiet">{model}</span>{" "}
              {channels
                .map(({ position, name, receive }) => `${position} ${name} ${sayHertz(receive)}`)
                .join("; ")}
            </li>
          ))}
          {more && <li className="px-3 py-1.5 text-quiet">The first {carriers.length} are shown.</li>}
        </ul>
      )}
    </section>
  );
}
