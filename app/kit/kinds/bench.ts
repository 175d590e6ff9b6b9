// Connectors with their shapes, and what else lies at the bench: chargers, supplies, loads, meters.
import { type Kind, readWhere, TAG, WHERE, words, yesNo } from "./field.ts";

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

export const connectors = {
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
} satisfies Kind;

export const gear = {
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
} satisfies Kind;
