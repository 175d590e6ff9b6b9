// A codeplug held against all that is known: each finding where a plain reading has it, and the cures leave none of what they cure.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { modeShape } from "../../modes/index.ts";
import { plain } from "../../quantities/index.ts";
import { cases } from "../../quantities/testing.ts";
import type { CodeplugChannel } from "../channel.ts";
import { codeplugFacts } from "../facts.ts";
import { compareLists, mergeList } from "../lists.ts";
import { readRepeaterTable } from "../plan/repeater-table.ts";
import { typedList } from "../table/typed-list.ts";
import {
  CODEPLUG_ORDER,
  type CodeplugCheck,
  type CodeplugFinding,
  CURES,
  checkCodeplug,
  habitsOf,
} from "./check-codeplug.ts";
import { mended } from "./mend.ts";

const facts: CodeplugCheck = {
  plan: [],
  on: plain("2026-05-02"),
  lists: {},
  habits: [],
};
const channel = (position: number, more: Partial<CodeplugChannel> = {}): CodeplugChannel => ({
  position,
  name: `CH ${position}`,
  receive: 145_000_000 + position * 12_500,
  digital: false,
  transmit: 145_000_000 + position * 12_500,
  ...more,
});
const kinds = (found: readonly CodeplugFinding[]) =>
  found.map(({ kind, channel: one }) => `${kind} ${one?.position ?? "-"}`);

describe("what is wrong with a codeplug", () => {
  test("where nothing is known, nothing is judged", () => {
    expect(checkCodeplug([channel(1), channel(2)], facts)).toEqual([]);
  });

  test("each thing is found, the worst first", () => {
    const holds = codeplugFacts.parse({
      capacity: 4,
      nameSigns: 4,
      plainSigns: true,
      digital: true,
      tonesFrom: "page 9",
      contacts: 1,
      zones: 2,
      perZone: 3,
    });
    const mode = modeShape.parse({
      name: "locked",
      outside: "band edge",
      transmit: [{ from: 144_000_000, to: 146_000_000 }],
      receive: [{ from: 144_000_000, to: 146_000_000 }],
    });
    const member = { key: "1", name: "One" };
    const list = [
      channel(1, { name: "POST 1" }),
      channel(2, { name: "POST 2" }),
      channel(3, {
        name: "a",
        sends: { kind: "ctcss", tenths: 1001 },
        receive: 158_000_000,
        transmit: 158_000_000,
      }),
      channel(4, { name: "B", digital: true, talkgroup: "7", slot: 1 }),
      channel(7, { name: "D", receive: 145_700_000, transmit: undefined, talkgroup: "1 9" }),
      channel(8, {
        name: "E",
        receive: 145_725_000,
        transmit: undefined,
        digital: true,
        colour: 1,
        slot: 1,
        identity: "999 02",
      }),
      channel(5, { name: "LONGER", receive: 145_600_000, transmit: 146_200_000 }),
      channel(6, { name: "C", receive: channel(1).receive, transmit: channel(1).receive }),
    ];
    const found = checkCodeplug(list, {
      ...facts,
      holds,
      mode,
      allowed: mode.transmit,
      identity: "awaited",
      identities: ["99901"],
      meets: 145_500_000,
      lists: {
        talkgroups: { by: "position", members: [member] },
        contacts: { by: "position", members: [member, member] },
      },
      habits: [{ from: 145_000_000, to: 146_000_000, shift: 600_000 }],
    });
    expect(kinds(found)).toEqual([
      ...[
        "beyond 3",
        "beyond 5",
        "stranded 3",
        "stranded 5",
        "apart -",
        "too-many -",
        "too-many -",
        "beyond-zones -",
        "dangling 4",
        "slipped 7",
        "other-identity 8",
      ],
      ...["twice 1", "same-name 1", "same-name 2", "tone 3", "incomplete 4", "identity-awaited 4", "deaf 3"],
      ...["unusual-shift 5", "strange-signs 3", "long-name 5"],
    ]);
    // Where no ID of the radio is known, there is nothing to hold a channel's against.
    const unknown = checkCodeplug(list, { ...facts, identity: "awaited" });
    expect(kinds(unknown).filter((one) => one.startsWith("other-identity"))).toEqual([]);
    expect(found.find(({ kind }) => kind === "incomplete")).toMatchObject({ lacks: ["colour code"] });
    expect(found.find(({ kind }) => kind === "tone")).toMatchObject({ tone: "100.1", from: "page 9" });
    expect(found.find(({ kind }) => kind === "unusual-shift")).toMatchObject({
      shift: 600_000,
      usual: -600_000,
    });
    expect(found.find(({ kind }) => kind === "strange-signs")).toMatchObject({ signs: "a" });
    for (const kind of CODEPLUG_ORDER)
      if (!found.some((one) => one.kind === kind)) expect(["wide", "narrow"]).toContain(kind);
    // As many as its zones take are not too many.
    const room = { ...facts, holds: { ...holds, zones: 1, perZone: list.length } };
    expect(checkCodeplug(list, room).map(({ kind }) => kind)).not.toContain("beyond-zones");
    const own = { ...facts, holds: { ...holds, everyTone: true }, identity: undefined };
    expect(kinds(checkCodeplug([list[2] ?? channel(1)], own))).toEqual(["strange-signs 3"]);
    expect(
      checkCodeplug([list[3] ?? channel(1)], own).find(({ kind }) => kind === "incomplete"),
    ).toMatchObject({
      lacks: ["colour code", "digital ID"],
    });
  });

  it("names and doubles are those that a plain reading of all pairs finds", () => {
    const one = fc.record({
      name: fc.constantFrom("AB1", "AB2", "abc", "B", "ABCD"),
      receive: fc.constantFrom(145_000_000, 145_012_500),
      transmit: fc.constantFrom(145_000_000, undefined),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 8 }), fc.constantFrom(2, 3, 9), (list, signs) => {
        const channels = list.map(({ transmit, ...rest }, i) => ({
          position: i + 1,
          digital: false,
          ...rest,
          ...(transmit !== undefined && { transmit }),
        }));
        const holds = codeplugFacts.parse({ capacity: 99, nameSigns: signs, digital: false });
        const found = checkCodeplug(channels, { ...facts, holds });
        const shown = (name: string) => name.slice(0, signs).toLowerCase();
        const alike = channels.filter((a) =>
          channels.some((b) => a !== b && shown(a.name) === shown(b.name)),
        );
        expect(found.flatMap((f) => (f.kind === "same-name" ? [f.channel?.position] : []))).toEqual(
          alike.map(({ position }) => position),
        );
        const same = (a: CodeplugChannel, b: CodeplugChannel) =>
          a.receive === b.receive && a.transmit === b.transmit;
        const first = channels.filter(
          (a) =>
            channels.some((b) => b.position > a.position && same(a, b)) &&
            !channels.some((b) => b.position < a.position && same(a, b)),
        );
        expect(found.flatMap((f) => (f.kind === "twice" ? [f.channel?.position] : []))).toEqual(
          first.map(({ position }) => position),
        );
      }),
      { numRuns: cases(300) },
    );
  });

  it("a cure leaves nothing of what it cures, moves nothing and touches nothing else", () => {
    const holds = codeplugFacts.parse({ capacity: 99, nameSigns: 5, digital: false });
    const mode = modeShape.parse({
      name: "m",
      transmit: [{ from: 144_000_000, to: 145_006_000 }],
      receive: [{ from: 100_000_000, to: 200_000_000 }],
    });
    const plan = [{ class: "c", from: 1, to: 1e12, bandwidth: 12_500, note: "" }];
    const one = fc.record({
      name: fc.constantFrom("CAUSEWAY 1", "CAUSEWAY 2", "A"),
      receive: fc.constantFrom(145_000_000, 145_012_500),
      bandwidth: fc.constantFrom(12_500, 25_000),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 7 }), fc.constantFrom(...CURES), (list, cure) => {
        const channels = list.map((c, i) => ({
          ...c,
          position: (i + 1) * 3,
          digital: false,
          transmit: c.receive,
        }));
        const all = { ...facts, holds, mode, allowed: mode.transmit, plan, class: "c" };
        const after = mended(channels, cure, all);
        expect(checkCodeplug(after, all).filter((f) => f.cure === cure)).toEqual([]);
        const ill = new Set(
          checkCodeplug(channels, all).flatMap((f) => (f.cure === cure ? [f.channel?.position] : [])),
        );
        const before = new Map(channels.map((c) => [c.position, c]));
        for (const c of after) {
          expect(before.has(c.position)).toBe(true);
          if (cure !== "drop-doubles" && cure !== "shorten-names" && !ill.has(c.position))
            expect(c).toEqual(before.get(c.position));
        }
        if (cure !== "drop-doubles") expect(after).toHaveLength(channels.length);
      }),
      { numRuns: cases(300) },
    );
  });

  test("a habit is what most repeaters of a megahertz do, if there are enough of them", () => {
    const at = (receive: number, shift: number) => ({ receive, transmit: receive - shift });
    const some = Array.from({ length: 5 }, (_, i) => at(145_600_000 + i * 12_500, 600_000));
    expect(habitsOf([...some, at(145_700_000, -600_000)])).toEqual([
      { from: 145_000_000, to: 146_000_000, shift: 600_000 },
    ]);
    expect(habitsOf(some.slice(1))).toEqual([]);
    expect(habitsOf([...some, ...Array.from({ length: 5 }, () => at(145_700_000, 1_600_000))])).toEqual([]);
  });
});

describe("lists that are pasted", () => {
  test("in any delimiter, with a heading or without; what is no member is told by its line", () => {
    const members = [
      { key: "99901", name: "Marshals" },
      { key: "99902", name: "Boats, tide" },
    ];
    expect(typedList('Number;Name\n99901;Marshals\n\n99902;"Boats, tide"')).toEqual({ members, odd: [] });
    expect(typedList("99901\tMarshals\r\n99902\tBoats, tide").members).toEqual(members);
    expect(typedList("99901 Marshals\n99903").members).toEqual([members[0], { key: "99903", name: "99903" }]);
    expect(typedList(`99901;a\n;b\n5;${"x".repeat(121)}`).odd.map(({ line }) => line)).toEqual([2, 3]);
    expect(typedList("  \n")).toEqual({ members: [], odd: [] });
  });

  test("compared, they differ at the positions where another member or name stands", () => {
    const a = [{ key: "1", name: "A" }, null, { key: "3", name: "C" }];
    const merged = mergeList(
      a.map((one) => one ?? undefined),
      [
        { key: "3", name: "See" },
        { key: "4", name: "D" },
      ],
    ).list;
    expect(compareLists(a, a)).toEqual([]);
    expect(compareLists(a, merged)).toEqual([
      { position: 3, before: "C", after: "See" },
      { position: 4, after: "D" },
    ]);
  });
});

test("a table of repeaters is read with places and openness; half a place is none, and what listens nowhere is told", () => {
  const read = readRepeaterTable(
    "Name,RX MHz,TX MHz,Lat,Lon,Open\nMirk,145.6,145,54.9,4.4,yes\nSedge,0,145,1,1,yes\nOtter,145.7,off,54.9,4.4,no\nQuill,145.75,145.15,95,4.4,closed",
  );
  if (!read.ok) throw new Error(read.problem.kind);
  expect(read.value.list.map(({ channel: one, ...rest }) => ({ name: one.name, ...rest }))).toEqual([
    { name: "Mirk", open: true, latitude: 54.9, longitude: 4.4 },
    { name: "Quill", open: false },
  ]);
  expect(read.value.odd.map(({ row, wanted }) => [row, wanted])).toEqual([
    [3, "a frequency"],
    [4, "where it listens"],
    [5, "degrees, such as 54.87"],
  ]);
});
