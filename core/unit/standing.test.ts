// Where a component stands, against an answer written apart: versions are whole numbers there, and every release is asked
// by itself whether it counts.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { catalogueOf, type Release, URGENCIES, type Urgency } from "../release/index.ts";
import { PLAIN_POLICY, type Policy } from "./policy.ts";
import { fitOf, STANDINGS, type Standing, standingOf } from "./standing.ts";
import type { UnitFacts } from "./unit.ts";

const start = plain("2026-01-01");
const day = (n: number) => addDays(start, n);

type PlainRelease = {
  n: number;
  on: number;
  track: "factory" | "beta" | "community";
  withdrawn: number | undefined;
  revisions: ("A" | "B")[] | undefined;
  regions: ("north" | "west")[] | undefined;
  urgency: Urgency | undefined;
};
type PlainUnit = { runs: number; revision: "A" | "B" | undefined; region: "north" | "west" | undefined };

const releases = fc.uniqueArray(
  fc.record({
    n: fc.integer({ min: 1, max: 9 }),
    on: fc.integer({ min: 0, max: 60 }),
    track: fc.constantFrom("factory" as const, "factory" as const, "beta" as const, "community" as const),
    withdrawn: fc.option(fc.integer({ min: 0, max: 80 }), { nil: undefined, freq: 3 }),
    revisions: fc.option(fc.subarray(["A" as const, "B" as const], { minLength: 1 }), { nil: undefined }),
    regions: fc.option(fc.subarray(["north" as const, "west" as const], { minLength: 1 }), {
      nil: undefined,
    }),
    urgency: fc.option(fc.constantFrom(...URGENCIES), { nil: undefined }),
  }),
  { selector: (r) => r.n, minLength: 1, maxLength: 7 },
);
const units = fc.record({
  runs: fc.integer({ min: 0, max: 10 }),
  revision: fc.constantFrom("A" as const, "B" as const, undefined),
  region: fc.constantFrom("north" as const, "west" as const, undefined),
});
const policies = fc.record({ beta: fc.boolean(), community: fc.boolean() });
const days = fc.integer({ min: 0, max: 90 });

const releaseOf = (r: PlainRelease): Release => ({
  id: `R${r.n}`,
  version: String(r.n),
  aliases: [],
  track: r.track,
  releasedOn: day(r.on),
  fixes: r.urgency ? [{ tag: "x", urgency: r.urgency, text: "" }] : [],
  ...(r.withdrawn !== undefined && { withdrawn: { on: day(r.withdrawn), why: "" } }),
  ...(r.revisions && { hardwareRevisions: r.revisions }),
  ...(r.regions && { regions: r.regions }),
});
const unitOf = (u: PlainUnit): UnitFacts => ({
  id: "u",
  addedOn: start,
  readings: [
    {
      id: "1",
      component: "main",
      raw: String(u.runs),
      source: "screen",
      at: `${start}T10:00:00Z`,
      on: start,
    },
  ],
  ...(u.revision && { hardwareRevision: u.revision }),
  ...(u.region && { region: u.region }),
});
const policyOf = (p: { beta: boolean; community: boolean }): Policy => ({
  ...PLAIN_POLICY,
  tracks: [...(p.beta ? (["beta"] as const) : []), ...(p.community ? (["community"] as const) : [])],
});

const askedOf = (r: PlainRelease, u: PlainUnit) =>
  [
    [r.revisions, u.revision],
    [r.regions, u.region],
  ] as const;
const mayFit = (r: PlainRelease, u: PlainUnit): boolean =>
  !askedOf(r, u).some(([wanted, has]) => wanted && has && !(wanted as readonly string[]).includes(has));

/** Whether a release counts for a unit on a day: surely, perhaps (its hardware or region is not known), or not at all. */
function counts(r: PlainRelease, u: PlainUnit, p: { beta: boolean; community: boolean }, on: number) {
  if (r.n <= u.runs || r.on > on) return "no";
  if (r.withdrawn !== undefined && r.withdrawn <= on) return "no";
  if (r.track === "beta" && !p.beta) return "no";
  if (r.track === "community" && !p.community) return "no";
  const asked = askedOf(r, u);
  if (!mayFit(r, u)) return "no";
  return asked.some(([wanted, has]) => wanted && !has) ? "perhaps" : "surely";
}

describe("a standing", () => {
  it("agrees with asking every release by itself", () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(releases, units, policies, days, (list, u, p, on) => {
        const catalogue = catalogueOf([
          {
            id: "main",
            name: "main",
            numbering: { kind: "dotted" },
            suffixes: [],
            releases: list.map(releaseOf),
          },
        ]);
        const told = standingOf(unitOf(u), "main", catalogue, policyOf(p), day(on));
        const named = nameOf(list, u, p, on, false);
        if (!list.some((r) => r.on <= on && mayFit(r, u)) && named !== "withdrawn" && named !== "aside") {
          expect([told.standing, told.behind]).toEqual(["unlisted", undefined]);
          seen.add(told.standing);
          return;
        }
        const surely = list.filter((r) => counts(r, u, p, on) === "surely");
        const perhaps = list.filter((r) => counts(r, u, p, on) === "perhaps");
        const ids = (some: readonly PlainRelease[]) => some.map((r) => `R${r.n}`).sort();
        expect([...(told.behind?.newer ?? [])].sort()).toEqual(ids(surely));
        if (surely.length > 0) {
          expect(told.behind?.since).toBe(day(Math.min(...surely.map((r) => r.on))));
          expect(told.behind?.latest).toBe(`R${Math.max(...surely.map((r) => r.n))}`);
          const worst = Math.max(...surely.map((r) => URGENCIES.indexOf(r.urgency ?? "routine")));
          expect(told.behind?.worst).toBe(URGENCIES[worst]);
        }
        expect([...(told.possibly?.newer ?? [])].sort()).toEqual(
          perhaps.length > 0 ? ids([...surely, ...perhaps]) : [],
        );
        expect(told.standing).toBe(nameOf(list, u, p, on, surely.length > 0));
        expect(told.release).toBe(list.some((r) => r.n === u.runs) ? `R${u.runs}` : undefined);
        seen.add(told.standing);
      }),
      { numRuns: cases(800) },
    );
    expect([...seen].sort()).toEqual(STANDINGS.filter((s) => s !== "unread" && s !== "unclear").sort());
  });

  function nameOf(
    list: readonly PlainRelease[],
    u: PlainUnit,
    p: { beta: boolean; community: boolean },
    on: number,
    behind: boolean,
  ): Standing["standing"] {
    const own = list.find((r) => r.n === u.runs);
    if (own?.withdrawn !== undefined && own.withdrawn <= on) return "withdrawn";
    if (own?.track === "beta" && !p.beta) return "aside";
    if (own?.track === "community" && !p.community) return "aside";
    const known = list.filter((r) => r.on <= on);
    if (!own && known.length > 0 && known.every((r) => r.n < u.runs)) return "ahead";
    return behind ? "behind" : "current";
  }

  it("is of the day that is asked about: readings and releases to come do not count yet", () => {
    const catalogue = catalogueOf([
      {
        id: "main",
        name: "main",
        numbering: { kind: "dotted" },
        suffixes: [],
        releases: [{ id: "R1", version: "1", aliases: [], track: "factory", releasedOn: start, fixes: [] }],
      },
    ]);
    const later: UnitFacts = { ...unitOf({ runs: 1, revision: undefined, region: undefined }) };
    const [reading] = later.readings;
    if (!reading) throw new Error("there is a reading");
    const moved = { ...later, readings: [{ ...reading, on: day(10) }] };
    expect(standingOf(moved, "main", catalogue, PLAIN_POLICY, day(9)).standing).toBe("unread");
    expect(standingOf(moved, "main", catalogue, PLAIN_POLICY, day(10)).standing).toBe("current");
  });

  it("always says why, with the reading first", () => {
    fc.assert(
      fc.property(releases, units, policies, days, (list, u, p, on) => {
        const catalogue = catalogueOf([
          { id: "main", name: "main", suffixes: [], releases: list.map(releaseOf) },
        ]);
        const { because, standing } = standingOf(unitOf(u), "main", catalogue, policyOf(p), day(on));
        expect(because[0]).toMatchObject({ kind: "reading", raw: String(u.runs) });
        if (standing === "behind") expect(because.some((f) => f.kind === "newer")).toBe(true);
        if (standing === "withdrawn") expect(because.some((f) => f.kind === "withdrawn")).toBe(true);
        if (standing === "ahead") expect(because.some((f) => f.kind === "runs-uncatalogued")).toBe(true);
      }),
      { numRuns: cases(400) },
    );
  });
});

describe("whether a release fits", () => {
  const one = (over: Partial<PlainRelease>) => {
    const [placed] = [
      ...(catalogueOf([
        {
          id: "main",
          name: "main",
          numbering: { kind: "dotted" },
          suffixes: [],
          releases: [
            releaseOf({
              n: 1,
              on: 0,
              track: "factory",
              withdrawn: undefined,
              revisions: undefined,
              regions: undefined,
              urgency: undefined,
              ...over,
            }),
          ],
        },
      ])
        .get("main")
        ?.releases.values() ?? []),
    ];
    if (!placed) throw new Error("one release");
    return placed;
  };
  test.each<[Partial<PlainRelease>, { hardwareRevision?: string; region?: string }, string]>([
    [{}, {}, "fits"],
    [{ revisions: ["A"] }, { hardwareRevision: "A" }, "fits"],
    [{ revisions: ["A"] }, { hardwareRevision: "B" }, "does-not-fit"],
    [{ revisions: ["A"] }, {}, "may-fit"],
    [{ regions: ["north"] }, { region: "north" }, "fits"],
    [{ regions: ["north"] }, {}, "may-fit"],
    [{ revisions: ["A"], regions: ["north"] }, { hardwareRevision: "A" }, "may-fit"],
    [{ revisions: ["A"], regions: ["north"] }, { hardwareRevision: "B" }, "does-not-fit"],
    [{ revisions: ["A"], regions: ["north"] }, { region: "west" }, "does-not-fit"],
    [{ revisions: ["A"], regions: ["north"] }, { hardwareRevision: "A", region: "north" }, "fits"],
  ])("%j for %j: %s", (release, unit, fit) => {
    expect(fitOf(one(release), unit)).toBe(fit);
  });
  it("a draft fits nothing", () => {
    expect(fitOf({ ...one({}), draft: true }, {})).toBe("does-not-fit");
  });
});
