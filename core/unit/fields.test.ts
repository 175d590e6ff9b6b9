// A radio goes into columns, a form and the log's words and comes back as it was, whatever is known of it.
import fc from "fast-check";
import { expect, it } from "vitest";
import {
  UNIT_COLUMNS,
  UNIT_FIELDS,
  type UnitField,
  unitChanges,
  unitShape,
  unitTexts,
  unitValues,
  type WrittenUnit,
  writtenUnit,
} from "./fields.ts";

const id = fc.integer({ min: 1, max: 999 }).map(String);
const text = fc.stringMatching(/^[A-Za-z0-9]{0,12}$/);
const maybe = (one: fc.Arbitrary<string>) => fc.option(one, { nil: undefined });
const unit: fc.Arbitrary<WrittenUnit> = fc.record({
  tag: fc.stringMatching(/^W-[0-9]{1,3}$/),
  model: id,
  hardware: maybe(id),
  region: maybe(fc.stringMatching(/^[A-Z]{1,4}$/)),
  serial: text,
  place: maybe(id),
  group: maybe(id),
  note: text,
});
const known = (one: WrittenUnit) =>
  Object.fromEntries(Object.entries(one).filter(([, value]) => value !== undefined));

it("is stored by its columns and read from them again", () => {
  fc.assert(
    fc.property(unit, (one) => {
      const stored = Object.fromEntries(
        UNIT_COLUMNS.map((column, i) => [column, unitValues(one)[i] ?? null]),
      );
      expect(writtenUnit(stored as Parameters<typeof writtenUnit>[0])).toEqual(one);
      // What nobody knows is nothing; what is merely empty is not.
      for (const field of ["serial", "note"] as const)
        expect(stored[UNIT_FIELDS[field].column]).toBe(one[field]);
    }),
  );
});

it("is drawn in a form and read from it again", () => {
  fc.assert(
    fc.property(unit, (one) => {
      const sent = Object.fromEntries(Object.entries(unitTexts(one)).filter(([, typed]) => typed !== ""));
      expect(known(unitShape.parse(sent))).toEqual(known(one));
      expect(Object.keys(unitTexts(undefined))).toEqual(Object.keys(unitTexts(one)));
      expect(Object.values(unitTexts(undefined)).join("")).toBe("");
    }),
  );
});

it("tells in words just what is different", () => {
  const words: Record<Exclude<UnitField, "tag">, string> = {
    model: "model",
    hardware: "hardware revision",
    region: "region",
    serial: "serial number",
    place: "place",
    group: "group",
    note: "note",
  };
  fc.assert(
    fc.property(
      unit,
      unit,
      fc.subarray(Object.keys(words) as (keyof typeof words)[]),
      (one, other, changed) => {
        const after = { ...one, ...Object.fromEntries(changed.map((field) => [field, other[field]])) };
        const expected = Object.keys(words)
          .map((field) => field as keyof typeof words)
          .filter((field) => (one[field] ?? "") !== (after[field] ?? ""));
        expect(unitChanges(one, after)).toBe(expected.map((field) => words[field]).join(", "));
        const renamed = { ...after, tag: "Z-1" };
        const rest = expected.map((field) => `, ${words[field]}`).join("");
        expect(unitChanges(one, renamed)).toBe(`tag ${one.tag} to Z-1${rest}`);
      },
    ),
  );
});
