// Answers what a readout would mean, while it is typed: "main 1.14: current" or why it cannot be placed.
import { data } from "react-router";
import { previewReading } from "#core/unit/index.ts";
import { askForPerson } from "../auth/session.server.ts";
import { readInClub } from "../context.ts";
import { loadUnit } from "../shared/load-unit.server.ts";
import { type SaidPreview, sayPreview } from "../ui/words/unit/preview.ts";
import type { Route } from "./+types/preview";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params, request }: Route.LoaderArgs) {
  const typed = new URL(request.url).searchParams.get("typed") ?? "";
  const answer = await readInClub(context, async (tx, who): Promise<SaidPreview> => {
    const { situation, catalogue } = await loadUnit(tx, params.tag, who.today);
    if (!situation) return { ok: false, says: "This radio is shelved." };
    return sayPreview(previewReading(situation, typed), catalogue, who.locale, who.today);
  });
  return data({ ...answer, typed });
}
