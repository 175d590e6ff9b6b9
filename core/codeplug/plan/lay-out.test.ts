// One plan for a model, against a plain reading of the rule and every choice of what to leave out.
import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../../quantities/testing.ts";
import { codeplugChannel } from "../channel.ts";
import { type LayFacts, layOut, type PlanBlock, type PlanMember } from "./lay-out.ts";

const member = fc
  .record({
    name: fc.constantFrom("Calling", "Sluice one", "Sluice two", "Gate"),
    receive: fc.constantFrom(100, 200, 300),
    transmit: fc.option(fc.constantFrom(100, 200, 300), { nil: undefined }),
    digital: fc.boolean(),
    tenths: fc.option(fc.constantFrom(885, 886), { nil: undefined }),
    heard: fc.option(fc.constantFrom(885, 886), { nil: undefined }),
  })
  .map(({ transmit, tenths, heard, ...rest }): PlanMember => {
    const { position: _, ...plain } = codeplugChannel.parse({ position: 1, ...rest });
    return {
      ...plain,
      ...(transmit !== undefined && { transmit }),
      ...(tenths !== undefined && { sends: { kind: "ctcss", tenths } }),
      ...(heard !== undefined && { hears: { kind: "ctcss", tenths: heard } }),
    };
  });
const block = fc
  .record({
    name: fc.constantFrom("calling", "event"),
    priority: fc.integer({ min: 1, max: 9 }),
    at: fc.option(fc.integer({ min: 1, max: 6 }), { nil: undefined }),
    listens: fc.boolean(),
    members: fc.array(member, { maxLength: 3 }),
  })
  .map(({ at, ...rest }): PlanBlock => ({ ...rest, ...(at !== undefined && { at }) }));
const band = (of: readonly number[]) => of.map((from) => ({ from, to: from + 1 }));
const facts = fc.record({
  receive: fc.subarray([100, 200, 300]).map(band),
  transmit: fc.subarray([100, 200, 300]).map(band),
  digital: fc.boolean(),
  capacity: fc.nat(8),
  nameSigns: fc.integer({ min: 2, max: 8 }),
  everyTone: fc.boolean(),
});

/** The greatest weight that any choice of how many of each block leaves, of those members that can be taken. */
function heaviest(plan: readonly PlanBlock[], counts: readonly number[], capacity: number): number {
  let best = 0;
  const walk = (b: number, next: number, sum: number) => {
    const one = plan[b];
    if (!one) {
      best = Math.max(best, sum);
      return;
    }
    walk(b + 1, next, sum);
    for (let kept = 1; kept <= (counts[b] ?? 0); kept++) {
      const from = one.at ?? next;
      if (from >= next && from + kept - 1 <= capacity) walk(b + 1, from + kept, sum + kept * one.priority);
    }
  };
  walk(0, 1, 0);
  return best;
}

/** Whether a model takes a member, by the rule read once more. */
function takes(one: PlanMember, listens: boolean, able: LayFacts): boolean {
  const has = (bands: LayFacts["receive"], frequency: number) => bands.some(({ from }) => from === frequency);
  if (!has(able.receive, one.receive) || (one.digital && !able.digital)) return false;
  const sends = one.transmit !== undefined && has(able.transmit, one.transmit);
  if (one.transmit !== undefined && !sends && !listens) return false;
  if (able.everyTone || one.digital) return true;
  // 88.6 is none of those that are commonly built.
  if (one.hears?.kind === "ctcss" && one.hears.tenths === 886) return false;
  return !sends || one.sends?.kind !== "ctcss" || one.sends.tenths !== 886;
}

it("keeps the greatest weight of what the model can take; every member is in or left out with a reason; the same each time", () => {
  fc.assert(
    fc.property(fc.array(block, { maxLength: 4 }), facts, (plan, able) => {
      const laid = layOut(plan, able);
      const counts = plan.map(
        ({ members, listens }) => members.filter((one) => takes(one, listens, able)).length,
      );
      const weight = laid.blocks.reduce((sum, { kept }, b) => sum + kept * (plan[b]?.priority ?? 0), 0);
      expect(weight).toBe(heaviest(plan, counts, able.capacity));
      const all = plan.flatMap(({ members }) => members);
      expect(laid.channels.length + laid.left.length).toBe(all.length);
      expect(laid.left.filter(({ why }) => why !== "full")).toHaveLength(
        all.length - counts.reduce((sum, n) => sum + n, 0),
      );
      const positions = laid.channels.map(({ position }) => position);
      expect(positions).toEqual([...new Set(positions)].sort((a, b) => a - b));
      expect(Math.max(0, ...positions)).toBeLessThanOrEqual(able.capacity);
      const names = laid.channels.map(({ name }) => name.toLowerCase());
      expect(new Set(names).size).toBe(names.length);
      for (const one of laid.channels) {
        expect([...one.name].length).toBeLessThanOrEqual(able.nameSigns);
        if (one.transmit !== undefined)
          expect(able.transmit.some(({ from }) => from === one.transmit)).toBe(true);
        else expect(one.sends).toBeUndefined();
        // No tone is laid out that the model does not make.
        if (!able.everyTone && !one.digital)
          for (const tone of [one.sends, one.hears]) expect(tone).not.toEqual({ kind: "ctcss", tenths: 886 });
      }
      expect(layOut(plan, able)).toEqual(laid);
    }),
    { numRuns: cases(1000, 100_000) },
  );
});

it("a member that no name within so few signs can tell from the others is left out, and another comes in for it", () => {
  const of = (name: string, receive = 100): PlanMember => {
    const { position: _, ...plain } = codeplugChannel.parse({ position: 1, name, receive });
    return plain;
  };
  const able: LayFacts = {
    receive: band([100]),
    transmit: [],
    digital: false,
    capacity: 9,
    nameSigns: 1,
    everyTone: true,
  };
  const members = Array.from({ length: 12 }, () => of("A"));
  const laid = layOut([{ name: "all", priority: 5, listens: true, members }], able);
  // "A", and the digits from 2 to 9.
  expect(laid.channels.map(({ name }) => name)).toEqual(["A", "2", "3", "4", "5", "6", "7", "8", "9"]);
  expect(laid.left.map(({ why }) => why)).toEqual(["full", "full", "full"]);
  expect(laid.cut.map(({ position }) => position)).toEqual([2, 3, 4, 5, 6, 7, 8, 9]);
  const more = layOut([{ name: "all", priority: 5, listens: true, members }], { ...able, capacity: 12 });
  expect(more.left.map(({ why }) => why)).toEqual(["name", "name", "name"]);
});
