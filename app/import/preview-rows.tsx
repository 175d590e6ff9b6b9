// The rows of a sheet as they would be brought in, and the cells of those with a problem, to be corrected here.
import { componentOf } from "#core/import/index.ts";
import { Labelled } from "../forms/field.tsx";
import { useClub } from "../ui/club.ts";
import { Wide } from "../ui/wide.tsx";
import { counted } from "../ui/words/count.ts";
import { sayDate } from "../ui/words/time.ts";
import { clip } from "../ui/words/unit/standing.ts";
import type { Preview } from "./sheet-preview.ts";
import { sayMeaning, sayRowProblem } from "./words.ts";

type Row = Preview["shown"][number];

/** What stands in the place of what: "note: “dented” becomes “new case”". */
function sayChange(field: Row["changes"][number], { was, values }: Row): string {
  const [before, after] = [was[field] ?? "", values[field]];
  return `${sayMeaning(field)} ${before === "" ? "" : `“${clip(before)}” `}becomes “${clip(after)}”`;
}

const together = (cells: readonly string[], between: string) =>
  cells
    .filter(Boolean)
    .map((cell) => clip(cell, 60))
    .join(between);

const ACT_WORD = { add: "new", change: "changed", same: "the same", problem: "problem" } as const;

export function Rows({ preview }: { readonly preview: Preview }) {
  const { locale } = useClub();
  // Which part it is says nothing where only the first of each model is told.
  const several = preview.meanings.some((m) => m === "component" || componentOf(m) !== undefined);
  const cells = new Map(preview.cells);
  const total = preview.counts.add + preview.counts.change + preview.counts.same + preview.counts.problem;
  return (
    <Wide label="Rows of the sheet">
      <table className="table table-sm">
        <thead>
          <tr>
            <th>Row</th>
            <th>What happens</th>
            <th>Tag</th>
            <th>Model</th>
            <th>Place and group</th>
            <th>Reading</th>
          </tr>
        </thead>
        <tbody>
          {preview.shown.map((row) => (
            <tr key={row.line} className={row.act === "problem" ? "hatch" : ""}>
              <td className="whitespace-nowrap">{row.lines.join(", ")}</td>
              <td className={row.act === "problem" ? "font-semibold text-rust" : ""}>
                {row.problems.length > 0 ? row.problems.map(sayRowProblem).join("; ") : ACT_WORD[row.act]}
                {row.changes.length > 0 &&
                  row.act === "change" &&
                  `: ${row.changes.map((field) => sayChange(field, row)).join("; ")}`}
                {row.act !== "problem" && row.lendTo && `, lent to ${row.lendTo.name}`}
                {cells.has(row.line) && (
                  <Correct preview={preview} line={row.line} cells={cells.get(row.line) ?? []} />
                )}
              </td>
              <td className="tag whitespace-nowrap">{clip(row.values.tag)}</td>
              <td>{together([row.values.maker, row.values.model, row.values.hardware], " ")}</td>
              <td>{together([row.values.place, row.values.group], ", ")}</td>
              <td className="whitespace-nowrap">
                {row.readings.map(({ component, raw, on }) => (
                  <p key={component}>
                    {several && `${clip(component, 40)} `}
                    <span className="ver">{raw.slice(0, 40)}</span>{" "}
                    <span className="text-quiet">{on ? sayDate(on, locale) : "day not known"}</span>
                  </p>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {total > preview.shown.length && (
        <p className="p-3 text-sm text-quiet">
          {counted(total - preview.shown.length, "row")} more, not shown. Rows with a problem come first.
        </p>
      )}
    </Wide>
  );
}

/** The cells of a row, to be corrected here; the next look takes them in. */
export function Correct(props: {
  readonly preview: Preview;
  readonly line: number;
  readonly cells: readonly string[];
}) {
  const { preview, line, cells } = props;
  return (
    <details className="font-normal text-base-content">
      <summary className="link w-fit cursor-pointer text-sm">Correct it here</summary>
      <div className="flex flex-wrap gap-2 py-1">
        {preview.head.map((name, column) =>
          preview.meanings[column] === "ignore" ? null : (
            <Labelled
              key={`${line}-${name}-${cells[column]}`}
              name={`cell-${line}-${column}`}
              label={name || `column ${column + 1}`}
              small
              mono
              value={cells[column] ?? ""}
              box="w-36"
            />
          ),
        )}
        <button
          type="submit"
          name="intent"
          value="again"
          className="btn btn-outline btn-primary btn-sm self-end"
        >
          Look again
        </button>
      </div>
    </details>
  );
}
