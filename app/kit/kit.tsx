// What works with what: for each model and each computer the best chain there is, and how well it is known; choose a model
// or a radio and see its chains.
import { Form, Link } from "react-router";
import type { Chain, Chains } from "#core/kit/chain.ts";
import { VERDICTS, type Verdict } from "#core/kit/evidence.ts";
import { chainsOfModel } from "#core/kit/means.ts";
import { OPERATIONS, type Operation } from "#core/kit/shapes.ts";
import { loadKit, plugsOf } from "#db/kit.ts";
import { modelsToPick } from "#db/models.ts";
import { unitByTag } from "#db/units.ts";
import { inClub } from "../context.ts";
import { ChainLine, VerdictMark } from "../ui/chain.tsx";
import { Page } from "../ui/page.tsx";
import { counted, listed } from "../ui/words/count.ts";
import { VERDICT_WORD } from "../ui/words/kit.ts";
import type { Route } from "./+types/kit";
import { kitNames, shownChains } from "./shown.ts";
import { KitTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Kit · Mossy Cabinet" }];

export type Cell = {
  readonly verdict?: Verdict;
  readonly lead?: string;
  readonly tries: number;
  readonly worked: number;
  /** Chains of this model on this computer. */
  readonly count: number;
};

export async function loader({ context, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const operation: Operation = OPERATIONS.find((o) => o === search.get("for")) ?? "flash";
  const typed = (search.get("unit") ?? "").trim();
  return inClub(context, async (tx, who) => {
    const kit = await loadKit(tx);
    const models = await modelsToPick(tx);
    const plugs = await plugsOf(
      tx,
      models.map((m) => m.id),
      kit,
    );
    const unit = typed === "" ? undefined : await unitByTag(tx, typed);
    const { computers } = kit.prepared.kit;
    const found = new Map<string, Chains>(
      models.map((m) => [
        m.id,
        chainsOfModel({ model: m.id, plugs: plugs.get(m.id) ?? [] }, operation, kit.prepared),
      ]),
    );
    const chosen = unit?.model_id ?? models.find((m) => m.id === search.get("model"))?.id;
    const names = kitNames(kit, who.locale);
    const chains = chosen === undefined ? undefined : found.get(chosen);
    return {
      operation,
      typed,
      unknownUnit: typed !== "" && !unit,
      computers: computers.map((c) => ({ id: c.id, name: c.name, system: `${c.system} ${c.version}` })),
      rows: models.map((m) => {
        const own = found.get(m.id);
        return {
          id: m.id,
          name: m.name,
          cells: computers.map((c) =>
            cellOf(own?.chains.filter((chain) => chain.computer.id === c.id) ?? []),
          ),
          ready: own?.chains.some((chain) => chain.evidence.verdict !== "known-bad") ?? false,
        };
      }),
      chosen:
        chosen === undefined || !chains
          ? undefined
          : {
              id: chosen,
              tag: unit?.tag,
              name: unit ? unit.tag : (models.find((m) => m.id === chosen)?.name ?? "?"),
              found: shownChains(
                chains,
                unit?.tag ?? models.find((m) => m.id === chosen)?.name ?? "?",
                names,
              ),
              all: chains.chains.length,
            },
    };
  });
}

function cellOf(chains: readonly Chain[]): Cell {
  const [best] = chains;
  if (!best) return { tries: 0, worked: 0, count: 0 };
  const { verdict, tries, worked } = best.evidence;
  return { verdict, tries, worked, count: chains.length, ...(best.lead && { lead: best.lead.tag }) };
}

export default function Kit({ loaderData }: Route.ComponentProps) {
  const { rows, computers, operation, chosen } = loaderData;
  const without = rows.filter((row) => !row.ready);
  return (
    <Page
      title="Kit"
      says={
        computers.length === 0
          ? "nothing is noted yet"
          : without.length === 0
            ? `every model can be reached to ${operation}`
            : `${counted(without.length, "model")} cannot be reached to ${operation}: ${listed(without.map((r) => r.name))}`
      }
      acts={<KitTabs here="board" />}
    >
      <Form className="mb-3 flex flex-wrap items-end gap-3" action="/kit">
        <label className="text-sm font-semibold">
          <span className="mb-1 block">To</span>
          <select name="for" defaultValue={operation} className="select select-sm w-28">
            {OPERATIONS.map((o) => (
              <option key={o} value={o}>
                {o}
              </option>
            ))}
          </select>
        </label>
        <label className="text-sm font-semibold">
          <span className="mb-1 block">Radio</span>
          <input
            name="unit"
            defaultValue={loaderData.typed}
            placeholder="W-03"
            className="input input-sm ver w-28"
          />
        </label>
        <button type="submit" className="btn btn-primary btn-sm">
          Show
        </button>
        {loaderData.unknownUnit && (
          <p role="alert" className="text-sm font-semibold text-rust">
            No radio has the tag {loaderData.typed.slice(0, 40)}.
          </p>
        )}
      </Form>
      {computers.length === 0 ? (
        <p className="doubt w-fit p-5 text-lg">
          No computer, lead or tool is noted yet.{" "}
          <Link className="link" to="/kit/own">
            Begin the inventory
          </Link>
        </p>
      ) : (
        <div className="grid items-start gap-6 xl:grid-cols-[minmax(0,1fr)]">
          {chosen && <Chosen chosen={chosen} operation={operation} />}
          <Board rows={rows} computers={computers} operation={operation} chosen={chosen?.id} />
        </div>
      )}
    </Page>
  );
}

type Data = Route.ComponentProps["loaderData"];

function Board(props: {
  readonly rows: Data["rows"];
  readonly computers: Data["computers"];
  readonly operation: Operation;
  readonly chosen: string | undefined;
}) {
  return (
    <div className="overflow-x-auto">
      <table className="table table-sm sheet w-full">
        <thead>
          <tr>
            <th>Model</th>
            {props.computers.map((c) => (
              <th key={c.id}>
                {c.name} <span className="block font-normal">{c.system}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {props.rows.map((row) => (
            <tr key={row.id} className={row.id === props.chosen ? "bg-plate" : ""}>
              <th scope="row">
                <Link className="link" to={`?model=${row.id}&for=${props.operation}`} preventScrollReset>
                  {row.name}
                </Link>
              </th>
              {row.cells.map((cell, i) => (
                <td key={props.computers[i]?.id}>
                  {cell.verdict ? (
                    <span className="flex flex-wrap items-baseline gap-x-2">
                      <VerdictMark of={cell.verdict} word={VERDICT_WORD[cell.verdict]} />
                      <span className="text-xs text-quiet">
                        {cell.tries > 0 ? `${cell.worked} of ${cell.tries}` : "no try"}
                        {cell.lead && `, ${cell.lead}`}
                      </span>
                    </span>
                  ) : (
                    <span className="text-quiet">
                      <span aria-hidden="true">·</span>
                      <span className="sr-only">no chain</span>
                    </span>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 flex flex-wrap gap-3 text-sm text-quiet">
        {VERDICTS.map((verdict) => (
          <VerdictMark key={verdict} of={verdict} word={VERDICT_WORD[verdict]} />
        ))}
        <span>and the lead it goes with best, of so many tries; a point: no chain holds</span>
      </p>
    </div>
  );
}

function Chosen({
  chosen,
  operation,
}: {
  readonly chosen: NonNullable<Data["chosen"]>;
  readonly operation: string;
}) {
  const { chains, near, stopped, none } = chosen.found;
  const nearest = near[0] ?? stopped;
  return (
    <section aria-label={`Chains of ${chosen.name}`} className="flex flex-col gap-3">
      <h2>
        {chosen.name}{" "}
        <span className="font-sans text-sm font-normal text-quiet">
          {chosen.all > 0 ? `${counted(chosen.all, "chain")} to ${operation} it` : none}
        </span>
        {chosen.tag && (
          <Link className="link ml-3 font-sans text-sm" to={`/units/${encodeURIComponent(chosen.tag)}#means`}>
            With what it can get the release it needs
          </Link>
        )}
      </h2>
      {chains.slice(0, 4).map((chain) => (
        <div key={chain.key}>
          <p className="mb-1 flex items-baseline gap-2 text-sm text-quiet">
            <VerdictMark of={chain.verdict} word={VERDICT_WORD[chain.verdict]} /> {chain.evidence}
          </p>
          <ChainLine chain={chain} name={chain.short} />
        </div>
      ))}
      {chains.length > 4 && (
        <ul className="text-sm">
          {chains.slice(4).map((chain) => (
            <li key={chain.key}>
              {VERDICT_WORD[chain.verdict]}: {chain.short}{" "}
              <span className="text-quiet">{chain.evidence}</span>
            </li>
          ))}
        </ul>
      )}
      {chains.length === 0 && nearest && <ChainLine chain={nearest} name="What comes nearest" />}
      {near.length > 0 && (
        <div className="text-sm">
          <h3 className="font-semibold">
            {chains.length === 0 ? "What would close one" : "What would make more"}
          </h3>
          <ul className="list-[square] pl-5">
            {near.map((n) => (
              <li key={n.changes.join()}>
                {listed(n.changes)}
                {n.cost && `: ${n.cost}`} <span className="text-quiet">({n.short})</span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
