// Units, standings, needs and releases as a file: CSV or JSON, by the ending of the address.
import Papa from "papaparse";
import { z } from "zod";
import {
  csvRows,
  needRows,
  type OutDocument,
  type OutUnit,
  outDocument,
  releaseRows,
} from "#core/club/out.ts";
import { dossierDocument } from "#core/dossier/document.ts";
import { standingOf } from "#core/firmware/standing.ts";
import { isOpen, targetOn } from "#core/needs/need.ts";
import { needsOf } from "#core/needs/unit.ts";
import { loadFacts, policyOf } from "#db/facts.ts";
import type { Tx } from "#db/pool.ts";
import { wallUnits } from "#db/units.ts";
import { lookInClub, notFound, type SignedIn } from "../context.ts";
import { askForPerson } from "../door/session.server.ts";
import { releaseNamer } from "../unit/say.ts";
import type { Route } from "./+types/out";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  if (params.file === "units.schema.json") return Response.json(z.toJSONSchema(outDocument, { io: "input" }));
  if (params.file === "dossier.schema.json")
    return Response.json(z.toJSONSchema(dossierDocument, { io: "input", unrepresentable: "any" }));
  const file = params.file ?? "";
  const rowsOf = TABLES[file];
  if (!rowsOf && file !== "units.json") throw notFound("This file");
  const out = await lookInClub(context, collect);
  const [name, ending] = file.split(".");
  const body = rowsOf
    ? `\ufeff${Papa.unparse(rowsOf(out), { escapeFormulae: true, newline: "\r\n" })}`
    : JSON.stringify(out, null, 2);
  return new Response(body, {
    headers: {
      "Content-Type": rowsOf ? "text/csv; charset=utf-8" : "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="${name}-${out.asOf}.${ending}"`,
    },
  });
}

const TABLES: Readonly<Record<string, (out: OutDocument) => object[]>> = {
  "units.csv": (out) => csvRows(out.units),
  "needs.csv": (out) => needRows(out.units),
  "releases.csv": (out) => releaseRows(out.releases),
};

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
