// The ways of programming, in words.
import type { WayName } from "#core/bluetooth/index.ts";

export const WAY_WORD: Record<WayName, string> = {
  keypad: "on its keys",
  bluetooth: "over Bluetooth",
  cable: "with a cable",
};

/** The same as things. */
export const WAY_NOUN: Record<WayName, string> = {
  keypad: "its keys",
  bluetooth: "Bluetooth",
  cable: "a cable",
};
