// The preview readout as one sentence.

import type { PlainDate, Result } from "#core/quantities/index.ts";
import type { Catalogue } from "#core/release/index.ts";
import type { ReadingPreview, StandingName } from "#core/unit/index.ts";
import type { EntryProblem } from "#core/version/index.ts";
import { clip, sayProblem, sayStanding } from "./standing.ts";

export type SaidPreview =
  | { readonly ok: true; readonly standing: StandingName; readonly says: string }
  | { readonly ok: false; readonly says: string };

export const releaseNamer = (catalogue: Catalogue) => (id: string) => {
  for (const prepared of catalogue.values()) {
    const release = prepared.byId.get(id);
    if (release) return release.version;
  }
  return "a release that was shelved";
};

export function sayPreview(
  preview: Result<ReadingPreview, EntryProblem>,
  catalogue: Catalogue,
  locale: string,
  today: PlainDate,
): SaidPreview {
  const release = releaseNamer(catalogue);
  if (!preview.ok) return { ok: false, says: sayProblem(preview.problem, { release }) };
  const { componentName, raw, standing } = preview.value;
  return {
    ok: true,
    standing: standing.standing,
    says: `${componentName} ${clip(raw)}: ${sayStanding(standing, { release, locale, today })}`,
  };
}
