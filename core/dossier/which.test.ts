// Which model is this: what is seen ranks the models, and the next look parts the likeliest.
import { expect, test } from "vitest";
import { identityShape } from "./identity.ts";
import { type KnownModel, whichModel } from "./which.ts";

const model = (
  id: string,
  name: string,
  identity: object,
  revisions: KnownModel["revisions"] = [],
): KnownModel => ({
  id,
  maker: "Fenwright",
  name,
  identity: identityShape.parse(identity),
  revisions,
});
const layout = (n: number) => ({
  body: "handheld",
  left: ["talk"],
  rows: [Array.from({ length: Math.min(8, n - 1) }, (_, i) => `k${i}`)],
});
const models = [
  model("1", "Wicket", {
    labels: ["FW-5W"],
    soldAs: ["Gatekeeper 5"],
    screens: ["WICKET"],
    plugs: ["two-pin"],
    layout: layout(5),
  }),
  model("2", "Wicket II", {
    labels: ["FW-6W"],
    screens: ["WICKET II"],
    plugs: ["two-pin"],
    layout: layout(8),
  }),
  model("3", "Heron", { labels: ["QH-200"], screens: ["HERON"], plugs: ["six-pin"] }),
];
const ids = (seen: Parameters<typeof whichModel>[0]) => whichModel(seen, models).candidates.map((c) => c.id);

test("the name it is sold under, its label, its screen", () => {
  expect(ids({ label: "gatekeeper 5" })[0]).toBe("1");
  expect(ids({ label: "FW 6W" })[0]).toBe("2");
  expect(ids({ screen: "wicket" })).toEqual(["1", "2"]);
});

test("what speaks against a model counts against it; what nobody wrote down does not", () => {
  expect(ids({ plug: "two-pin", keys: 8 })).toEqual(["2", "1"]);
  expect(ids({ keys: 5 })).toEqual(["1", "3"]);
  expect(ids({ label: "nothing like it" })).toEqual([]);
  expect(ids({})).toEqual([]);
});

test("next it asks for what parts the likeliest, with what each would show", () => {
  const { next } = whichModel({ plug: "two-pin" }, models);
  expect(next?.feature).toBe("label");
  expect(next?.shows.map((s) => s.id)).toEqual(["1", "2"]);
  expect(whichModel({ label: "FW-5W" }, models).next).toBeUndefined();
});

test("a serial number speaks for the model whose revision claims it, and against those whose revisions do not", () => {
  const known = [
    model("1", "Wicket", {}, [{ name: "A", serials: [{ from: "FW 1", to: "FW 99" }] }]),
    model("2", "Heron", {}, [{ name: "B", serials: [{ from: "FW 100" }] }]),
    model("3", "Tussock", {}),
  ];
  const { candidates } = whichModel({ serial: "fw-0100" }, known);
  expect(candidates.map((c) => [c.id, c.says[0]?.fits])).toEqual([
    ["2", "yes"],
    ["3", "unknown"],
  ]);
  expect(candidates[0]?.says[0]?.expected).toBe("hardware B");
});
