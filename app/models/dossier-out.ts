// A model's dossier as one JSON document, to keep or to give to another club.

import { withoutGuarded } from "#core/dossier/index.ts";
import { writeDossier } from "#db/model/index.ts";
import { askForPerson } from "../auth/session.server.ts";
import { notFound, readInClub } from "../context.ts";
import { isHandedOut } from "../shared/guarded.server.ts";
import type { Route } from "./+types/dossier-out";
import { modelIdOf } from "./load-dossier.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  const model = modelIdOf(params.model);
  const dossier = await readInClub(context, async (tx, who) => {
    const whole = await writeDossier(tx, who, model);
    if (!whole) return undefined;
    // What is guarded leaves with those who may see it, and that is noted.
    const without = withoutGuarded(whole);
    const isPlain = JSON.stringify(without) === JSON.stringify(whole);
    return isPlain || (await isHandedOut(who, { model, dossier: "whole" })) ? whole : without;
  });
  if (!dossier) throw notFound("This model");
  const name = `dossier-${dossier.model.name}`.toLowerCase().replace(/[^a-z0-9]+/g, "-");
  return new Response(JSON.stringify(dossier, null, 2), {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="${name}.json"`,
    },
  });
}
