// Release notes as they are pasted: headings, tables, two languages, none at all; each proposal knows its place.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, plain } from "../quantities/index.ts";
import { findReleases } from "./notes.ts";

const PLAIN = `Wicket main firmware, history of changes

Version 1.16 (12 October 2026)
- Fixed: the tone list was lost when a second zone was used
- Keeps transmitting after the time-out timer: mended
- New scan lists
Requires 1.10 or newer. All settings are erased.
WARNING: do not unplug while the lamp is red.

1.15 - 3 June 2026
* corrects the clock
Once installed, the radio cannot go back to older versions than 1.12.
It takes about 7 minutes.

V1.13-rc1, 20 May 2026 (beta)
- smaller things
`;

describe("plain text", () => {
  const { proposals, unplaced } = findReleases(PLAIN, [], ["tone list", "clock"]);
  it("finds each version with its day, its track and its lines", () => {
    expect(proposals.map(({ version, on, track, places }) => [version, on, track, places])).toEqual([
      ["1.16", "2026-10-12", "factory", [{ from: 3, to: 8 }]],
      ["1.15", "2026-06-03", "factory", [{ from: 10, to: 13 }]],
      ["1.13-rc1", "2026-05-20", "beta", [{ from: 15, to: 16 }]],
    ]);
    expect(unplaced.map(({ line }) => line)).toEqual([1]);
  });
  it("tells fixes with tag, urgency and line; conditions and warnings apart", () => {
    const [first, second] = proposals;
    expect(first?.fixes).toEqual([
      {
        tag: "tone list",
        urgency: "fix",
        line: 4,
        text: "Fixed: the tone list was lost when a second zone was used",
      },
      {
        tag: "keeps",
        urgency: "safety",
        line: 5,
        text: "Keeps transmitting after the time-out timer: mended",
      },
      { tag: "scan", urgency: "routine", line: 6, text: "New scan lists" },
    ]);
    expect([first?.from, first?.erases]).toEqual([">= 1.10", "settings"]);
    expect(first?.warnings).toEqual([{ text: "WARNING: do not unplug while the lamp is red.", line: 8 }]);
    expect([second?.rollbackFloor, second?.minutes, second?.fixes[0]?.tag]).toEqual(["1.12", 7, "clock"]);
    expect(second?.rest).toEqual([]);
  });
});

it("reads tables: of bars, of tabs, of commas with a heading", () => {
  const expected = [
    ["2.1", "2027-01-31", ["Mends the squelch"]],
    ["2.0", "2026-11-02", ["Fixes the panel"]],
  ];
  const rows = (text: string) =>
    findReleases(text).proposals.map(({ version, on, fixes }) => [version, on, fixes.map((f) => f.text)]);
  expect(
    rows(
      "| Version | Date | Changes |\n|---|---|---|\n| 2.1 | 2027-01-31 | Mends the squelch |\n| 2.0 | 2026-11-02 | Fixes the panel |",
    ),
  ).toEqual(expected);
  expect(
    rows("Date\tVersion\tChanges\n31.01.2027\tv2.1\tMends the squelch\n02.11.2026\tv2.0\tFixes the panel"),
  ).toEqual(expected);
  expect(
    rows('version,date,changes\n2.1,2027-01-31,"Mends the squelch"\n2.0,2026-11-02,Fixes the panel'),
  ).toEqual(expected);
});

it("a day whose month cannot be told apart says so; one that settles the order settles it for all", () => {
  const of = (text: string) => findReleases(text).proposals.map(({ on, otherDay }) => [on, otherDay]);
  expect(of("1.1 (03/04/2026)\n- a")).toEqual([["2026-04-03", "2026-03-04"]]);
  expect(of("1.1 (03/04/2026)\n1.0 (12/25/2025)")).toEqual([
    ["2026-03-04", undefined],
    ["2025-12-25", undefined],
  ]);
  expect(of("1.1\n- a")).toEqual([[undefined, undefined]]);
});

it("a sentence that names its own release too speaks of the other one", () => {
  const [one] = findReleases(
    "Version 1.16\n1.16 itself requires 1.10 or newer.\nFrom 1.16 there is no way back to 1.12 or older.",
  ).proposals;
  expect([one?.from, one?.rollbackFloor]).toEqual([">= 1.10", "1.12"]);
});

it("notes in two languages are one release told twice, at both of its places", () => {
  const { proposals } = findReleases(
    "English\nVersion 1.4, 2 May 2026\n- fixes the clock\n\nDeutsch\nVersion 1.4, 2. Mai 2026\n- behebt Fehler der Uhr\nVersion 1.3\n- Einstellungen werden gelöscht.",
  );
  expect(proposals.map(({ version, on, places, erases }) => [version, on, places.length, erases])).toEqual([
    ["1.4", "2026-05-02", 2, "nothing"],
    ["1.3", undefined, 1, "settings"],
  ]);
  expect(proposals[0]?.fixes.map(({ text }) => text)).toEqual(["fixes the clock"]);
  expect(proposals[0]?.rest).toContain("behebt Fehler der Uhr");
  const [late] = findReleases("Version 1.4, 2 May 2026\n\nVersion 1.4\n- fixes the clock").proposals;
  expect(late?.fixes.map(({ text }) => text)).toEqual(["fixes the clock"]);
});

it("finds versions with letters before them, and ones that look like a day beside a day", () => {
  const of = (text: string) => findReleases(text).proposals.map(({ version, on }) => [version, on]);
  expect(of("R03.01.07\n- fixes the clock\nR03.01.06, 2 May 2026")).toEqual([
    ["R03.01.07", undefined],
    ["R03.01.06", "2026-05-02"],
  ]);
  expect(of("3.0.12, 10 Jan 2025\n- fixes the clock\n2.1.12, 3 Jan 2025")).toEqual([
    ["3.0.12", "2025-01-10"],
    ["2.1.12", "2025-01-03"],
  ]);
  expect(of("2.1.12 (2026-05-02)")).toEqual([["2.1.12", "2026-05-02"]]);
  expect(of("Firmware 3.0.12\n- a")).toEqual([["3.0.12", undefined]]);
});

it("releases told in bullets are each their own, to the last", () => {
  const text = "- 1.4: new menu\n- 1.3: fixes the clock\n- 1.2: fixes the lamp\n- 1.1: first of all";
  expect(findReleases(text).proposals.map(({ version }) => version)).toEqual(["1.4", "1.3", "1.2", "1.1"]);
  // Below a heading that is none, a bullet with a version tells of that heading's release.
  const under = findReleases("Version 1.4\n- 1.3: what it mended is in here too");
  expect(under.proposals.map(({ version }) => version)).toEqual(["1.4"]);
});

it("the version of something else is no condition of the firmware; what more a sentence names is kept to be read", () => {
  const first = (text: string) => findReleases(`Version 2.0\n${text}`).proposals[0];
  const converter = first("It needs the converter 4.2 or newer.");
  expect([converter?.from, converter?.rest]).toEqual([undefined, ["It needs the converter 4.2 or newer."]]);
  expect(first("Requires firmware 1.10 or newer.")).toMatchObject({ from: ">= 1.10", rest: [] });
  expect(first("Update to 1.10 first.")).toMatchObject({ from: ">= 1.10", rest: [] });
  const both = "Needs 1.10 or newer, and the panel 1.5 before it.";
  expect(first(both)).toMatchObject({ from: ">= 1.10", rest: [both] });
});

it("finds nothing where no line begins with a version: a sentence about one is no heading", () => {
  for (const text of [
    "",
    "   ",
    "We have mended a lot.",
    "Since 1.12 it is better.\nUpdate soon.",
    "12.05.2026\n3 %",
  ])
    expect(findReleases(text).proposals).toEqual([]);
  expect(findReleases("1.10 or newer is required first").proposals).toEqual([]);
  // Names without dots are versions where the model has others of their kind.
  expect(findReleases("reedling-5\n- new menu").proposals).toEqual([]);
  expect(findReleases("reedling-5\n- new menu", ["reedling-4"]).proposals.map((p) => p.version)).toEqual([
    "reedling-5",
  ]);
});

const version = fc
  .tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 99 }))
  .map(([a, b]) => `${a}.${b}`);
const word = fc.constantFrom("clock", "squelch", "menu", "lamp", "scan");

it("whatever is laid out is found again: versions, days, fixes, each within its lines", () => {
  const release = fc.record({
    version,
    day: fc.integer({ min: 0, max: 2000 }).map((n) => addDays(plain("2020-01-01"), n)),
    fixes: fc.array(word, { maxLength: 4 }),
    look: fc.constantFrom("plain", "marked", "bracketed", "first"),
  });
  fc.assert(
    fc.property(fc.uniqueArray(release, { maxLength: 6, selector: (r) => r.version }), (releases) => {
      const lines: string[] = [];
      const expected = releases.map(({ version, day, fixes, look }) => {
        const from = lines.length + 1;
        const heads = {
          plain: `Version ${version} - ${day}`,
          marked: `## ${version} (${day})`,
          bracketed: `[${version}] ${day}`,
          first: `${day}: ${version}`,
        };
        lines.push(heads[look as keyof typeof heads], ...fixes.map((tag) => `- fixes the ${tag}`));
        return { version, on: day, tags: fixes, places: [{ from, to: lines.length }] };
      });
      const { proposals, unplaced } = findReleases(lines.join("\n"));
      expect(
        proposals.map(({ version, on, fixes, places }) => ({
          version,
          on,
          tags: fixes.map((f) => f.tag),
          places,
        })),
      ).toEqual(expected);
      expect(unplaced).toEqual([]);
    }),
  );
});

it("whatever is pasted is answered, with places that are in the text", () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.oneof(
          fc.string({ unit: "grapheme" }),
          version,
          fc.constantFrom("- ", "|", "1.2.3.4.5.6", "\t", "03/04/26"),
        ),
      ),
      (parts) => {
        const text = parts.join("\n");
        const count = text.split(/\r\n|\r|\n/).length;
        for (const { version, places, fixes } of findReleases(text).proposals) {
          expect(version.length).toBeGreaterThan(0);
          for (const { from, to } of places) expect(from >= 1 && from <= to && to <= count).toBe(true);
          for (const { line, tag } of fixes) expect(line <= count && tag !== "").toBe(true);
        }
      },
    ),
  );
});
