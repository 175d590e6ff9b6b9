// What goes out of the club as one document: units with standings and needs, and releases.
import type { OutDocument, OutUnit } from "#core/club/index.ts";
import { isOpen, needsOf, targetOn } from "#core/needs/index.ts";
import { standingsOf } from "#core/unit/index.ts";
import { loadCatalogues, models } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituations, wallUnits } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { releaseNamer } from "../ui/words/unit/preview.ts";

/** All radios that are not shelved, and all releases, whether a radio of their model is there or not. */
export async function collect(tx: Tx, who: SignedIn): Promise<OutDocument> {
  const rows = await wallUnits(tx);
  const { of } = await loadSituations(tx, { of: "club" }, who.today);
  const units = rows.flatMap((row): OutUnit[] => {
    const situation = of.get(row.id);
    if (!situation) return [];
    const { unit, catalogue, policy } = situation;
    const name = releaseNamer(catalogue);
    const componentName = (id: string) => catalogue.get(id)?.component.name ?? "";
    return [
      {
        tag: row.tag,
        maker: row.maker,
        model: row.model,
        hardwareRevision: row.hardware_revision,
        region: row.region,
        serial: row.serial,
        place: row.place,
        group: row.group_name,
        with: row.holder,
        components: standingsOf(situation).map(({ component, reading, standing, behind }) => ({
          name: componentName(component),
          reading: reading?.raw ?? null,
          readOn: reading?.on ?? null,
          standing,
          behindBy: behind?.newer.length ?? 0,
          behindSince: behind?.since ?? null,
        })),
        needs: needsOf(unit, catalogue, policy)
          .filter((need) => isOpen(need, who.today))
          .map((need) => {
            const target = targetOn(need, who.today);
            return {
              kind: need.kind,
              component: componentName(need.component),
              cause: need.cause,
              urgency: need.urgency,
              dueFrom: need.dueFrom,
              target: target === undefined ? null : name(target),
            };
          }),
      },
    ];
  });
  return {
    format: "mossy-cabinet/units",
    version: 1,
    club: who.clubName,
    asOf: who.today,
    units,
    releases: await releasesOut(tx, who),
  };
}

async function releasesOut(tx: Tx, who: SignedIn): Promise<OutDocument["releases"]> {
  const known = await models(tx, who.today);
  const catalogues = await loadCatalogues(
    tx,
    known.map((model) => model.id),
  );
  return known.flatMap(({ id, maker, name }) =>
    [...(catalogues.get(id)?.values() ?? [])].flatMap(({ component, releases }) =>
      releases.map((release) => ({
        maker,
        model: name,
        component: component.name,
        version: release.version,
        track: release.track,
        releasedOn: release.releasedOn,
        withdrawnOn: release.withdrawn?.on ?? null,
        withdrawnWhy: release.withdrawn?.why ?? null,
        draft: release.draft === true,
      })),
    ),
  );
}
