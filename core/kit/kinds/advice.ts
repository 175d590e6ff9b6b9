// Advice about chips: which driver a system needs for one, or must not have, and who says so.
import { SOURCE_KINDS, SOURCE_WORD, type Source } from "../../quantities/index.ts";
import { GRADES, RULE_SAYS, SYSTEMS } from "../shapes.ts";
import { joined, type Kind, named, nameOf, systems, words } from "./field.ts";

export const SAYS_WORD = {
  "built-in": "the system's own serves",
  needs: "needs a driver",
  "must-not": "must not have a driver",
  "no-support": "is not served at all",
} as const;

export const advice = {
  table: "driver_rule",
  one: "piece of advice",
  many: "Advice about chips",
  name: "family",
  json: ["system_versions", "range", "source"],
  refers: { driver_id: "driver" },
  order: ["family", "system"],
  fields: [
    { name: "family", label: "Chip", quick: true },
    { name: "grade", label: "Only", options: () => [["", "any"], ...words(GRADES)], quick: true },
    { name: "system", label: "Under", options: systems, quick: true },
    { name: "system_versions", label: "versions (empty: all)", mono: true },
    {
      name: "bits",
      label: "Word size",
      options: () => [
        ["", "any"],
        ["64", "64 bit"],
        ["32", "32 bit"],
      ],
    },
    {
      name: "says",
      label: "Says",
      options: () => RULE_SAYS.map((s) => [s, SAYS_WORD[s]] as const),
      quick: true,
    },
    { name: "driver_id", label: "Driver", options: (k) => named(k.drivers, "none"), quick: true },
    { name: "range", label: "in versions (empty: any)", mono: true, quick: true },
    {
      name: "sourceKind",
      label: "Known from",
      options: () => SOURCE_KINDS.map((k) => [k, SOURCE_WORD[k]] as const),
    },
    { name: "sourceWhat", label: "Which one (leaflet, evening, club)" },
  ],
  read: (r) => {
    const says = r.choice("says", RULE_SAYS, "built-in");
    const wanted = says === "needs" || says === "must-not";
    const driver = wanted ? r.ref("driver_id", r.known.drivers, "Say which driver.") : null;
    const bits = r.choice("bits", ["", "64", "32"], "");
    const grade = r.choice("grade", ["", ...GRADES], "");
    return {
      columns: {
        family: r.needed("family", 80, "Say which chip this is about."),
        grade: grade === "" ? null : grade,
        system: r.choice("system", SYSTEMS, "Windows"),
        system_versions: r.range("system_versions"),
        bits: bits === "" ? null : Number(bits),
        says,
        driver_id: driver,
        range: wanted ? r.range("range") : null,
        source: { kind: r.choice("sourceKind", SOURCE_KINDS, "bench"), what: r.text("sourceWhat") },
      },
    };
  },
  begin: { sourceKind: "bench" },
  values: ({ source }: { source: Source }) => ({ sourceKind: source.kind, sourceWhat: source.what }),
  says: (v, k) =>
    joined([
      v.grade && `only ${v.grade}`,
      `${v.system} ${v.system_versions ?? ""}`.trim(),
      SAYS_WORD[v.says as keyof typeof SAYS_WORD],
      v.driver_id && `${nameOf(k.drivers, v.driver_id) ?? "?"} ${v.range ?? ""}`.trim(),
      `from ${v.sourceWhat || v.sourceKind}`,
    ]),
} as const satisfies Kind;
