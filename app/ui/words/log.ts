// The log's entries as sentences.
import { type LogEntry, logEntry } from "#core/club/index.ts";
import type { GuardedPart } from "#core/dossier/index.ts";
import { isPlainDate } from "#core/quantities/index.ts";
import { counted } from "./count.ts";
import { sayHertz } from "./frequency.ts";
import { SOURCE_WORDS } from "./source.ts";
import { sayDate } from "./time.ts";
import { clip } from "./unit/standing.ts";

const PAIRING_SAID = {
  proved: "proved the pairing with",
  dropped: "noted that the pairing dropped with",
  failed: "could not pair it with",
  lost: "noted that the pairing is lost with",
} as const;
const IDENTITY_HOW = { wanted: "noted that they want", asked: "asked for", there: "noted" } as const;
const IDENTITY_WHAT = { digital: "the digital ID", call: "the call sign" } as const;
const PLAN_CHANGED: Readonly<Record<string, string>> = {
  "add-block": "added to the draft of the plan the block",
  "change-block": "changed in the draft of the plan the block",
  "remove-block": "took out of the draft of the plan the block",
  "move-block": "moved in the draft of the plan the block",
  "add-members": "added to the draft of the plan",
  "change-member": "changed in the draft of the plan",
  "remove-member": "took out of the draft of the plan",
  "move-member": "moved in the draft of the plan",
};
const MEASURED_UNIT: Readonly<Record<string, string>> = { power: " W", current: " A", sensitivity: " µV" };
const GUARDED_SHOWN: Record<GuardedPart, string> = {
  procedure: "was shown how it is unlocked",
  mode: "was shown how a tool sets the mode",
  "service-menu": "was shown its service menu",
  "service-values": "was shown its service settings",
  dossier: "took out its dossier with all that is guarded",
  run: "was shown how it is unlocked in a run",
  club: "took out the whole club with all that is guarded",
};
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
    case "models-merged":
      return `merged the model ${entry.gone} into ${entry.into}: ${counted(entry.units, "unit")}, ${counted(entry.readings, "reading")} and ${counted(entry.facts, "fact")} went along`;
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
      return `${GUARDED_SHOWN[entry.part ?? "procedure"]}: ${clip(entry.what)}`;
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
    case "charge-noted":
      return entry.how === "level" || entry.how === "used"
        ? `${entry.how === "level" ? "saw" : "noted that programming took"} ${entry.percent ?? 0} % of ${clip(entry.device)}`
        : `${entry.how === "plugged" ? "put" : "took"} ${clip(entry.device)} ${entry.how === "plugged" ? "on its charger" : "off its charger"}`;
    case "charge-struck":
      return `struck what was noted of the battery of ${clip(entry.device)}: ${clip(entry.why)}`;
    case "device-tied":
      return entry.unit === ""
        ? `keeps the firmware of ${clip(entry.device)} no more`
        : `keeps the firmware of ${clip(entry.device)} under ${clip(entry.unit)}`;
    case "paired":
      return `paired it with ${clip(entry.device)}`;
    case "pairing-noted":
      return `${PAIRING_SAID[entry.how]} ${clip(entry.device)}${entry.note ? `: ${clip(entry.note)}` : ""}`;
    case "pairing-set":
      return `set in the pair with ${clip(entry.device)}: ${entry.settings ? clip(entry.settings) : "as recommended"}`;
    case "pairing-ended":
      return `ended the pairing with ${clip(entry.device)}${entry.why ? `: ${clip(entry.why)}` : ""}`;
    case "codeplug-facts-written":
      return `noted that a ${clip(entry.name)} holds ${counted(entry.channels, "channel")}`;
    case "plan-changed":
      return `${PLAN_CHANGED[entry.how] ?? "changed in the plan of channels:"} ${clip(entry.what)}`;
    case "plan-issued":
      return `issued plan ${entry.plan} of the channels, with ${counted(entry.tables, "table")}${entry.note ? `: ${clip(entry.note)}` : ""}`;
    case "plan-dropped":
      return `dropped the draft of plan ${entry.plan}`;
    case "codeplug-proved":
      return `wrote ${counted(entry.channels, "channel")} into it and read them again: ${clip(entry.what)}`;
    case "codeplug-made":
      return `made a table of ${counted(entry.channels, "channel")} for it: ${clip(entry.what)}`;
    case "list-merged":
      return `merged its ${clip(entry.what)}: ${entry.added} added, ${entry.renamed} renamed, all at their numbers`;
    case "mapping-kept":
      return `keeps the dialect ${clip(entry.name)} of channel tables, with ${counted(entry.columns, "column")}`;
    case "mapping-shelved":
      return `keeps the dialect ${clip(entry.name)} no more`;
    case "identity-noted":
      return `${IDENTITY_HOW[entry.how]} ${IDENTITY_WHAT[entry.what]} of ${clip(entry.whose)}${entry.value ? `: ${clip(entry.value)}` : ""}`;
    case "identity-shelved":
      return `took ${IDENTITY_WHAT[entry.what]}${entry.value ? ` ${clip(entry.value)}` : ""} from ${clip(entry.whose)}`;
    case "repeater-written":
      return `wrote down the repeater ${clip(entry.name)} on ${sayHertz(entry.receive)}`;
    case "repeater-heard":
      return entry.how === "heard"
        ? `heard the repeater ${clip(entry.name)}`
        : `confirmed what stands of the repeater ${clip(entry.name)}`;
    case "repeater-shelved":
      return `took the repeater ${clip(entry.name)} out of the directory`;
    case "repeaters-imported":
      return `brought repeaters in${entry.file ? ` from ${clip(entry.file)}` : ""}: ${entry.added} added, ${entry.changed} changed`;
    case "profile-kept":
      return `keeps the profile ${clip(entry.name)} on ${clip(entry.device)}, read from ${clip(entry.from)}`;
    case "profile-shelved":
      return `shelved the profile ${clip(entry.name)} of ${clip(entry.device)}`;
    case "work-done":
      return sayWork(entry);
    case "note":
      return entry.text;
  }
}

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
