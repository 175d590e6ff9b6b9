// Measurements: intervals hold whatever the meter's error can be; harmonics by sampling what may be there; loads; trends.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { harmonics, type Limit, linesOf, worstOf } from "./harmonics.ts";
import { fitOf, loadFor, loadInWords, loadRating, parseLoad } from "./load.ts";
import {
  againstRated,
  dbmOf,
  intervalOf,
  isUnlikely,
  type MeterError,
  parseMeterError,
  power,
  wattsOf,
} from "./power.ts";
import { trend, unseen } from "./trend.ts";

describe("a power meter", () => {
  it("reads what stands in its papers, and nothing else", () => {
    const read = (text: string) => {
      const found = parseMeterError(text);
      return found.ok ? found.value : found.problem.kind;
    };
    expect(read("10 % of full scale")).toEqual({ ofScale: 0.1 });
    expect(read("± 5% of reading + 0,5 dB")).toEqual({ ofReading: 0.05, decibels: 0.5 });
    expect(read("+/- 1 dB")).toEqual({ decibels: 1 });
    expect(read("5 %; 2 % of the scale")).toEqual({ ofReading: 0.05, ofScale: 0.02 });
    expect(read("10 % FS")).toEqual({ ofScale: 0.1 });
    expect(read("10% F.S.")).toEqual({ ofScale: 0.1 });
    expect(read("± 10 % of full-scale")).toEqual({ ofScale: 0.1 });
    expect(read("± 0.2 W")).toEqual({ watts: 0.2 });
    expect(read("50 mW")).toEqual({ watts: 0.05 });
    expect(read("-1/+2 dB")).toEqual({ decibels: 2 });
    expect(read("+2 / -1 dB")).toEqual({ decibels: 2 });
    expect(read("−5/+10 % rdg + 1 digit")).toEqual({ ofReading: 0.1, digits: 1 });
    expect(read("5 % rdg + 1 digit")).toEqual({ ofReading: 0.05, digits: 1 });
    expect(read("5 % of reading and 3 digits; 0,5 dB")).toEqual({
      ofReading: 0.05,
      digits: 3,
      decibels: 0.5,
    });
    for (const text of [
      "",
      "good",
      "5 V",
      "1 dB of scale",
      "200 %",
      "5 % of everything",
      "1 digit FS",
      "-1 dB",
    ])
      expect(read(text)).toBe("error-unreadable");
  });

  it("never leaves out what may be there", () => {
    const share = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.record({
          ofReading: fc.constantFrom(0, 0.05),
          ofScale: fc.constantFrom(0, 0.1),
          decibels: fc.constantFrom(0, 1),
          watts: fc.constantFrom(0, 0.2),
        }),
        share,
        share,
        share,
        (shown, error: MeterError, a, b, c) => {
          const found = power(shown, { error, fullScale: 100 });
          if (!found.ok) throw new Error(found.problem.kind);
          const off =
            a * shown * (error.ofReading ?? 0) + b * 100 * (error.ofScale ?? 0) + a * (error.watts ?? 0);
          const there = Math.max(0, shown + off) * 10 ** ((c * (error.decibels ?? 0)) / 10);
          expect(there).toBeGreaterThanOrEqual(found.value.low * (1 - 1e-9));
          expect(there).toBeLessThanOrEqual(found.value.high * (1 + 1e-9));
        },
      ),
    );
    expect(power(10, { error: { ofScale: 0.1 }, fullScale: 50 })).toEqual({
      ok: true,
      value: { low: 5, high: 15 },
    });
    expect(power(4.6, { error: { digits: 2 } })).toMatchObject({
      value: { low: expect.closeTo(4.4, 9), high: expect.closeTo(4.8, 9) },
    });
    expect(power(5, { error: { digits: 1 } })).toEqual({ ok: true, value: { low: 4, high: 6 } });
    expect(power(10, { error: { ofScale: 0.1 } })).toMatchObject({ problem: { kind: "no-full-scale" } });
    expect(power(60, { error: {}, fullScale: 50 })).toMatchObject({ problem: { kind: "beyond-scale" } });
  });

  it("goes from watts to dBm and back", () => {
    expect(dbmOf(5)).toBeCloseTo(36.9897, 4);
    expect(wattsOf(30)).toBe(1);
    fc.assert(
      fc.property(fc.double({ min: 1e-9, max: 1e4, noNaN: true }), (w) => {
        expect(wattsOf(dbmOf(w)) / w).toBeCloseTo(1, 9);
      }),
    );
  });

  it("against the rated power says only what all of the interval agrees to", () => {
    expect(againstRated({ low: 4.5, high: 5.2 }, 5, 0.2)).toBe("within");
    expect(againstRated({ low: 2, high: 3.9 }, 5, 0.2)).toBe("low");
    expect(againstRated({ low: 6.1, high: 7 }, 5, 0.2)).toBe("high");
    expect(againstRated({ low: 3.9, high: 4.1 }, 5, 0.2)).toBe("cannot tell");
    expect(againstRated({ low: 3, high: 8 }, 5, 0.2)).toBe("cannot tell");
    expect(againstRated({ low: 4, high: 6 }, 5, 0.2)).toBe("within");
  });
});

describe("a dummy load", () => {
  const load = (text: string) => {
    const found = parseLoad(text);
    return found.ok ? found.value : found.problem.kind;
  };
  it("is read as it is labelled", () => {
    expect(load("50 W for 1 min, then rest 5 min")).toEqual({ short: { watts: 50, seconds: 60, cool: 300 } });
    expect(load("5 W; 50 W for 30 s")).toEqual({ continuous: 5, short: { watts: 50, seconds: 30 } });
    expect(load("15,5 W continuous")).toEqual({ continuous: 15.5 });
    for (const text of ["", "big", "50", "rest 5 min", "50 W for ever"])
      expect(load(text)).toBe("rating-unreadable");
  });

  it("takes what it may, for as long as it may", () => {
    const can = { continuous: 5, short: { watts: 50, seconds: 60, cool: 300 } };
    expect(loadRating(can, 5, 9999)).toEqual({ kind: "takes" });
    expect(loadRating(can, 5.1, 60)).toEqual({ kind: "takes-then-cools", cool: 300 });
    expect(loadRating(can, 50, 61)).toEqual({ kind: "too-long", most: 60 });
    expect(loadRating(can, 51, 1)).toEqual({ kind: "too-much", most: 50 });
    expect(loadRating({ continuous: 5 }, 6, 1)).toEqual({ kind: "too-much", most: 5 });
  });

  it("what is far more than a radio is rated for is asked about; with nothing to compare it is not", () => {
    expect(isUnlikely(25, 5)).toBe(false);
    expect(isUnlikely(25.1, 5)).toBe(true);
    expect(isUnlikely(1000, undefined)).toBe(false);
  });

  it("and what nobody knows has no interval", () => {
    expect(intervalOf(5, "10 % of full scale", 200)).toEqual({ low: 0, high: 25 });
    expect(intervalOf(5, "", 200)).toBeUndefined();
    expect(intervalOf(5, "2 parts in a million", undefined)).toBeUndefined();
    expect(intervalOf(5, "10 % of full scale", undefined)).toBeUndefined();
    expect(unseen([])).toBe(0);
    expect(
      unseen([
        { low: 4, high: 6 },
        { low: 0, high: 25 },
      ]),
    ).toBe(12.5);
  });

  it("is chosen for what the radio sends, and for how often; never one that cannot take it", () => {
    const load = (tag: string, rating: string, taken = false) => ({ tag, rating, taken });
    const once = { times: 1, seconds: 10 };
    const often = { times: 7, seconds: 10 };
    const short = "5 W; 50 W for 60 s, then rest 5 min";
    expect(fitOf(short, 5, often)).toEqual({ kind: "takes" });
    expect(fitOf(short, 50, { times: 6, seconds: 10 })).toEqual({ kind: "takes" });
    expect(fitOf(short, 50, often)).toEqual({ kind: "takes-with-rests", cool: 300 });
    expect(fitOf(short, 50.1, once)).toEqual({ kind: "too-much" });
    expect(fitOf(short, 50, { times: 1, seconds: 61 })).toEqual({ kind: "too-much" });
    expect(fitOf(short, undefined, once)).toEqual({ kind: "unknown", of: "radio" });
    expect(fitOf("big", 50, once)).toEqual({ kind: "unknown", of: "load" });
    const chosen = (...loads: ReturnType<typeof load>[]) => loadFor(loads, 50, often)?.load.tag;
    expect(chosen(load("a", "25 W"), load("b", "big"), load("c", short), load("d", "100 W", true))).toBe("d");
    expect(chosen(load("a", "100 W", true), load("b", "100 W"), load("c", "100 W"))).toBe("b");
    expect(chosen(load("a", "100 W", true), load("b", "60 W", true))).toBe("a");
    expect(chosen(load("a", "25 W"))).toBeUndefined();
    const says = (watts: number | undefined, ...loads: ReturnType<typeof load>[]) =>
      loadInWords(loadFor(loads, watts, often), watts, often);
    expect(says(50, load("a", "100 W"))).toBe("dummy load a");
    expect(says(50, load("a", short))).toBe("dummy load a, which has to cool 5 min after each time");
    expect(says(50, load("a", "50 W for 10 s"))).toBe("dummy load a, which has to cool after each time");
    expect(says(50, load("a", "25 W"))).toBe(
      "a dummy load that takes 50 W for 10 s: none of ours is known to",
    );
    expect(says(undefined)).toBe(
      "a dummy load that takes what the radio sends for 10 s: none of ours is known to",
    );
    expect(says(undefined, load("a", short))).toMatch(/nobody has noted how much/);
    expect(says(50, load("a", "big"))).toMatch(/takes 50 W, its rating cannot be read/);
  });
});

describe("harmonics", () => {
  const limit: Limit = { dbc: 60, dbm: -36, both: "stricter", source: "the club's own" };
  const carrier = { frequency: 145e6, dbm: -3 };

  it("pass, fail, or cannot be told, exactly as everything that may be there agrees", () => {
    const level = fc.integer({ min: -110, max: -20 });
    const maybe = (...values: number[]) => fc.constantFrom(undefined, ...values);
    fc.assert(
      fc.property(
        level,
        maybe(40, 60),
        maybe(-36, -30),
        fc.constantFrom("stricter" as const, "laxer" as const),
        fc.constantFrom(0, 1, 3),
        maybe(-90, -70),
        (dbm, dbc, plainLimit, both, error, floor) => {
          const own: Limit = {
            source: "s",
            both,
            ...(dbc !== undefined && { dbc }),
            ...(plainLimit !== undefined && { dbm: plainLimit }),
          };
          const meter = { error, ...(floor !== undefined && { floor }) };
          const [found] = harmonics(carrier, [{ frequency: 290e6, dbm }], meter, own, 40);
          // Everything that may be there: both errors at their ends and middle, and far below where only the floor is seen.
          const isHidden = floor !== undefined && dbm <= floor;
          const lines = [-error, 0, error].map((e) => (isHidden ? floor : dbm) + 40 + e);
          if (isHidden) lines.push(-400);
          const carriers = [-error, 0, error].map((e) => carrier.dbm + 40 + e);
          const keeps = lines.flatMap((line) =>
            carriers.map((c) => {
              const parts = [
                ...(dbc === undefined ? [] : [line <= c - dbc]),
                ...(plainLimit === undefined ? [] : [line <= plainLimit]),
              ];
              return both === "laxer" ? parts.some(Boolean) : parts.every(Boolean);
            }),
          );
          if (dbc === undefined && plainLimit === undefined) {
            expect(found?.verdict).toBe("cannot tell");
            expect(found?.because).toBe("no-limit");
          } else if (keeps.every(Boolean) && both === "stricter") expect(found?.verdict).toBe("passes");
          else if (!keeps.some(Boolean) && both === "laxer") expect(found?.verdict).toBe("fails");
          // A verdict is never said against what may be there.
          if (found?.verdict === "passes") expect(keeps.every(Boolean)).toBe(true);
          if (found?.verdict === "fails") expect(keeps.some(Boolean)).toBe(false);
        },
      ),
      { numRuns: cases(500) },
    );
  });

  it("names which they are, at the radio, and why nothing can be told", () => {
    const lines = [
      { frequency: 435.5e6, dbm: -95 },
      { frequency: 290e6, dbm: -45 },
      { frequency: 200e6, dbm: -20 },
    ];
    const told = harmonics(carrier, lines, { error: 1, floor: -90 }, limit, 40);
    expect(told.map(({ harmonic, verdict, because }) => [harmonic, verdict, because])).toEqual([
      [2, "fails", undefined],
      [3, "passes", undefined],
    ]);
    expect(told[0]?.dbm).toEqual({ low: -6, high: -4 });
    expect(told[0]?.dbc).toEqual({ low: -44, high: -40 });
    expect(told[1]?.dbm.low).toBe(Number.NEGATIVE_INFINITY);
    const loud = harmonics(carrier, lines, { error: 1, most: -10 }, limit, 40);
    expect(loud[0]).toMatchObject({ verdict: "cannot tell", because: "front-end" });
    const dull = harmonics(carrier, lines, { error: 1, floor: -70 }, limit, 40);
    expect(dull[1]).toMatchObject({ verdict: "cannot tell", because: "floor" });
  });

  it("are found in a spectrum: its highest line is the carrier", () => {
    const spectrum = Array.from({ length: 500 }, (_, i) => ({ frequency: i * 1e6, dbm: -90 - (i % 3) }));
    spectrum.push(
      { frequency: 145e6, dbm: -3 },
      { frequency: 290.2e6, dbm: -50 },
      { frequency: 434e6, dbm: -61 },
    );
    const found = linesOf(spectrum);
    expect(found?.carrier.frequency).toBe(145e6);
    expect(found?.lines.slice(0, 2)).toEqual([
      { frequency: 290.2e6, dbm: -50 },
      { frequency: 434e6, dbm: -61 },
    ]);
    expect(linesOf([])).toBeUndefined();
  });
});

describe("a trend", () => {
  const start = plain("2026-01-01");
  it("is the median of all slopes, and weaker only outside of the scatter", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ day: fc.nat(400), watts: fc.integer({ min: 1, max: 50 }) }), {
          minLength: 5,
          maxLength: 9,
        }),
        (list) => {
          const found = trend(list.map(({ day, watts }) => ({ day: addDays(start, day), watts })));
          if (found.kind !== "known") throw new Error("five are enough");
          const all = list.flatMap((a) =>
            list.flatMap((b) => (b.day > a.day ? [((b.watts - a.watts) / (b.day - a.day)) * 365.25] : [])),
          );
          // The median is whatever as many lie above as below.
          const above = all.filter((s) => s > found.slope + 1e-6).length;
          const below = all.filter((s) => s < found.slope - 1e-6).length;
          expect(above).toBeLessThanOrEqual(all.length / 2);
          expect(below).toBeLessThanOrEqual(all.length / 2);
          if (found.weaker) expect(found.outside).toBe("below");
        },
      ),
    );
  });

  const days = (...watts: number[]) => watts.map((w, i) => ({ day: addDays(start, i * 60), watts: w }));
  it("says what it can", () => {
    expect(trend(days(5, 5, 5, 5))).toEqual({ kind: "too-few", readings: 4 });
    expect(trend(days(5, 5.1, 4.9, 5, 5.05))).toMatchObject({ weaker: false, outside: undefined });
    expect(trend(days(5, 5.1, 4.9, 5, 3))).toMatchObject({ weaker: true, outside: "below", usual: 5 });
    expect(trend(days(5, 5.1, 4.9, 5, 7))).toMatchObject({ weaker: false, outside: "above" });
    // One bad reading in the middle does not pull it; what the meter cannot see is no difference.
    expect(trend(days(5, 1, 5, 5, 5))).toMatchObject({ slope: 0, outside: undefined });
    expect(trend(days(5, 5, 5, 5, 4.6), 0.5)).toMatchObject({ outside: undefined, weaker: false });
    // The order in which they were written down says nothing.
    expect(trend([...days(5, 5.1, 4.9, 5, 3)].reverse())).toMatchObject({ weaker: true });
  });
});

it("of a meter whose error nobody knows nothing is judged, and what it showed is still shown", () => {
  const carrier = { frequency: 145_000_000, dbm: 0 };
  const far = { frequency: 290_000_000, dbm: -200 };
  const limit = { dbc: 10, source: "the test" };
  expect(harmonics(carrier, [far], {}, limit, 0)).toMatchObject([
    { harmonic: 2, verdict: "cannot tell", because: "no-error", dbc: { low: -200, high: -200 } },
  ]);
  expect(harmonics(carrier, [far], { error: 0 }, limit, 0)).toMatchObject([{ verdict: "passes" }]);
  expect(worstOf([])).toBe("nothing found");
  expect(worstOf(harmonics(carrier, [far], {}, limit, 0))).toBe("cannot tell");
});
