// What the log says of kit, tries, Bluetooth devices and their batteries.
import { clip } from "../unit/standing.ts";
import type { SomeSayers } from "./entry.ts";

const PAIRING_SAID = {
  proved: "proved the pairing with",
  dropped: "noted that the pairing dropped with",
  failed: "could not pair it with",
  lost: "noted that the pairing is lost with",
} as const;

export const KIT_SAID = {
  "kit-added": (entry) => `added to the kit: ${clip(entry.what)}`,
  "kit-changed": (entry) => `changed in the kit: ${clip(entry.what)}`,
  "kit-shelved": (entry) => `shelved from the kit: ${clip(entry.what)}`,
  tried: (entry) =>
    `${entry.worked ? "it worked" : "it failed"} with ${clip(entry.what)}${entry.symptom ? `: ${clip(entry.symptom)}` : ""}`,
  "try-struck": (entry) => `struck a try with ${clip(entry.what)}: ${entry.why}`,
  "charge-noted": (entry) =>
    entry.how === "level" || entry.how === "used"
      ? `${entry.how === "level" ? "saw" : "noted that programming took"} ${entry.percent ?? 0} % of ${clip(entry.device)}`
      : `${entry.how === "plugged" ? "put" : "took"} ${clip(entry.device)} ${entry.how === "plugged" ? "on its charger" : "off its charger"}`,
  "charge-struck": (entry) =>
    `struck what was noted of the battery of ${clip(entry.device)}: ${clip(entry.why)}`,
  "device-tied": (entry) =>
    entry.unit === ""
      ? `keeps the firmware of ${clip(entry.device)} no more`
      : `keeps the firmware of ${clip(entry.device)} under ${clip(entry.unit)}`,
  paired: (entry) => `paired it with ${clip(entry.device)}`,
  "pairing-noted": (entry) =>
    `${PAIRING_SAID[entry.how]} ${clip(entry.device)}${entry.note ? `: ${clip(entry.note)}` : ""}`,
  "pairing-set": (entry) =>
    `set in the pair with ${clip(entry.device)}: ${entry.settings ? clip(entry.settings) : "as recommended"}`,
  "pairing-ended": (entry) =>
    `ended the pairing with ${clip(entry.device)}${entry.why ? `: ${clip(entry.why)}` : ""}`,
  "profile-kept": (entry) =>
    `keeps the profile ${clip(entry.name)} on ${clip(entry.device)}, read from ${clip(entry.from)}`,
  "profile-shelved": (entry) => `shelved the profile ${clip(entry.name)} of ${clip(entry.device)}`,
} satisfies SomeSayers;
