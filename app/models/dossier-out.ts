// A model's dossier as one JSON document, to keep or to give to another club.

import { writeDossier } from "#db/dossier-document.ts";
import { askForPerson } from "../auth/session.server.ts";
import { notFound, readInClub } from "../context.ts";
import type { Route } from "./+types/dossier-out";
import { modelIdOf } from "./load-dossier.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  const dossier = await readInClub(context, (tx, who) => writeDossier(tx, who, modelIdOf(params.model)));
  if (!dossier) throw notFound("This model");
  const name = `dossier-${dossier.model.name}`.toLowerCase().replace(/[^a-z0-9]+/g, "-");
  return new Response(JSON.stringify(dossier, null, 2), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="${name}.json"`,
    },
  });
}
