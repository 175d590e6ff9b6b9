// Several releases at once, as they were found in release notes and looked at: all of them are written down, or none.
import { z } from "zod";
import { withRelease } from "#core/needs/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { imagined, MOST_PROPOSALS, releaseShape, type WrittenRelease } from "#core/release/index.ts";
import { addRelease } from "#db/model/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { loadForPreview, previewIn } from "./write-release.ts";

/** Answers their versions. Problems: those of `ReleaseProblem` but `no-release`, with `version` of the one it is about. */
export const writeReleases = defineAct({
  name: "write-releases",
  input: z.object({
    model: id,
    component: id,
    releases: z
      .array(releaseShape.omit({ draft: true, file: true }))
      .min(1, "Pick at least one.")
      .max(MOST_PROPOSALS),
  }),
  may: "edit-release",
  pace: "work",
  run: async (tx, { model, component, releases }, who) => {
    const log: {
      entry: { kind: "release-added"; component: string; version: string; units: number };
      model: string;
    }[] = [];
    const loaded = await loadForPreview(tx, { model, component }, who.today);
    if (!loaded.ok) return bad({ ...loaded.problem, version: releases[0]?.version ?? "" });
    let { before } = loaded.value;
    // The oldest first: a later one may be installed over it.
    for (const release of [...releases].sort(byDay)) {
      const input = { ...release, draft: false, model, component };
      const preview = previewIn({ ...loaded.value, before }, input, who.today);
      if (!preview.ok) return bad({ ...preview.problem, version: release.version });
      const { stored, component: name, effect } = preview.value;
      const own = await addRelease(tx, stored);
      before = withRelease(before, component, own, imagined(own, stored));
      const units =
        effect.newlyDue.length + effect.changed.length + effect.freed.length + effect.later.length;
      log.push({ entry: { kind: "release-added", component: name, version: stored.version, units }, model });
    }
    const versions = releases.map(({ version }) => version);
    return good({
      answer: { versions },
      log,
      touches: [{ scope: { of: "model" as const, id: model }, why: versions.join(", ").slice(0, 200) }],
    });
  },
});

const byDay = (a: Pick<WrittenRelease, "releasedOn">, b: Pick<WrittenRelease, "releasedOn">): number =>
  a.releasedOn < b.releasedOn ? -1 : a.releasedOn > b.releasedOn ? 1 : 0;
