// The charge of things with batteries, in words.
import type { Now, Readiness } from "#core/bluetooth/index.ts";
import { sayMinutes } from "../duration.ts";
import { sayMoment } from "../time.ts";

/** "82 %", as far as it is known. */
export const sayPercent = (percent: number): string => `${Math.round(percent)} %`;

const OUT = {
  swollen: "swollen: out of use, and on no charger",
  retired: "its battery is retired",
  none: "no battery of its own",
} as const;

/** What is known of it now, in few words. */
export function sayNow(now: Now): string {
  switch (now.kind) {
    case "out":
      return OUT[now.battery];
    case "unknown":
      return "nobody has noted how full it is";
    case "known":
      return now.charging
        ? "on its charger"
        : (sayDrain(now.drain) ?? "what it loses by itself is not known");
  }
}

/** What it loses by itself, and how that is known; undefined: it is not. */
export function sayDrain(
  drain: { readonly perDay: number; readonly times: number } | undefined,
): string | undefined {
  if (!drain) return undefined;
  const rate = `loses ${drain.perDay.toFixed(1)} % a day`;
  return drain.times === 0
    ? `${rate}, says its maker`
    : `${rate}, as seen ${drain.times === 1 ? "once" : `${drain.times} times`}`;
}

const LACKS = {
  level: "cannot tell: nobody has noted how full it is",
  minutes: "cannot tell: nobody has noted how long it charges",
  drain: "cannot tell: nobody knows what it loses by itself",
} as const;

/** When to plug it in, in a line. */
export function sayReady(ready: Readiness, locale: string, timeZone: string): string {
  switch (ready.kind) {
    case "out":
      return OUT[ready.battery];
    case "unknown":
      return LACKS[ready.lacks];
    case "ready":
      return `ready: it will have ${sayPercent(ready.at)}`;
    case "charging":
      return "ready, if it stays on its charger";
    case "plug-in":
      return `plug in by ${sayMoment(new Date(ready.by), locale, timeZone)}, for ${sayMinutes(ready.minutes)}`;
    case "too-late":
      return `too late: plugged in now it would have ${sayPercent(ready.reaches)}`;
  }
}
