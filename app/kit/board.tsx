// The board: for each model and each computer the best chain there is, and how well it is known.
import { Link } from "react-router";
import { type ChainVerdict, type Operation, VERDICTS } from "#core/kit/index.ts";
import { VerdictMark } from "../ui/chain.tsx";
import { sayVerdict, VERDICT_WORD } from "../ui/words/kit/kit.ts";

export type Cell = {
  readonly verdict?: ChainVerdict;
  readonly lead?: string;
  readonly tries: number;
  readonly worked: number;
  /** Where no chain holds: at which computer, why, and what would make one, the cheapest first. */
  readonly computer?: string;
  readonly none?: string;
  readonly mends?: readonly { readonly says: string; readonly cost: string }[];
};

export type BoardComputer = { readonly id: string; readonly name: string; readonly system: string };

export type BoardRow = {
  readonly id: string;
  readonly name: string;
  readonly cells: readonly Cell[];
  readonly ready: boolean;
};

export function Board(props: {
  readonly rows: readonly BoardRow[];
  readonly computers: readonly BoardComputer[];
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
                      <VerdictMark
                        of={cell.verdict}
                        word={sayVerdict({ verdict: cell.verdict, tries: cell.tries, worked: cell.worked })}
                      />
                      <span className="text-xs text-quiet">
                        {cell.tries > 0 ? `${cell.worked} of ${cell.tries}` : "no try"}
                        {cell.lead && `, ${cell.lead}`}
                      </span>
                    </span>
                  ) : (
                    <None cell={cell} to={`?model=${row.id}&for=${props.operation}`} />
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
        <span>
          and the lead it goes with best, of so many tries; in grey: what would help, the cheapest first
        </span>
      </p>
    </div>
  );
}

/** Nothing holds: what would, the cheapest first, or why nothing would. It opens the chain. */
function None({ cell, to }: { readonly cell: Cell; readonly to: string }) {
  const [first] = cell.mends ?? [];
  return (
    <Link
      to={`${to}&computer=${cell.computer ?? ""}`}
      preventScrollReset
      className="block min-h-6 max-w-56 text-xs leading-snug text-quiet hover:underline"
      title={cell.none}
    >
      {first ? (
        <>
          <span className="font-semibold">{first.says}</span>
          {first.cost && `: ${first.cost}`}
          {(cell.mends?.length ?? 0) > 1 && `; ${(cell.mends?.length ?? 0) - 1} more would`}
          <span className="sr-only">. {cell.none}</span>
        </>
      ) : (
        cell.none
      )}
    </Link>
  );
}
