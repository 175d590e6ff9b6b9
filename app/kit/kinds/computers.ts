// Computers with what is on them, tools with what they know, and the drivers there are.
import { readInstalled, readKnows, readRunsOn } from "#core/kit/entry.ts";
import { COMPUTER_KINDS, SYSTEMS } from "#core/kit/shapes.ts";
import type { Named } from "../reader.ts";
import { type Kind, readWhere, systems, WHERE, words, yesNo } from "./field.ts";

export const computers = {
  table: "computer",
  one: "computer",
  many: "Computers, phones and tablets",
  name: "name",
  fields: [
    { name: "name", label: "Name", quick: true },
    { name: "kind", label: "Kind", options: () => words(COMPUTER_KINDS), quick: true },
    { name: "system", label: "System", options: systems, quick: true },
    { name: "version", label: "System version", mono: true, quick: true },
    {
      name: "bits",
      label: "Word size",
      options: () => [
        ["64", "64 bit"],
        ["32", "32 bit"],
      ],
    },
    { name: "ports", label: "Ports (parted by semicolons)", quick: true },
    { name: "bluetooth", label: "Bluetooth", options: yesNo },
    { name: "admin", label: "Somebody may install drivers", options: yesNo },
    { name: "drivers", label: "Drivers on it: a line each, name and version", rows: 3 },
    { name: "tools", label: "Tools on it: a line each, name and version", rows: 4 },
    ...WHERE.filter((f) => f.name !== "holder_id"),
  ],
  read: (r) => {
    const resolve = (field: string, list: Named, what: string) =>
      r.lines(field, readInstalled).flatMap(({ name, version }) => {
        const id = r.byName(field, name, list, what);
        return id === undefined ? [] : [[id, version] as const];
      });
    const { condition, place_id, note } = readWhere(r);
    return {
      columns: {
        name: r.needed("name", 80, "A computer has a name."),
        kind: r.choice("kind", COMPUTER_KINDS, "computer"),
        system: r.choice("system", SYSTEMS, "Windows"),
        version: r.text("version", 40),
        bits: r.choice("bits", ["64", "32"], "64") === "32" ? 32 : 64,
        bluetooth: r.yes("bluetooth", false),
        admin: r.yes("admin", true),
        condition,
        place_id,
        note,
      },
      installed: {
        ports: r.names("ports", r.known.connectors, "connector"),
        drivers: resolve("drivers", r.known.drivers, "driver"),
        tools: resolve("tools", r.known.tools, "tool"),
      },
    };
  },
} satisfies Kind;

export const tools = {
  table: "tool",
  one: "tool",
  many: "Tools",
  name: "name",
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
} satisfies Kind;

export const drivers = {
  table: "driver",
  one: "driver",
  many: "Drivers",
  name: "name",
  fields: [
    { name: "name", label: "Name", quick: true },
    { name: "note", label: "Note", quick: true },
  ],
  read: (r) => ({
    columns: { name: r.needed("name", 80, "A driver has a name."), note: r.text("note", 500) },
  }),
} satisfies Kind;
