// What the log says of plans of channels, codeplugs, repeaters and IDs.
import { counted } from "../count.ts";
import { sayHertz } from "../frequency.ts";
import { clip } from "../unit/standing.ts";
import type { SomeSayers } from "./entry.ts";

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

export const CODEPLUG_SAID = {
  "codeplug-facts-written": (entry) =>
    `noted that a ${clip(entry.name)} holds ${counted(entry.channels, "channel")}`,
  "plan-changed": (entry) =>
    `${PLAN_CHANGED[entry.how] ?? "changed in the plan of channels:"} ${clip(entry.what)}`,
  "plan-issued": (entry) =>
    `issued plan ${entry.plan} of the channels, with ${counted(entry.tables, "table")}${entry.note ? `: ${clip(entry.note)}` : ""}`,
  "plan-dropped": (entry) => `dropped the draft of plan ${entry.plan}`,
  "codeplug-proved": (entry) =>
    `wrote ${counted(entry.channels, "channel")} into it and read them again: ${clip(entry.what)}`,
  "codeplug-made": (entry) =>
    `made a table of ${counted(entry.channels, "channel")} for it: ${clip(entry.what)}`,
  "list-merged": (entry) =>
    `merged its ${clip(entry.what)}: ${entry.added} added, ${entry.renamed} renamed, all at their numbers`,
  "mapping-kept": (entry) =>
    `keeps the dialect ${clip(entry.name)} of channel tables, with ${counted(entry.columns, "column")}`,
  "mapping-shelved": (entry) => `keeps the dialect ${clip(entry.name)} no more`,
  "identity-noted": (entry) =>
    `${IDENTITY_HOW[entry.how]} ${IDENTITY_WHAT[entry.what]} of ${clip(entry.whose)}${entry.value ? `: ${clip(entry.value)}` : ""}`,
  "identity-shelved": (entry) =>
    `took ${IDENTITY_WHAT[entry.what]}${entry.value ? ` ${clip(entry.value)}` : ""} from ${clip(entry.whose)}`,
  "repeater-written": (entry) => `wrote down the repeater ${clip(entry.name)} on ${sayHertz(entry.receive)}`,
  "repeater-heard": (entry) =>
    entry.how === "heard"
      ? `heard the repeater ${clip(entry.name)}`
      : `confirmed what stands of the repeater ${clip(entry.name)}`,
  "repeater-shelved": (entry) => `took the repeater ${clip(entry.name)} out of the directory`,
  "repeaters-imported": (entry) =>
    `brought repeaters in${entry.file ? ` from ${clip(entry.file)}` : ""}: ${entry.added} added, ${entry.changed} changed`,
} satisfies SomeSayers;
