// Programming software: where it runs, and which models it knows.
import { listed } from "../../quantities/index.ts";
import { type KnownLine, knowsText, readKnows, readRunsOn, runsOnText } from "../entry.ts";
import type { RunsOn } from "../shapes.ts";
import { joined, type Kind, yesNo } from "./field.ts";

export const tools = {
  table: "tool",
  one: "tool",
  many: "Tools",
  name: "name",
  found: true,
  json: ["runs_on"],
  fields: [
    { name: "name", label: "Name", quick: true },
    { name: "runs_on", label: "Runs on: a line each, such as Windows >= 10, 64 bit", rows: 3 },
    {
      name: "knows",
      label: "Knows: a line each, such as Wicket: read, flash; >= 1.4; main >= 1.06",
      rows: 5,
      mono: true,
    },
    { name: "matches_firmware", label: "Its version must go with the firmware", options: yesNo },
    { name: "note", label: "Note" },
  ],
  read: (r) => ({
    columns: {
      name: r.needed("name", 80, "A tool has a name."),
      runs_on: r.lines("runs_on", readRunsOn),
      matches_firmware: r.yes("matches_firmware", false),
      note: r.text("note", 500),
    },
    supports: r.lines("knows", readKnows).flatMap((line) => {
      const model = r.byName("knows", line.model, r.known.models, "model");
      if (model === undefined) return [];
      return [
        {
          model,
          operations: line.operations,
          versions: line.versions ?? null,
          component: line.firmware?.component ?? null,
          firmware: line.firmware?.range ?? null,
        },
      ];
    }),
  }),
  begin: { matches_firmware: "no" },
  values: (row: { runs_on: RunsOn[]; knows: KnownLine[] }) => ({
    runs_on: row.runs_on.map(runsOnText).join("\n"),
    knows: row.knows.map(knowsText).join("\n"),
  }),
  says: (v) => joined([v.runs_on && listed(v.runs_on.split("\n")), v.knows && listed(v.knows.split("\n"))]),
} as const satisfies Kind;
