// Tones that open a squelch: read from what people and tools write, and held against those that radios commonly make.
import type { Tone } from "./channel.ts";

/** The fifty CTCSS tones that are commonly built, in tenths of a hertz. */
export const CTCSS: readonly number[] = [
  ...[670, 693, 719, 744, 770, 797, 825, 854, 885, 915, 948, 974, 1000, 1035, 1072, 1109, 1148, 1188],
  ...[1230, 1273, 1318, 1365, 1413, 1462, 1514, 1567, 1598, 1622, 1655, 1679, 1713, 1738, 1773, 1799],
  ...[1835, 1862, 1899, 1928, 1966, 1995, 2035, 2065, 2107, 2181, 2257, 2291, 2336, 2418, 2503, 2541],
];

/** The hundred and four DCS codes that are commonly built, in octal digits. */
export const DCS: readonly string[] = (
  "023 025 026 031 032 036 043 047 051 053 054 065 071 072 073 074 114 115 116 122 125 131 132 134 143 145 152 155 156 162 165 172 174 " +
  "205 212 223 225 226 243 244 245 246 251 252 255 261 263 265 266 271 274 306 311 315 325 331 332 343 346 351 356 364 365 371 411 412 " +
  "413 423 431 432 445 446 452 454 455 462 464 465 466 503 506 516 523 526 532 546 565 606 612 624 627 631 632 654 662 664 703 712 723 " +
  "731 732 734 743 754"
).split(" ");

const NONE = /^(?:|none|off|no|no tone|carrier|csq|-+|0(?:[.,]0)?)$/i;

/**
 * What is written in a cell: a tone, `none`, or undefined for what cannot be read. A number with a decimal, or with Hz, is CTCSS; D, DCS, DTCS or
 * DPL before three octal digits, or N, I, R or a minus about them, is DCS. Three bare digits are DCS only where they are octal and no CTCSS tone
 * is written so; else they are hertz.
 */
export function readTone(cell: string): Tone | "none" | undefined {
  const text = cell.trim().replace(/\s+/g, " ");
  if (NONE.test(text)) return "none";
  const dcs = /^(-)?(?:D(?:T?CS|PL)?)?[ :-]?([0-7]{3}) ?([NIR+-])?$/i.exec(text);
  const hertz = /^(?:CTCSS|PL|TSQL|TONE)?[ :]?(\d{2,3}(?:[.,]\d{1,2})?) ?(?:Hz)?$/i.exec(text);
  const isMarked = dcs !== null && (/^-?D/i.test(text) || dcs[1] !== undefined || dcs[3] !== undefined);
  if (hertz && !isMarked) {
    const tenths = Math.round(Number((hertz[1] ?? "").replace(",", ".")) * 10);
    const isBare = /^\d{3}$/.test(text);
    if (isBare && !CTCSS.includes(tenths) && dcs && DCS.includes(dcs[2] ?? ""))
      return { kind: "dcs", code: dcs[2] ?? "", inverted: false };
    return tenths >= 600 && tenths <= 2600 ? { kind: "ctcss", tenths } : undefined;
  }
  if (!dcs) return undefined;
  return {
    kind: "dcs",
    code: dcs[2] ?? "",
    inverted: dcs[1] === "-" || /^[IR-]$/i.test(dcs[3] ?? ""),
  };
}

/** As it is written, so that it reads back as the same: "88.5", "D023N", "D023I". */
export const toneText = (tone: Tone | undefined): string =>
  tone === undefined
    ? ""
    : tone.kind === "ctcss"
      ? (tone.tenths / 10).toFixed(1)
      : `D${tone.code}${tone.inverted ? "I" : "N"}`;

/** Whether it is one of those that radios commonly make. */
export const isCommon = (tone: Tone): boolean =>
  tone.kind === "ctcss" ? CTCSS.includes(tone.tenths) : DCS.includes(tone.code);
