// The board: for each model and each computer the best chain there is, and how well it is known.
import { Link } from "react-router";
import { VERDICTS, type Verdict } from "#core/kit/evidence.ts";
import type { Operation } from "#core/kit/shapes.ts";
import { VerdictMark } from "../ui/chain.tsx";
import { sayVerdict, VERDICT_WORD } from "../ui/words/kit.ts";

export type Cell = {
  readonly verdict?: Verdict;
  readonly lead?: string;
  readonly tries: number;
  readonly worked: number;
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
