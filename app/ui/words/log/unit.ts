// What the log says of a radio and of work at the bench.
import type { LogEntry } from "#core/club/index.ts";
import { counted } from "../count.ts";
import { sayHertz } from "../frequency.ts";
import { SOURCE_WORDS } from "../source.ts";
import { clip } from "../unit/standing.ts";
import type { SomeSayers } from "./entry.ts";
import { dayOf } from "./entry.ts";

const MEASURED_UNIT: Readonly<Record<string, string>> = { power: " W", current: " A", sensitivity: " µV" };
const MODE_HOW = {
  set: "switched it to",
  proved: "proved that it is in",
  told: "said that it is in",
} as const;

export const UNIT_SAID = {
  "unit-added": (entry) => (entry.how === "import" ? "added from a spreadsheet" : "put into the cabinet"),
  "unit-changed": (entry) => `changed ${entry.what}`,
  "unit-shelved": (entry) => `shelved: ${entry.why}`,
  "unit-recovered": () => "recovered from the shelf",
  "units-imported": (entry) =>
    `brought in ${entry.file}: ${entry.added} added, ${entry.changed} changed, ${counted(entry.readings, "reading")}`,
  reading: (entry, locale) =>
    `read ${entry.component} ${clip(entry.raw)} ${SOURCE_WORDS[entry.source] ?? ""}${entry.on ? `, on ${dayOf(entry.on, locale)}` : ""}`,
  "reading-struck": (entry) => `struck the reading ${entry.component} ${clip(entry.raw)}: ${entry.why}`,
  lent: (entry, locale) =>
    `lent to ${entry.to}${entry.dueBack ? `, due back ${dayOf(entry.dueBack, locale)}` : ""}`,
  back: (entry) => `back from ${entry.from}`,
  "hold-set": (entry, locale) => `on hold until ${dayOf(entry.until, locale)}: ${entry.why}`,
  "hold-lifted": () => "hold lifted",
  "setting-noted": (entry) =>
    `${entry.changed ? "set" : "found"} ${clip(entry.name)} ${entry.changed ? "to" : "at"} ${clip(entry.value)}${entry.why ? `: ${clip(entry.why)}` : ""}`,
  "mode-noted": (entry) =>
    `${MODE_HOW[entry.how]} ${clip(entry.name)}${entry.why ? `: ${clip(entry.why)}` : ""}`,
  measured: (entry) =>
    `measured ${clip(entry.what)} ${entry.value}${MEASURED_UNIT[entry.what] ?? ""}${entry.meter ? ` with ${clip(entry.meter)}` : ""}`,
  "measurement-struck": (entry) =>
    `struck a measurement of ${clip(entry.what)} ${entry.value}${MEASURED_UNIT[entry.what] ?? ""}: ${entry.why}`,
  "spectrum-taken": (entry) =>
    `took a spectrum on ${sayHertz(entry.carrier)}, with ${counted(entry.harmonics, "harmonic")}${entry.meter ? `, with ${clip(entry.meter)}` : ""}`,
  "spectrum-struck": (entry) => `struck a spectrum on ${sayHertz(entry.carrier)}: ${clip(entry.why)}`,
  "channels-kept": (entry) =>
    `kept its ${counted(entry.channels, "channel")}${entry.what ? ` from ${clip(entry.what)}` : ""}`,
  "run-begun": (entry) => `began at the bench: ${entry.what}`,
  "run-ended": (entry) =>
    entry.why === undefined
      ? `finished at the bench: ${entry.what}`
      : `stopped at the bench: ${entry.what}; ${clip(entry.why)}`,
  "run-taken-over": (entry) => `taken over at the bench from ${entry.from}: ${entry.what}`,
  "backup-kept": (entry) => `backup kept: ${clip(entry.what)}`,
  "work-done": (entry) => sayWork(entry),
} satisfies SomeSayers;

/** What was done, with what, and whether it worked: as short as what is known of it. */
function sayWork(entry: Extract<LogEntry, { kind: "work-done" }>): string {
  const { did, from, to, lead, computer, worked, text } = entry;
  const way = [from && `from ${clip(from)}`, to && `to ${clip(to)}`].filter(Boolean).join(" ");
  const parts = [
    `${did === "other" ? "other work" : did}${way && ` ${way}`}`,
    lead && `with ${clip(lead)}`,
    computer && `on ${clip(computer)}`,
  ].filter(Boolean);
  return `did this: ${parts.join(", ")}; it ${worked ? "worked" : "failed"}${text && `. ${text}`}`;
}
