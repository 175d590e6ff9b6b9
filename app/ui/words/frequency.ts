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

/** From here on nobody is told to have meant megahertz: what radios of clubs use lies far below. In megahertz. */
const HARDLY = 30_000;
const MOST_MHZ = 300_000;

/** What is wrong with a frequency that was typed in megahertz, in a sentence; undefined: nothing. `example`: of what was wanted. */
export function oddMhz(text: string, example: string): string | undefined {
  const bare = text.replace(/mhz/i, "").trim().replace(",", ".");
  const number = bare === "" ? Number.NaN : Number(bare);
  if (Number.isFinite(number) && number <= 0) return "A frequency is more than nothing.";
  if (!Number.isFinite(number) || (readMhz(text) === undefined && number < HARDLY))
    return `In megahertz, such as ${example}.`;
  if (number >= 1e6 && number / 1e6 < HARDLY)
    return `That is beyond 300 GHz. If it was meant in hertz, write ${number / 1e6}.`;
  if (number >= HARDLY && number / 1000 < HARDLY)
    return `That would be ${number / 1000} GHz. If it was meant in kilohertz, write ${number / 1000}.`;
  return number > MOST_MHZ ? "That is beyond 300 GHz." : undefined;
}

/** Reads what is typed in megahertz: "145.5", "145,5 MHz"; undefined for what is no frequency. Whole hertz. */
export function readMhz(text: string): number | undefined {
  const found = /^\s*(\d{1,6}(?:[.,]\d{1,6})?)\s*(?:mhz)?\s*$/i.exec(text);
  return found ? Math.round(Number(found[1]?.replace(",", ".")) * 1e6) : undefined;
}
