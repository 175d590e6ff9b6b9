// What the file check found, in words.

import type { CheckedFile, CheckProblem } from "#core/bench/index.ts";
import { listed } from "#core/quantities/index.ts";

export type SaidCheck = { readonly sound: boolean; readonly head: string; readonly text: string };

/** `wanted`: it was held against the releases of a route, so that "yes" means the right one. */
export function sayChecked({ verdict, file }: CheckedFile, wanted: boolean): SaidCheck {
  const speaks = file.mentions.length > 0 ? ` Its text speaks of ${listed(file.mentions, 6)}.` : "";
  switch (verdict.kind) {
    case "this-release":
      return {
        sound: true,
        head: `${wanted ? "Yes" : "This is it"}: ${verdict.release.title}`,
        text: `Size and SHA-256 agree${verdict.within ? `; it is ${verdict.within} in the zip` : ""}.`,
      };
    case "another-release":
      return {
        sound: false,
        head: `No: this is ${listed(verdict.releases.map((r) => r.title))}`,
        text: `By its content it is another release that we know${verdict.within ? ` (${verdict.within} in the zip)` : ""}, whatever its name says.`,
      };
    case "same-name-other-content":
      return {
        sound: false,
        head: `No: it is called like ${verdict.release.title}, but is not that file`,
        text: `Its content differs from what our dossier has: damaged, changed, or another edition.${speaks}`,
      };
    case "unknown":
      return {
        sound: false,
        head: "We do not know this file",
        text: `No release in our dossiers has this content.${speaks}`,
      };
  }
}

export function sayCheckProblem(problem: CheckProblem): string {
  switch (problem.kind) {
    case "empty":
      return "The file is empty: 0 bytes.";
    case "too-large":
      return `The file is larger than ${problem.limit / 1024 / 1024} MiB; no radio takes that much.`;
    case "zip-damaged":
      return "The zip is cut short or damaged. Fetch it again.";
    case "zip-encrypted":
      return `The zip wants a password for “${problem.name.slice(0, 60)}”. It cannot be looked into; its own content is no release that we know.`;
    case "zip-method":
      return `“${problem.name.slice(0, 60)}” in the zip is packed in a way that we do not know (${problem.method}). Unpack it and check what comes out.`;
    case "zip-bomb":
      return "The zip would unpack to an absurd size. Do not open it.";
  }
}
