// What a model is known by, and how its parts' versions are read.
import { z } from "zod";
import { type Facts, shapeOf, sourceShape } from "../quantities/index.ts";
import { layoutShape } from "./layout.ts";

const words = z.string().trim().min(1).max(120);

const list = (most: number) => z.array(words).max(most, `At most ${most}.`).default([]);
const text = (most: number) => z.string().trim().max(most, `At most ${most} signs.`).default("");

/** What a model is known by, each fact once; lists are parted by semicolons where they are typed. */
export const IDENTITY_FACTS = {
  soldAs: { shape: list(20), label: "Also sold as", typed: "list", by: ";" },
  pickInTool: {
    // Where its own name is not listed.
    shape: text(200),
    label: "What to pick in a tool where it is not listed",
    told: "In the tool pick",
    typed: "text",
  },
  labels: {
    shape: list(20),
    label: "Texts on its label",
    told: "On its label",
    typed: "list",
    by: ";",
    mono: true,
  },
  screens: {
    // At power-on or in the menu.
    shape: list(20),
    label: "Texts on its screen",
    told: "On its screen",
    typed: "list",
    by: ";",
    mono: true,
  },
  plugs: { shape: list(10), label: "Plugs at the radio", told: "Plugs", typed: "list", by: ";" },
  antennaSocket: {
    // By its name among the connectors: what it is measured through.
    shape: text(80),
    label: "Its antenna socket, as connectors are called",
    told: "Antenna socket",
    typed: "text",
  },
  stability: {
    shape: z
      .number({ error: "Parts per million, such as 2.5." })
      .positive("More than nothing.")
      .max(1000, "At most 1,000.")
      .optional(),
    label: "Keeps its frequency within, in parts per million",
    told: "Keeps its frequency within",
    unit: "ppm",
    typed: "number",
  },
} as const satisfies Facts;

export const identityShape = shapeOf(IDENTITY_FACTS).extend({
  layout: layoutShape.optional(),
  /** Where it has Bluetooth built in: the name it shows, and whether a reset leaves it on; absent: nobody knows. */
  bluetooth: z
    .strictObject({
      shows: z.string().trim().max(80).default(""),
      afterReset: z.enum(["on", "off"]).optional(),
    })
    .optional(),
  source: sourceShape.optional(),
});
export type Identity = z.infer<typeof identityShape>;

export const SHOWN_WHERE = ["menu", "power-on", "keys", "tool"] as const;

export const partReadingShape = z.object({
  /** Where the version shows; absent: nobody has written it down. */
  where: z.enum(SHOWN_WHERE).optional(),
  how: z.string().trim().max(500).default(""),
  /** The text as it looks. */
  sample: z.string().trim().max(200).default(""),
  source: sourceShape.optional(),
});
export type PartReading = z.infer<typeof partReadingShape>;
