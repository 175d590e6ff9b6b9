// The weighed readout as one sentence.
import type { Catalogue } from "#core/firmware/catalogue.ts";
import type { EntryProblem } from "#core/firmware/entry.ts";
import type { StandingName } from "#core/firmware/standing.ts";
import type { Weighed } from "#core/firmware/weigh.ts";
import type { PlainDate } from "#core/quantities/date.ts";
import type { Result } from "#core/quantities/result.ts";
import { clip, sayProblem, sayStanding } from "../ui/words/standing.ts";

export type Weighing =
  | { readonly ok: true; readonly standing: StandingName; readonly says: string }
  | { readonly ok: false; readonly says: string };

export const releaseNamer = (catalogue: Catalogue) => (id: string) => {
  for (const prepared of catalogue.values()) {
    const release = prepared.byId.get(id);
    if (release) return release.version;
  }
  return "a release that was shelved";
};

export function sayWeighed(
  weighed: Result<Weighed, EntryProblem>,
  catalogue: Catalogue,
  locale: string,
  today: PlainDate,
): Weighing {
  const release = releaseNamer(catalogue);
  if (!weighed.ok) return { ok: false, says: sayProblem(weighed.problem, { release }) };
  const { componentName, raw, standing } = weighed.value;
  return {
    ok: true,
    standing: standing.standing,
    says: `${componentName} ${clip(raw)}: ${sayStanding(standing, { release, locale, today })}`,
  };
}
