// Routes in words: what a step erases, how long, how risky; and why there is no route.
import { listed } from "#core/quantities/index.ts";
import type { Way as By, Erases } from "#core/release/index.ts";
import type { Care, Route, Stop } from "#core/route/index.ts";
import { boundsOf, type Range, rangeText } from "#core/version/index.ts";
import { counted } from "./count.ts";
import { sayMinutes } from "./duration.ts";

export const ERASES_WORD: Record<Erases, string> = {
  nothing: "erases nothing",
  settings: "erases the settings",
  codeplug: "erases the channels",
  everything: "erases everything",
};

export const RISK_WORD = ["", "hardly any risk", "little risk", "some risk", "risky", "very risky"] as const;

export const WAY_WORD: Record<By, string> = {
  cable: "by cable",
  bluetooth: "by Bluetooth",
  card: "from a memory card",
  phone: "from a phone",
};

export const CARE_WORD: Record<Care, { readonly before: string; readonly after: string }> = {
  settings: { before: "save the settings", after: "write the settings back" },
  channels: { before: "read the channels out and keep the file untouched", after: "write the channels back" },
  pairings: { before: "note what it is paired with", after: "pair button and headset again" },
  identity: { before: "note its ID and call sign", after: "enter its ID and call sign again" },
};

/** `all`: minutes of all that it is at the bench, where that was worked out; else those of installing alone are told, and called so. */
export const sayRoute = (route: Route, all?: number): string =>
  [
    counted(route.steps.length, "install"),
    all === undefined
      ? `about ${counted(route.minutes, "minute")} of installing`
      : `about ${sayMinutes(all)} at the bench, ${route.minutes} of them installing`,
    route.erasing === 0 ? "erases nothing" : ERASES_WORD[route.erases],
  ].join(", ");

/** "1.06 or newer", "1.06 to 1.12", "older than 1.14". */
export const sayRange = (range: Range): string =>
  range
    .map((stretch) => {
      const { atLeast, atMost, above, below } = stretch;
      const ends = boundsOf([stretch]).length;
      if (ends === 2 && atLeast !== undefined && atMost !== undefined)
        return atLeast === atMost ? atLeast : `${atLeast} to ${atMost}`;
      if (ends > 1) return rangeText([stretch]);
      if (atLeast !== undefined) return `${atLeast} or newer`;
      if (atMost !== undefined) return `${atMost} or older`;
      return above !== undefined ? `newer than ${above}` : `older than ${below}`;
    })
    .join(" or ");

export type RouteNames = {
  readonly release: (id: string) => string;
  readonly component: (id: string) => string;
};

export function sayStop(stop: Stop, names: RouteNames): string {
  const what = `${names.component(stop.component)} ${names.release(stop.release)}`;
  switch (stop.kind) {
    case "not-listed":
      return `${names.component(stop.component)}: the release it should go to is not in our list any more.`;
    case "draft":
      return `${what} is only a draft: its conditions contradict each other.`;
    case "does-not-fit":
      return `${what} is not for this hardware revision or region.`;
    case "may-fit":
      return `${what} may fit, but we do not know this radio's hardware revision or region.`;
    case "not-allowed":
      return `${what} is ${stop.track} firmware, which is not admitted here.`;
    case "erases":
      return `${what} erases what was to be kept.`;
    case "from":
      return `${what} goes on only over ${sayRange(stop.range)}, ${stop.listed ? "and nothing leads there" : "and no release in our list is that"}.`;
    case "from-tracks":
      return `${what} goes on only over ${listed(stop.tracks.map((t) => (t === "factory" ? "the maker's" : t)))} firmware.`;
    case "floor":
      return `${what} is older than the radio now accepts (nothing below ${listed(stop.floors)}).`;
    case "requires":
      return `${what} needs ${stop.of} at ${sayRange(stop.range)} first, ${stop.listed ? "and nothing leads there" : "and no release in our list is that"}.`;
    case "together":
      return `${what} could be reached by itself, but not together with what else it needs.`;
  }
}
