// Modes in words.
import type { Limit } from "#core/measure/index.ts";
import type { TransmitRule } from "#core/modes/index.ts";

const HOW = { set: "switched", proved: "proved", told: "as noted" } as const;
export const sayModeHow = (how: keyof typeof HOW): string => HOW[how];

/** The schools, as a club chooses among them. */
export const RULE_WORD: Readonly<Record<TransmitRule, string>> = {
  "as it is": "as it is: nothing is said",
  locked: "locked to the licence: it transmits where its user may, and nowhere else",
  "wide receive": "wide receive, locked transmit: it hears all that it can",
  emergency: "open for the emergency box, signed out by name",
  legacy: "legacy: kept within what it was approved for",
};

/** A limit for harmonics in words. */
export function sayLimit({ dbc, dbm, both }: Limit): string {
  const parts = [
    ...(dbc === undefined ? [] : [`${dbc} dB below the carrier at least`]),
    ...(dbm === undefined ? [] : [`${dbm} dBm at most`]),
  ];
  if (parts.length < 2) return parts.join("");
  return `${parts.join(", ")}; the ${both ?? "stricter"} one counts`;
}
