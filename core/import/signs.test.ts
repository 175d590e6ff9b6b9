// Sheets written by somebody else's program: whatever delimiter, line ends, date order and decimal sign it used, the same
// cells come out as went in.
import fc from "fast-check";
import Papa from "papaparse";
import { describe, expect, it } from "vitest";
import {
  addDays,
  DATE_ORDERS,
  type DateOrder,
  findDecimalSign,
  plain,
  possibleDateOrders,
  readDate,
  withPoint,
} from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { DELIMITERS, guessDelimiter, readTable } from "./table.ts";

const day = fc.integer({ min: 0, max: 9000 }).map((n) => addDays(plain("2001-01-01"), n));
const mark = fc.constantFrom(".", "-", "/", " ");

function written(date: string, order: DateOrder, by: string, short: boolean, padded: boolean): string {
  const [y = "", m = "", d = ""] = date.split("-");
  const part = (text: string) => (padded ? text : String(Number(text)));
  const year = short ? y.slice(2) : y;
  const parts = { ymd: [y, part(m), part(d)], dmy: [part(d), part(m), year], mdy: [part(m), part(d), year] };
  return parts[order].join(by);
}

describe("dates of a sheet", () => {
  it("written in any order come back as the day they were", () => {
    const order = fc.constantFrom(...DATE_ORDERS);
    fc.assert(
      fc.property(day, order, mark, fc.boolean(), fc.boolean(), (date, as, by, short, padded) => {
        expect(readDate(written(date, as, by, short, padded), as)).toBe(date);
        expect(readDate(`${written(date, as, by, short, padded)} 19:40`, as)).toBe(date);
      }),
      { numRuns: cases(1000) },
    );
  });

  it("of one column leave the order they were written in among the possible ones", () => {
    const order = fc.constantFrom(...DATE_ORDERS);
    fc.assert(
      fc.property(fc.array(day, { minLength: 1, maxLength: 12 }), order, mark, (dates, as, by) => {
        const cells = dates.map((date) => written(date, as, by, false, true));
        const possible = possibleDateOrders([...cells, "", ""]);
        expect(possible).toContain(as);
        // A day after the twelfth of a month can be a month in no order.
        const late = dates.some((date) => Number(date.slice(8)) > 12);
        if (late || as === "ymd") expect(possible).toEqual([as]);
      }),
      { numRuns: cases(600) },
    );
  });
});

describe("decimal signs", () => {
  it("a column of fractions comes out with points, whichever sign it had", () => {
    const fraction = fc.tuple(fc.nat(99), fc.nat(999));
    fc.assert(
      fc.property(fc.array(fraction, { minLength: 1 }), fc.constantFrom(".", ","), (numbers, sign) => {
        const cells = numbers.map(([whole, rest]) => `${whole}${sign}${rest}`);
        const found = findDecimalSign(cells);
        expect(found).toBe(sign);
        expect(cells.map((cell) => withPoint(cell, found))).toEqual(numbers.map(([a, b]) => `${a}.${b}`));
      }),
    );
  });
});

describe("tables", () => {
  const cell = fc.oneof(
    fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9 .-]{0,8}[A-Za-z0-9]$/),
    fc.constantFrom('say "so"', "one, two", "a;b", "two\nlines", "x|y", "W-03"),
  );
  const table = fc
    .tuple(fc.integer({ min: 2, max: 6 }), fc.integer({ min: 2, max: 8 }))
    .chain(([columns, rows]) =>
      fc.array(fc.array(cell, { minLength: columns, maxLength: columns }), {
        minLength: rows,
        maxLength: rows,
      }),
    );

  it("come out as they went in, with any delimiter and any line ends", () => {
    const ends = fc.constantFrom("\n", "\r\n", "\r");
    fc.assert(
      fc.property(table, fc.constantFrom(...DELIMITERS), ends, (rows, delimiter, newline) => {
        const text = Papa.unparse([...rows], { delimiter, newline });
        const read = readTable(text, delimiter);
        if (!read.ok) throw new Error(read.problem.kind);
        expect([read.value.head, ...read.value.rows.map((r) => r.cells)]).toEqual(rows);
      }),
      { numRuns: cases(500) },
    );
  });

  it("of plain cells give their delimiter away", () => {
    const plainCell = fc.stringMatching(/^[A-Za-z0-9]{1,8}$/);
    const plainTable = fc
      .tuple(fc.integer({ min: 2, max: 6 }), fc.integer({ min: 2, max: 8 }))
      .chain(([columns, rows]) =>
        fc.array(fc.array(plainCell, { minLength: columns, maxLength: columns }), {
          minLength: rows,
          maxLength: rows,
        }),
      );
    fc.assert(
      fc.property(plainTable, fc.constantFrom(...DELIMITERS), (rows, delimiter) => {
        expect(guessDelimiter(rows.map((cells) => cells.join(delimiter)).join("\n"))).toBe(delimiter);
      }),
    );
  });
});
