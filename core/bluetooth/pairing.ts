// What is known of a pair, and how it is paired: the right menu, the presses on both sides, what is set and why.
import type { Step } from "../dossier/index.ts";
import type { Source } from "../quantities/index.ts";

export type PairingHappened = "proved" | "dropped" | "failed" | "lost";

export type PairingState =
  /** Nobody has looked whether it holds. */
  | { readonly kind: "unproved" }
  | { readonly kind: "holds"; readonly at: number }
  /** It dropped, failed a check, or was lost to a reset or a flash, and was not proved since. */
  | { readonly kind: "broken"; readonly why: Exclude<PairingHappened, "proved">; readonly at: number };

/** What stands of a pairing, by what happened to it last. */
export function pairingState(
  events: readonly { readonly kind: PairingHappened; readonly at: number }[],
): PairingState {
  // Of what happened at one instant the later note counts.
  const last = events.reduce<(typeof events)[number] | undefined>(
    (newest, one) => (newest && newest.at > one.at ? newest : one),
    undefined,
  );
  if (!last) return { kind: "unproved" };
  return last.kind === "proved"
    ? { kind: "holds", at: last.at }
    : { kind: "broken", why: last.kind, at: last.at };
}

export type PairSettingAdvice = { readonly name: string; readonly value: string; readonly why: string };

/** What somebody knows of pairing a type of device with a model, or with any. */
export type PairAdvice = {
  readonly what: string;
  /** The model's id; absent: any. */
  readonly model?: string;
  readonly menu: string;
  readonly wrongMenu: string;
  readonly wrongShows: string;
  readonly steps: readonly Step[];
  readonly pin: string;
  readonly pinSeconds?: number;
  readonly shows: string;
  readonly settings: readonly PairSettingAdvice[];
  readonly fails: string;
  readonly source: Source;
};

export type PairSettingPlan = PairSettingAdvice & {
  /** What this pair has instead, with its own reason. */
  readonly own?: { readonly value: string; readonly why: string };
};

export type PairPlan = {
  /** Absent: nobody has written it down. */
  readonly advice?: PairAdvice;
  readonly settings: readonly PairSettingPlan[];
  /** All that is known to fail: with this pair, and with the device itself. */
  readonly fails: readonly string[];
  /** After a reset the radio's Bluetooth is off: it has to be turned on first. */
  readonly turnOn: boolean;
  /** The radios that the device forgets by it: it holds only so many at once; the longest paired first. */
  readonly forgets: readonly string[];
};

/** How many of the radios that a device is paired with it holds no more once it is paired with one more. */
export const forgotten = (paired: number, holds: number): number => Math.max(0, paired + 1 - holds);

/**
 * How a unit and a device are paired. Advice for this very model comes before that for any; a setting that this pair has of its own stands
 * beside the recommended one. `paired`: the other radios that the device is paired with, the longest first.
 */
export function pairingPlan(
  unit: { readonly model: string; readonly offAfterReset?: boolean },
  device: { readonly what: string; readonly fails: string; readonly holds: number },
  advice: readonly PairAdvice[],
  own: readonly PairSettingAdvice[],
  paired: readonly string[],
): PairPlan {
  const isFor = (one: PairAdvice) => one.what.toLowerCase() === device.what.toLowerCase();
  const known =
    device.what === ""
      ? undefined
      : (advice.find((one) => isFor(one) && one.model === unit.model) ??
        advice.find((one) => isFor(one) && one.model === undefined));
  const sameName = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();
  const settings = (known?.settings ?? []).map((setting) => {
    const mine = own.find(({ name }) => sameName(name, setting.name));
    return mine ? { ...setting, own: { value: mine.value, why: mine.why } } : setting;
  });
  const others = own
    .filter(({ name }) => !settings.some((one) => sameName(one.name, name)))
    .map((one) => ({ ...one, own: { value: one.value, why: one.why } }));
  return {
    ...(known && { advice: known }),
    settings: [...settings, ...others],
    fails: [known?.fails, device.fails].filter((text): text is string => text !== undefined && text !== ""),
    turnOn: unit.offAfterReset === true,
    forgets: paired.slice(0, forgotten(paired.length, device.holds)),
  };
}
