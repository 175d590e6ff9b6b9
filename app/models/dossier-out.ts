// A model's dossier as one JSON document, to keep or to give to another club.

import { withoutGuarded } from "#core/dossier/document.ts";
import { isGuarded } from "#core/dossier/procedure.ts";
import { proceduresOf } from "#db/dossier.ts";
import { writeDossier } from "#db/dossier-document.ts";
import { askForPerson } from "../auth/session.server.ts";
import { notFound, readInClub } from "../context.ts";
import { isHidden, shownTo } from "../shared/guarded.server.ts";
import type { Route } from "./+types/dossier-out";
import { modelIdOf } from "./load-dossier.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params }: Route.LoaderArgs) {
  const model = modelIdOf(params.model);
  const dossier = await readInClub(context, async (tx, who) => {
    const whole = await writeDossier(tx, who, model);
    if (!whole) return undefined;
    // What unlocks leaves with those who may see it, and that is noted.
    const guarded = (await proceduresOf(tx, model)).filter(isGuarded);
    for (const one of guarded) await shownTo(who, model, one);
    return guarded.some((one) => isHidden(who, one)) ? withoutGuarded(whole) : whole;
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
