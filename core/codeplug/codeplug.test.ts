// Channels out of tables of whichever dialect, and held against modes, privileges and the plan: by a second, plain reading of the rules.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import {
  type Channel,
  liesInBands,
  modeShape,
  normalised,
  type Segment,
  segmentShape,
  transmitOf,
} from "../modes/index.ts";
import { addDays, plain } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { checkChannels, FINDING_ORDER, strandedIn } from "./check/check.ts";
import { readChannelTable } from "./table/channel-table.ts";

const read = (text: string, asked = {}) => {
  const found = readChannelTable(text, asked);
  if (!found.ok) throw new Error(found.problem.kind);
  return found.value;
};

describe("a table of channels", () => {
  const channel = fc.record({
    name: fc.stringMatching(/^[A-Z]{2,6}$/),
    khz: fc.integer({ min: 136_000, max: 470_000 }),
    shift: fc.constantFrom(-7600, -600, 0, 0, 600, undefined),
    bandwidth: fc.constantFrom(12_500, 25_000, undefined),
  });
  const dialect = fc.record({
    unit: fc.constantFrom("MHz" as const, "kHz" as const, "Hz" as const),
    named: fc.boolean(),
    delimiter: fc.constantFrom(",", ";", "\t"),
    comma: fc.boolean(),
    as: fc.constantFrom("transmit" as const, "offset" as const, "direction" as const),
    words: fc.boolean(),
  });

  it("written in any dialect is read as it was", () => {
    fc.assert(
      fc.property(fc.array(channel, { minLength: 3, maxLength: 20 }), dialect, (list, d) => {
        const sign = d.comma && d.delimiter !== "," ? "," : ".";
        const scale = { MHz: 1000, kHz: 1, Hz: 0.001 }[d.unit];
        const number = (value: number) => String(value).replace(".", sign);
        const head = d.named ? ` (${d.unit})` : "";
        const rows = list.map(({ name, khz, shift, bandwidth }) => {
          const width =
            bandwidth === undefined
              ? ""
              : d.words
                ? bandwidth > 20_000
                  ? "Wide"
                  : "NFM"
                : number(bandwidth / 1000);
          const way =
            d.as === "transmit"
              ? [shift === undefined ? "off" : number((khz + shift) / scale)]
              : d.as === "offset"
                ? [shift === undefined ? "" : number(shift / 1000), shift === undefined ? "off" : ""]
                : [
                    shift === undefined ? "" : number(Math.abs(shift) / 1000),
                    shift === undefined ? "off" : shift < 0 ? "-" : shift > 0 ? "+" : "simplex",
                  ];
          return [name, number(khz / scale), ...way, width];
        });
        const heads =
          d.as === "transmit"
            ? [`TX Freq${head}`]
            : ["Offset MHz", d.as === "offset" ? "Duplex" : "Direction"];
        const text = [["Name", `RX Freq${head}`, ...heads, "Bandwidth"], ...rows]
          .map((cells) => cells.join(d.delimiter))
          .join("\n");
        const found = read(text, { unit: d.named ? undefined : d.unit });
        expect(found.odd).toEqual([]);
        expect(found.channels).toEqual(
          list.map(({ name, khz, shift, bandwidth }, i) => ({
            position: i + 1,
            digital: false,
            name,
            receive: khz * 1000,
            ...(shift !== undefined && { transmit: (khz + shift) * 1000 }),
            ...(bandwidth !== undefined && { bandwidth }),
          })),
        );
      }),
    );
  });

  test("columns without telling heads are told by what stands in them, with the reason; a person's word counts", () => {
    const text = "A;B;C;D\nEAST;145,5;nfm;x\nWEST;146,25;FM;y";
    const found = read(text);
    expect(found.columns.map(({ meaning, because }) => [meaning, because])).toEqual([
      ["name", "values"],
      ["receive", "values"],
      ["bandwidth", "values"],
      ["ignore", "nothing"],
    ]);
    expect(found.columns[1]?.sample).toBe("145,5");
    expect(found.channels[0]).toEqual({
      position: 1,
      digital: false,
      name: "EAST",
      receive: 145_500_000,
      transmit: 145_500_000,
      bandwidth: 12_500,
    });
    const told = read(text, { columns: ["ignore", "receive", "ignore", "name"] });
    expect(told.channels.map(({ name }) => name)).toEqual(["x", "y"]);
    expect(told.channels[0]).not.toHaveProperty("bandwidth");
  });

  test("a direction of its own says which way an offset goes, whatever its sign", () => {
    const found = read(
      "Name,RX MHz,Offset MHz,Shift\na,145.6,-0.6,+\nb,145.6,0.6,-\nc,145.6,-0.6,\nd,145.6,0.6,simplex",
    );
    expect(found.channels.map(({ transmit }) => transmit)).toEqual([
      146_200_000, 145_000_000, 145_000_000, 145_600_000,
    ]);
  });

  test("what cannot be read is named by row and column, and nothing is dropped silently", () => {
    const found = read(
      "Name,RX MHz,TX MHz,Offset,Shift,Width\n" +
        "a,145.5,?,,,\nb,,,,,\nc,146,,0.6,sideways,\nd,147,,much,,\ne,148,,,,fat\nf,149,,-0.6,,",
    );
    expect(found.odd).toEqual([
      { row: 2, column: "TX MHz", cell: "?", wanted: "a frequency" },
      { row: 3, column: "RX MHz", cell: "", wanted: "a frequency" },
      { row: 4, column: "Shift", cell: "sideways", wanted: "a direction" },
      { row: 5, column: "Offset", cell: "much", wanted: "an offset" },
      { row: 6, column: "Width", cell: "fat", wanted: "a width" },
    ]);
    expect(found.channels.map(({ name, transmit }) => [name, transmit])).toEqual([
      ["a", undefined],
      ["c", undefined],
      ["d", undefined],
      ["e", 148_000_000],
      ["f", 148_400_000],
    ]);
    expect(readChannelTable("Name,Note\na,b\nc,d")).toMatchObject({ problem: { kind: "no-receive" } });
  });
});

describe("channels against modes and the plan", () => {
  const today = plain("2026-11-24");
  const MHZ = 1_000_000;
  const band = (from: number, to: number) => ({ from: from * MHZ, to: to * MHZ });
  const mode = modeShape.parse({
    name: "wide",
    transmit: [band(144, 146)],
    receive: [band(136, 174)],
    outside: "band edge",
  });
  const line = (more: object): Segment =>
    segmentShape.parse({ class: "entry", ...band(144, 146), bandwidth: 25_000, ...more });

  test("each finding with what it takes, the worst first", () => {
    const channels: Channel[] = [
      { name: "ok", receive: 145 * MHZ, transmit: 145 * MHZ, bandwidth: 25_000 },
      { name: "narrow", receive: 145 * MHZ, transmit: 145 * MHZ, bandwidth: 12_500 },
      { name: "far", receive: 180 * MHZ },
      { name: "stray", receive: 150 * MHZ, transmit: 150 * MHZ },
      { name: "fat", receive: 145 * MHZ, transmit: 145 * MHZ, bandwidth: 50_000 },
    ];
    const soon = addDays(today, 30);
    const plan = [line({ until: soon }), line({ since: soon, bandwidth: 12_500 })];
    const facts = { mode, allowed: [band(144, 146)], plan, class: "Entry", on: today };
    const found = checkChannels(channels, facts);
    expect(found.map(({ channel, kind }) => `${channel.name} ${kind}`)).toEqual([
      "stray beyond",
      "stray stranded",
      "ok wide",
      "fat wide",
      "far deaf",
      "narrow narrow",
    ]);
    expect(found.find(({ kind }) => kind === "stranded")).toMatchObject({
      does: "band edge",
      edge: 146 * MHZ - 1,
    });
    expect(found.filter(({ kind }) => kind === "wide")).toMatchObject([
      { most: 12_500, from: soon },
      { most: 25_000 },
    ]);
    expect(found[3]).not.toHaveProperty("from");
    expect(
      checkChannels(channels, { ...facts, on: soon }).map(({ channel, kind }) => `${channel.name} ${kind}`),
    ).toEqual(["stray beyond", "stray stranded", "ok wide", "fat wide", "far deaf"]);
    // What nobody knows is not judged.
    expect(checkChannels(channels, { plan, on: today })).toEqual([]);
    expect(strandedIn(channels, [mode])[0]?.stranded).toHaveLength(1);
  });

  it("agrees with the rules read one by one", () => {
    const edges = fc.integer({ min: 140, max: 160 });
    const some = fc.array(
      fc.tuple(edges, fc.integer({ min: 1, max: 6 })).map(([from, width]) => band(from, from + width)),
      { maxLength: 3 },
    );
    const width = fc.constantFrom(12_500, 25_000, undefined);
    const lines = fc.array(
      fc.record({
        at: edges,
        size: fc.integer({ min: 1, max: 6 }),
        bandwidth: width,
        from: fc.constantFrom(undefined, -5, 10, 20, 30),
        until: fc.constantFrom(undefined, undefined, 15, 40),
      }),
      { maxLength: 4 },
    );
    const channels = fc.array(
      fc.record({ receive: edges, transmit: fc.option(edges, { nil: undefined }), bandwidth: width }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(some, some, some, lines, channels, (transmit, receive, allowed, drawn, list) => {
        const own = modeShape.parse({ name: "m", transmit, receive });
        const plan = drawn.map(({ at, size, bandwidth, from, until }) =>
          segmentShape.parse({
            class: "c",
            ...band(at, at + size),
            ...(bandwidth && { bandwidth }),
            ...(from !== undefined && { since: addDays(today, from) }),
            ...(until !== undefined && until > (from ?? -9) && { until: addDays(today, until) }),
          }),
        );
        const all: Channel[] = list.map((one, i) => ({
          name: `${i}`,
          receive: one.receive * MHZ,
          ...(one.transmit !== undefined && { transmit: one.transmit * MHZ }),
          ...(one.bandwidth !== undefined && { bandwidth: one.bandwidth }),
        }));
        const facts = { mode: own, allowed: normalised(allowed), plan, class: "c", on: today };
        const found = checkChannels(all, facts);
        const has = (place: number, kind: string) =>
          found.some((one) => one.place === place && one.kind === kind);
        const most = (frequency: number, day: typeof today) => {
          const here = plan.filter(
            (one) =>
              one.from <= frequency &&
              frequency < one.to &&
              (one.since === undefined || one.since <= day) &&
              (one.until === undefined || day < one.until),
          );
          return here.length === 0 || here.some((one) => one.bandwidth === undefined)
            ? undefined
            : here.map((one) => one.bandwidth ?? 0).sort((a, b) => b - a)[0];
        };
        // Each day by itself, far beyond the last change.
        const coming = Array.from({ length: 60 }, (_, i) => addDays(today, i + 1));
        for (const [place, one] of all.entries()) {
          const on = one.transmit;
          expect(has(place, "beyond")).toBe(on !== undefined && !liesInBands(normalised(allowed), on));
          expect(has(place, "stranded")).toBe(on !== undefined && !liesInBands(transmitOf(own), on));
          expect(has(place, "deaf")).toBe(
            receive.length > 0 && !receive.some((b) => b.from <= one.receive && one.receive < b.to),
          );
          const now = on === undefined ? undefined : most(on, today);
          const width_ = one.bandwidth ?? 0;
          const isWide = (day: typeof today) =>
            one.bandwidth !== undefined && on !== undefined && width_ > (most(on, day) ?? width_);
          const first = [today, ...coming].find(isWide);
          const told = found.find((finding) => finding.place === place && finding.kind === "wide");
          expect(told !== undefined).toBe(first !== undefined);
          if (told?.kind === "wide") expect(told.from ?? today).toBe(first);
          expect(has(place, "narrow")).toBe(one.bandwidth !== undefined && now !== undefined && width_ < now);
        }
        const ranks = found.map(({ kind }) => FINDING_ORDER.indexOf(kind));
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      }),
      { numRuns: cases(100, 100_000) },
    );
  });
});
