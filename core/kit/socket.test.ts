// Sockets meet by the fewest adapters there are: against every order in which one or two could be put together.
import fc from "fast-check";
import { expect, it } from "vitest";
import { socketFit } from "./socket.ts";

const end = fc.constantFrom("a", "b", "c", "d");
const adapters = fc
  .array(fc.tuple(end, end), { maxLength: 5 })
  .map((all) => all.map((ends, i) => ({ id: String(i), tag: `AN-${i}`, ends })));

it("two sockets fit, are joined by as few adapters as can be, or nothing that is here joins them", () => {
  fc.assert(
    fc.property(end, end, adapters, (radio, other, all) => {
      const turned = all.flatMap((one) =>
        [one.ends, [one.ends[1], one.ends[0]] as const].map((ends) => ({ one, ends })),
      );
      const joins = (from: string, to: string, steps: typeof turned): boolean =>
        steps.length === 0
          ? from === to
          : steps[0]?.ends[0] === from && joins(steps[0].ends[1], to, steps.slice(1));
      const pairs = turned.flatMap((a) => turned.filter((b) => b.one !== a.one).map((b) => [a, b]));
      const fewest = [[], ...turned.map((a) => [a]), ...pairs].find((steps) =>
        joins(radio, other, steps),
      )?.length;
      const found = socketFit(radio, other, all);
      if (fewest === undefined) expect(found).toEqual({ kind: "missing", radio, other });
      else if (fewest === 0) expect(found).toEqual({ kind: "fits" });
      else {
        if (found.kind !== "with") throw new Error(found.kind);
        expect(found.adapters).toHaveLength(fewest);
        const through = found.adapters.reduce<string>(
          (here, { ends }) => (ends[0] === here ? ends[1] : ends[1] === here ? ends[0] : "nowhere"),
          radio,
        );
        expect(through).toBe(other);
      }
    }),
  );
});

it("of a socket that nobody has noted nothing is claimed", () => {
  expect(socketFit(undefined, "a", [])).toEqual({ kind: "unknown", of: "radio" });
  expect(socketFit("a", undefined, [])).toEqual({ kind: "unknown", of: "other" });
});

it("what another bench has is taken only where nothing else does", () => {
  const one = (id: string, elsewhere: boolean) => ({ id, tag: id, ends: ["a", "b"] as const, elsewhere });
  const taken = one("1", true);
  expect(socketFit("a", "b", [taken, one("2", false)])).toMatchObject({ adapters: [{ id: "2" }] });
  expect(socketFit("a", "b", [taken])).toEqual({ kind: "with", adapters: [taken] });
});
