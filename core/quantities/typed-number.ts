// A number as people type it: with point or comma, and with its unit behind it or without.

/** By their units, in small letters, so many of what is wanted; "": the number alone. */
export type Units = Readonly<Record<string, number>>;
export const WATTS: Units = { "": 1, w: 1, watt: 1, watts: 1, mw: 0.001, kw: 1000 };
export const VOLTS: Units = { "": 1, v: 1, volt: 1, volts: 1, mv: 0.001 };

/** Undefined for what is no number, or one in another unit. */
export function typedNumber(typed: string, units: Units = { "": 1 }): number | undefined {
  const [, sign = "", digits = "", unit = ""] =
    /^([+\-−]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-zµ%°]*)$/iu.exec(typed.trim()) ?? [];
  const scale = units[unit.toLowerCase()];
  if (digits === "" || scale === undefined) return undefined;
  const value = Number(digits.replace(",", ".")) * scale;
  return sign === "-" || sign === "−" ? -value : value;
}
