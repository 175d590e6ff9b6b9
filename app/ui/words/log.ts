// The log's entries as sentences.
import { logEntry } from "#core/club/log.ts";
import { isPlainDate } from "#core/quantities/date.ts";
import { counted } from "./count.ts";
import { sayHertz } from "./frequency.ts";
import { SOURCE_WORDS } from "./source.ts";
import { clip } from "./standing.ts";
import { sayDate } from "./time.ts";

const MEASURED_UNIT: Readonly<Record<string, string>> = { power: " W", current: " A", sensitivity: " µV" };
const MODE_HOW = {
  set: "switched it to",
  proved: "proved that it is in",
  told: "said that it is in",
} as const;

export function sayEntry(
  row: { readonly kind: string; readonly detail: Record<string, unknown> },
  locale: string,
): string {
  const parsed = logEntry.safeParse({ ...row.detail, kind: row.kind });
  if (!parsed.success) return row.kind;
  const entry = parsed.data;
  const day = (text: string) => (isPlainDate(text) ? sayDate(text, locale) : text);
  const touching = (units: number) => (units === 0 ? "" : `, touching ${counted(units, "radio")}`);
  switch (entry.kind) {
    case "club-founded":
      return `founded ${entry.name}`;
    case "club-changed":
      return `changed the club: ${entry.what}`;
    case "signed-in":
      return `signed in${entry.from ? ` from ${entry.from}` : ""}`;
    case "sign-in-failed":
      return entry.unknown
        ? `somebody tried to sign in from ${entry.from} with an address that nobody has`
        : `a sign-in from ${entry.from} failed: the password was not right`;
    case "password-changed":
      return entry.how === "own" ? "changed their password" : "chose a password by a link";
    case "sessions-ended":
      return `signed out elsewhere: ${counted(entry.count, "session")}`;
    case "link-made":
      return `made a link for ${entry.name} to choose a password`;
    case "person-recovered":
      return `took ${entry.name} back from the shelf`;
    case "person-added":
      return `added ${entry.name} as ${entry.role}`;
    case "person-changed":
      return `changed ${entry.name}: ${entry.what}`;
    case "place-added":
      return `added the place ${entry.name}`;
    case "group-added":
      return `added the group ${entry.name}`;
    case "policy-changed":
      return `changed the policy of ${entry.group}${touching(entry.units)}`;
    case "model-added":
      return `added the model ${entry.name}`;
    case "model-changed":
      return `changed the model ${entry.name}: ${entry.what}`;
    case "numbering-confirmed":
      return `confirmed how ${entry.component} versions count: ${entry.numbering}`;
    case "numbering-taken-back":
      return `took back how ${entry.component} versions count: its releases tell it again`;
    case "release-added":
      return `added ${entry.component} ${entry.version}${touching(entry.units)}`;
    case "release-corrected":
      return `corrected ${entry.component} ${entry.version}${entry.what ? `: ${entry.what}` : ""}${touching(entry.units)}`;
    case "release-withdrawn":
      return `marked ${entry.component} ${entry.version} as withdrawn: ${entry.why}${touching(entry.units)}`;
    case "release-reinstated":
      return `took back the withdrawal of ${entry.component} ${entry.version}${entry.what ? `: ${entry.what}` : ""}${touching(entry.units)}`;
    case "release-shelved":
      return `shelved ${entry.component} ${entry.version}${touching(entry.units)}`;
    case "procedure-written":
      return `wrote down how to: ${clip(entry.title)}`;
    case "procedure-shelved":
      return `shelved the procedure: ${clip(entry.title)}`;
    case "quirk-written":
      return `wrote down a quirk: ${clip(entry.symptom)}`;
    case "quirk-shelved":
      return `shelved a quirk: ${clip(entry.symptom)}`;
    case "fact-confirmed":
      return `confirmed: ${clip(entry.what)}${entry.firmware ? ` on ${entry.firmware}` : ""}`;
    case "dossier-brought-in":
      return `took ${counted(entry.accepted, "fact")} out of a dossier from ${clip(entry.from)}`;
    case "unit-added":
      return entry.how === "import" ? "added from a spreadsheet" : "put into the cabinet";
    case "unit-changed":
      return `changed ${entry.what}`;
    case "unit-shelved":
      return `shelved: ${entry.why}`;
    case "unit-recovered":
      return "recovered from the shelf";
    case "units-imported":
      return `brought in ${entry.file}: ${entry.added} added, ${entry.changed} changed, ${counted(entry.readings, "reading")}`;
    case "reading":
      return `read ${entry.component} ${clip(entry.raw)} ${SOURCE_WORDS[entry.source] ?? ""}${entry.on ? `, on ${day(entry.on)}` : ""}`;
    case "reading-struck":
      return `struck the reading ${entry.component} ${clip(entry.raw)}: ${entry.why}`;
    case "try-struck":
      return `struck a try with ${clip(entry.what)}: ${entry.why}`;
    case "clock-jumped":
      return `the server's clock jumped ${entry.seconds < 0 ? "back" : "ahead"} by ${counted(Math.abs(entry.seconds), "second")}`;
    case "lent":
      return `lent to ${entry.to}${entry.dueBack ? `, due back ${day(entry.dueBack)}` : ""}`;
    case "back":
      return `back from ${entry.from}`;
    case "hold-set":
      return `on hold until ${day(entry.until)}: ${entry.why}`;
    case "hold-lifted":
      return "hold lifted";
    case "tried":
      return `${entry.worked ? "it worked" : "it failed"} with ${clip(entry.what)}${entry.symptom ? `: ${clip(entry.symptom)}` : ""}`;
    case "kit-added":
      return `added to the kit: ${clip(entry.what)}`;
    case "kit-changed":
      return `changed in the kit: ${clip(entry.what)}`;
    case "kit-shelved":
      return `shelved from the kit: ${clip(entry.what)}`;
    case "run-begun":
      return `began at the bench: ${entry.what}`;
    case "run-ended":
      return entry.why === undefined
        ? `finished at the bench: ${entry.what}`
        : `stopped at the bench: ${entry.what}; ${clip(entry.why)}`;
    case "run-taken-over":
      return `taken over at the bench from ${entry.from}: ${entry.what}`;
    case "backup-kept":
      return `backup kept: ${clip(entry.what)}`;
    case "mode-written":
      return `wrote down the mode ${clip(entry.name)}`;
    case "mode-shelved":
      return `shelved the mode ${clip(entry.name)}`;
    case "service-item-written":
      return `wrote down the ${entry.of === "code" ? "code" : "service setting"} ${clip(entry.what)}`;
    case "service-item-shelved":
      return `shelved the ${entry.of === "code" ? "code" : "service setting"} ${clip(entry.what)}`;
    case "setting-noted":
      return `${entry.changed ? "set" : "found"} ${clip(entry.name)} ${entry.changed ? "to" : "at"} ${clip(entry.value)}${entry.why ? `: ${clip(entry.why)}` : ""}`;
    case "unlocking-shown":
      return `was shown how it is unlocked: ${clip(entry.what)}`;
    case "mode-noted":
      return `${MODE_HOW[entry.how]} ${clip(entry.name)}${entry.why ? `: ${clip(entry.why)}` : ""}`;
    case "measured":
      return `measured ${clip(entry.what)} ${entry.value}${MEASURED_UNIT[entry.what] ?? ""}${entry.meter ? ` with ${clip(entry.meter)}` : ""}`;
    case "channels-kept":
      return `kept its ${counted(entry.channels, "channel")}${entry.what ? ` from ${clip(entry.what)}` : ""}`;
    case "spectrum-taken":
      return `took a spectrum on ${sayHertz(entry.carrier)}, with ${counted(entry.harmonics, "harmonic")}${entry.meter ? `, with ${clip(entry.meter)}` : ""}`;
    case "spectrum-struck":
      return `struck a spectrum on ${sayHertz(entry.carrier)}: ${clip(entry.why)}`;
    case "limit-written":
      return `wrote down the limit ${clip(entry.name)}`;
    case "limit-shelved":
      return `shelved the limit ${clip(entry.name)}`;
    case "measurement-struck":
      return `struck a measurement of ${clip(entry.what)} ${entry.value}${MEASURED_UNIT[entry.what] ?? ""}: ${entry.why}`;
    case "segment-written":
      return `wrote into the band plan for ${clip(entry.class)}: ${sayHertz(entry.from)} to ${sayHertz(entry.to)}`;
    case "segment-shelved":
      return `took out of the band plan for ${clip(entry.class)}: ${sayHertz(entry.from)} to ${sayHertz(entry.to)}`;
    case "band-plan-brought-in":
      return `brought in a band plan of ${counted(entry.lines, "line")} for ${clip(entry.classes)}`;
    case "note":
      return entry.text;
  }
}
