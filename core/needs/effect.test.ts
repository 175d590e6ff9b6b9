// What a change to the list of releases would do, against working out every unit's needs before and after; and the
// releases that facts speak of, against looking through the facts for them.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { releasesIn } from "../needs/mentions.ts";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { type Catalogue, catalogueOf, type Release } from "../release/index.ts";
import { PLAIN_POLICY, type UnitFacts } from "../unit/index.ts";
import { effectOf, withRelease } from "./effect.ts";
import type { Reason } from "./kinds/index.ts";
import { isOpen, targetOn } from "./need.ts";
import { needsOf } from "./unit.ts";

const today = plain("2026-06-01");
const release = (n: number, on: number, more: Partial<Release> = {}): Release => ({
  id: `R${n}`,
  version: `1.${n}`,
  aliases: [],
  track: "factory",
  releasedOn: addDays(today, on),
  fixes: [],
  ...more,
});
const catalogue = (...releases: Release[]): Catalogue =>
  catalogueOf([{ id: "main", name: "main", numbering: { kind: "dotted" }, suffixes: [], releases }]);
const unit = (id: string, runs: number): UnitFacts => ({
  id,
  addedOn: plain("2026-01-01"),
  readings: [
    {
      id: `of ${id}`,
      component: "main",
      raw: `1.${runs}`,
      source: "screen",
      at: "2026-05-20T10:00:00Z",
      on: plain("2026-05-20"),
    },
  ],
});
const GONE = { withdrawn: { on: addDays(today, 5), why: "w" } };
const situated = (units: readonly UnitFacts[], catalogue: Catalogue) =>
  units.map((one) => ({ unit: one, catalogue, policy: PLAIN_POLICY, today }));

describe("a release put into the list or taken out of it", () => {
  const releases = fc.uniqueArray(
    fc.record({ n: fc.integer({ min: 0, max: 6 }), on: fc.integer({ min: -60, max: 20 }) }),
    { selector: (r) => r.n, minLength: 1, maxLength: 4 },
  );

  it("is said to touch just those units whose needs it touches, whatever another part of them needs", () => {
    const dsp = { id: "dsp", name: "dsp", suffixes: [], releases: [release(1, -50)] };
    const ofDsp = {
      id: "d",
      component: "dsp",
      raw: "1.1",
      source: "screen",
      at: "",
      on: plain("2026-05-20"),
    } as const;
    fc.assert(
      fc.property(
        releases,
        fc.array(fc.record({ runs: fc.integer({ min: 0, max: 7 }), read: fc.boolean() }), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.integer({ min: 0, max: 7 }),
        fc.integer({ min: -30, max: 30 }),
        (list, running, n, on) => {
          const main = catalogue(...list.map((r) => release(r.n, r.on)));
          const before = new Map([...main, ...catalogueOf([dsp])]);
          const isWithdrawn = on > 20;
          const units = running.map(({ runs, read }, i) => {
            const one = unit(`u${i}`, runs);
            return read ? { ...one, readings: [...one.readings, ofDsp] } : one;
          });
          const after = withRelease(before, "main", `R${n}`, release(n, on, isWithdrawn ? GONE : {}));
          const told = effectOf(situated(units, before), before, after);
          for (const one of units) {
            const open = (c: Catalogue) =>
              needsOf(one, c, PLAIN_POLICY)
                .filter((need) => isOpen(need, today))
                .map((need) =>
                  [need.kind, need.component, need.cause, need.urgency, targetOn(need, today)].join(),
                )
                .sort()
                .join("; ");
            const [was, is] = [open(before), open(after)];
            const expected =
              was === is ? [] : was === "" ? ["newlyDue"] : is === "" ? ["freed"] : ["changed"];
            const said = (["newlyDue", "freed", "changed"] as const).filter((kind) =>
              told[kind].includes(one.id),
            );
            expect([one.id, said]).toEqual([one.id, expected]);
            const ahead = (c: Catalogue) =>
              needsOf(one, c, PLAIN_POLICY)
                .filter((need) => need.kind === "firmware")
                .map((n) =>
                  [n.component, n.cause, n.urgency, n.dueFrom, ...n.targets.map((t) => t.release)].join(),
                )
                .join("; ");
            const isLater = was === is && ahead(before) !== ahead(after);
            expect([one.id, told.later.includes(one.id)]).toEqual([one.id, isLater]);
          }
          const named = [...told.newlyDue, ...told.changed, ...told.freed, ...told.later];
          expect(new Set(named).size).toBe(named.length);
        },
      ),
      { numRuns: cases(400) },
    );
  });

  it("and taken out again leaves the list as it was", () => {
    fc.assert(
      fc.property(releases, (list) => {
        const before = catalogue(...list.map((r) => release(r.n, r.on)));
        const there = withRelease(before, "main", "R9", release(9, 0));
        const back = withRelease(there, "main", "R9", undefined);
        expect(there.get("main")?.releases).toHaveLength(list.length + 1);
        expect(back.get("main")?.component).toEqual(before.get("main")?.component);
      }),
    );
  });

  it("replaced keeps its place; another part's releases stay as they are", () => {
    const two = catalogueOf([
      { id: "main", name: "main", suffixes: [], releases: [release(1, 0), release(2, 0)] },
      { id: "dsp", name: "DSP", suffixes: [], releases: [release(5, 0)] },
    ]);
    const changed = withRelease(two, "main", "R1", release(1, 5));
    expect(changed.get("main")?.component.releases.map((r) => r.releasedOn)).toEqual([
      addDays(today, 5),
      today,
    ]);
    expect(changed.get("dsp")?.component).toEqual(two.get("dsp")?.component);
  });

  it("withdrawn under a radio that is on hold it is told as later: what is to come has another reason and urgency", () => {
    const held = { ...unit("u", 1), hold: { until: addDays(today, 40), why: "w" } };
    const before = catalogue(release(1, -50), release(2, -40));
    const gone = catalogue(release(1, -50, { withdrawn: { on: today, why: "w" } }), release(2, -40));
    const effect = effectOf(situated([held], before), before, gone);
    expect(effect).toEqual({ newlyDue: [], changed: [], freed: [], later: ["u"] });
    expect(effectOf(situated([held], before), before, before).later).toEqual([]);
  });

  it("for a day to come it makes nobody due now, but is told as later", () => {
    const before = catalogue(release(1, -50));
    const after = withRelease(before, "main", "R2", release(2, 10));
    expect(effectOf(situated([unit("u", 1)], before), before, after)).toEqual({
      newlyDue: [],
      changed: [],
      freed: [],
      later: ["u"],
    });
  });
});

describe("the releases that facts speak of", () => {
  it("are all found, wherever in a fact they stand", () => {
    const facts: Reason[] = [
      { kind: "runs", release: "R1" },
      { kind: "newer", releases: ["R2", "R3"] },
      { kind: "skips", count: 3, first: "R4", latest: "R5" },
      { kind: "ordered-by-date", release: "R6" },
      { kind: "not-admitted", releases: ["R7"] },
      { kind: "does-not-fit", releases: ["R8"] },
      { kind: "may-not-fit", releases: ["R9"] },
      { kind: "withdrawn", release: "R10", on: today, why: "R" },
      { kind: "fixes", release: "R11", tag: "clock", urgency: "fix" },
      { kind: "hold-broken", release: "R12" },
      { kind: "rule", rule: { kind: "pinned", releases: ["R13", "R14"], otherwise: { kind: "newest" } } },
      { kind: "cannot-place", problem: { kind: "ambiguous", cleaned: "1", releases: ["R15", "R16"] } },
      {
        kind: "two-places",
        places: [
          { numbering: { kind: "dotted" }, below: "R17", above: "R18" },
          { numbering: { kind: "decimal" }, above: "R19" },
        ],
      },
      { kind: "reading", reading: "5", raw: "R20", on: today },
      { kind: "stale", on: today, afterDays: 365 },
    ];
    const everywhere = [...JSON.stringify(facts).matchAll(/"(R\d+)"/g)].map((m) => m[1]);
    const expected = everywhere.filter((id) => id !== "R20");
    expect([...releasesIn(facts)].sort()).toEqual(expected.sort());
    expect(expected).toHaveLength(19);
    expect(releasesIn([])).toEqual([]);
  });
});
