// The load for the bench: against trying every load with every adapter by hand.
import fc from "fast-check";
import { expect, it } from "vitest";
import { benchLoad, type KeptAdapter, type KeptLoad } from "./bench-load.ts";

const condition = fc.constantFrom("sound" as const, "worn" as const, "broken" as const, "lost" as const);
const holder = fc.constantFrom(null, null, "Juno");
const end = fc.constantFrom("a", "b", "c");
const loads = fc
  .array(
    fc.record({
      condition,
      holder,
      taken: fc.boolean(),
      rating: fc.constantFrom("5 W", "50 W"),
      socket: fc.constantFrom(null, "a", "b"),
    }),
    { maxLength: 3 },
  )
  .map((all) => all.map((one, i): KeptLoad => ({ ...one, id: `${i}`, tag: `DL-${i}` })));
const adapters = fc
  .array(fc.record({ condition, holder, taken: fc.boolean(), ends: fc.tuple(end, end) }), { maxLength: 2 })
  .map((all) => all.map((one, i): KeptAdapter => ({ ...one, id: `${i}`, tag: `AN-${i}` })));
const once = { times: 1, seconds: 10 };

it("is sound, here, takes the power, and nothing is known that keeps it from the radio", () => {
  fc.assert(
    fc.property(loads, adapters, fc.constantFrom(undefined, "a", "b"), (all, joining, socket) => {
      const usable = joining.filter(
        (one) => one.holder === null && (one.condition === "sound" || one.condition === "worn"),
      );
      const meets = (from: string, to: string): boolean =>
        from === to ||
        usable.some(
          (one) =>
            one.ends.includes(from) &&
            (one.ends.includes(to) ||
              usable.some(
                (other) =>
                  other !== one &&
                  other.ends.includes(to) &&
                  one.ends.some((between) => between !== from && other.ends.includes(between)),
              )),
        );
      const takesIt = (load: KeptLoad) =>
        load.condition === "sound" && load.holder === null && load.rating === "50 W";
      const reaches = (load: KeptLoad) =>
        socket === undefined || load.socket === null || meets(socket, load.socket);
      const found = benchLoad(all, joining, socket, 20, once);
      const able = all.filter((load) => takesIt(load) && reaches(load));
      expect(found.load !== undefined).toBe(able.length > 0);
      if (found.load) expect(able.map(({ id }) => id)).toContain(found.load.id);
      if (able.some(({ taken }) => !taken)) expect(found.load?.taken).toBe(false);
      expect(found.missing !== undefined).toBe(able.length === 0 && all.some(takesIt));
      for (const { id } of found.adapters) expect(usable.map((one) => one.id)).toContain(id);
    }),
  );
});

it("says what goes along, and to look where nobody has noted a socket", () => {
  const load: KeptLoad = {
    ...{ id: "1", tag: "DL-1", condition: "sound", holder: null, taken: false },
    ...{ rating: "50 W", socket: "wide" },
  };
  const adapter: KeptAdapter = {
    ...{ id: "2", tag: "AN-1", condition: "worn", holder: null, taken: false },
    ends: ["fine", "wide"],
  };
  const say = (socket: string | undefined, of = load) => benchLoad([of], [adapter], socket, 20, once).what;
  expect(say("wide")).toBe("dummy load DL-1");
  expect(say("fine")).toBe("dummy load DL-1, adapter AN-1");
  expect(say(undefined)).toBe("dummy load DL-1, look that it fits the antenna socket");
  expect(say("wide", { ...load, socket: null })).toBe(
    "dummy load DL-1, look that it fits the antenna socket",
  );
  expect(benchLoad([load], [], "quarter", 20, once)).toMatchObject({
    missing: { radio: "quarter", load: "wide" },
    adapters: [],
  });
});

it("a broken or a lost adapter joins nothing, and one that another bench has comes last", () => {
  const load: KeptLoad = {
    ...{ id: "1", tag: "DL-1", condition: "sound", holder: null, taken: false },
    ...{ rating: "50 W", socket: "wide" },
  };
  const adapter = (tag: string, more: Partial<KeptAdapter>): KeptAdapter => ({
    ...{ id: tag, tag, condition: "sound", holder: null, taken: false, ends: ["fine", "wide"] },
    ...more,
  });
  const taken = (...all: KeptAdapter[]) =>
    benchLoad([load], all, "fine", 20, once).adapters.map(({ tag }) => tag);
  for (const condition of ["broken", "lost"] as const)
    expect(taken(adapter("AN-1", { condition }))).toEqual([]);
  expect(taken(adapter("AN-1", { holder: "Juno" }))).toEqual([]);
  expect(taken(adapter("AN-1", { taken: true }), adapter("AN-2", {}))).toEqual(["AN-2"]);
  expect(taken(adapter("AN-1", { taken: true }))).toEqual(["AN-1"]);
});
