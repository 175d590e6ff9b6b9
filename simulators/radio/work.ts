// What a computer does to a simulated radio: read it out, write into it, flash it. How far it is follows from when it began, so that
// nothing is lost when whoever watches is not there.
import type { Errand, FaultKind, Radio, RadioKind, Work } from "./state.ts";

export { type Errand, FAULTS } from "./state.ts";

export const SYMPTOM: Record<FaultKind, string> = {
  "no-port": "No port appears when the lead is plugged in.",
  "port-fault": "The port is there with a fault sign.",
  "no-answer": "The radio does not answer.",
  "loose-plug": "It stopped half way.",
  "wrong-model": "The tool says that it is another model.",
  "battery-low": "The radio went off while it was written.",
};

/** Lets a computer begin. `lasts`: milliseconds that the whole of it takes. */
export function beginWork(
  kind: RadioKind,
  radio: Radio,
  errand: Errand,
  begun: number,
  lasts: number,
): Radio {
  const stops = whereItStops(kind, radio, errand);
  return { ...radio, work: { errand, begun, lasts, ...(stops && { stops }) } };
}

function whereItStops(kind: RadioKind, radio: Radio, { kind: errand }: Errand): Work["stops"] {
  for (const { kind: fault, at } of radio.faults) {
    if (fault === "loose-plug" || fault === "battery-low") return { at: at ?? 0.4, fault };
    return { at: 0, fault };
  }
  const hasUpdateMode = kind.ways.some((way) => way.purpose === "update-mode");
  const hears =
    errand === "flash" && hasUpdateMode ? radio.place === "update" : radio.place !== "dead" && radio.on;
  return hears ? undefined : { at: 0, fault: "no-answer" };
}

export type Standing = {
  /** From 0 to 1. */
  readonly part: number;
  readonly state: "working" | "done" | "stopped";
  readonly fault?: FaultKind;
  /** The instant at which it is done, or has stopped. */
  readonly until: number;
  /** Milliseconds until then, that the whole of it takes; and how far it gets. */
  readonly left: number;
  readonly lasts: number;
  readonly end: number;
};

/** How far the work is at an instant; nothing if there is none. A clock that went back shows its beginning. */
export function workAt(radio: Radio, now: number): Standing | undefined {
  if (!radio.work) return undefined;
  const { begun, lasts, stops } = radio.work;
  const whole = lasts <= 0 ? 1 : Math.min(1, Math.max(0, (now - begun) / lasts));
  const end = stops?.at ?? 1;
  const until = begun + lasts * end;
  const time = { until, left: Math.max(0, until - now), lasts, end };
  if (whole < end) return { part: whole, state: "working", ...time };
  return stops
    ? { part: end, state: "stopped", fault: stops.fault, ...time }
    : { part: 1, state: "done", ...time };
}

/** The radio after its work is done or has stopped; as it is while it goes on. */
export function settle(radio: Radio, now: number): Radio {
  const standing = workAt(radio, now);
  const errand = radio.work?.errand;
  if (!standing || !errand || standing.state === "working") return radio;
  const { work: _, ...rest } = radio;
  if (standing.state === "stopped") {
    // A flash that wrote something and did not come to its end leaves it without firmware; a write leaves it half written.
    if (standing.part === 0 || errand.kind === "read") return rest;
    if (errand.kind === "write") return { ...rest, content: { kind: "blank" } };
    return { ...rest, place: "dead", on: false, signs: { screen: "dark", lamp: "off" } };
  }
  switch (errand.kind) {
    case "read":
      return rest;
    case "write":
      return { ...rest, content: errand.content, signs: { ...rest.signs, lamp: "off" } };
    case "flash":
      return {
        ...rest,
        runs: { ...rest.runs, [errand.component]: errand.version },
        content: errand.erases === "nothing" ? rest.content : { kind: "blank" },
        fresh: true,
        signs: { ...rest.signs, lamp: "green and steady" },
      };
  }
}

/** What was at fault is put right. */
export const mended = (radio: Radio, fault: FaultKind): Radio => ({
  ...radio,
  ...(fault === "battery-low" && { charge: 100 }),
  faults: radio.faults.filter(({ kind }) => kind !== fault),
});

/** What is read out of a radio that was not written to from here: noise that is its own, and the same every time. */
export function ownBytes(radio: Radio, name: string, size = 12_400): Uint8Array {
  const head = new TextEncoder().encode(
    `FENPLUG ${name} ${radio.seed}${radio.content.kind === "blank" ? " blank" : ""}\0`,
  );
  const bytes = new Uint8Array(Math.max(size, head.length));
  let state = (Math.imul(radio.seed, 2_654_435_761) ^ (radio.content.kind === "blank" ? 0 : 97)) >>> 0;
  for (let at = 0; at < bytes.length; at++) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    bytes[at] = radio.content.kind === "blank" ? 0xff : state >>> 24;
  }
  bytes.set(head);
  return bytes;
}
