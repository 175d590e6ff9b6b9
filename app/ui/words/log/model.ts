// What the log says of models, releases, dossiers, limits and the band plan.
import type { GuardedPart } from "#core/dossier/index.ts";
import { counted } from "../count.ts";
import { sayHertz } from "../frequency.ts";
import { clip } from "../unit/standing.ts";
import type { SomeSayers } from "./entry.ts";
import { touching } from "./entry.ts";

const GUARDED_SHOWN: Record<GuardedPart, string> = {
  procedure: "was shown how it is unlocked",
  mode: "was shown how a tool sets the mode",
  "service-menu": "was shown its service menu",
  "service-values": "was shown its service settings",
  dossier: "took out its dossier with all that is guarded",
  run: "was shown how it is unlocked in a run",
  club: "took out the whole club with all that is guarded",
};

export const MODEL_SAID = {
  "model-added": (entry) => `added the model ${entry.name}`,
  "model-changed": (entry) => `changed the model ${entry.name}: ${entry.what}`,
  "models-merged": (entry) =>
    `merged the model ${entry.gone} into ${entry.into}: ${counted(entry.units, "unit")}, ${counted(entry.readings, "reading")} and ${counted(entry.facts, "fact")} went along`,
  "numbering-confirmed": (entry) => `confirmed how ${entry.component} versions count: ${entry.numbering}`,
  "numbering-taken-back": (entry) =>
    `took back how ${entry.component} versions count: its releases tell it again`,
  "release-added": (entry) => `added ${entry.component} ${entry.version}${touching(entry.units)}`,
  "release-corrected": (entry) =>
    `corrected ${entry.component} ${entry.version}${entry.what ? `: ${entry.what}` : ""}${touching(entry.units)}`,
  "release-withdrawn": (entry) =>
    `marked ${entry.component} ${entry.version} as withdrawn: ${entry.why}${touching(entry.units)}`,
  "release-reinstated": (entry) =>
    `took back the withdrawal of ${entry.component} ${entry.version}${entry.what ? `: ${entry.what}` : ""}${touching(entry.units)}`,
  "release-shelved": (entry) => `shelved ${entry.component} ${entry.version}${touching(entry.units)}`,
  "procedure-written": (entry) => `wrote down how to: ${clip(entry.title)}`,
  "procedure-shelved": (entry) => `shelved the procedure: ${clip(entry.title)}`,
  "quirk-written": (entry) => `wrote down a quirk: ${clip(entry.symptom)}`,
  "quirk-shelved": (entry) => `shelved a quirk: ${clip(entry.symptom)}`,
  "fact-confirmed": (entry) =>
    `confirmed: ${clip(entry.what)}${entry.firmware ? ` on ${entry.firmware}` : ""}`,
  "dossier-brought-in": (entry) =>
    `took ${counted(entry.accepted, "fact")} out of a dossier from ${clip(entry.from)}`,
  "mode-written": (entry) => `wrote down the mode ${clip(entry.name)}`,
  "mode-shelved": (entry) => `shelved the mode ${clip(entry.name)}`,
  "service-item-written": (entry) =>
    `wrote down the ${entry.of === "code" ? "code" : "service setting"} ${clip(entry.what)}`,
  "service-item-shelved": (entry) =>
    `shelved the ${entry.of === "code" ? "code" : "service setting"} ${clip(entry.what)}`,
  "limit-written": (entry) => `wrote down the limit ${clip(entry.name)}`,
  "limit-shelved": (entry) => `shelved the limit ${clip(entry.name)}`,
  "segment-written": (entry) =>
    `wrote into the band plan for ${clip(entry.class)}: ${sayHertz(entry.from)} to ${sayHertz(entry.to)}`,
  "segment-shelved": (entry) =>
    `took out of the band plan for ${clip(entry.class)}: ${sayHertz(entry.from)} to ${sayHertz(entry.to)}`,
  "band-plan-brought-in": (entry) =>
    `brought in a band plan of ${counted(entry.lines, "line")} for ${clip(entry.classes)}`,
  "unlocking-shown": (entry) => `${GUARDED_SHOWN[entry.part ?? "procedure"]}: ${clip(entry.what)}`,
} satisfies SomeSayers;
