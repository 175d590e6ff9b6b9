// Units, standings, needs and releases as a file: CSV or JSON, by the ending of the address.
import { z } from "zod";
import {
  clubDocument,
  csvRows,
  needRows,
  type OutDocument,
  outDocument,
  releaseRows,
} from "#core/club/index.ts";
import { codeplugDocument } from "#core/codeplug/index.ts";
import { dossierDocument } from "#core/dossier/index.ts";
import { csvOf } from "#core/import/index.ts";
import { bandPlanDocument, planDocument, planRows } from "#core/modes/index.ts";
import { writeClub } from "#db/club/index.ts";
import { bandPlan } from "#db/model/index.ts";
import { askForPerson } from "../auth/session.server.ts";
import { mustBeAllowed, notAllowed, notFound, readAtLength, readInClub } from "../context.ts";
import { isHandedOut } from "../shared/guarded.server.ts";
import type { Route } from "./+types/out";
import { collect } from "./write-out.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  if (params.file === "units.schema.json") return Response.json(z.toJSONSchema(outDocument, { io: "input" }));
  if (params.file === "dossier.schema.json")
    return Response.json(z.toJSONSchema(dossierDocument, { io: "input", unrepresentable: "any" }));
  if (params.file === "codeplug.schema.json")
    return Response.json(z.toJSONSchema(codeplugDocument, { io: "input" }));
  if (params.file === "club.schema.json") return Response.json(z.toJSONSchema(clubDocument, { io: "input" }));
  if (params.file === "club.json") {
    const who = mustBeAllowed(context, "edit-club");
    if (!(await isHandedOut(who, { club: "whole" }))) throw notAllowed("see-unlocking");
    const document = await readAtLength(context, writeClub);
    return new Response(JSON.stringify(document), {
      headers: {
        "Content-Type": "application/json; charset=utf-8",
        "Content-Disposition": `attachment; filename="club-${who.today}.json"`,
      },
    });
  }
  const file = params.file ?? "";
  if (file === "band-plan.schema.json")
    return Response.json(z.toJSONSchema(bandPlanDocument, { io: "input", unrepresentable: "any" }));
  if (file === "band-plan.csv" || file === "band-plan.json")
    return readInClub(context, async (tx, who) => {
      const plan = (await bandPlan(tx)).map(({ id: _, ...segment }) => segment);
      return file.endsWith(".csv")
        ? sent(file, who.today, csvOf(planRows(plan)))
        : sent(file, who.today, JSON.stringify(planDocument(who.clubName, plan), null, 2));
    });
  const rowsOf = TABLES[file];
  if (!rowsOf && file !== "units.json") throw notFound("This file");
  const out = await readInClub(context, collect);
  return sent(file, out.asOf, rowsOf ? csvOf(rowsOf(out)) : JSON.stringify(out, null, 2));
}

/** A file of that name, as it is on a day. */
function sent(file: string, on: string, body: string): Response {
  const [name, ending] = file.split(".");
  return new Response(body, {
    headers: {
      "Content-Type": `${ending === "csv" ? "text/csv" : "application/json"}; charset=utf-8`,
      "Content-Disposition": `attachment; filename="${name}-${on}.${ending}"`,
    },
  });
}

const TABLES: Readonly<Record<string, (out: OutDocument) => object[]>> = {
  "units.csv": (out) => csvRows(out.units),
  "needs.csv": (out) => needRows(out.units),
  "releases.csv": (out) => releaseRows(out.releases),
};
