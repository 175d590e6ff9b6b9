// Connectors with their shapes.
import { joined, type Kind, words, yesNo } from "./field.ts";

/** The last: nobody has looked yet, as of one that was typed in passing. */
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
  "not known",
] as const;
export type Shape = (typeof SHAPES)[number];

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
        shape: r.choice("shape", SHAPES, "not known"),
        pins: pins === "" || r.errors.pins ? null : Number(pins),
        keyed: r.yes("keyed", false),
        way: r.text("way", 200),
      },
    };
  },
  begin: { shape: "not known", keyed: "yes" },
  says: (v) =>
    joined([
      v.shape === "not known" ? "shape not known" : v.shape,
      v.pins && `${v.pins} pins`,
      v.keyed === "yes" && "one way only",
      v.way,
    ]),
} as const satisfies Kind;
