import Papa from "papaparse";
import { expect, test } from "vitest";
import { csvOf } from "./csv.ts";
import { textOfCell } from "./text-cell.ts";

test("what would be a formula is a text, and our own reader finds each text as it was", () => {
  const texts = ["=1+1", "@home", "+44", "-3", " lead ", "", "it's", "'=x", 'a,"b"\nc'];
  const csv = csvOf(texts.map((item) => ({ item, price: -2 })));
  const { data } = Papa.parse<string[]>(csv.replace("\ufeff", ""));
  expect(data[0]).toEqual(["item", "price"]);
  for (const [cell = ""] of data.slice(1)) expect(cell).not.toMatch(/^[=@+-]/);
  expect(data.slice(1).map(([cell = ""]) => textOfCell(cell))).toEqual(texts);
  // A number is none of this: a spreadsheet may reckon with it.
  expect(data[1]?.[1]).toBe("-2");
});

test("with no rows the fields named stand alone", () => {
  expect(csvOf([], ["item", "price"])).toMatch(/^\ufeffitem,price(\r\n)?$/);
});
