// How a pairing stands, in words.
import type { PairingHappened, PairingState } from "#core/bluetooth/index.ts";
import { sayMoment } from "../time.ts";

export const PAIRING_WORD: Record<PairingHappened, string> = {
  proved: "held",
  dropped: "dropped",
  failed: "failed",
  lost: "was lost",
};

export function sayPairing(state: PairingState, locale: string, timeZone: string): string {
  const at = (instant: number) => sayMoment(new Date(instant), locale, timeZone);
  switch (state.kind) {
    case "unproved":
      return "nobody has looked whether it holds";
    case "holds":
      return `held when last looked at, ${at(state.at)}`;
    case "broken":
      return `${PAIRING_WORD[state.why]}, ${at(state.at)}, and was not proved since`;
  }
}
