// References into lists: what a text means in the radio, against a plain reading of all positions.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { cases } from "../quantities/testing.ts";
import type { CodeplugList } from "./document.ts";
import { referrer } from "./refer.ts";

const member = (key: string, name: string) => ({ key, name });
const list: CodeplugList = {
  by: "position",
  members: [member("99901", "North"), null, member("2", "Isle"), member("99904", "Boats")],
};

describe("a reference into a list", () => {
  test.each([
    ["99901", "meant"],
    ["north", "meant"],
    ["1", "meant"],
    ["4 99904", "meant"],
    ["4: boats", "meant"],
    ["4 99901", "other"],
    ["1: Boats", "other"],
    // A number of its own, whose position is empty: it is the number.
    ["2", "meant"],
    ["2 Isle", "nothing"],
    ["9", "nothing"],
    ["South", "nothing"],
    ["", "nothing"],
  ] as const)("by position, “%s”: %s", (text, kind) => {
    expect(referrer(list)(text).kind).toBe(kind);
  });

  test("a number that is one's own and another's position may mean either, and is told", () => {
    const both: CodeplugList = { by: "position", members: [member("3", "A"), null, member("7", "B")] };
    expect(referrer(both)("3")).toEqual({ kind: "other", position: 3, says: "3", means: "B" });
    expect(referrer({ ...both, by: "content" })("3")).toEqual({ kind: "meant" });
    expect(referrer({ ...both, by: "content" })("1")).toEqual({ kind: "nothing" });
  });

  test("agrees with reading every position, one by one", () => {
    const text = fc.constantFrom("1", "2", "3", "4", "a", "B", "7");
    const members = fc.array(fc.option(fc.record({ key: text, name: text }), { nil: null }), {
      maxLength: 4,
    });
    const asked = fc.oneof(
      text,
      fc.tuple(fc.integer({ min: 0, max: 5 }), text).map(([position, says]) => `${position} ${says}`),
    );
    fc.assert(
      fc.property(
        members,
        fc.constantFrom("position" as const, "content" as const),
        asked,
        (all, by, said) => {
          const is = (i: number, what: string) =>
            [all[i]?.key, all[i]?.name].some((one) => one?.toLowerCase() === what.toLowerCase());
          const some = all.some((_, i) => is(i, said));
          const [first = "", rest] = said.split(" ");
          let kind = "nothing";
          if (some) kind = "meant";
          if (by === "position" && !some && all[Number(first) - 1])
            kind = rest === undefined || is(Number(first) - 1, rest) ? "meant" : "other";
          if (by === "position" && some && all[Number(said) - 1])
            kind = is(Number(said) - 1, said) ? "meant" : "other";
          expect(referrer({ by, members: all })(said).kind).toBe(kind);
        },
      ),
      { numRuns: cases(500) },
    );
  });
});
