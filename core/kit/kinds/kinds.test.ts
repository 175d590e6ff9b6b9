// How a thing of the kit is said in the inventory: short, however much is on it, and of a chip no more than is known.
import { expect, test } from "vitest";
import { columnsOf, isFound, KIND_NAMES, KINDS, KIT_TABLES, usesOf } from "./kinds.ts";
import { Reader } from "./reader.ts";
import { shownKind } from "./shown.ts";

const known = {
  connectors: [
    { id: "1", name: "round" },
    { id: "2", name: "USB-A" },
  ],
  people: [],
  places: [],
  drivers: [{ id: "5", name: "Fernport" }],
  tools: [],
  models: [],
  chargers: [],
};

test("of a computer with many tools a few are named, and how many more there are", () => {
  const tools = ["A 1", "B 2", "C 3", "D 4", "E 5", "F 6"].join("\n");
  const computer = { system: "Linux", version: "6", bits: "64", ports: "USB-A", tools, admin: "yes" };
  expect(KINDS.computers.says(computer, known)).toBe("Linux 6, 64 bit; USB-A; A 1, B 2, C 3 and 3 more");
  expect(KINDS.computers.says({ ...computer, admin: "no", tools: "" }, known)).toBe(
    "Linux 6, 64 bit; USB-A; nothing may be installed",
  );
});

test("of a lead its plugs and its chip, as far as that is known", () => {
  const lead = { radio_end: "1", computer_end: "2", carries_data: "yes", chip_grade: "clone" };
  const says = (more: object) => KINDS.leads.says({ ...lead, ...more }, known);
  expect(says({ chip_family: "Bramble 2" })).toBe("round to USB-A; Bramble 2, clone");
  expect(says({ chip_family: "Bramble 2", chip_grade: "unknown" })).toBe("round to USB-A; Bramble 2");
  expect(says({ chip_family: "?" })).toBe("round to USB-A; unknown chip");
  expect(says({ chip_family: "", carries_data: "no" })).toBe("round to USB-A; charge only");
  expect(says({ computer_end: "" })).toBe("round to Bluetooth");
});

test("of advice whom it is from, and of an offer what it costs", () => {
  const advice = {
    grade: "clone",
    system: "Windows",
    says: "needs",
    driver_id: "5",
    range: ">= 2",
    sourceKind: "bench",
  };
  expect(KINDS.advice.says(advice, known)).toBe(
    "only clone; Windows; needs a driver; Fernport >= 2; from bench",
  );
  expect(KINDS.offers.says({ price: "14.50", seller: "the stall", end_a: "1", end_b: "2" }, known)).toBe(
    "14.50; the stall; round to USB-A",
  );
});

test("a connector that was typed in passing has no shape that nobody has seen", () => {
  const read = new Reader({ name: "collar, six pins" }, known);
  expect(KINDS.connectors.read(read).columns.shape).toBe("not known");
  expect(read.errors).toEqual({});
  expect(KINDS.connectors.says({ shape: "not known", pins: "6" }, known)).toBe("shape not known; 6 pins");
});

test("whatever a kind refers to is a kind, has a column of its own, and is kept in use by it", () => {
  for (const kind of Object.values(KINDS)) {
    const columns = columnsOf(kind);
    for (const column of [...Object.keys(kind.refers ?? {}), ...(kind.json ?? [])])
      expect(columns).toContain(column);
    for (const table of [...Object.values(kind.refers ?? {}), ...(kind.links ?? []).map(({ to }) => to)])
      expect(KIT_TABLES).toContain(table);
  }
  expect(new Set(KIT_TABLES).size).toBe(KIT_TABLES.length);
  expect(usesOf("connector").map(({ kind, beside }) => beside?.table ?? kind.table)).toEqual([
    ...["lead", "adapter", "computer_port", "gear", "antenna", "offer"],
  ]);
  expect(usesOf("tool").map(({ beside }) => beside?.table)).toEqual(["computer_tool"]);
});

test("a kind as a page draws it: plain choices, and of quick entry only its few fields", () => {
  const known = {
    ...{ connectors: [{ id: "7", name: "fine thread" }], people: [], places: [], drivers: [] },
    ...{ tools: [], models: [], chargers: [] },
  };
  const whole = shownKind("antennas", known);
  expect(whole).toMatchObject({ kind: "antennas", name: "tag", begin: { kind: "adapter" } });
  expect(whole.fields.map(({ name }) => name)).toEqual(KINDS.antennas.fields.map(({ name }) => name));
  expect(whole.fields.find(({ name }) => name === "radio_end")?.options).toEqual([
    ["", "choose"],
    ["7", "fine thread"],
  ]);
  expect(JSON.parse(JSON.stringify(whole))).toEqual(whole);
  expect(shownKind("antennas", known, "quick").fields.map(({ name }) => name)).toEqual([
    ...["tag", "kind", "radio_end", "other_end", "what"],
  ]);
});

test("the finder knows what has a tag, and computers and tools by their names", () => {
  expect(KIND_NAMES.filter((name) => isFound(KINDS[name]))).toEqual([
    ...["leads", "devices", "adapters", "computers", "tools", "gear", "antennas"],
  ]);
});
