// What a dummy load may take, and for how long.
import { bad, good, type Result } from "../quantities/index.ts";

export type Load = {
  /** For as long as one likes. */
  readonly continuous?: number;
  /** For so many seconds, and then so many to cool. */
  readonly short?: { readonly watts: number; readonly seconds: number; readonly cool?: number };
};

export type LoadProblem = { readonly kind: "rating-unreadable" };

const UNIT = { s: 1, sec: 1, second: 1, seconds: 1, min: 60, minute: 60, minutes: 60 } as const;
const TIME = String.raw`(\d+)\s*(s|sec|seconds?|min|minutes?)`;

const secondsOf = (number: string | undefined, unit: string | undefined): number =>
  Number(number) * (UNIT[(unit ?? "").toLowerCase() as keyof typeof UNIT] ?? 1);

/** Reads what stands on it: "50 W", "50 W for 1 min, then rest 5 min", "5 W; 50 W for 30 s". Problem: `rating-unreadable`. */
export function parseLoad(text: string): Result<Load, LoadProblem> {
  let continuous: number | undefined;
  let short: { watts: number; seconds: number; cool?: number } | undefined;
  for (const part of text.split(/[;,](?!\d)|\bthen\b/i).map((one) => one.trim())) {
    if (part === "") continue;
    const rest = new RegExp(`^(?:rest|cool)(?:\\s+for)?\\s+${TIME}$`, "i").exec(part);
    const watts = /^(?:up to\s+)?(\d+(?:[.,]\d+)?)\s*W\b\s*(.*)$/i.exec(part);
    const time = watts && new RegExp(`^for\\s+${TIME}$`, "i").exec(watts[2] ?? "");
    const number = Number(watts?.[1]?.replace(",", "."));
    if (rest && short) short.cool = secondsOf(rest[1], rest[2]);
    else if (watts && time) short = { watts: number, seconds: secondsOf(time[1], time[2]) };
    else if (watts && ["", "continuous"].includes((watts[2] ?? "").toLowerCase())) continuous = number;
    else return bad({ kind: "rating-unreadable" });
  }
  if (continuous === undefined && short === undefined) return bad({ kind: "rating-unreadable" });
  return good({ ...(continuous !== undefined && { continuous }), ...(short && { short }) });
}

/** What a power meter's scale ends at, in watts, as it stands on it: "up to 200 W"; undefined: it does not say. */
export function fullScaleOf(rating: string): number | undefined {
  const found = /^\s*(?:up\s+to|to|max\.?)?\s*(\d+(?:[.,]\d+)?)\s*(m|k)?W\s*$/i.exec(rating);
  if (!found) return undefined;
  const scale = found[2]?.toLowerCase() === "m" ? 0.001 : found[2] ? 1000 : 1;
  return Number(found[1]?.replace(",", ".")) * scale;
}

export type Rated =
  | { readonly kind: "takes" }
  /** It takes it, and has to cool for so long then; undefined: nobody has noted how long. */
  | { readonly kind: "takes-then-cools"; readonly cool: number | undefined }
  /** So long at most, in seconds. */
  | { readonly kind: "too-long"; readonly most: number }
  | { readonly kind: "too-much"; readonly most: number };

/** May this load take so many watts for so many seconds? The worst that the radio may give is what counts. */
export function loadRating({ continuous, short }: Load, watts: number, seconds: number): Rated {
  if (continuous !== undefined && watts <= continuous) return { kind: "takes" };
  if (short && watts <= short.watts)
    return seconds <= short.seconds
      ? { kind: "takes-then-cools", cool: short.cool }
      : { kind: "too-long", most: short.seconds };
  return { kind: "too-much", most: Math.max(continuous ?? 0, short?.watts ?? 0) };
}

/** Sending is done as often as this, for so many seconds each time. */
export type Sending = { readonly times: number; readonly seconds: number };

export type LoadFit =
  | { readonly kind: "takes" }
  /** It takes it, but has to cool between: so many seconds; undefined: nobody has noted how long. */
  | { readonly kind: "takes-with-rests"; readonly cool: number | undefined }
  | { readonly kind: "too-much" }
  /** Nobody can read what stands on it, or nobody has noted how much the radio sends. */
  | { readonly kind: "unknown"; readonly of: "load" | "radio" };

/** How a load fits what a radio sends. `watts`: the most that it may send; undefined: that is not known. */
export function fitOf(rating: string, watts: number | undefined, { times, seconds }: Sending): LoadFit {
  const load = parseLoad(rating);
  if (!load.ok) return { kind: "unknown", of: "load" };
  if (watts === undefined) return { kind: "unknown", of: "radio" };
  const once = loadRating(load.value, watts, seconds);
  if (once.kind === "too-much" || once.kind === "too-long") return { kind: "too-much" };
  if (once.kind === "takes") return once;
  return loadRating(load.value, watts, times * seconds).kind === "too-long"
    ? { kind: "takes-with-rests", cool: once.cool }
    : { kind: "takes" };
}

const ORDER = ["takes", "takes-with-rests", "unknown"] as const;

/** The load to take: one that fits before one of which that is not known, never one that does not; then one that no bench has; then the first. */
export function loadFor<L extends { readonly rating: string; readonly taken: boolean }>(
  loads: readonly L[],
  watts: number | undefined,
  sending: Sending,
): { readonly load: L; readonly fit: Exclude<LoadFit, { kind: "too-much" }> } | undefined {
  const fits = loads.flatMap((load) => {
    const fit = fitOf(load.rating, watts, sending);
    return fit.kind === "too-much" ? [] : [{ load, fit, order: ORDER.indexOf(fit.kind) }];
  });
  const [best] = fits.sort((a, b) => a.order - b.order || Number(a.load.taken) - Number(b.load.taken));
  return best && { load: best.load, fit: best.fit };
}

const sayTime = (seconds: number): string => (seconds % 60 === 0 ? `${seconds / 60} min` : `${seconds} s`);

/** What to fetch, with what to mind, in words. */
export function loadInWords(
  found:
    | { readonly load: { readonly tag: string }; readonly fit: Exclude<LoadFit, { kind: "too-much" }> }
    | undefined,
  watts: number | undefined,
  { seconds }: Sending,
): string {
  const power = watts === undefined ? "what the radio sends" : `${watts} W`;
  if (!found) return `a dummy load that takes ${power} for ${sayTime(seconds)}: none of ours is known to`;
  const { load, fit } = found;
  switch (fit.kind) {
    case "takes":
      return `dummy load ${load.tag}`;
    case "takes-with-rests":
      return fit.cool === undefined
        ? `dummy load ${load.tag}, which has to cool after each time`
        : `dummy load ${load.tag}, which has to cool ${sayTime(fit.cool)} after each time`;
    case "unknown":
      return fit.of === "radio"
        ? `dummy load ${load.tag}: look that it takes what the radio sends, nobody has noted how much that is`
        : `dummy load ${load.tag}: look that it takes ${power}, its rating cannot be read`;
  }
}
