// Answers what a readout would mean, while it is typed: "main 1.14: current" or why it cannot be placed.
import { data } from "react-router";
import { weighReading } from "#core/firmware/weigh.ts";
import { lookInClub } from "../context.ts";
import { askForPerson } from "../door/session.server.ts";
import type { Route } from "./+types/weigh";
import { loadUnit } from "./load.server.ts";
import { sayWeighed, type Weighing } from "./say.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params, request }: Route.LoaderArgs) {
  const typed = new URL(request.url).searchParams.get("typed") ?? "";
  const answer = await lookInClub(context, async (tx, who): Promise<Weighing> => {
    const { facts, catalogue, policy } = await loadUnit(tx, params.tag);
    if (!facts) return { ok: false, says: "This radio is shelved." };
    return sayWeighed(
      weighReading(facts, catalogue, policy, typed, who.today),
      catalogue,
      who.locale,
      who.today,
    );
  });
  return data({ ...answer, typed });
}
