// Computers, phones and tablets, with what is on them.
import { listed } from "../../quantities/index.ts";
import { readSystem } from "../chain/system.ts";
import { readInstalled } from "../entry.ts";
import { COMPUTER_KINDS, SYSTEMS } from "../shapes.ts";
import { joined, type Kind, nameOf, readWhere, systems, WHERE, words, yesNo } from "./field.ts";
import type { Named } from "./reader.ts";

const withVersions = (installed: readonly (readonly [string, string])[], list: Named): string =>
  installed.flatMap(([id, version]) => nameOf(list, id)?.concat(` ${version}`) ?? []).join("\n");

export const computers = {
  table: "computer",
  one: "computer",
  many: "Computers, phones and tablets",
  name: "name",
  found: true,
  links: [
    { table: "computer_port", own: "computer_id", column: "connector_id", to: "connector" },
    { table: "computer_driver", own: "computer_id", column: "driver_id", to: "driver" },
    { table: "computer_tool", own: "computer_id", column: "tool_id", to: "tool" },
  ],
  fields: [
    { name: "name", label: "Name", quick: true },
    { name: "kind", label: "Kind", options: () => words(COMPUTER_KINDS), quick: true },
    { name: "system", label: "System", options: systems, quick: true },
    { name: "version", label: "System version (such as 11, 64 bit)", mono: true, quick: true },
    {
      name: "bits",
      label: "Word size",
      options: () => [
        ["64", "64 bit"],
        ["32", "32 bit"],
      ],
    },
    { name: "ports", label: "Ports (parted by semicolons)", quick: true, makes: "connector" },
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
    // What is typed beside the version says more than a choice that nobody has touched.
    const typed = readSystem(r.text("version", 60));
    if (typed.version.length > 40) r.errors.version ??= "At most 40 characters.";
    return {
      columns: {
        name: r.needed("name", 80, "A computer has a name."),
        kind: r.choice("kind", COMPUTER_KINDS, "computer"),
        system: typed.system ?? r.choice("system", SYSTEMS, "Windows"),
        version: typed.version,
        bits: typed.bits ?? (r.choice("bits", ["64", "32"], "64") === "32" ? 32 : 64),
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
  begin: { bluetooth: "no", admin: "yes", condition: "sound" },
  // What was shelved since is left out: it is not to be noted again by saving.
  values: (row: { ports: string[]; drivers: [string, string][]; tools: [string, string][] }, k) => ({
    ports: row.ports.flatMap((id) => nameOf(k.connectors, id) ?? []).join("; "),
    drivers: withVersions(row.drivers, k.drivers),
    tools: withVersions(row.tools, k.tools),
  }),
  says: (v) =>
    joined([
      `${v.system} ${v.version}, ${v.bits} bit`,
      v.ports && listed(v.ports.split("; ")),
      v.drivers && listed(v.drivers.split("\n")),
      v.tools && listed(v.tools.split("\n")),
      v.admin === "no" && "nothing may be installed",
    ]),
} as const satisfies Kind;
