import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { readTable } from "./table.ts";
import { textCell, textOfCell } from "./text-cell.ts";

const text = fc.oneof(
  fc.string(),
  fc.stringMatching(/^[=@+\-' ]{0,3}[a-z ']{0,4}[' ]{0,3}$/),
  fc.constantFrom("", " ", "'", "''", "' ", " '", "=1+1", "-W1", "'70 group", "it's ", "'=x '"),
);

it("any text comes back as it was, and none begins as a formula does", () => {
  fc.assert(
    fc.property(text, (one) => {
      const cell = textCell(one);
      expect(textOfCell(cell)).toBe(one);
      expect(cell).not.toMatch(/^[=@+\-\t\r]/);
      // A reader of tables cuts off what stands around a cell.
      expect(textOfCell(cell.trim())).toBe(one);
    }),
    { numRuns: cases(2000, 100_000) },
  );
});

it("what somebody else wrote stays as they wrote it", () => {
  for (const theirs of ["'70 group", "'quoted'", "it's", "145.5", "W-1", "a 'b'"])
    expect(textOfCell(theirs)).toBe(theirs);
});

it("every table is read so", () => {
  const table = readTable("tag,name\n'-W1,'=sum\n'@a,' b");
  expect(table.ok && table.value.rows.map(({ cells }) => cells)).toEqual([
    ["-W1", "=sum"],
    ["@a", " b"],
  ]);
});
