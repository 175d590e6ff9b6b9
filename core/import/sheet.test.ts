// Sheets as people have them: titles, quotes, dates and signs of every habit, words for nothing, slips of the hand.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { findDecimalSign, plain, possibleDateOrders, readDate } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { columnsAsBefore, guessColumns, headKey, type Meaning } from "./columns.ts";
import { decodeTable, LARGEST_FILE } from "./decode.ts";
import { folded, modelKey } from "./names.ts";
import { distance, isNearly } from "./near.ts";
import { readNothing, saysNothing, USUAL_NOTHING } from "./nothing.ts";
import { nearlyModels, planImport, readingKey, unusedCells } from "./plan.ts";
import type { KnownClub, KnownRow } from "./plan-types.ts";
import type { ImportSettings } from "./radios.ts";
import { DELIMITERS, MOST_COLUMNS, MOST_ROWS, readTable } from "./table.ts";

const table = (text: string) => {
  const read = readTable(text);
  if (!read.ok) throw new Error(read.problem.kind);
  return read.value;
};

describe("the table in a text", () => {
  test("is parted by what the rows agree on, whatever signs the head and the cells are full of", () => {
    const read = table(
      "tag;what, when, and where, of it\nW-1;shelf, left\nW-2;van\nW-3;hut, by the sluice, above",
    );
    expect([read.delimiter, read.rows.map((r) => r.cells.length)]).toEqual([";", [2, 2, 2]]);
    expect(table('tag,note\nW-1,"a;b;c"\nW-2,"d;e"').delimiter).toBe(",");
  });

  test("written with any delimiter, with quotes where they are due, is parted by that delimiter", () => {
    const cell = fc.string({ unit: fc.constantFrom("a", "1", " ", ",", ";", "|", '"', "."), maxLength: 6 });
    const rows = fc.array(fc.array(cell, { minLength: 4, maxLength: 4 }), { minLength: 3, maxLength: 8 });
    fc.assert(
      fc.property(rows, fc.constantFrom(...DELIMITERS), (cells, delimiter) => {
        const quoted = (text: string) => (/[",;|\t]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
        const lines = [["tag", "model", "place", "note"], ...cells.map((row) => ["x", ...row.slice(1)])];
        const read = table(lines.map((row) => row.map(quoted).join(delimiter)).join("\n"));
        expect(read.delimiter).toBe(delimiter);
        expect(read.rows.map((r) => r.cells)).toEqual(lines.slice(1).map((row) => row.map((c) => c.trim())));
      }),
    );
  });

  test("begins below its titles, and takes a line that says the delimiter at its word", () => {
    const titled = table(
      "Radios of the circle\nas of spring, by Juno\n\ntag,model,place\nW-1,Wicket,Shelf 1\nW-2,Wicket,Van",
    );
    expect(titled.head).toEqual(["tag", "model", "place"]);
    expect(titled.rows.map((r) => [r.line, r.cells[0]])).toEqual([
      [5, "W-1"],
      [6, "W-2"],
    ]);
    expect(titled.above).toEqual(["Radios of the circle", "as of spring by Juno"]);
    const told = table("sep=|\ntag|model\nW-1|a,b\n");
    expect([told.delimiter, told.rows[0]]).toEqual(["|", { line: 3, cells: ["W-1", "a,b"] }]);
  });

  test("may have a quote inside a cell; one that swallows the rest is a problem", () => {
    expect(table('tag,note\nW-1,12" whip\nW-2,"a, b"').rows.map((r) => r.cells[1])).toEqual([
      '12" whip',
      "a, b",
    ]);
    expect(table('tag,note\nW-1,"long whip\nW-2,van\nW-3,hut').rows.map((r) => r.cells[1])).toEqual([
      '"long whip',
      "van",
      "hut",
    ]);
    expect(readTable('tag,note\nW-1,"a, b\nW-2,c').ok).toBe(false);
  });

  test("of any size is answered, and beyond the most rows it says so", () => {
    expect(readTable(`tag,model\n${"W,M\n".repeat(200_000)}`)).toEqual({
      ok: false,
      problem: { kind: "too-many-rows", rows: 200_000, limit: MOST_ROWS },
    });
    expect(table(`tag,model\n${"W,M\n".repeat(MOST_ROWS)}`).rows).toHaveLength(MOST_ROWS);
  });
});

test("the decimal sign is that of most numbers, and dates as ISO has them are read in every order", () => {
  expect(findDecimalSign(["1,14", "1,12", "2.0"])).toBe(",");
  expect(findDecimalSign(["1.14", "1.12", "2,0"])).toBe(".");
  for (const order of ["ymd", "dmy", "mdy"] as const)
    expect(readDate("2026-03-04", order)).toBe("2026-03-04");
  expect(possibleDateOrders(["2026-03-04", "31.12.2025"])).toEqual(["dmy"]);
  expect(readDate("2026-13-04", "dmy")).toBeUndefined();
});

describe("words for nothing", () => {
  test("are nothing, in the club's own list", () => {
    for (const cell of ["?", "Unknown", " n/a ", "-", "NONE"])
      expect([cell, saysNothing(cell, USUAL_NOTHING)]).toEqual([cell, true]);
    expect(saysNothing("none of it", USUAL_NOTHING)).toBe(false);
    expect(saysNothing("leer", readNothing("leer; ?,leer"))).toBe(true);
    expect(readNothing("a; b,\nc,,a")).toEqual(["a", "b", "c"]);
  });
});

describe("names that are nearly the same", () => {
  /** By trying every change of one sign, as often as it may take. */
  function reaches(a: string, b: string, most: number): number {
    let now = new Set([a]);
    for (let steps = 0; steps <= most; steps++) {
      if (now.has(b)) return steps;
      const next = new Set<string>();
      for (const word of now)
        for (let i = 0; i <= word.length; i++) {
          for (const sign of "abc") {
            next.add(word.slice(0, i) + sign + word.slice(i));
            if (i < word.length) next.add(word.slice(0, i) + sign + word.slice(i + 1));
          }
          if (i < word.length) next.add(word.slice(0, i) + word.slice(i + 1));
          if (i + 1 < word.length) next.add(word.slice(0, i) + word[i + 1] + word[i] + word.slice(i + 2));
        }
      now = next;
    }
    return most + 1;
  }
  test("are as far apart as the fewest changes of one sign", () => {
    const word = fc.string({ unit: fc.constantFrom("a", "b", "c"), maxLength: 5 });
    fc.assert(
      fc.property(word, word, (a, b) => {
        // Swapped neighbours are not changed once more, which the slow way may do: it can only be shorter, by one.
        const [quick, slow] = [distance(a, b, 2), reaches(a, b, 2)];
        expect(quick).toBeGreaterThanOrEqual(slow);
        expect(quick - slow).toBeLessThanOrEqual(1);
        expect(distance(b, a, 2)).toBe(quick);
        expect(quick === 0).toBe(a === b);
      }),
      { numRuns: cases(300) },
    );
  });
  test.each([
    ["Wicket", "Wiket", true],
    ["Wicket", "WICKET ", true],
    ["Lantern 3", "Lantern3", true],
    ["Lantern 3", "Lantern 4", false],
    ["Heron", "Hreon", true],
    ["Heron", "Heron DR", true],
    ["Moth", "Myth", true],
    ["Moth", "Mist", false],
    ["Wicket", "Sluice", false],
  ])("%s and %s: %s", (one, other, near) => expect(isNearly(one, other)).toBe(near));
});

const settingsFor = ({ head }: { readonly head: readonly string[] }) =>
  ({ meanings: guessColumns(head), decimal: ".", dates: "ymd", today: plain("2026-06-01") }) as const;

describe("a sheet against the club", () => {
  const model = { id: "7", maker: "Quillmere", name: "Heron", revisions: [], components: ["main"] };
  const club: KnownClub = {
    models: [model],
    renamed: new Map(),
    people: [{ id: "p1", name: "Maud Whinmoor" }],
    units: new Map([
      [
        "h-1",
        {
          id: "1",
          model: "7",
          hardware: "",
          region: "",
          serial: "",
          place: "",
          group: "",
          note: "",
          holder: "Bram Tollgate",
          read: new Map([
            [
              "main",
              {
                newest: "1.0",
                all: new Set([readingKey("1.0", "2026-01-05"), readingKey("0.9", undefined)]),
              },
            ],
          ]),
        },
      ],
    ]),
  };
  const plan = (
    text: string,
    more: Partial<ImportSettings> = {},
    near?: Parameters<typeof planImport>[3],
  ) => {
    const read = table(text);
    const settings = {
      meanings: guessColumns(read.head),
      decimal: ".",
      dates: "ymd",
      today: plain("2026-06-01"),
      ...more,
    } as const;
    return { read, settings, ...planImport(read, settings, club, near) };
  };

  test("a name nearly that of a model is asked about, and does as it is told", () => {
    const sheet = "tag,maker,model\nH-2,Quilmere,Herron\nH-3,Quillmere,Heron";
    const asked = plan(sheet);
    expect(asked.rows.map((r) => r.act)).toEqual(["problem", "add"]);
    expect(nearlyModels(asked.rows)).toEqual([
      { key: modelKey("Quilmere", "Herron"), maker: "Quilmere", name: "Herron", near: ["7"] },
    ]);
    expect(asked.newModels).toEqual([]);
    const key = modelKey("Quilmere", "Herron");
    const meant = plan(sheet, {}, new Map([[key, "7"]]));
    expect(meant.rows.map((r) => [r.act, r.model])).toEqual([
      ["add", "7"],
      ["add", "7"],
    ]);
    const another = plan(sheet, {}, new Map([[key, "new"]]));
    expect(another.newModels.map((m) => m.name)).toEqual(["Herron"]);
  });

  test("a reading without a day has the one that was said, or none; it is news but once", () => {
    const sheet = "tag,version\nH-1,1.1\nH-1x,1.1";
    expect(plan(sheet).rows[0]?.readings).toEqual([{ component: "main", raw: "1.1" }]);
    expect(plan(sheet, { undated: plain("2026-02-02") }).rows[0]?.readings).toEqual([
      { component: "main", raw: "1.1", on: "2026-02-02" },
    ]);
    expect(plan("tag,version\nH-1,1.0").rows[0]?.act).toBe("same");
    expect(plan("tag,version\nH-1,0.9").rows[0]?.act).toBe("same");
    expect(plan("tag,version,date\nH-1,1.0,2026-03-03").rows[0]?.act).toBe("change");
  });

  test("what a change would put in the place of what is told", () => {
    const [row] = plan("tag,note,serial\nH-1,dented,77").rows;
    expect([row?.act, row?.changes, row?.was]).toEqual([
      "change",
      ["serial", "note"],
      { serial: "", note: "" },
    ]);
    const dented = { ...club.units.get("h-1"), note: "new case" } as KnownRow;
    const read = table("tag,note\nH-1,dented");
    const settings = settingsFor(read);
    const told = planImport(read, settings, { ...club, units: new Map([["h-1", dented]]) }).rows[0];
    expect([told?.was, told?.values.note]).toEqual([{ note: "new case" }, "dented"]);
  });

  test("who has it is lent to; nobody's radio is taken from them, and who is not known is asked about", () => {
    const told = plan(
      "tag,model,with\nH-1,,Bram Tollgate\nH-2,Heron,Rush Alderson\nH-3,Heron,maud whinmoor\nH-4,Heron,?",
    );
    expect(told.rows.map((r) => [r.act, r.lendTo?.id, r.problems.map((p) => p.kind).join()])).toEqual([
      ["same", undefined, ""],
      ["problem", undefined, "unknown-person"],
      ["add", "p1", ""],
      ["add", undefined, ""],
    ]);
    expect(plan("tag,with\nH-1,Maud Whinmoor").rows[0]?.problems).toEqual([
      { kind: "with-other", holder: "Bram Tollgate" },
    ]);
  });

  test("a short form of one person's name is that person; of two it is asked", () => {
    const people = [
      { id: "p1", name: "Maud Whinmoor" },
      { id: "p2", name: "Maud Tollgate" },
    ];
    const of = (name: string) => {
      const read = table(`tag,model,with\nH-2,Heron,${name}`);
      const settings = settingsFor(read);
      const [row] = planImport(read, settings, { ...club, people }).rows;
      return row?.lendTo?.id ?? row?.problems.map(({ kind }) => kind).join();
    };
    expect(["Maud W.", "Whinmoor", "M. Whinmoor", "Maud  Whinmoor", "tollgate maud"].map(of)).toEqual([
      "p1",
      "p1",
      "p1",
      "p1",
      "p2",
    ]);
    expect(["Maud X", "Maud Maud", "Whinmoors", "W", "to"].map(of)).toEqual(Array(5).fill("unknown-person"));
    expect(of("Maud")).toBe("which-person");
  });

  test("whoever is not in the club comes in, once for all their radios, if that is said; never for a row with a problem", () => {
    const read = table(
      "tag,model,with\nH-2,Heron,Tobin Weirside\nH-3,Heron,tobin  weirside\nH-4,Heron,Maud W.\nH-5,,Ida Fallowgate\nH-6,Heron,to",
    );
    const settings = settingsFor(read);
    const asked = planImport(read, settings, club);
    expect(asked.strangers).toEqual(["Tobin Weirside", "Ida Fallowgate"]);
    expect([asked.newPeople, asked.rows.map(({ act }) => act)]).toEqual([
      [],
      ["problem", "problem", "add", "problem", "problem"],
    ]);
    const made = planImport(read, { ...settings, makePeople: true }, club);
    expect(made.newPeople.map((name) => name.toLowerCase())).toEqual(["tobin weirside"]);
    expect(made.rows.map(({ act, lendTo }) => [act, lendTo?.name])).toEqual([
      ["add", "Tobin Weirside"],
      ["add", "tobin weirside"],
      // By the name that they have here.
      ["add", "Maud Whinmoor"],
      ["problem", "Ida Fallowgate"],
      ["problem", undefined],
    ]);
  });

  test("two spellings of one new model make one, as it is spelt first; another number is another model", () => {
    const told = plan(
      "tag,maker,model\nS-1,Quillmere,Sedge 5\nS-2,quillmere,SEDGE-5\nS-3,Quillmere,Sedge5\nS-4,Quillmere,Sedge 6\nS-5,Quillmere,Sedge 5+",
    );
    expect(told.newModels.map(({ maker, name }) => `${maker} ${name}`)).toEqual([
      "Quillmere Sedge 5",
      "Quillmere Sedge 6",
      // A sign may tell two models apart.
      "Quillmere Sedge 5+",
    ]);
    expect(told.rows.map(({ values }) => values.model)).toEqual([
      "Sedge 5",
      "Sedge 5",
      "Sedge 5",
      "Sedge 6",
      "Sedge 5+",
    ]);
  });

  test("the heads that our own options are called by are known", () => {
    expect(guessColumns(["Tag", "Day it was read", "Who has it"])).toEqual(["tag", "readOn", "holder"]);
  });

  test("every cell that is not used is counted, and a column can be kept in the note", () => {
    const sheet = "tag,model,colour,note,licence\nH-2,Heron,green,dented,middle,beyond\nH-3,Heron,-,,";
    const { read, settings } = plan(sheet);
    expect(unusedCells(read, settings)).toEqual({
      columns: [
        { column: 2, cells: 1 },
        { column: 4, cells: 1 },
      ],
      beyond: 1,
    });
    const meanings: Meaning[] = ["tag", "model", "noteToo", "note", "noteToo"];
    const kept = plan(sheet, { meanings });
    expect(kept.rows.map((r) => r.values.note)).toEqual(["dented; colour: green; licence: middle", ""]);
    expect(unusedCells(read, { ...settings, meanings })).toEqual({ columns: [], beyond: 1 });
  });

  test("what the club has said of a head before is said again, and takes its meaning from a mere guess", () => {
    const head = ["Nummer", "Tag", "Typ"];
    const before = new Map<string, Meaning>([
      [headKey("nummer"), "tag"],
      [headKey("TYP "), "model"],
    ]);
    expect(columnsAsBefore(guessColumns(head), head, before)).toEqual(["tag", "ignore", "model"]);
    expect(folded("X")).toBe("x");
  });
});

test("a table of the most columns is read, one more is refused; a file as large as may be is decoded, one sign more is not", () => {
  const wide = (columns: number) =>
    readTable(
      `${Array.from({ length: columns }, (_, i) => `c${i}`).join(",")}\n${"1,".repeat(columns - 1)}1\n`,
      ",",
    );
  expect(MOST_COLUMNS).toBe(300);
  expect(wide(300).ok).toBe(true);
  expect(wide(301)).toEqual({ ok: false, problem: { kind: "too-many-columns", columns: 301, limit: 300 } });
  expect(MOST_ROWS).toBe(20_000);
  expect(decodeTable(new Uint8Array(LARGEST_FILE).fill(97)).ok).toBe(true);
  expect(decodeTable(new Uint8Array(LARGEST_FILE + 1).fill(97))).toMatchObject({
    ok: false,
    problem: { kind: "file-too-large", limit: LARGEST_FILE },
  });
});
