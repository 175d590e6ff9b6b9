// The kinds of things in the kit: their fields as a form shows them, and how what is typed becomes what is stored.
import { SOURCE_KINDS } from "#core/dossier/source.ts";
import { type Range, rangeText } from "#core/firmware/range.ts";
import { readInstalled, readKnows, readRunsOn } from "#core/kit/entry.ts";
import {
  ADAPTER_KINDS,
  COMPUTER_KINDS,
  CONDITIONS,
  GRADES,
  LEAD_KINDS,
  RULE_SAYS,
  SYSTEMS,
} from "#core/kit/shapes.ts";
import type { KitTable, SupportFields } from "#db/kit-put.ts";
import { CONDITION_WORD, LEAD_KIND_WORD } from "../ui/words/kit.ts";
import { SOURCE_WORD } from "../ui/words/step.ts";
import type { Known, Named, Reader } from "./reader.ts";

type Options = readonly (readonly [string, string])[];
export type FieldSpec = {
  readonly name: string;
  readonly label: string;
  readonly options?: (known: Known) => Options;
  readonly rows?: number;
  readonly mono?: boolean;
  /** Among the few that the line of quick entry shows. */
  readonly quick?: boolean;
};

export type Stored = {
  readonly columns: Record<string, string | number | boolean | null | readonly string[] | object>;
  readonly installed?: {
    readonly ports: readonly string[];
    readonly drivers: readonly (readonly [string, string])[];
    readonly tools: readonly (readonly [string, string])[];
  };
  readonly supports?: readonly SupportFields[];
};

export type Kind = {
  readonly table: KitTable;
  readonly one: string;
  readonly many: string;
  /** The field that names it; no two may share it. */
  readonly name: "tag" | "name" | "family";
  readonly fields: readonly FieldSpec[];
  readonly read: (reader: Reader) => Stored;
};

const named = (list: Named, nothing?: string): Options => [
  ...(nothing === undefined ? [] : [["", nothing] as const]),
  ...list.map((row) => [row.id, row.name] as const),
];
const words = (list: readonly string[]): Options => list.map((word) => [word, word] as const);
const yesNo = (): Options => [
  ["yes", "yes"],
  ["no", "no"],
];

const TAG: FieldSpec = { name: "tag", label: "Tag", mono: true, quick: true };
const WHERE: readonly FieldSpec[] = [
  {
    name: "condition",
    label: "Condition",
    options: () => CONDITIONS.map((c) => [c, CONDITION_WORD[c]] as const),
  },
  { name: "place_id", label: "Place", options: (k) => named(k.places, "no place") },
  { name: "holder_id", label: "With", options: (k) => named(k.people, "nobody: it is here") },
  { name: "note", label: "Note" },
];
const CHIP: readonly FieldSpec[] = [
  { name: "chip_family", label: "Chip (none: empty; some chip, but which: ?)", quick: true },
  { name: "chip_grade", label: "It is", options: () => words(GRADES), quick: true },
];
const readWhere = (r: Reader) => ({
  condition: r.choice("condition", CONDITIONS, "sound"),
  place_id: r.ref("place_id", r.known.places),
  holder_id: r.ref("holder_id", r.known.people),
  note: r.text("note", 500),
});
const readChip = (r: Reader) => {
  const family = r.text("chip_family", 80);
  return {
    chip_family: family === "" ? null : family === "?" ? "" : family,
    chip_grade: r.choice("chip_grade", GRADES, "unknown"),
  };
};
const systems = () => words(SYSTEMS);

export const KINDS = {
  leads: {
    table: "lead",
    one: "lead",
    many: "Leads and programmers",
    name: "tag",
    fields: [
      TAG,
      {
        name: "kind",
        label: "Kind",
        options: () => LEAD_KINDS.map((k) => [k, LEAD_KIND_WORD[k]] as const),
        quick: true,
      },
      {
        name: "radio_end",
        label: "At the radio",
        options: (k) => named(k.connectors, "choose"),
        quick: true,
      },
      {
        name: "computer_end",
        label: "At the computer",
        options: (k) => named(k.connectors, "nothing: Bluetooth"),
        quick: true,
      },
      ...CHIP,
      { name: "carries_data", label: "Carries data", options: yesNo, quick: true },
      { name: "usb_vendor", label: "USB vendor id", mono: true },
      { name: "usb_product", label: "USB product id", mono: true },
      ...WHERE,
    ],
    read: (r) => {
      const kind = r.choice("kind", LEAD_KINDS, "cable");
      const computer_end = r.ref("computer_end", r.known.connectors);
      if (kind !== "programmer" && computer_end === null)
        r.errors.computer_end ??= "Only a Bluetooth programmer has no plug at the computer.";
      return {
        columns: {
          tag: r.needed("tag", 40, "A lead has a tag, on the lead itself."),
          kind,
          radio_end: r.ref("radio_end", r.known.connectors, "Choose the plug at the radio."),
          computer_end: kind === "programmer" ? null : computer_end,
          ...readChip(r),
          usb_vendor: r.hex("usb_vendor"),
          usb_product: r.hex("usb_product"),
          carries_data: r.yes("carries_data", true),
          ...readWhere(r),
        },
      };
    },
  },
  adapters: {
    table: "adapter",
    one: "adapter",
    many: "Adapters and boxes",
    name: "tag",
    fields: [
      TAG,
      { name: "kind", label: "Kind", options: () => words(ADAPTER_KINDS), quick: true },
      { name: "end_a", label: "From", options: (k) => named(k.connectors, "choose"), quick: true },
      { name: "end_b", label: "To", options: (k) => named(k.connectors, "choose"), quick: true },
      ...CHIP,
      { name: "carries_data", label: "Carries data", options: yesNo },
      ...WHERE,
    ],
    read: (r) => {
      const end_a = r.ref("end_a", r.known.connectors, "Choose a plug.");
      const end_b = r.ref("end_b", r.known.connectors, "Choose a plug.");
      if (end_a !== null && end_a === end_b) r.errors.end_b ??= "An adapter joins two different plugs.";
      return {
        columns: {
          tag: r.needed("tag", 40, "An adapter has a tag."),
          kind: r.choice("kind", ADAPTER_KINDS, "usb"),
          end_a,
          end_b,
          ...readChip(r),
          carries_data: r.yes("carries_data", true),
          ...readWhere(r),
        },
      };
    },
  },
  computers: {
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
      { name: "ports", label: "Ports (parted by commas)", quick: true },
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
          ports: r
            .list("ports")
            .flatMap((port) => r.byName("ports", port, r.known.connectors, "connector") ?? []),
          drivers: resolve("drivers", r.known.drivers, "driver"),
          tools: resolve("tools", r.known.tools, "tool"),
        },
      };
    },
  },
  tools: {
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
  },
  drivers: {
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
  },
  advice: {
    table: "driver_rule",
    one: "piece of advice",
    many: "Advice about chips",
    name: "family",
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
  },
  connectors: {
    table: "connector",
    one: "connector",
    many: "Connectors",
    name: "name",
    fields: [
      { name: "name", label: "Name, as dossiers call it", quick: true },
      { name: "shape", label: "Shape", options: () => words(SHAPES), quick: true },
      { name: "pins", label: "Pins", quick: true },
      { name: "keyed", label: "Goes in one way only", options: yesNo, quick: true },
      { name: "way", label: "Which way round" },
    ],
    read: (r) => {
      const pins = r.text("pins", 4);
      if (pins !== "" && !(/^\d+$/.test(pins) && Number(pins) >= 1 && Number(pins) <= 200))
        r.errors.pins ??= "A whole number of pins, or nothing.";
      return {
        columns: {
          name: r.needed("name", 80, "A connector has a name."),
          shape: r.choice("shape", SHAPES, "round"),
          pins: pins === "" || r.errors.pins ? null : Number(pins),
          keyed: r.yes("keyed", false),
          way: r.text("way", 200),
        },
      };
    },
  },
  gear: {
    table: "gear",
    one: "thing for the bench",
    many: "Chargers, supplies, loads and meters",
    name: "tag",
    fields: [
      TAG,
      { name: "kind", label: "Kind", options: () => words(GEAR_KINDS), quick: true },
      { name: "what", label: "What it is", quick: true },
      { name: "rating", label: "Rating, with units (50 W for 1 min)", quick: true },
      { name: "error", label: "Error of a meter (10 % of full scale)", quick: true },
      ...WHERE,
    ],
    read: (r) => ({
      columns: {
        tag: r.needed("tag", 40, "It has a tag."),
        kind: r.choice("kind", GEAR_KINDS, "other"),
        what: r.text("what"),
        rating: r.text("rating", 120),
        error: r.text("error", 120),
        ...readWhere(r),
      },
    }),
  },
  offers: {
    table: "offer",
    one: "offer",
    many: "What could be bought",
    name: "name",
    fields: [
      { name: "name", label: "What", quick: true },
      { name: "price", label: "Price", quick: true, mono: true },
      { name: "seller", label: "From whom" },
      { name: "gives", label: "It is a", options: () => words(["lead", "adapter"]), quick: true },
      { name: "kind", label: "Kind", options: () => words([...LEAD_KINDS, ...ADAPTER_KINDS]) },
      { name: "end_a", label: "At the radio", options: (k) => named(k.connectors, "choose"), quick: true },
      {
        name: "end_b",
        label: "At the computer",
        options: (k) => named(k.connectors, "nothing: Bluetooth"),
        quick: true,
      },
      ...CHIP,
    ],
    read: (r) => {
      const gives = r.choice("gives", ["lead", "adapter"], "lead");
      const kinds: readonly string[] = gives === "lead" ? LEAD_KINDS : ADAPTER_KINDS;
      const kind = r.choice("kind", kinds, gives === "lead" ? "cable" : "usb");
      const typed = r.text("price", 20).replace(",", ".");
      const price = Math.round(Number(typed) * 100);
      if (typed === "" || !Number.isFinite(price)) r.errors.price ??= "A price, such as 14.50.";
      else if (price <= 0) r.errors.price ??= "A price is more than nothing.";
      else if (price > 100_000_000) r.errors.price ??= "That is more than any lead costs.";
      const end_b = r.ref("end_b", r.known.connectors);
      if (kind !== "programmer" && end_b === null) r.errors.end_b ??= "Choose its other plug.";
      return {
        columns: {
          name: r.needed("name", 120, "Say what it is."),
          seller: r.text("seller", 120),
          price: r.errors.price ? 1 : price,
          gives,
          kind,
          end_a: r.ref("end_a", r.known.connectors, "Choose a plug."),
          end_b,
          ...readChip(r),
        },
      };
    },
  },
} satisfies Record<string, Kind>;

export type KindName = keyof typeof KINDS;
export const KIND_NAMES = Object.keys(KINDS) as KindName[];
export const kindOf = (name: string | undefined): Kind | undefined =>
  KIND_NAMES.some((known) => known === name) ? KINDS[name as KindName] : undefined;

export const SHAPES = [
  "two-pin",
  "round",
  "oblong",
  "flat",
  "card",
  "usb-a",
  "usb-c",
  "usb-micro",
  "serial",
] as const;
export type Shape = (typeof SHAPES)[number];
export const GEAR_KINDS = ["charger", "supply", "dummy load", "meter", "other"] as const;

export const SAYS_WORD = {
  "built-in": "the system's own serves",
  needs: "needs a driver",
  "must-not": "must not have a driver",
  "no-support": "is not served at all",
} as const;

/** A stored value as a form shows it. */
export function shownValue(value: unknown): string {
  if (value === null || value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (Array.isArray(value)) return rangeText(value as Range);
  return String(value);
}
