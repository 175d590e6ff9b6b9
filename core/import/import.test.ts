// Reading sheets as people make them: encodings, delimiters, signs, dates; and planning what they would do.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { findDecimalSign, plain, possibleDateOrders, readDate, withPoint } from "../quantities/index.ts";
import { guessColumns } from "./columns.ts";
import { decodeTable } from "./decode.ts";
import { planImport, readingKey } from "./plan.ts";
import type { KnownClub, KnownRow } from "./plan-types.ts";
import { guessDelimiter, readTable } from "./table.ts";

const bytes = (...parts: (string | number[])[]) =>
  Uint8Array.from(parts.flatMap((p) => (typeof p === "string" ? [...new TextEncoder().encode(p)] : p)));

describe("decoding", () => {
  test("UTF-8 with and without mark, Latin-1, UTF-16", () => {
    expect(decodeTable(bytes("tag\nfärn"))).toMatchObject({
      value: { encoding: "utf-8", text: "tag\nfärn" },
    });
    expect(decodeTable(bytes([0xef, 0xbb, 0xbf], "tag"))).toMatchObject({
      value: { encoding: "utf-8 with mark", text: "tag" },
    });
    expect(decodeTable(bytes("f", [0xe4], "rn"))).toMatchObject({
      value: { encoding: "latin-1", text: "färn" },
    });
    expect(decodeTable(bytes([0xff, 0xfe, 0x74, 0, 0x61, 0]))).toMatchObject({
      value: { encoding: "utf-16", text: "ta" },
    });
  });
  test("a binary file, an empty one, one too large", () => {
    expect(decodeTable(bytes("PK", [3, 4, 0, 0]))).toMatchObject({ problem: { kind: "binary" } });
    expect(decodeTable(bytes("  \n "))).toMatchObject({ problem: { kind: "empty-file" } });
    expect(decodeTable(new Uint8Array(9 * 1024 * 1024))).toMatchObject({
      problem: { kind: "file-too-large" },
    });
  });
});

describe("tables", () => {
  test.each([
    ["a,b\n1,2", ","],
    ["a;b\n1,5;2", ";"],
    ["a\tb\n1,5\t2;3", "\t"],
    ["a|b\n1|2", "|"],
  ])("%j is parted by %j", (text, delimiter) => {
    expect(guessDelimiter(text)).toBe(delimiter);
  });
  test("quotes in quotes, line ends in cells, bare carriage returns, empty lines", () => {
    const table = readTable('tag,note\r"W-1","says ""hello"""\r\rW-2,"two\nlines"');
    expect(table).toMatchObject({
      value: {
        head: ["tag", "note"],
        rows: [
          { line: 2, cells: ["W-1", 'says "hello"'] },
          { line: 4, cells: ["W-2", "two\nlines"] },
        ],
      },
    });
  });
  test("200 columns are fine, 301 are answered; so are a quote that never closes and a lone head", () => {
    const wide = (n: number) =>
      `${Array.from({ length: n }, (_, i) => `c${i}`).join(",")}\n${"x,".repeat(n - 1)}x`;
    expect(readTable(wide(200))).toMatchObject({ ok: true });
    expect(readTable(wide(301))).toMatchObject({ problem: { kind: "too-many-columns", columns: 301 } });
    expect(readTable('a,b\n"1,2,3\n4')).toMatchObject({ problem: { kind: "open-quote" } });
    expect(readTable("a,b\n")).toMatchObject({ problem: { kind: "no-rows" } });
  });
  test("no text whatever breaks it", () => {
    fc.assert(
      fc.property(fc.string({ unit: "binary", maxLength: 300 }), (text) => {
        expect(typeof readTable(text).ok).toBe("boolean");
      }),
    );
  });
});

test("columns are guessed from their heads, none twice", () => {
  expect(
    guessColumns(["Radio", "Make", "Model name", "HW rev", "Location", "FW version", "Date read", "Colour"]),
  ).toEqual(["tag", "maker", "model", "hardware", "place", "reading", "readOn", "ignore"]);
  expect(guessColumns(["tag", "id", "unit"])).toEqual(["tag", "ignore", "ignore"]);
});

describe("signs", () => {
  test("a decimal comma only where there are no points", () => {
    expect(findDecimalSign(["1,14", "1,2"])).toBe(",");
    expect(findDecimalSign(["1.14", "1,2"])).toBe(".");
    expect(withPoint("1,14", ",")).toBe("1.14");
    expect(withPoint("B12, old", ",")).toBe("B12, old");
  });
  test("date orders that make every date real", () => {
    expect(possibleDateOrders(["13/02/2026", "01/02/2026"])).toEqual(["dmy"]);
    expect(possibleDateOrders(["02/13/2026"])).toEqual(["mdy"]);
    expect(possibleDateOrders(["01/02/2026"])).toEqual(["dmy", "mdy"]);
    expect(possibleDateOrders(["2026-02-13"])).toEqual(["ymd"]);
    expect(readDate("30.02.2026", "dmy")).toBeUndefined();
    expect(readDate("1.2.26 10:30", "dmy")).toBe("2026-02-01");
    expect(readDate("never", "dmy")).toBeUndefined();
  });
});

describe("planning", () => {
  const known: KnownRow = {
    id: "u1",
    model: "m1",
    hardware: "",
    region: "",
    serial: "S1",
    place: "Shelf 1",
    group: "",
    note: "",
    read: new Map([
      [
        "main",
        {
          newest: "1.2",
          all: new Set([readingKey("1.2", "2026-01-05"), readingKey("1.0", "2025-01-05")]),
        },
      ],
      ["panel", { newest: "B3", all: new Set([readingKey("B3", "2026-01-05")]) }],
    ]),
  };
  const club: KnownClub = {
    renamed: new Map([["w-0", "W-1"]]),
    people: [{ id: "p1", name: "Maud Whinmoor" }],
    units: new Map([["w-1", known]]),
    models: [
      { id: "m1", maker: "Fenwright", name: "Wicket", revisions: ["A"], components: ["main", "Panel"] },
    ],
  };
  const today = plain("2026-06-01");
  const plan = (text: string, of = club) => {
    const table = readTable(text);
    if (!table.ok) throw new Error("table");
    return planImport(
      table.value,
      { meanings: guessColumns(table.value.head, ["main", "panel"]), decimal: ".", dates: "ymd", today },
      of,
    );
  };
  test("new, changed, the same; empty cells change nothing", () => {
    const { rows, newModels } = plan(
      "tag,model,place,version\nW-1,Wicket,shelf 1,1.2\nw-1 ,,Shelf 2,\nW-2,wicket,,1.0\nW-3,Gorse,,",
    );
    expect(rows.map((r) => r.act)).toEqual(["same", "problem", "add", "add"]);
    expect(newModels).toEqual([{ maker: "", name: "Gorse", revisions: [], components: ["main"] }]);
    expect(plan("tag,place\nW-1,Shelf 2").rows[0]).toMatchObject({ act: "change", changes: ["place"] });
  });
  test("a reading is news by its text and day, or without days by what we have last", () => {
    expect(plan("tag,version,date read\nW-1,1.0,2025-01-05").rows[0]).toMatchObject({ act: "same" });
    expect(plan("tag,version,date read\nW-1,1.0,2025-01-06").rows[0]).toMatchObject({
      act: "change",
      readings: [{ component: "main", raw: "1.0", on: "2025-01-06" }],
    });
    expect(plan("tag,version\nW-1,1.2").rows[0]).toMatchObject({ act: "same" });
    expect(plan("tag,version\nW-1,1.3").rows[0]).toMatchObject({ act: "change", readings: [{ raw: "1.3" }] });
  });
  test("of a radio that becomes another model every reading is news: it was another part that was read", () => {
    expect(plan("tag,model,version\nW-1,Gorse,1.2").rows[0]).toMatchObject({
      act: "change",
      changes: ["model"],
      readings: [{ component: "main", raw: "1.2" }],
    });
  });
  test("each problem stands beside its row", () => {
    const { rows } = plan(
      `tag,model,hw,version,date read\n,Wicket,,,\nA,Wicket,,,\na,Wicket,,,\nB,,,,\nC,Wicket,Z,,\nD,Wicket,,1.0,2026-02-30\nE,Wicket,,1.0,2027-01-01\n${"x".repeat(41)},Wicket,,,\nF,Wicket,,${"1".repeat(201)},`,
    );
    expect(rows.map((r) => r.problems.map((p) => p.kind))).toEqual([
      ["no-tag"],
      [],
      ["tag-twice"],
      ["no-model"],
      ["unknown-revision"],
      ["not-a-date"],
      ["date-ahead"],
      ["too-long"],
      ["reading-too-long"],
    ]);
  });
  test("a name that several makers use: the radio's own, or a question; with its maker it is one of them", () => {
    const two: KnownClub = {
      ...club,
      models: [
        ...club.models,
        { id: "m2", maker: "Tarn", name: "WICKET", revisions: [], components: ["main"] },
      ],
    };
    const { rows, newModels } = plan(
      "tag,model,maker\nW-1,Wicket,\nW-2,wicket,\nW-3,Wicket,tarn\nW-4,Wicket,Moss",
      two,
    );
    expect(rows.map((r) => [r.act, r.model])).toEqual([
      ["same", "m1"],
      ["problem", undefined],
      ["add", "m2"],
      ["add", undefined],
    ]);
    expect(rows[1]?.problems).toEqual([{ kind: "which-model", makers: ["Fenwright", "Tarn"] }]);
    expect(newModels).toEqual([{ maker: "Moss", name: "Wicket", revisions: [], components: ["main"] }]);
  });
  test("a model made on the way gets the revisions that its rows name, once each, and none from rows with problems", () => {
    const { newModels } = plan(
      "tag,model,hw\nA,Gorse,2\nB,gorse,II\nC,Gorse,ii\nD,Gorse,\nA,Gorse,9\nE,Sundew,1\n,Bracken,3",
    );
    expect(newModels).toEqual([
      { maker: "", name: "Gorse", revisions: ["2", "II"], components: ["main"] },
      { maker: "", name: "Sundew", revisions: ["1"], components: ["main"] },
    ]);
  });
  test("a tag that a radio had before is no new radio, unless another has it", () => {
    const { rows } = plan("tag,model,place\nW-0,Wicket,Shelf 1\nw-0 ,,\nW-1,,");
    expect(rows.map((r) => r.problems)).toEqual([
      [{ kind: "renamed", now: "W-1" }],
      [
        { kind: "tag-twice", firstLine: 2 },
        { kind: "renamed", now: "W-1" },
      ],
      [],
    ]);
    const taken = { ...club, renamed: new Map([["w-1", "W-9"]]) };
    expect(plan("tag,place\nW-1,Shelf 2", taken).rows[0]).toMatchObject({ act: "change", problems: [] });
  });
  test("a revision is held against the radio's own model where the sheet names none", () => {
    expect(plan("tag,hw\nW-1,Z").rows[0]?.problems).toEqual([{ kind: "unknown-revision", revision: "Z" }]);
    expect(plan("tag,hw\nW-1,a").rows[0]).toMatchObject({ act: "change", changes: ["hardware"], unit: "u1" });
  });
  test("tags that no address can carry, and fields longer than their forms allow", () => {
    const kinds = (text: string) => plan(text).rows.map((r) => r.problems.map((p) => p.kind));
    expect(
      kinds("tag,model\nW/1,Wicket\nw#1,Wicket\n..,Wicket\nNew,Wicket\nnewt,Wicket\n50%,Wicket"),
    ).toEqual([["tag-unusable"], ["tag-unusable"], ["tag-unusable"], ["tag-unusable"], [], ["tag-unusable"]]);
    const long = "x".repeat(501);
    expect(plan(`tag,model,note,place\nA,Wicket,${long},${long}`).rows[0]?.problems).toEqual([
      { kind: "too-long", field: "place", limit: 60 },
      { kind: "too-long", field: "note", limit: 500 },
    ]);
  });
  test("the apostrophe that marks a formula as text goes, and no other", () => {
    const { rows } = plan("tag,model,serial\n'-7,Wicket,'=1+1\nB,Wicket,'tis\nC,Wicket,-3");
    expect(rows.map((r) => [r.values.tag, r.values.serial])).toEqual([
      ["-7", "=1+1"],
      ["B", "'tis"],
      ["C", "-3"],
    ]);
  });
});

test("reads a text once, however often it is looked at, and again where it is told another delimiter", () => {
  const text = "Tag;Model\r\nM-01;Heron, small\r\n";
  const first = readTable(text);
  expect(readTable(text.replaceAll("\r\n", "\n"), ";")).toBe(first);
  const other = readTable(text, ",");
  expect(other).not.toBe(first);
  expect(other).toEqual({ ok: false, problem: { kind: "no-rows" } });
});
