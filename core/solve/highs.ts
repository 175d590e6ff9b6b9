// HiGHS as the solver of our programmes: to the last coin, no gap left open.
import type { Solve } from "./programme.ts";

/** So much of the package as is used here; its own types are the tests' and the worker's business. */
type Highs = {
  readonly solve: (
    programme: string,
    options: { readonly mip_rel_gap: number; readonly mip_abs_gap: number; readonly output_flag: boolean },
  ) => { readonly Status: string; readonly Columns: Readonly<Record<string, object>> };
};

/** A solver on HiGHS: it answers the optimum itself, with no gap allowed. */
export const solverOf =
  (highs: Highs): Solve =>
  (programme) => {
    const found = highs.solve(programme, { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false });
    const columnOf = (name: string): number => {
      const column = found.Columns[name];
      return column && "Primal" in column && typeof column.Primal === "number" ? column.Primal : 0;
    };
    return { optimal: found.Status === "Optimal", value: columnOf };
  };
