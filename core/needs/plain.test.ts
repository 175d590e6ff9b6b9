// How a radio is, for whoever has it at home.
import fc from "fast-check";
import { expect, test } from "vitest";
import { URGENCIES } from "../release/index.ts";
import { STANDINGS } from "../unit/index.ts";
import { NEED_CAUSES, NEED_KINDS } from "./kinds/index.ts";
import { type PlainNeed, plainVerdict } from "./plain.ts";

const need = (more: Partial<PlainNeed>): PlainNeed => ({
  kind: "firmware",
  cause: "behind",
  urgency: "routine",
  ...more,
});

test("the most pressing is said; what is not known is not called all right", () => {
  expect(plainVerdict(["current"], [])).toBe("all-right");
  expect(plainVerdict(["behind"], [need({})])).toBe("bring-it");
  expect(plainVerdict(["behind"], [need({}), need({ urgency: "safety" })])).toBe("bring-it-soon");
  expect(plainVerdict(["current"], [need({ kind: "mode", cause: "transmits-beyond" })])).toBe(
    "bring-it-soon",
  );
  expect(plainVerdict(["unread"], [])).toBe("read-it");
  expect(plainVerdict(["current"], [need({ kind: "reading", cause: "stale" })])).toBe("read-it");
  expect(plainVerdict(["current"], [need({ kind: "backup", cause: "written-since-backup" })])).toBe(
    "when-you-come",
  );
  expect(plainVerdict(["unlisted"], [need({ kind: "catalogue", cause: "unlisted" })])).toBe("cannot-tell");
  expect(plainVerdict([], [])).toBe("cannot-tell");
  // A part that nobody has read.
  expect(plainVerdict(["current", "unread"], [])).toBe("cannot-tell");
});

test("all right is said only where nothing is due and every part is known", () => {
  const needs = fc.array(
    fc.record({
      kind: fc.constantFrom(...NEED_KINDS),
      cause: fc.constantFrom(...NEED_CAUSES),
      urgency: fc.constantFrom(...URGENCIES),
    }),
    { maxLength: 3 },
  );
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...STANDINGS), { maxLength: 3 }), needs, (standings, due) => {
      const isKnown =
        standings.length > 0 &&
        !standings.some((s) => ["unread", "unlisted", "unclear", "ahead"].includes(s));
      expect(plainVerdict(standings, due) === "all-right").toBe(
        isKnown &&
          due.every(
            ({ kind, urgency, cause }) =>
              kind === "loan" && urgency !== "safety" && cause !== "transmits-beyond",
          ),
      );
    }),
  );
});
