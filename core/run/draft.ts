// What a person noted where nothing was written, as the beginnings of a procedure.
import { type Purpose, parseStep, type Step } from "../dossier/index.ts";
import type { StageName } from "./plan.ts";

/** What the steps of a stage are for. The other stages ask for no procedure. */
const PURPOSE_OF: Partial<Record<StageName, Purpose>> = {
  enter: "update-mode",
  flash: "flash",
  "read-back": "read-version",
  "back-up": "back-up",
  restore: "restore",
  do: "read-version",
};

export const purposeOfStage = (stage: StageName): Purpose | undefined => PURPOSE_OF[stage];

/** So many steps at most, as a procedure may have. */
const MOST = 100;

/** A line is a step; one that cannot be read as a step is a note. */
export function draftSteps(text: string): Step[] {
  const lines = text.split(/\r\n?|\n/).map((line) => line.trim());
  return lines
    .filter((line) => line !== "")
    .slice(0, MOST)
    .map((line): Step => {
      const read = parseStep(line);
      return read.ok ? read.value : { kind: "note", what: line.slice(0, 300) };
    });
}
