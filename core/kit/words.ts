// What the club calls the states and kinds of its things.
import type { Chip, Condition, LeadKind } from "./shapes.ts";

export const CONDITION_WORD: Record<Condition, string> = {
  sound: "sound",
  worn: "worn",
  broken: "broken",
  lost: "lost",
};

export const LEAD_KIND_WORD: Record<LeadKind, string> = {
  cable: "cable",
  programmer: "Bluetooth programmer",
  card: "memory card",
};

/** A chip in words. */
export const sayChip = (chip: Chip): string =>
  chip.family === "" ? "unknown chip" : `${chip.family}${chip.grade === "unknown" ? "" : `, ${chip.grade}`}`;
