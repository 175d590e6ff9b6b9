// Identities: asked for, late from the day after, there; and never two radios with one digital ID unseen.
import fc from "fast-check";
import { expect, it } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { type Identity, identityFindings, identityState } from "./identity.ts";

const today = plain("2026-06-30");
const one = (more: Partial<Identity> = {}): Identity => ({ id: "1", kind: "digital", of: "u1", ...more });

it("stands as wanted, asked, late from the day after it was expected, or there", () => {
  expect(identityState(one(), today)).toEqual({ kind: "wanted" });
  const asked = (ago: number, usuallyDays?: number) =>
    identityState(
      one({ askedOn: addDays(today, -ago), ...(usuallyDays !== undefined && { usuallyDays }) }),
      today,
    );
  expect(asked(10)).toEqual({ kind: "asked", on: addDays(today, -10), late: false });
  expect(asked(10, 10)).toEqual({ kind: "asked", on: addDays(today, -10), by: today, late: false });
  expect(asked(11, 10)).toMatchObject({ by: addDays(today, -1), late: true });
  expect(identityState(one({ value: "9991234", askedOn: today }), today)).toEqual({
    kind: "there",
    value: "9991234",
  });
});

it("finds every digital ID that several have, and every one of another length; nothing of call signs", () => {
  const identity = fc.record({
    id: fc.constantFrom("1", "2", "3"),
    kind: fc.constantFrom("digital" as const, "call" as const),
    of: fc.constantFrom("u1", "u2"),
    value: fc.constantFrom("9991234", "999 1234", "999123", "99912", "QZ1WO"),
  });
  fc.assert(
    fc.property(fc.array(identity, { maxLength: 6 }), (all) => {
      const found = identityFindings(all);
      const digital = all
        .filter(({ kind }) => kind === "digital")
        .map((some) => ({ ...some, plain: some.value.replace(" ", "") }));
      expect(found.filter(({ kind }) => kind === "length")).toHaveLength(
        digital.filter(({ plain: digits }) => digits === "99912" || digits === "QZ1WO").length,
      );
      for (const value of ["9991234", "999123", "99912", "QZ1WO"]) {
        const of = new Set(digital.filter((some) => some.plain === value).map((some) => some.of));
        expect(found.some((finding) => finding.kind === "twice" && finding.value === value)).toBe(
          of.size > 1,
        );
      }
    }),
  );
});
