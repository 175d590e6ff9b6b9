// Tables of channels written and read: the same channels; and what cannot be a channel is named.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { cases } from "../../quantities/testing.ts";
import type { CodeplugChannel } from "../channel.ts";
import { canonical, readDocument, writeDocument } from "../document.ts";
import { CTCSS, DCS } from "../tone.ts";
import { readChannelTable } from "./channel-table.ts";
import { formOf, typedChannel } from "./typed.ts";
import { type ChannelMapping, PLAIN_MAPPING, writeChannelTable } from "./write-table.ts";

const hertz = fc.integer({ min: 20_000_000, max: 999_999_999 });
const tone = fc.oneof(
  fc.constantFrom(...CTCSS).map((tenths) => ({ kind: "ctcss" as const, tenths })),
  fc.record({ kind: fc.constant("dcs" as const), code: fc.constantFrom(...DCS), inverted: fc.boolean() }),
);
const word = fc.stringMatching(/^[A-Za-z][A-Za-z0-9 "',;äß]{0,18}[a-z]$/);
/** What a spreadsheet or a reader would change. */
const risky = fc.stringMatching(/^[=@+\-' ]{0,2}[a-z ']{0,5}[' ]{0,2}$/);
const name = fc.oneof({ weight: 3, arbitrary: word }, { weight: 1, arbitrary: risky });
const some = name.filter((text) => text !== "");
const optional = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });
const pruned = (one: Record<string, unknown>): CodeplugChannel =>
  Object.fromEntries(Object.entries(one).filter(([, value]) => value !== undefined)) as CodeplugChannel;
const channelWith = (name: fc.Arbitrary<string>, some: fc.Arbitrary<string>) =>
  fc
    .record({
      name,
      receive: hertz,
      digital: fc.boolean(),
      transmit: optional(hertz),
      bandwidth: optional(fc.integer({ min: 1, max: 9_999_999 })),
      sends: optional(tone),
      hears: optional(tone),
      power: optional(some),
      scan: optional(fc.boolean()),
      colour: optional(fc.integer({ min: 0, max: 15 })),
      slot: optional(fc.constantFrom(1 as const, 2 as const)),
      talkgroup: optional(some),
      identity: optional(some),
    })
    .map(({ colour, slot, talkgroup, identity, ...rest }) =>
      pruned({ ...rest, ...(rest.digital && { colour, slot, talkgroup, identity }) }),
    );
/** As they are typed into a form. */
const plainChannel = channelWith(word, word);
const channel = channelWith(name, some);
const channels = fc
  .tuple(
    fc.array(channel, { minLength: 1, maxLength: 20 }),
    fc.infiniteStream(fc.integer({ min: 1, max: 5 })),
  )
  .map(([list, steps]) => {
    let position = 0;
    return list.map((one) => {
      position += steps.next().value;
      return { ...one, position };
    });
  });
/** How tables say where a channel transmits. */
const WAYS_TO_TRANSMIT = [
  [{ head: "TX", meaning: "transmit" }],
  [{ head: "Offset", meaning: "offset" }],
  [
    { head: "Offset", meaning: "offset" },
    { head: "Offset Direction", meaning: "direction" },
  ],
] as const;
const mapping = fc
  .record({
    delimiter: fc.constantFrom(",", ";", "\t", "|"),
    sign: fc.constantFrom(".", ","),
    unit: fc.constantFrom("Hz", "kHz", "MHz", "GHz"),
    order: fc.shuffledSubarray([...PLAIN_MAPPING.columns], { minLength: PLAIN_MAPPING.columns.length }),
  })
  .chain(({ order, ...rest }) =>
    fc.constantFrom(...WAYS_TO_TRANSMIT).map(
      (way): ChannelMapping =>
        ({
          ...rest,
          columns: order.flatMap((column) => (column.meaning === "transmit" ? way : [column])),
        }) as ChannelMapping,
    ),
  );

const tidy = (list: readonly CodeplugChannel[]) => list.map((one) => JSON.parse(canonical([one])));

describe("a table of channels", () => {
  it("read with the mapping that it was written with gives the same channels", () => {
    fc.assert(
      fc.property(channels, mapping, (list, dialect) => {
        const read = readChannelTable(writeChannelTable(list, dialect), {
          columns: dialect.columns.map(({ meaning }) => meaning),
          unit: dialect.unit,
          sign: dialect.sign,
        });
        if (!read.ok) throw new Error(read.problem.kind);
        expect(read.value.odd).toEqual([]);
        expect(tidy(read.value.channels)).toEqual(tidy(list));
      }),
      { numRuns: cases(300, 100_000) },
    );
  });

  it("by its headings alone: which way an offset goes is no offset, and what only receives stays so", () => {
    const read = readChannelTable(
      "Name,Frequency,Offset Direction,Offset Frequency\na,145.6,-,0.6\nb,145.7,simplex,0\nc,146,off,",
    );
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.columns.map(({ meaning }) => meaning)).toEqual([
      "name",
      "receive",
      "direction",
      "offset",
    ]);
    expect(read.value.channels.map(({ transmit }) => transmit)).toEqual([
      145_000_000,
      145_700_000,
      undefined,
    ]);
  });

  it("the sign of numbers is that of the column of frequencies, whatever stands elsewhere", () => {
    const read = readChannelTable("Name;Frequency;Note\na;145,5;v1.2, v1.3\nb;145,6125;no. 3.4 of 5.6");
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.channels.map(({ receive }) => receive)).toEqual([145_500_000, 145_612_500]);
  });

  it("in our own columns is read without being told anything", () => {
    const list: CodeplugChannel[] = [
      {
        position: 3,
        name: "Marshal isle",
        receive: 439_400_000,
        transmit: 431_800_000,
        digital: true,
        bandwidth: 12_500,
        colour: 1,
        slot: 2,
        talkgroup: "99902",
        power: "half",
        scan: false,
      },
      {
        position: 4,
        name: "Causeway bend",
        receive: 145_250_000,
        transmit: 145_250_000,
        digital: false,
        sends: { kind: "dcs", code: "023", inverted: true },
        hears: { kind: "ctcss", tenths: 885 },
      },
      { position: 9, name: "Weather", receive: 162_400_000, digital: false },
    ];
    const read = readChannelTable(writeChannelTable(list, PLAIN_MAPPING));
    expect(read).toMatchObject({ ok: true, value: { odd: [] } });
    if (read.ok) expect(tidy(read.value.channels)).toEqual(tidy(list));
  });

  test("every cell that cannot be read is named, and nothing is placed over anything", () => {
    const read = readChannelTable(
      "Pos;Name;RX MHz;TX Tone;Mode;Scan;Colour Code;Slot\n" +
        "1;a;145,5;5000;analog;yes;;\n1;b;145,6;88,5;sideways;perhaps;;\n-3;c;145,7;D023N;digital;no;16;3\n0;d;0;;;;;\n" +
        "5;e;146;none;digital;;7;1",
    );
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.odd.map(({ row, column, wanted }) => [row, column, wanted])).toEqual([
      [2, "TX Tone", "a tone"],
      [3, "Pos", "a position of its own, from 1 on"],
      [3, "Mode", "digital or analogue"],
      [3, "Scan", "yes or no"],
      [4, "Pos", "a position of its own, from 1 on"],
      [4, "Colour Code", "a colour code from 0 to 15"],
      [4, "Slot", "slot 1 or 2"],
      [5, "RX MHz", "a frequency"],
    ]);
    expect(read.value.channels.map(({ position, name }) => [position, name])).toEqual([
      [1, "a"],
      [2, "b"],
      [3, "c"],
      [5, "e"],
    ]);
  });

  test("a channel without a position goes to the next that no other wants", () => {
    const read = readChannelTable("Pos,Name,RX\n1,a,145.5\n,b,145.6\n2,c,145.7\n,d,145.8\n9,e,145.9\n,f,146");
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.channels.map(({ position, name }) => `${position}${name}`)).toEqual([
      ...["1a", "3b", "2c", "4d", "9e", "10f"],
    ]);
  });

  test("an offset that nothing gives a direction is asked for, and none is made up", () => {
    const bare = readChannelTable("Name,RX MHz,Offset\na,145.6,0.6\nb,145.7,0");
    expect(bare).toMatchObject({ ok: true, value: { odd: [{ row: 2, wanted: "a direction" }] } });
    if (bare.ok)
      expect(bare.value.channels.map(({ transmit }) => transmit)).toEqual([undefined, 145_700_000]);
    const signed = readChannelTable("Name,RX MHz,Offset\na,145.6,0.6\nb,145.7,-0.6");
    expect(signed).toMatchObject({ ok: true, value: { odd: [] } });
  });

  test("a heading whose unit would put everything out of reach is not believed, and that is told", () => {
    const read = readChannelTable("Name,RX MHz\na,145500000\nb,433500000");
    expect(read).toMatchObject({ ok: true, value: { unit: "Hz", headSays: "MHz" } });
    if (read.ok) expect(read.value.channels[0]?.receive).toBe(145_500_000);
    expect(readChannelTable("Name,RX MHz\na,145.5")).not.toHaveProperty("value.headSays");
  });

  test("tables that are none are refused by name", () => {
    expect(readChannelTable("")).toMatchObject({ problem: { kind: "no-rows" } });
    const many = `Name,RX\n${"a,145.5\n".repeat(20_000)}`;
    expect(readChannelTable(many)).toMatchObject({ problem: { kind: "too-many", most: 5000 } });
  });

  test("names in every script and of any length stay, up to what is kept, which is told", () => {
    const read = readChannelTable(`Name,RX\nМост,145.5\n橋の上,145.6\n${"x".repeat(301)},145.7`);
    if (!read.ok) throw new Error(read.problem.kind);
    expect(read.value.channels.map(({ name }) => name.length)).toEqual([4, 3, 300]);
    expect(read.value.odd).toMatchObject([{ row: 4, wanted: "a name of 300 signs at most" }]);
  });
});

describe("a channel's form", () => {
  it("read again is the same channel", () => {
    fc.assert(
      fc.property(plainChannel, (one) => {
        const { scan: _, ...rest } = one;
        const read = typedChannel(formOf(rest));
        expect(read.ok && tidy([{ ...read.value, position: 1 }])).toEqual(tidy([{ ...rest, position: 1 }]));
      }),
      { numRuns: cases(300) },
    );
  });

  test("says of each field what is wrong", () => {
    const read = typedChannel({
      name: "",
      receive: "0",
      transmit: "?",
      width: "fat",
      sends: "5 kHz",
      colour: "16",
      slot: "3",
      kind: "digital",
      talkgroup: "x".repeat(61),
    });
    expect(read.ok || Object.keys(read.problem.fields).sort()).toEqual([
      ...["colour", "name", "receive", "sends", "slot", "talkgroup", "transmit", "width"],
    ]);
    expect(typedChannel({ name: "a", receive: "145,5", transmit: "off" })).toEqual({
      ok: true,
      value: { name: "a", receive: 145_500_000, digital: false },
    });
  });
});

describe("our own document of a codeplug", () => {
  it("is read as it was written, and is the same text for the same channels in any order", () => {
    fc.assert(
      fc.property(channels, (list) => {
        const text = writeDocument("Fenwright Wicket", list);
        const read = readDocument(text);
        expect(read.ok && tidy(read.value.channels)).toEqual(tidy(list));
        const shuffled = [...list]
          .reverse()
          .map((one) => Object.fromEntries(Object.entries(one).reverse())) as unknown as CodeplugChannel[];
        expect(writeDocument("Fenwright Wicket", shuffled)).toBe(text);
        expect(canonical(shuffled)).toBe(canonical(list));
      }),
      { numRuns: cases(100) },
    );
  });

  test("what is none, or of later days, is told apart", () => {
    expect(readDocument("\u0000picture")).toMatchObject({ problem: { kind: "no-document" } });
    expect(readDocument("{}")).toMatchObject({ problem: { kind: "no-document" } });
    expect(readDocument('{"format":"mossy-cabinet/codeplug","version":2}')).toMatchObject({
      problem: { kind: "newer" },
    });
    expect(
      readDocument('{"format":"mossy-cabinet/codeplug","version":1,"model":"a","channels":[{"position":0}]}'),
    ).toMatchObject({ problem: { kind: "bad-field", path: "channels.0.position" } });
  });
});
