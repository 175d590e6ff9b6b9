// How a stored pairing stands.
import { type PairingState, pairingState } from "#core/bluetooth/index.ts";
import type { PairingRow } from "#db/kit/index.ts";

/** Stored are its events with the newest first. */
export const stateOf = ({ events }: Pick<PairingRow, "events">): PairingState =>
  pairingState(events.map(({ kind, at }) => ({ kind, at: Date.parse(at) })).reverse());
