// What is in the simulated air: a radio that looks for devices, and a device that shows itself for half a minute. It fails the way real ones do. Plain data; time is handed in.

export type Neighbour = { readonly name: string; readonly address: string };

/** How this device pairs, and what is around. */
export type AirKind = {
  readonly name: string;
  readonly address: string;
  readonly menu: string;
  /** A menu that looks right: it pairs there, too, and nothing comes of it. */
  readonly wrongMenu?: string | undefined;
  readonly pin?: string | undefined;
  readonly pinSeconds?: number | undefined;
  /** Percent that writing into one radio takes. */
  readonly perUse: number;
  /** A write resets the radio's Bluetooth, and the device does not notice. */
  readonly dropsAfterWrite: boolean;
  readonly neighbours: readonly Neighbour[];
};

/** Its button is held so long before it shows itself, and it shows itself so long; seconds. */
export const HOLD_SECONDS = 5;
export const SHOWN_SECONDS = 30;

export type Air = {
  /** Seconds since it began. */
  readonly at: number;
  readonly charge: number;
  /** The device shows itself until then. */
  readonly shownUntil: number;
  /** The menu in which the radio stands. */
  readonly menu?: string;
  /** What the radio's last search found. */
  readonly found: readonly Neighbour[];
  /** It asks for a PIN since then. */
  readonly askedAt?: number;
  /** In which menu they were paired; absent: they are not. */
  readonly pairedIn?: string;
  readonly connected: boolean;
  /** The device has not noticed that the radio has forgotten it. */
  readonly stale: boolean;
  readonly says: Says;
};

/** What came of the last deed. */
export type Says =
  | { readonly kind: "ready" }
  | { readonly kind: "menu"; readonly menu: string }
  | { readonly kind: "shows-itself" }
  | { readonly kind: "too-short" }
  | { readonly kind: "found"; readonly count: number }
  /** The search is over before the device showed itself, or after. */
  | { readonly kind: "gone" }
  | { readonly kind: "no-menu" }
  | { readonly kind: "somebody-else"; readonly name: string }
  | { readonly kind: "asks-pin" }
  | { readonly kind: "pin-wrong" }
  | { readonly kind: "pin-expired" }
  | { readonly kind: "nothing-asked" }
  | { readonly kind: "paired" }
  | { readonly kind: "holds" }
  /** The key does nothing; `why` is what a person would have to find out. */
  | { readonly kind: "nothing"; readonly why: "not-paired" | "wrong-menu" | "dropped" | "flat" }
  | { readonly kind: "written" }
  | { readonly kind: "went-off" };

export type AirDeed =
  | { readonly kind: "open"; readonly menu: string }
  | { readonly kind: "hold"; readonly seconds: number }
  | { readonly kind: "search" }
  | { readonly kind: "pick"; readonly address: string }
  | { readonly kind: "pin"; readonly pin: string }
  /** The device is used: does the radio answer? */
  | { readonly kind: "use" }
  | { readonly kind: "write" }
  | { readonly kind: "off-and-on" };

export const newAir = (charge: number): Air => ({
  at: 0,
  charge,
  shownUntil: 0,
  found: [],
  connected: false,
  stale: false,
  says: { kind: "ready" },
});

const without = <Key extends keyof Air>(air: Air, ...keys: readonly Key[]): Omit<Air, Key> => {
  const left: Partial<Air> = { ...air };
  for (const key of keys) delete left[key];
  return left as Omit<Air, Key>;
};

/** One deed, `at` so many seconds since the beginning. A clock that went back stands still. */
export function act(kind: AirKind, before: Air, deed: AirDeed, at: number): Air {
  const air: Air = { ...before, at: Math.max(before.at, at) };
  const say = (says: Says): Air => ({ ...air, says });
  switch (deed.kind) {
    case "open":
      // Another menu lets go of what the last one had begun.
      return {
        ...without(air, "askedAt"),
        menu: deed.menu,
        found: [],
        says: { kind: "menu", menu: deed.menu },
      };
    case "hold":
      if (air.charge <= 0) return say({ kind: "nothing", why: "flat" });
      if (deed.seconds < HOLD_SECONDS) return say({ kind: "too-short" });
      return { ...air, shownUntil: air.at + SHOWN_SECONDS, says: { kind: "shows-itself" } };
    case "search": {
      if (air.menu === undefined) return say({ kind: "no-menu" });
      const own = air.at < air.shownUntil ? [{ name: kind.name, address: kind.address }] : [];
      const found = [...kind.neighbours, ...own];
      return { ...air, found, says: { kind: "found", count: found.length } };
    }
    case "pick":
      return pick(kind, air, deed.address);
    case "pin": {
      if (air.askedAt === undefined) return say({ kind: "nothing-asked" });
      if (air.at - air.askedAt > (kind.pinSeconds ?? Number.POSITIVE_INFINITY))
        return { ...without(air, "askedAt"), found: [], says: { kind: "pin-expired" } };
      if (deed.pin.trim() !== kind.pin) return say({ kind: "pin-wrong" });
      return paired(air);
    }
    case "use":
      return say(used(kind, air));
    case "write": {
      if (!air.connected || air.pairedIn !== kind.menu) return say(used(kind, air));
      const charge = Math.max(0, air.charge - kind.perUse);
      if (charge === 0)
        return { ...air, charge, connected: false, shownUntil: 0, says: { kind: "went-off" } };
      return {
        ...air,
        charge,
        connected: !kind.dropsAfterWrite,
        stale: kind.dropsAfterWrite,
        says: { kind: "written" },
      };
    }
    case "off-and-on": {
      const comesBack = air.charge > 0 && air.pairedIn === kind.menu;
      return {
        ...air,
        connected: comesBack,
        stale: false,
        shownUntil: 0,
        says: used(kind, { ...air, connected: comesBack, stale: false }),
      };
    }
  }
}

function pick(kind: AirKind, air: Air, address: string): Air {
  const one = air.found.find((found) => found.address === address);
  if (!one || (address === kind.address && air.at >= air.shownUntil))
    return { ...air, found: [], says: { kind: "gone" } };
  if (address !== kind.address) return { ...air, says: { kind: "somebody-else", name: one.name } };
  const isRight = air.menu === kind.menu;
  if (isRight && kind.pin) return { ...air, askedAt: air.at, says: { kind: "asks-pin" } };
  return paired(air);
}

/** The menu in which it stands decides what comes of it; the screen says the same in both. */
const paired = (air: Air): Air => ({
  ...without(air, "askedAt"),
  ...(air.menu !== undefined && { pairedIn: air.menu }),
  connected: true,
  stale: false,
  found: [],
  shownUntil: 0,
  says: { kind: "paired" },
});

function used(kind: AirKind, air: Air): Says {
  if (air.charge <= 0) return { kind: "nothing", why: "flat" };
  if (air.pairedIn === undefined) return { kind: "nothing", why: "not-paired" };
  if (air.pairedIn !== kind.menu) return { kind: "nothing", why: "wrong-menu" };
  return air.connected && !air.stale ? { kind: "holds" } : { kind: "nothing", why: "dropped" };
}

/** What a simulated device answers when it is asked how full it is: near what is known of it, and the same within an hour. */
export function simulatedLevel(seed: number, known: number | undefined, at: number): number {
  const hour = Math.floor(at / 3_600_000);
  const noise = (Math.imul(seed + 1, 2_654_435_761) ^ Math.imul(hour, 40_503)) >>> 0;
  const around = known ?? 40 + (seed % 50);
  return Math.min(100, Math.max(0, Math.round(around + (noise % 5) - 2)));
}
