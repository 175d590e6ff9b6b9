// Units, standings, needs and releases as a file: CSV or JSON, by the ending of the address.
import Papa from "papaparse";
import { z } from "zod";
import { csvRows, type OutDocument, type OutUnit, outDocument } from "#core/club/out.ts";
import { standingOf } from "#core/firmware/standing.ts";
import { isOpen, targetOn } from "#core/needs/need.ts";
import { needsOf } from "#core/needs/unit.ts";
import { loadFacts, policyOf } from "#db/facts.ts";
import type { Tx } from "#db/pool.ts";
import { wallUnits } from "#db/units.ts";
import { inClub, notFound, type SignedIn } from "../context.ts";
import { askForPerson } from "../door/session.server.ts";
import { releaseNamer } from "../unit/say.ts";
import type { Route } from "./+types/out";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  if (params.file === "units.schema.json") return Response.json(z.toJSONSchema(outDocument, { io: "input" }));
  if (params.file !== "units.csv" && params.file !== "units.json") throw notFound("This file");
  const out = await inClub(context, collect);
  const isCsv = params.file === "units.csv";
  const body = isCsv
    ? `\ufeff${Papa.unparse(csvRows(out.units), { escapeFormulae: true, newline: "\r\n" })}`
    : JSON.stringify(out, null, 2);
  return new Response(body, {
    headers: {
      "Content-Type": isCsv ? "text/csv; charset=utf-8" : "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="units-${out.asOf}.${isCsv ? "csv" : "json"}"`,
    },
  });
}

async function collect(tx: Tx, who: SignedIn): Promise<OutDocument> {
  const rows = await wallUnits(tx);
  const facts = await loadFacts(tx, { of: "club" });
  const known = new Map(facts.units.map((unit) => [unit.id, unit]));
  const releases = new Map<string, OutDocument["releases"]>();
  const units = rows.flatMap((row): OutUnit[] => {
    const unit = known.get(row.id);
    const catalogue = facts.catalogues.get(row.model_id);
    if (!unit || !catalogue) return [];
    const policy = policyOf(facts, unit);
    const name = releaseNamer(catalogue);
    const componentName = (id: string) => catalogue.get(id)?.component.name ?? "";
    releases.set(
      row.model_id,
      [...catalogue.values()].flatMap((prepared) =>
        prepared.releases.map((r) => ({
          maker: row.maker,
          model: row.model,
          component: prepared.component.name,
          version: r.version,
          track: r.track,
          releasedOn: r.releasedOn,
          withdrawnOn: r.withdrawn?.on ?? null,
          withdrawnWhy: r.withdrawn?.why ?? null,
        })),
      ),
    );
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
        components: [...catalogue.keys()].map((id) => {
          const standing = standingOf(unit, id, catalogue, policy, who.today);
          return {
            name: componentName(id),
            reading: standing.reading?.raw ?? null,
            readOn: standing.reading?.on ?? null,
            standing: standing.standing,
            behindBy: standing.behind?.newer.length ?? 0,
            behindSince: standing.behind?.since ?? null,
          };
        }),
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
    releases: [...releases.values()].flat(),
  };
}
