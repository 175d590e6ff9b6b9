// The field-day sheet against every way to give each radio a programmer, or none.
import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "../quantities/testing.ts";
import { type FieldProgrammer, type FieldRadio, fieldDay } from "./field-day.ts";

const programmer = fc.record({
  serves: fc.subarray(["a", "b", "c"]),
  lasts: fc.option(fc.nat(3), { nil: undefined }),
});
const programmers = fc.array(programmer, { maxLength: 3 }).map((list) =>
  list.map(
    ({ serves, lasts }, i): FieldProgrammer => ({
      id: `p${i}`,
      serves: new Set(serves),
      ...(lasts !== undefined && { lasts }),
    }),
  ),
);
const radios = fc
  .array(fc.constantFrom("a", "b", "c"), { maxLength: 6 })
  .map((list) => list.map((model, i): FieldRadio => ({ id: `r${i}`, model })));

/** The most that can be served, and the shortest longest queue among those. */
function bruteForce(tools: readonly FieldProgrammer[], list: readonly FieldRadio[]) {
  let best = { served: -1, longest: 0 };
  const loads = tools.map(() => 0);
  const walk = (i: number, served: number) => {
    const radio = list[i];
    if (!radio) {
      const longest = Math.max(0, ...loads);
      if (served > best.served || (served === best.served && longest < best.longest))
        best = { served, longest };
      return;
    }
    walk(i + 1, served);
    for (const [p, tool] of tools.entries()) {
      if (!tool.serves.has(radio.model) || (loads[p] ?? 0) >= (tool.lasts ?? 99)) continue;
      loads[p] = (loads[p] ?? 0) + 1;
      walk(i + 1, served + 1);
      loads[p] = (loads[p] ?? 0) - 1;
    }
  };
  walk(0, 0);
  return best;
}

it("serves as many as can be, with the longest queue as short as can be, each radio once, by a programmer that knows it", () => {
  fc.assert(
    fc.property(programmers, radios, (tools, list) => {
      const { queues, left } = fieldDay(tools, list);
      const best = bruteForce(tools, list);
      const all = [...queues.values()].flat();
      expect(all.length).toBe(best.served);
      expect(Math.max(0, ...[...queues.values()].map((queue) => queue.length))).toBe(best.longest);
      expect([...all, ...left.map(({ id }) => id)].sort()).toEqual(list.map(({ id }) => id).sort());
      for (const tool of tools) {
        const models = (queues.get(tool.id) ?? []).map(
          (id) => list.find((one) => one.id === id)?.model ?? "",
        );
        for (const model of models) expect(tool.serves.has(model)).toBe(true);
        // Those of one model follow one another.
        const changes = models.filter((model, i) => model !== models[i - 1]).length;
        expect(changes).toBe(new Set(models).size);
        if (tool.lasts !== undefined) expect(models.length).toBeLessThanOrEqual(tool.lasts);
      }
      for (const { id, why } of left) {
        const model = list.find((one) => one.id === id)?.model ?? "";
        expect(why === "charge").toBe(tools.some(({ serves }) => serves.has(model)));
      }
    }),
    { numRuns: cases(1000) },
  );
});
