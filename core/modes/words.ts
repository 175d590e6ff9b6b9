// What modes and the rules for them are called, and how many there are at most.

/** What a radio does with a channel outside of what it can transmit on. */
export const OUTSIDE = ["refuses", "band edge"] as const;
export type Outside = (typeof OUTSIDE)[number];

export const MOST_BANDS = 40;
export const MOST_FIXED = 200;

/**
 * as it is: nothing is said. locked: it transmits where its user may and nowhere else. wide receive: the same of transmitting; it hears all
 * that it can. emergency: open, for a box of its own, and signed out by name. legacy: an old one, kept within what it was approved for.
 */
export const TRANSMIT_RULES = ["as it is", "locked", "wide receive", "emergency", "legacy"] as const;
export type TransmitRule = (typeof TRANSMIT_RULES)[number];
