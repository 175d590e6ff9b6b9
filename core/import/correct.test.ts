import fc from "fast-check";
import { expect, test } from "vitest";
import { cases } from "../quantities/testing.ts";
import { type CellCorrection, corrected, newsAmong } from "./correct.ts";
import { readTable } from "./table.ts";

const table = (text: string) => {
  const read = readTable(text);
  if (!read.ok) throw new Error(read.problem.kind);
  return read.value;
};

test("a corrected cell is another, all else stays in its line: titles, gaps, quotes", () => {
  const before = table('List of May\n\ntag;model;note\nW-01;Wicket;"a;b"\n\nW-02;Wickett;=1+1\n');
  const text = corrected(before, [{ line: 6, column: 1, text: " Wicket " }]);
  const after = table(text);
  expect(after).toEqual({
    ...before,
    rows: before.rows.map((row) => (row.line === 6 ? { ...row, cells: ["W-02", "Wicket", "=1+1"] } : row)),
  });
});

test("whatever is corrected reads back as that and nothing else", () => {
  const cell = fc.constantFrom("", "a", 'say "x"', "a,b", "=1", "-3", " b", "1;2", "W-01", "'=x", "a\nb");
  const row = fc.tuple(fc.constantFrom("T-1", "T-2"), cell, cell);
  const correction = fc.record({
    line: fc.integer({ min: 1, max: 9 }),
    column: fc.nat({ max: 3 }),
    text: cell,
  });
  fc.assert(
    fc.property(
      fc.array(row, { minLength: 1, maxLength: 5 }),
      fc.uniqueArray(correction, { maxLength: 4, selector: ({ line, column }) => `${line} ${column}` }),
      (rows, corrections: CellCorrection[]) => {
        const before = table(
          corrected(
            { ...table("tag,b,c\nx,y,z"), rows: rows.map((cells, i) => ({ line: i + 2, cells })) },
            [],
          ),
        );
        const news = newsAmong(before, corrections);
        const after = table(corrected(before, news));
        const wanted = before.rows.map(({ line, cells }) => ({
          line,
          cells: cells.map(
            (old, column) =>
              news.find((one) => one.line === line && one.column === column)?.text.trim() ?? old,
          ),
        }));
        expect(after.rows).toEqual(wanted.filter(({ cells }) => cells.some((text) => text !== "")));
        expect(after.head).toEqual(before.head);
      },
    ),
    { numRuns: cases(300) },
  );
});
