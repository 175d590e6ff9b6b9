// The keys of a model where a hand finds them: enough to draw its outline, and to know which keys there are.
import { z } from "zod";

export const keyName = z
  .string()
  .trim()
  .min(1)
  .max(16)
  .regex(/^[^+,;>]+$/, "A key's name has no +, comma, semicolon or >.");

/** What kind of radio a model is, and so how its outline is drawn. */
export const BODIES = ["handheld", "mobile", "base", "module"] as const;

export const layoutShape = z.object({
  body: z.enum(BODIES),
  screen: z.boolean().default(true),
  lamp: z.enum(["top", "front", "none"]).default("top"),
  antenna: z.boolean().default(true),
  /** Knobs and keys on the top edge, from left to right. */
  knobs: z.array(keyName).max(4).default([]),
  top: z.array(keyName).max(6).default([]),
  /** Keys on the sides, from top to bottom. */
  left: z.array(keyName).max(6).default([]),
  right: z.array(keyName).max(6).default([]),
  /** Keys on the front, row by row. */
  rows: z.array(z.array(keyName).min(1).max(8)).max(8).default([]),
});
export type Layout = z.infer<typeof layoutShape>;

/** All keys and knobs of a layout, in the order in which they are drawn. */
export const keysOf = (layout: Layout): string[] => [
  ...layout.knobs,
  ...layout.top,
  ...layout.left,
  ...layout.right,
  ...layout.rows.flat(),
];

/** Names that stand for more than one key: a layout must not have them. */
export function keysTwice(layout: Layout): string[] {
  const names = keysOf(layout).map((name) => name.toLowerCase());
  return [...new Set(names.filter((name, i) => names.indexOf(name) !== i))];
}
