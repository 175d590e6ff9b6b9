// The numbers of the live channel: nobody misses a change without being told, nobody hears of another club.
import fc from "fast-check";
import { expect, it } from "vitest";
import { cases } from "#core/quantities/testing.ts";
import { complainOf } from "#db/complain.ts";
import { shortened } from "#db/live.ts";
import { ALL, makeHub } from "./live.ts";

type Got = { readonly id: string; readonly what: readonly string[] };

const page = (hub: ReturnType<typeof makeHub>, club: string, last?: string, session = "s") => {
  const got: Got[] = [];
  let closed = false;
  const open = hub.open(
    { club, session, send: (id, what) => got.push({ id, what }), close: () => (closed = true) },
    last,
  );
  return { got, open, isClosed: () => closed };
};

it("whatever happens while a page is away, it is told all of it, or that it may be anything", () => {
  const step = fc.oneof(
    fc.record({ do: fc.constant("change" as const), club: fc.constantFrom("1", "2"), topic: fc.nat(5) }),
    fc.record({ do: fc.constant("leave" as const) }),
    fc.record({ do: fc.constant("come" as const) }),
    fc.record({ do: fc.constant("lose" as const) }),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 60 }), fc.integer({ min: 1, max: 700 }), (steps, many) => {
      const hub = makeHub("e");
      let seen = page(hub, "1");
      let last = seen.got[0]?.id;
      let away = false;
      let owed = new Set<string>();
      const settle = () => {
        const told = new Set(seen.got.flatMap(({ what }) => what));
        for (const topic of owed) if (!told.has(topic) && !told.has("all")) return topic;
        owed = new Set();
        last = seen.got.at(-1)?.id ?? last;
        seen.got.length = 0;
        return undefined;
      };
      for (const one of steps) {
        if (one.do === "change") {
          const times = one.topic === 0 ? many : 1;
          for (let i = 0; i < times; i++) hub.heard({ club: one.club, what: [`unit:${one.topic}-${i}`] });
          if (one.club === "1") for (let i = 0; i < times; i++) owed.add(`unit:${one.topic}-${i}`);
        } else if (one.do === "lose") {
          hub.missed();
          owed.add("all");
        } else if (one.do === "leave" && !away) {
          expect(settle()).toBeUndefined();
          seen.open?.close();
          away = true;
        } else if (one.do === "come" && away) {
          seen = page(hub, "1", last);
          away = false;
        }
        if (!away) expect(settle()).toBeUndefined();
      }
      expect(hub.size).toBe(away ? 0 : 1);
    }),
    { numRuns: cases(150) },
  );
});

it("hears nothing of another club, and of another server's time only that anything may have changed", () => {
  const hub = makeHub("now");
  const ours = page(hub, "1");
  hub.heard({ club: "2", what: ["unit:7"] });
  expect(ours.got).toEqual([{ id: "now-0", what: [] }]);
  hub.heard({ club: "1", what: ["unit:8"] });
  expect(page(hub, "1", "before-1").got).toEqual([{ id: "now-1", what: ALL }]);
  for (const last of ["now-0", "now-1"])
    expect(page(hub, "1", last).got).toEqual([{ id: "now-1", what: last === "now-0" ? ["unit:8"] : [] }]);
  for (const last of ["now-2", "now--1", "now-x", "", "-"])
    expect(page(hub, "1", last).got[0]?.what).toEqual(ALL);
});

it("closes the streams of a session that ended, and opens only so many for one", () => {
  const hub = makeHub();
  const one = page(hub, "1", undefined, "a");
  const other = page(hub, "1", undefined, "b");
  hub.heard({ session: "a" });
  expect([one.isClosed(), other.isClosed()]).toEqual([true, false]);
  hub.heard({ club: "1", what: ["log"] });
  expect([one.got.length, other.got.length]).toEqual([1, 2]);
  const all = Array.from({ length: 30 }, () => page(hub, "1", undefined, "c"));
  expect(all.filter(({ open }) => open).length).toBe(24);
  all[0]?.open?.close();
  expect(page(hub, "1", undefined, "c").open).toBeDefined();
});

it("names few radios, and of many only that it was radios", () => {
  expect(shortened(["unit:1", "need"])).toEqual(["unit:1", "need"]);
  const many = Array.from({ length: 300 }, (_, i) => `unit:${i}`);
  expect(shortened([...many, "need"])).toEqual(["unit", "need"]);
});

it("says what goes wrong once a minute, and at once what is new", () => {
  let now = 0;
  const said: string[] = [];
  const complain = complainOf(
    "It",
    (line) => said.push(line),
    () => now,
  );
  for (const [at, message] of [
    [0, "a"],
    [59_000, "a"],
    [60_000, "a"],
    [60_001, "b"],
  ] as const) {
    now = at;
    complain(new Error(message));
  }
  expect(said).toEqual(["It: a", "It: a", "It: b"]);
});
