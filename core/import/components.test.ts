// Sheets that tell of several components of a radio: a row for each, or a column for each.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { guessColumns, toMeaning } from "./columns.ts";
import { planImport, readingKey } from "./plan.ts";
import type { KnownClub } from "./plan-types.ts";
import { readTable } from "./table.ts";

const today = plain("2026-06-01");
const heron = { id: "m1", maker: "Tarn", name: "Heron", revisions: [], components: ["main", "Panel", "dsp"] };
const had = (raw: string) => ({ newest: raw, all: new Set([readingKey(raw, "2026-01-05")]) });
const h1 = {
  id: "u1",
  model: "m1",
  hardware: "",
  region: "",
  serial: "S1",
  place: "Shelf 1",
  group: "",
  note: "",
  read: new Map([
    ["main", had("2.1")],
    ["panel", had("B3")],
  ]),
};
const club: KnownClub = {
  units: new Map([["h-1", h1]]),
  models: [heron],
  renamed: new Map(),
  people: [],
};

function plan(text: string, components: readonly string[] = ["main", "panel", "dsp"]) {
  const table = readTable(text);
  if (!table.ok) throw new Error(table.problem.kind);
  const meanings = guessColumns(table.value.head, components);
  return planImport(table.value, { meanings, decimal: ".", dates: "ymd", today }, club);
}
const told = (text: string) =>
  plan(text).rows.map(({ lines, act, readings, problems }) => [
    lines.join(" "),
    act,
    readings.map((r) => `${r.component} ${r.raw}`).join(", "),
    problems.map((p) => p.kind).join(" "),
  ]);

describe("the heads", () => {
  test.each([
    [
      ["tag", "main version", "Panel FW", "dsp"],
      ["tag", "reading:main", "reading:panel", "reading:dsp"],
    ],
    [
      ["tag", "version", "part"],
      ["tag", "reading", "component"],
    ],
    [
      ["radio", "firmware", "panelFirmware", "model"],
      ["tag", "reading", "reading:panel", "model"],
    ],
    [
      ["tag", "Main", "panels seen"],
      ["tag", "reading", "ignore"],
    ],
  ])("%j", (head, meanings) => {
    expect(guessColumns(head, ["main", "panel", "dsp"])).toEqual(meanings);
  });
  test("a name of several words is found whole only", () => {
    expect(guessColumns(["voice chip", "voice"], ["voice chip"])).toEqual(["reading:voice chip", "ignore"]);
  });
  test("a meaning that a form sends is one of ours, or none", () => {
    expect(["reading", "reading: panel ", "reading:", "reading:  ", "readings", "x"].map(toMeaning)).toEqual([
      "reading",
      "reading:panel",
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(toMeaning(`reading:${"x".repeat(500)}`)).toBe(`reading:${"x".repeat(80)}`);
  });
});

describe("a column for each component", () => {
  test("what is news is told, by the model's own name; an empty cell tells nothing", () => {
    expect(told("tag,main version,PANEL version,dsp version\nH-1,2.1,B4,\nh-1 ,,,")).toEqual([
      ["2", "change", "Panel B4", ""],
      ["3", "problem", "", "tag-twice"],
    ]);
    expect(told("tag,main version,panel version\nH-1,2.1,B3")).toEqual([["2", "same", "", ""]]);
  });
  test("a component that the model has not, and two versions of the same", () => {
    expect(plan("tag,bluetooth fw\nH-1,7", ["bluetooth"]).rows[0]?.problems).toEqual([
      { kind: "unknown-component", component: "bluetooth" },
    ]);
    expect(plan("tag,version,main fw\nH-1,2.2,2.3").rows[0]?.problems).toEqual([
      { kind: "two-versions", component: "main" },
    ]);
    expect(told("tag,version,main fw\nH-1,2.2,2.2")).toEqual([["2", "change", "main 2.2", ""]]);
  });
  test("a model made on the way has the components that are told, the first one first", () => {
    const made = (text: string) => plan(text).newModels.map((m) => [m.name, ...m.components]);
    expect(made("tag,model,panel fw,version\nA,Gorse,B1,\nB,gorse,,1.0\nC,Sedge,,\nD,Fern,B2,")).toEqual([
      ["Gorse", "main", "panel"],
      ["Sedge", "main"],
      ["Fern", "panel"],
    ]);
  });
});

describe("a row for each component", () => {
  test("rows of one tag are one radio; what one leaves out another may tell", () => {
    expect(
      told(
        "tag,model,place,part,version,date read\nH-1,Heron,Shelf 1,main,2.2,2026-02-01\nH-2,Heron,,main,1.0,\nH-1,,,panel,B3,2026-01-05\nH-2,,Shelf 2,dsp,7,2026-03-01",
      ),
    ).toEqual([
      ["2 4", "change", "main 2.2", ""],
      ["3 5", "add", "main 1.0, dsp 7", ""],
    ]);
    expect(plan("tag,model,place,part\nA,Heron,,main\nA,,Shelf 2,dsp").rows[0]?.values.place).toBe("Shelf 2");
  });
  test("the same component twice is the same radio twice; told otherwise is said with its row", () => {
    expect(told("tag,part,version\nH-1,main,2.2\nH-1,Main,2.2\nH-1,,2.2")).toEqual([
      ["2", "change", "main 2.2", ""],
      ["3", "problem", "main 2.2", "tag-twice"],
      ["4", "problem", "main 2.2", "tag-twice"],
    ]);
    const { rows } = plan("tag,place,part,version\nH-1,Shelf 1,main,2.2\nH-1,Shelf 9,panel,B9");
    expect(rows[0]).toMatchObject({
      act: "problem",
      problems: [{ kind: "says-other", field: "place", line: 3 }],
    });
  });
  test("a problem of any of its rows is the radio's, told once", () => {
    const long = "x".repeat(41);
    expect(
      told(`tag,model,part,version,date read\n${long},Heron,main,1,\n${long},,dsp,2,2027-01-01`),
    ).toEqual([["2 3", "problem", "main 1, dsp 2", "too-long date-ahead"]]);
    expect(plan(`tag,part,version\nH-1,${"x".repeat(81)},1`).rows[0]?.problems).toContainEqual({
      kind: "too-long",
      field: "component",
      limit: 80,
    });
  });
});

test("rows and columns tell the same: any stock, written either way, is planned alike", () => {
  const version = fc.constantFrom("", "1.0", "2.1", "B3");
  const radio = fc.record({
    tag: fc.constantFrom("H-1", "H-2", "H-3", "H-4"),
    model: fc.constantFrom("Heron", "Gorse"),
    read: fc.tuple(version, version, version),
  });
  const names = ["main", "panel", "dsp"];
  fc.assert(
    fc.property(fc.uniqueArray(radio, { minLength: 1, maxLength: 4, selector: (r) => r.tag }), (stock) => {
      const wide = stock.map(({ tag, model, read }) => [tag, model, ...read].join(","));
      const long = names.flatMap((name, i) =>
        stock.map(({ tag, model, read }) => [tag, model, name, read[i]].join(",")),
      );
      const one = plan(["tag,model,main fw,panel fw,dsp fw", ...wide].join("\n"));
      const other = plan(["tag,model,part,version", ...long].join("\n"));
      const bare = ({ rows, newModels }: typeof one) => ({
        newModels,
        rows: rows.map(({ line: _, lines: __, ...row }) => row),
      });
      expect(bare(other)).toEqual(bare(one));
    }),
  );
});
