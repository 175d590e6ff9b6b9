// What to get: the purchase that frees the most radios for the money there is, worked out exactly in a worker, with the
// curve of what more money would free; and the list to take to the shop.

import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import type { Purchase } from "#core/kit/index.ts";
import { listed } from "#core/quantities/index.ts";
import { readInClub } from "../../context.ts";
import { useClub, useMay } from "../../ui/club.ts";
import { chartFrom } from "../../ui/later.tsx";
import { Page } from "../../ui/page.tsx";
import { counted } from "../../ui/words/count.ts";
import { moneyIn } from "../../ui/words/kit/kit.ts";
import { KitTabs } from "../tabs.tsx";
import type { Route } from "./+types/get";
import { loadWaiting } from "./demand.server.ts";
import type { GetAnswer, GetOrder } from "./purchase.worker.ts";

const Curve = chartFrom(async () => (await import("./curve.tsx")).Curve, 224);

export const meta: Route.MetaFunction = () => [{ title: "What to get · Mossy Cabinet" }];

export const handle = { follows: ["club", "need"] };

export async function loader({ context }: Route.LoaderArgs) {
  return readInClub(context, (tx, who) => loadWaiting(tx, who));
}

type State = {
  readonly best?: Purchase;
  readonly points: readonly Purchase[];
  readonly phase: "idle" | "busy" | "done" | "ended" | "failed";
};
const IDLE: State = { points: [], phase: "idle" };

export default function Get({ loaderData }: Route.ComponentProps) {
  const { waiting, offers, currency } = loaderData;
  const { locale } = useClub();
  const money = moneyIn(currency, locale);
  const [state, setState] = useState<State>(IDLE);
  const [budget, setBudget] = useState("");
  const [trouble, setTrouble] = useState<string>();
  const worker = useRef<Worker>(undefined);
  useEffect(() => () => worker.current?.terminate(), []);

  const buyable = waiting.filter((w) => w.sets.length > 0 && !w.sets.some((set) => set.length === 0));
  const free = waiting.filter((w) => w.sets.some((set) => set.length === 0));
  const hopeless = waiting.filter((w) => w.sets.length === 0);

  const begin = (event: React.FormEvent) => {
    event.preventDefault();
    const typed = budget.trim().replace(",", ".");
    const limit = typed === "" ? undefined : Math.round(Number(typed) * 100);
    if (limit !== undefined && !(limit >= 0 && limit <= 1e9)) {
      setTrouble("A sum of money, such as 60 or 60.50; or nothing, for no limit.");
      return;
    }
    setTrouble(undefined);
    worker.current?.terminate();
    const mine = new Worker(new URL("./purchase.worker.ts", import.meta.url), { type: "module" });
    worker.current = mine;
    setState({ points: [], phase: "busy" });
    mine.onmessage = ({ data }: MessageEvent<GetAnswer>) => {
      if (data.kind === "best") setState((s) => ({ ...s, best: data.purchase }));
      else if (data.kind === "point") setState((s) => ({ ...s, points: [...s.points, data.purchase] }));
      else {
        setState((s) => ({ ...s, phase: data.kind }));
        mine.terminate();
      }
    };
    mine.onerror = () => setState((s) => ({ ...s, phase: "failed" }));
    const order: GetOrder = {
      demand: buyable.map(({ unit, weight, sets }) => ({ unit, weight, sets })),
      prices: offers.map((offer) => [offer.id, offer.price] as const),
      ...(limit !== undefined && { budget: limit }),
    };
    mine.postMessage(order);
  };
  const end = () => {
    worker.current?.terminate();
    setState((s) => ({ ...s, phase: "ended" }));
  };

  return (
    <Page
      title="Kit"
      says={`${counted(waiting.length, "radio")} ${waiting.length === 1 ? "waits" : "wait"} for kit`}
      acts={<KitTabs here="get" />}
    >
      {buyable.length === 0 ? (
        <p className="doubt w-fit p-4">
          No radio waits for something that could be bought
          {offers.length === 0 ? ": no offer is noted." : "."}{" "}
          <Link className="link" to="/kit/own#offers">
            Offers
          </Link>
        </p>
      ) : (
        <form onSubmit={begin} className="no-print mb-4 flex flex-wrap items-end gap-3" noValidate>
          <div>
            <label htmlFor="budget" className="mb-1 block text-sm font-semibold">
              Money there is ({currency}; empty: no limit)
            </label>
            <input
              id="budget"
              inputMode="decimal"
              value={budget}
              onChange={(event) => setBudget(event.target.value)}
              className="input ver w-40"
              aria-invalid={trouble ? true : undefined}
              aria-describedby={trouble ? "budget-trouble" : undefined}
            />
          </div>
          <button type="submit" className="btn btn-primary" disabled={state.phase === "busy"}>
            Work it out
          </button>
          {state.phase === "busy" && (
            <button type="button" className="btn btn-outline btn-primary" onClick={end}>
              Enough
            </button>
          )}
          <p role="status" className="text-sm text-quiet">
            {state.phase === "busy" &&
              (state.best
                ? `drawing the curve, ${counted(state.points.length, "point")} so far`
                : "working it out")}
            {state.phase === "ended" && "ended; what was found stands"}
            {state.phase === "failed" && "The solver gave up; try again, or with less."}
          </p>
          {trouble && (
            <p id="budget-trouble" role="alert" className="w-full text-sm font-semibold text-rust">
              {trouble}
            </p>
          )}
          <noscript>
            <p className="text-sm">Working out the best purchase needs scripts; the lists below do not.</p>
          </noscript>
        </form>
      )}
      <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_24rem] print:block">
        <div className="flex flex-col gap-6">
          {state.best && <Shopping purchase={state.best} loaderData={loaderData} money={money} />}
          <Waiting title="Could be freed by buying" list={buyable} offers={offers} money={money} />
          {free.length > 0 && (
            <section>
              <h2 className="mb-1">Need no money</h2>
              <ul className="sheet divide-y divide-line">
                {free.map((w) => (
                  <li key={w.unit} className="grid grid-cols-[4.5rem_minmax(0,1fr)] gap-x-3 px-3 py-1.5">
                    <Link className="link tag" to={`/units/${encodeURIComponent(w.tag)}`}>
                      {w.tag}
                    </Link>
                    <span>{w.todo}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
          {hopeless.length > 0 && (
            <section>
              <h2 className="mb-1">Nothing on offer would free</h2>
              <p className="tag">
                {listed(
                  hopeless.map((w) => w.tag),
                  40,
                )}
              </p>
            </section>
          )}
        </div>
        {state.points.length > 1 && (
          <div className="no-print">
            <Curve
              points={state.points}
              money={money}
              chosen={state.best}
              urgencies={new Map(buyable.map(({ unit, urgency }) => [unit, urgency]))}
            />
          </div>
        )}
      </div>
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];

function Waiting(props: {
  readonly title: string;
  readonly list: Data["waiting"];
  readonly offers: Data["offers"];
  readonly money: (price: number) => string;
}) {
  if (props.list.length === 0) return null;
  const offer = new Map(props.offers.map((o) => [o.id, o]));
  return (
    <section className="no-print">
      <h2 className="mb-1">{props.title}</h2>
      <ul className="sheet divide-y divide-line">
        {props.list.map((w) => (
          <li key={w.unit} className="grid grid-cols-[4.5rem_6rem_minmax(0,1fr)] gap-x-3 px-3 py-1.5">
            <Link className="link tag" to={`/units/${encodeURIComponent(w.tag)}`}>
              {w.tag}
            </Link>
            <span className={w.urgency === "safety" ? "font-bold text-rust" : "text-quiet"}>{w.urgency}</span>
            <span>
              {w.sets
                .map((set) =>
                  set
                    .map((id) => `${offer.get(id)?.name} (${props.money(offer.get(id)?.price ?? 0)})`)
                    .join(" with "),
                )
                .join("; or ")}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const WHY_WORD = { safety: "safety", fix: "a fix", routine: "something routine" } as const;

function Shopping(props: {
  readonly purchase: Purchase;
  readonly loaderData: Data;
  readonly money: (price: number) => string;
}) {
  const { purchase, loaderData, money } = props;
  const mayEdit = useMay("edit-kit");
  const bought = new Set(purchase.offers);
  const freed = loaderData.waiting.filter((w) => purchase.units.includes(w.unit));
  const frees = (id: string) =>
    freed
      .filter((w) => w.sets.some((set) => set.includes(id) && set.every((one) => bought.has(one))))
      .map((w) => w.tag);
  return (
    <section aria-label="Shopping list">
      <h2 className="mb-1.5">
        {purchase.offers.length === 0
          ? "Nothing: this money frees no radio"
          : `${money(purchase.money)} frees ${counted(purchase.units.length, "radio")}`}
      </h2>
      {purchase.offers.length > 0 && (
        <>
          <table className="table sheet">
            <thead>
              <tr>
                <th>To get</th>
                <th>From</th>
                <th className="text-right">Price</th>
                <th>Frees</th>
              </tr>
            </thead>
            <tbody>
              {loaderData.offers
                .filter((offer) => bought.has(offer.id))
                .map((offer) => (
                  <tr key={offer.id}>
                    <th scope="row">{offer.name}</th>
                    <td>{offer.seller}</td>
                    <td className="text-right tabular-nums">{money(offer.price)}</td>
                    <td className="tag">{listed(frees(offer.id), 8)}</td>
                  </tr>
                ))}
              <tr>
                <th scope="row">Together</th>
                <td />
                <td className="text-right font-bold tabular-nums">{money(purchase.money)}</td>
                <td className="text-quiet">
                  {(["safety", "fix", "routine"] as const)
                    .flatMap((urgency) => {
                      const many = freed.filter((w) => w.urgency === urgency).length;
                      return many > 0 ? [`${many} for ${WHY_WORD[urgency]}`] : [];
                    })
                    .join(", ")}
                  ; safety counts four times, a fix twice
                </td>
              </tr>
            </tbody>
          </table>
          <p className="no-print mt-2 flex gap-5 text-sm">
            <button type="button" className="link" onClick={() => window.print()}>
              Print the list
            </button>
            <a className="link" href={`/kit/shopping.csv?offers=${purchase.offers.join(",")}`} download>
              As CSV
            </a>
            {mayEdit && (
              <Link className="link" to="/kit/own#offers">
                Change the offers
              </Link>
            )}
          </p>
        </>
      )}
    </section>
  );
}
