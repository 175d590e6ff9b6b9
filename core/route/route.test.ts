// Routes: the worked example, the oracle's answer on thousands of small cases, and why there is none.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import {
  type Catalogue,
  type Component,
  type Conditions,
  catalogueOf,
  conditionsShape,
  type Release,
} from "../release/index.ts";
import { parseRange, type Range, type Version } from "../version/index.ts";
import { isWay, oracleRoute, type PlainCase, type PlainRange, type PlainRelease } from "./oracle.ts";
import { findRoute, type Goal, type State } from "./route.ts";

type Told = Partial<Omit<Conditions, "from" | "requires">> & {
  from?: string;
  requires?: [component: string, range: string][];
};

const range = (text: string): Range => {
  const read = parseRange(text);
  if (!read.ok) throw new Error(text);
  return read.value;
};

function release(id: string, version: string, told: Told = {}, more: Partial<Release> = {}): Release {
  const { from, requires, ...rest } = told;
  const conditions = conditionsShape.parse({
    ...rest,
    ...(from && { from: range(from) }),
    requires: (requires ?? []).map(([component, text]) => ({ component, range: range(text) })),
  });
  const base = { aliases: [], track: "factory", releasedOn: plain("2026-01-01"), fixes: [] } as const;
  return { id, version, ...base, conditions, ...more };
}

const component = (name: string, releases: Release[]): Component => ({
  id: name,
  name,
  numbering: { kind: "dotted" },
  suffixes: [],
  releases,
});

function stateOf(catalogue: Catalogue, runs: Record<string, string>): State {
  const state = new Map<string, Version>();
  for (const [name, raw] of Object.entries(runs)) {
    const read = catalogue.get(name)?.reader.read(raw);
    if (read?.ok) state.set(name, read.value);
  }
  return state;
}

const ids = (catalogue: Catalogue, runs: Record<string, string>, goal: Record<string, string>, unit = {}) => {
  const found = findRoute(stateOf(catalogue, runs), new Map(Object.entries(goal)) as Goal, catalogue, unit);
  return found.ok ? found.value.steps.map((s) => s.release) : found.problem;
};

describe("the worked example", () => {
  const catalogue = catalogueOf([
    component("main", [
      release("m106", "1.06"),
      release("m110", "1.10", { from: ">= 1.06", erases: "settings" }),
      release("m114", "1.14", { from: ">= 1.06", requires: [["dsp", ">= 2.0"]] }),
    ]),
    component("dsp", [release("d18", "1.8"), release("d20", "2.0", { requires: [["main", ">= 1.06"]] })]),
  ]);

  test("1.06, DSP 2.0, 1.14; not over 1.10", () => {
    expect(ids(catalogue, { main: "1.02", dsp: "1.8" }, { main: "m114" })).toEqual(["m106", "d20", "m114"]);
  });

  test("what it costs is added up, and each step says what it goes over", () => {
    const found = findRoute(
      stateOf(catalogue, { main: "1.02", dsp: "1.8" }),
      new Map([["main", "m110"]]),
      catalogue,
      {},
    );
    expect(found.ok && found.value).toMatchObject({
      erasing: 1,
      erases: "settings",
      minutes: 10,
      risk: 4,
      lowers: [],
      steps: [
        { release: "m106", over: { version: "1.02" } },
        { release: "m110", over: { release: "m106" } },
      ],
    });
  });

  test("a unit that is there needs no step", () => {
    expect(ids(catalogue, { main: "1.14", dsp: "2.0" }, { main: "m114" })).toEqual([]);
  });

  test("without a way it says how far one gets, and what stops it there", () => {
    const stuck = catalogueOf([
      component("main", [
        release("m106", "1.06"),
        release("m114", "1.14", { from: ">= 1.06", requires: [["dsp", ">= 2.0"]] }),
      ]),
      component("dsp", [release("d18", "1.8"), release("d20", "2.0", {}, { hardwareRevisions: ["B"] })]),
    ]);
    expect(
      ids(stuck, { main: "1.02", dsp: "1.8" }, { main: "m114" }, { hardwareRevision: "A" }),
    ).toMatchObject({
      kind: "no-route",
      farthest: { release: "m106", route: { steps: [{ release: "m106" }] } },
      stops: [
        { release: "m114", kind: "requires", of: "dsp", listed: true },
        { release: "d20", kind: "does-not-fit" },
      ],
    });
    expect(ids(stuck, { main: "1.02", dsp: "1.8" }, { main: "m114" })).toMatchObject({
      stops: [{ kind: "requires" }, { release: "d20", kind: "may-fit" }],
    });
    expect(ids(stuck, { main: "1.02" }, { main: "m114" }, { hardwareRevision: "B" })).toEqual([
      "d20",
      "m106",
      "m114",
    ]);
  });
});

test("every kind of stop is told", () => {
  const stops = (releases: Release[], runs = "1.00", goal = "goal") => {
    const told = ids(catalogueOf([component("main", releases)]), { main: runs }, { main: goal });
    return "kind" in told && told.kind === "no-route" ? told.stops.map((s) => s.kind) : told;
  };
  expect(stops([release("goal", "2.0", { from: ">= 1.5" })])).toEqual(["from"]);
  expect(stops([release("goal", "2.0", {}, { draft: true })])).toEqual(["draft"]);
  expect(stops([release("goal", "2.0", { fromTracks: ["community"] })])).toEqual(["from-tracks"]);
  expect(stops([release("goal", "1.0", {}), release("now", "3.0", { rollbackFloor: "2.0" })], "3.0")).toEqual(
    ["floor"],
  );
  expect(stops([release("goal", "2.0")], "1.00", "elsewhere")).toEqual(["not-listed"]);
  const inEachOthersWay = catalogueOf([
    component("main", [release("m", "2.0", { requires: [["dsp", "< 2.0"]] })]),
    component("dsp", [release("d", "2.0", { requires: [["main", "< 2.0"]] })]),
  ]);
  expect(ids(inEachOthersWay, { main: "1.0", dsp: "1.0" }, { main: "m", dsp: "d" })).toMatchObject({
    stops: [{ kind: "together" }, { kind: "together" }],
  });
});

const NAMES = ["main", "dsp", "panel"] as const;
const small = fc.constantFrom("1.0", "1.1", "1.2", "2.0", "2.1", "reedling", "osier");
const plainRange: fc.Arbitrary<PlainRange> = fc
  .tuple(fc.option(small), fc.option(small))
  .map(([least, most]) => ({ ...(least && { least }), ...(most && { most }) }))
  .filter((r) => r.least !== undefined || r.most !== undefined);
/** Present in one of `n` cases. */
const maybe = <T>(of: fc.Arbitrary<T>, n: number): fc.Arbitrary<T | undefined> =>
  fc.oneof({ arbitrary: of, weight: 1 }, { arbitrary: fc.constant(undefined), weight: n - 1 });

const plainCase: fc.Arbitrary<PlainCase> = fc
  .integer({ min: 1, max: 3 })
  .chain((n) => {
    const names = NAMES.slice(0, n);
    const one = (name: string) =>
      fc
        .uniqueArray(
          fc.record({
            version: small,
            track: fc.constantFrom(
              "factory" as const,
              "factory" as const,
              "beta" as const,
              "community" as const,
            ),
            fits: fc.integer({ min: 0, max: 9 }).map((x) => x > 0),
            withdrawn: fc.integer({ min: 0, max: 4 }).map((x) => x === 0),
            from: maybe(plainRange, 2),
            fromTracks: maybe(fc.subarray(["factory", "beta", "community"], { minLength: 1 }), 4),
            requires: maybe(fc.record({ component: fc.constantFrom(...names), range: plainRange }), 3),
            floor: maybe(small, 5),
            erases: fc.boolean(),
            risk: fc.integer({ min: 1, max: 3 }),
            minutes: fc.integer({ min: 1, max: 3 }),
          }),
          { minLength: 1, maxLength: 4, selector: (r) => r.version },
        )
        .map((list) =>
          list.map(({ from, fromTracks, floor, requires, ...rest }, i) => ({
            id: `${name}${(i * 7) % 5}`,
            component: name,
            requires: requires && requires.component !== name ? [requires] : [],
            ...rest,
            ...(from && { from }),
            ...(fromTracks && { fromTracks }),
            ...(floor && { floor }),
          })),
        );
    return fc.tuple(
      fc.tuple(...names.map(one)).map((lists) => lists.flat()),
      fc.tuple(...names.map(() => fc.option(small, { nil: undefined, freq: 6 }))),
      fc.subarray([...names], { minLength: 1 }),
      fc.array(fc.nat(), { minLength: 3, maxLength: 3 }),
    );
  })
  .map(([releases, runs, wanted, picks]) => ({
    releases,
    state: Object.fromEntries(NAMES.flatMap((name, i) => (runs[i] ? [[name, runs[i]]] : []))),
    goal: Object.fromEntries(
      wanted.map((name, i) => {
        const own = releases.filter((r) => r.component === name);
        return [name, own[(picks[i] ?? 0) % own.length]?.id ?? ""];
      }),
    ),
  }));

const realRange = ({ least, most }: PlainRange): Range => [
  { ...(least && { atLeast: least }), ...(most && { atMost: most }) },
];

function realCatalogue(releases: readonly PlainRelease[]): Catalogue {
  const real = (r: PlainRelease): Release =>
    release(
      r.id,
      r.version,
      {},
      {
        track: r.track,
        ...(!r.fits && { hardwareRevisions: ["other"] }),
        ...(r.withdrawn && { withdrawn: { on: plain("2026-02-01"), why: "" } }),
        conditions: conditionsShape.parse({
          ...(r.from && { from: realRange(r.from) }),
          ...(r.fromTracks && { fromTracks: r.fromTracks }),
          requires: r.requires.map(({ component: of, range: within }) => ({
            component: of,
            range: realRange(within),
          })),
          ...(r.floor && { rollbackFloor: r.floor }),
          erases: r.erases ? "settings" : "nothing",
          risk: r.risk,
          minutes: r.minutes,
        }),
      },
    );
  return catalogueOf(
    NAMES.map((name) => component(name, releases.filter((r) => r.component === name).map(real))),
  );
}

/** What the unit runs, also where only its name is known: such a version is read as the release it is, or not at all. */
function realState(catalogue: Catalogue, runs: Readonly<Record<string, string>>): State | undefined {
  const state = stateOf(catalogue, runs);
  return state.size === Object.keys(runs).length ? state : undefined;
}

/** Ladders whose rungs want the rung before, and other components so far along: routes of many steps. */
const ladders: fc.Arbitrary<PlainCase> = fc
  .array(
    fc.record({
      stone: fc.boolean(),
      needs: maybe(fc.tuple(fc.constantFrom(...NAMES), fc.integer({ min: 0, max: 3 })), 2),
      erases: fc.boolean(),
      withdrawn: fc.integer({ min: 0, max: 5 }).map((x) => x === 0),
      risk: fc.integer({ min: 1, max: 2 }),
    }),
    { minLength: 12, maxLength: 12 },
  )
  .map((rungs) => ({
    releases: rungs.map(({ stone, needs, ...rest }, i): PlainRelease => {
      const component = NAMES[i % 3] ?? "main";
      const rung = Math.floor(i / 3);
      return {
        id: `${"cab"[i % 3]}${rung}`,
        component,
        version: `1.${rung}`,
        track: "factory",
        fits: true,
        ...(stone && rung > 0 && { from: { least: `1.${rung - 1}` } }),
        requires:
          needs && needs[0] !== component ? [{ component: needs[0], range: { least: `1.${needs[1]}` } }] : [],
        minutes: 1,
        ...rest,
      };
    }),
    state: { main: "0.9", dsp: "0.9", panel: "1.0" },
    goal: { main: "c3" },
  }));

test("the same answer as trying everything, on thousands of small cases", () => {
  const lengths: (number | undefined)[] = [];
  const compare = (problem: PlainCase) => {
    const catalogue = realCatalogue(problem.releases);
    const state = realState(catalogue, problem.state);
    if (!state) return;
    const goal: Goal = new Map(Object.entries(problem.goal));
    const found = findRoute(state, goal, catalogue, { hardwareRevision: "this" });
    const wanted = oracleRoute(problem);
    lengths.push(wanted?.length);
    expect(found.ok ? found.value.steps.map((s) => s.release) : undefined).toEqual(wanted);
    if (!found.ok) expect("stops" in found.problem && found.problem.stops.length).toBeGreaterThan(0);
  };
  fc.assert(fc.property(plainCase, compare), { numRuns: cases(800) });
  fc.assert(fc.property(ladders, compare), { numRuns: cases(200) });
  const tried = cases(800) + cases(200);
  expect(lengths.length).toBeGreaterThan(tried / 2);
  expect(lengths.filter((n) => n === undefined).length).toBeGreaterThan(tried / 10);
  expect(lengths.filter((n) => (n ?? 0) >= 3).length).toBeGreaterThan(tried / 16);
});

describe("where there are too many states to look at all of them", () => {
  const numbersOf = (problem: PlainCase, ids: readonly string[]) => {
    const all = ids.map((id) => problem.releases.find((r) => r.id === id));
    const sum = (of: (r: PlainRelease | undefined) => number) => all.reduce((total, r) => total + of(r), 0);
    return [
      sum((r) => (r?.erases ? 1 : 0)),
      ids.length,
      sum((r) => r?.risk ?? 0),
      sum((r) => r?.minutes ?? 0),
    ];
  };
  const notMore = (a: readonly number[], b: readonly number[]): boolean => {
    for (const [i, one] of a.entries()) if (one !== b[i]) return one < (b[i] ?? 0);
    return true;
  };

  test("the way found is a way, costs no less than the best, and the best no less than was said; never is it said that there is none", () => {
    let found = 0;
    let untold = 0;
    fc.assert(
      fc.property(fc.oneof(plainCase, ladders), fc.integer({ min: 1, max: 4 }), (problem, most) => {
        const catalogue = realCatalogue(problem.releases);
        const state = realState(catalogue, problem.state);
        if (!state) return;
        const goal: Goal = new Map(Object.entries(problem.goal));
        const told = findRoute(state, goal, catalogue, { hardwareRevision: "this" }, { most });
        const wanted = oracleRoute(problem);
        if (!told.ok) {
          if (told.problem.kind === "no-route") expect(wanted).toBeUndefined();
          else untold++;
          return;
        }
        const ids = told.value.steps.map((s) => s.release);
        expect(wanted).toBeDefined();
        if (!told.value.atLeast) {
          expect(ids).toEqual(wanted);
          return;
        }
        found++;
        const { erasing, installs, risk, minutes } = told.value.atLeast;
        const best = numbersOf(problem, wanted ?? []);
        expect(isWay(problem, ids)).toBe(true);
        expect(notMore([erasing, installs, risk, minutes], best)).toBe(true);
        // A way that keeps to stricter rules than the best needs may cost more, never less.
        if (!told.value.passesWithdrawn) expect(notMore(best, numbersOf(problem, ids))).toBe(true);
      }),
      { numRuns: cases(400) },
    );
    expect(found).toBeGreaterThan(cases(400) / 16);
    expect(untold).toBeLessThan(cases(400) / 14);
  });
});

test("two that bar each other's last step are seen to, however many states a third adds", () => {
  const others = Array.from({ length: 60 }, (_, i) => release(`p${i}`, `1.${i}`, {}));
  const catalogue = catalogueOf([
    component("main", [release("m1", "1.0", {}), release("m2", "2.0", { requires: [["dsp", "<= 1.0"]] })]),
    component("dsp", [release("d1", "1.0", {}), release("d2", "2.0", { requires: [["main", "<= 1.0"]] })]),
    component("panel", others),
  ]);
  const goal: Goal = new Map([
    ["main", "m2"],
    ["dsp", "d2"],
    ["panel", "p59"],
  ]);
  const state = stateOf(catalogue, { main: "1.0", dsp: "1.0", panel: "1.0" });
  const told = findRoute(state, goal, catalogue, {}, { most: 1 });
  expect(told).toMatchObject({ ok: false, problem: { kind: "no-route" } });
});

test("how far one can get is the greatest by version, not what came out last", () => {
  const catalogue = catalogueOf([
    component("main", [
      release("r30", "3.0", {}, { releasedOn: plain("2024-01-01") }),
      release("r20", "2.0", {}, { releasedOn: plain("2025-01-01") }),
      release("r40", "4.0", { from: ">= 3.5" }, { releasedOn: plain("2026-01-01") }),
    ]),
  ]);
  const problem = ids(catalogue, { main: "1.0" }, { main: "r40" });
  expect(problem).toMatchObject({ kind: "no-route", farthest: { release: "r30" } });
});
