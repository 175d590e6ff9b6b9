import { describe, expect, it } from "vitest";
import { doubtsOf, isFinalDoubt, MOST_BYTES } from "./backup-check.ts";

const kinds = (size: number, usual: readonly number[] = [], same: readonly string[] = []) =>
  doubtsOf(size, usual, same).map(({ kind }) => kind);

describe("a backup", () => {
  it("that is empty or far too large is none, whatever is said of it", () => {
    expect(kinds(0, [0], ["W-01"])).toEqual(["empty"]);
    expect(kinds(MOST_BYTES + 1)).toEqual(["huge"]);
    expect(kinds(MOST_BYTES)).toEqual([]);
    expect(doubtsOf(0, [], []).every(isFinalDoubt)).toBe(true);
  });
  it("is held against the middle of what its model had before; with nothing to compare, nothing is said", () => {
    expect(kinds(1)).toEqual([]);
    expect(kinds(1000, [100, 100, 9])).toEqual([]);
    expect(kinds(1001, [100, 100, 9])).toEqual(["size"]);
    expect(kinds(9, [100, 5000, 100])).toEqual(["size"]);
    expect(kinds(10, [100, 5000, 100])).toEqual([]);
  });
  it("with the bytes of another radio is asked about", () => {
    expect(doubtsOf(12, [12], ["W-01"])).toEqual([{ kind: "same-as", tags: ["W-01"] }]);
    expect(doubtsOf(12, [12], ["W-01"]).some(isFinalDoubt)).toBe(false);
  });
});
