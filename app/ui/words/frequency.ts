// Frequencies in words: 145.500 MHz, with as many places as it takes and three at least.
export function sayHertz(hertz: number): string {
  const mhz = (hertz / 1e6).toFixed(6).replace(/0{1,3}$/, "");
  return `${mhz} MHz`;
}

/** How wide: "2 MHz", "12.5 kHz", "1 Hz". */
export function sayWidth(hertz: number): string {
  if (hertz >= 1e6) return `${trimmed(hertz / 1e6)} MHz`;
  return hertz >= 1000 ? `${trimmed(hertz / 1000)} kHz` : `${hertz} Hz`;
}
const trimmed = (value: number): string => String(Number(value.toFixed(3)));

/** Reads what is typed in megahertz: "145.5", "145,5 MHz"; undefined for what is no frequency. Whole hertz. */
export function readMhz(text: string): number | undefined {
  const found = /^\s*(\d{1,6}(?:[.,]\d{1,6})?)\s*(?:mhz)?\s*$/i.exec(text);
  return found ? Math.round(Number(found[1]?.replace(",", ".")) * 1e6) : undefined;
}
