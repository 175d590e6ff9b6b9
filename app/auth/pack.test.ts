// What is kept through a sign-in comes back as it was; what cannot be kept is not half kept.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { cases } from "#core/quantities/testing.ts";
import { ownPath, packKept, unpackKept } from "./pack.server.ts";

const formOf = (fields: readonly (readonly [string, string | File])[]): FormData => {
  const form = new FormData();
  for (const [name, value] of fields) form.append(name, value);
  return form;
};
const name = fc.string({ minLength: 1, maxLength: 12 }).filter((n) => !/password/i.test(n));
/** FormData itself makes line ends of its own and mends lone surrogates. */
const text = fc.string({ unit: "grapheme", maxLength: 60 }).filter((t) => !/[\r\n]/.test(t));

describe("a form that is kept", () => {
  test("comes back as it was, in its order, names twice too, and fits into an address", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(name, text), { minLength: 1, maxLength: 12 }), (fields) => {
        const form = formOf(fields);
        const packed = packKept(form) ?? "";
        expect(packed).toMatch(/^[\w-]+$/);
        expect(packed.length).toBeLessThanOrEqual(6000);
        expect(unpackKept(packed)).toEqual([...form]);
      }),
    );
  });

  test("may say all over again what it was drawn from: a long release form with its changes", () => {
    const values = Object.fromEntries(
      Array.from({ length: 26 }, (_, i) => [
        `field${i}`,
        `${i} ${"what the leaflet says of it, ".repeat(9)}`,
      ]),
    );
    const form = formOf([...Object.entries(values), ["baseline", JSON.stringify(values)]]);
    expect(unpackKept(packKept(form) ?? "")).toEqual([...form]);
  });

  test("leaves out a field for a file that was left empty", () => {
    const form = formOf([
      ["notes", "a"],
      ["content", new File([], "")],
    ]);
    expect(unpackKept(packKept(form) ?? "")).toEqual([["notes", "a"]]);
  });
});

test("files, passwords, nothing at all and what is too long are not kept", () => {
  expect(packKept(formOf([["content", new File(["x"], "a.bin")]]))).toBeUndefined();
  expect(packKept(formOf([["newPassword", "lantern"]]))).toBeUndefined();
  expect(packKept(new FormData())).toBeUndefined();
  const noise = Array.from({ length: 9000 }, (_, i) =>
    String.fromCodePoint(0x4e00 + ((i * 7919) % 20_000)),
  ).join("");
  expect(packKept(formOf([["text", noise]]))).toBeUndefined();
  expect(packKept(formOf([["text", "a".repeat(200_000)]]))).toBeUndefined();
});

test("what was not packed here is nothing, however large it would become", () => {
  expect(unpackKept("")).toEqual([]);
  fc.assert(
    fc.property(fc.string(), (junk) => {
      expect(Array.isArray(unpackKept(junk))).toBe(true);
    }),
  );
});

test("only addresses of our own are gone back to, as a browser would read them", () => {
  expect(ownPath("/units/W-03?reading")).toBe("/units/W-03?reading");
  expect(ownPath("/units/W%2003?q=%25")).toBe("/units/W%2003?q=%25");
  for (const other of [
    null,
    "",
    "//elsewhere.example",
    "/\\elsewhere.example",
    "/\t/elsewhere.example",
    "/\n/elsewhere.example",
    "/units\r\nSet-Cookie: a=b",
    "/.//elsewhere.example",
    "/units/..//elsewhere.example",
    "https://elsewhere.example",
    "units",
    "javascript:alert(1)",
    `/${"a".repeat(3000)}`,
  ])
    expect([other, ownPath(other)]).toEqual([other, "/cabinet"]);
});

test("whatever an address says, a browser that follows it stays with us, and gets the same there as from there on", () => {
  const piece = fc.constantFrom(
    "/",
    "\\",
    "\t",
    "\n",
    ".",
    "..",
    "%09",
    "%2f",
    "@",
    ":",
    "x",
    "elsewhere.example",
    "?",
    "#",
    "\0",
    " ",
  );
  const home = "http://cabinet.example";
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
      const path = ownPath(`/${pieces.join("")}`);
      expect(new URL(path, home).origin).toBe(home);
      expect(ownPath(path)).toBe(path);
    }),
    { numRuns: cases(3000) },
  );
});
