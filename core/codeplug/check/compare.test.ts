// What became of each channel, against every way to pair two small codeplugs.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { type CodeplugChannel, codeplugChannel } from "../channel.ts";
import { compareCodeplugs, leftToAlign } from "./compare.ts";

const channel = fc
  .record({
    position: fc.integer({ min: 1, max: 6 }),
    name: fc.constantFrom("A", "B", "C"),
    receive: fc.constantFrom(145_000_000, 145_500_000, 433_000_000),
    transmit: fc.option(fc.constantFrom(145_000_000, 433_000_000), { nil: undefined }),
    scan: fc.option(fc.boolean(), { nil: undefined }),
  })
  .map(({ transmit, scan, ...rest }) =>
    codeplugChannel.parse({
      ...rest,
      ...(transmit !== undefined && { transmit }),
      ...(scan !== undefined && { scan }),
    }),
  );
const codeplug = fc.uniqueArray(channel, { selector: ({ position }) => position, maxLength: 5 });

/** The weights of the rule, written down once more. */
function weight(a: CodeplugChannel, b: CodeplugChannel): number {
  const air = a.receive === b.receive && a.transmit === b.transmit;
  const sum = (air ? 0 : 1000) + (a.name === b.name ? 0 : 100) + (a.position === b.position ? 0 : 10);
  return sum >= 1110 ? 1110 : Math.min(1110, sum + (a.scan === b.scan ? 0 : 0.1));
}

/** As little apart as any way to pair some of one with some of the other; what is left alone costs half of a pair that has nothing in common. */
function bruteForce(before: readonly CodeplugChannel[], after: readonly CodeplugChannel[]): number {
  let best = Number.POSITIVE_INFINITY;
  const walk = (i: number, left: readonly CodeplugChannel[], sum: number) => {
    const one = before[i];
    if (!one) {
      best = Math.min(best, sum + left.length * 555);
      return;
    }
    walk(i + 1, left, sum + 555);
    for (const other of left)
      walk(
        i + 1,
        left.filter((some) => some !== other),
        sum + weight(one, other),
      );
  };
  walk(0, after, 0);
  return best;
}

describe("two codeplugs", () => {
  it("are as little apart as any pairing finds; every channel is told of once", () => {
    fc.assert(
      fc.property(codeplug, codeplug, (before, after) => {
        const found = compareCodeplugs(before, after);
        const sum = found.reduce(
          (all, one) => all + ("before" in one && "after" in one ? weight(one.before, one.after) : 555),
          0,
        );
        expect(sum).toBeCloseTo(bruteForce(before, after), 6);
        const olds = found.flatMap((one) => ("before" in one ? [one.before] : []));
        const news = found.flatMap((one) => ("after" in one ? [one.after] : []));
        expect(new Set(olds)).toEqual(new Set(before));
        expect(olds).toHaveLength(before.length);
        expect(news).toEqual([...after]);
      }),
      { numRuns: cases(1000) },
    );
  });

  it("says what was kept, moved, changed in which fields, added, gone", () => {
    const of = (position: number, name: string, receive: number, more: object = {}) =>
      codeplugChannel.parse({ position, name, receive, ...more });
    const before = [
      of(1, "Call", 145_500_000),
      of(2, "Gate", 145_200_000),
      of(3, "Mill", 433_500_000),
      of(4, "Old", 144_100_000),
    ];
    const after = [
      of(1, "Call", 145_500_000),
      of(2, "Mill", 433_500_000),
      of(5, "Gate 1", 145_200_000, { sends: { kind: "ctcss", tenths: 885 } }),
      of(6, "New", 446_000_000),
    ];
    expect(compareCodeplugs(before, after)).toMatchObject([
      { kind: "kept", after: { name: "Call" } },
      { kind: "moved", before: { position: 3 }, after: { position: 2 } },
      { kind: "changed", before: { name: "Gate" }, fields: ["name", "sends"], moved: true },
      { kind: "added", after: { name: "New" } },
      { kind: "gone", before: { name: "Old" } },
    ]);
    expect(compareCodeplugs([], [])).toEqual([]);
  });
});

it("tells how many are left to align: all but those that are the same at the same position", () => {
  fc.assert(
    fc.property(codeplug, codeplug, (before, after) => {
      const same = compareCodeplugs(before, after).filter(({ kind }) => kind === "kept").length;
      expect(leftToAlign(before, after)).toBe(Math.max(before.length, after.length) - same);
    }),
    { numRuns: cases(300) },
  );
});
