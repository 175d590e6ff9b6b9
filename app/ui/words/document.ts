// What is wrong with a document that somebody brought.

import type { DocumentProblem } from "#core/dossier/index.ts";
import { listed } from "#core/quantities/index.ts";
import { AHEAD } from "#core/release/index.ts";

export function sayDocumentProblem(problem: DocumentProblem): string {
  switch (problem.kind) {
    case "not-json":
      return "This is no JSON document: it cannot be read from its first letter to its last.";
    case "other-format":
      return "This is JSON, but no dossier of ours: it should begin with the format “mossy-cabinet/dossier”.";
    case "other-version":
      return `This dossier is of version ${problem.version}; we read version 1. Ask for it in that version.`;
    case "wrong":
      return `At ${problem.at || "its start"} it is not as a dossier should be: ${problem.message}.`;
    case "withdrawn-ahead":
      return `${AHEAD} Here ${listed(problem.releases.slice(0, 5))} would be withdrawn on a day to come.`;
  }
}
