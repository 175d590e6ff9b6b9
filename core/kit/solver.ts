// HiGHS as the solver that `get.ts` asks for: to the last coin, no gap left open.
import type { LegacyHighs } from "highs";
import type { Solve } from "./get.ts";

export const solverOf =
  (highs: Pick<LegacyHighs, "solve">): Solve =>
  (programme) => {
    const found = highs.solve(programme, { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false });
    const columnOf = (name: string): number => {
      const column = found.Columns[name];
      return column && "Primal" in column ? column.Primal : 0;
    };
    return { optimal: found.Status === "Optimal", value: columnOf };
  };
