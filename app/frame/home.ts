// The bare address leads to the Cabinet, a member to the radio they have, or to the first visit's page while there is no club.
import { redirect } from "react-router";
import { anyClub } from "#db/club/index.ts";
import { orAway } from "../away.server.ts";
import { sessionContext } from "../context.ts";
import type { Route } from "./+types/home";

export async function loader({ context }: Route.LoaderArgs) {
  const who = context.get(sessionContext);
  if (who) throw redirect(who.role === "member" ? "/mine" : "/cabinet");
  throw redirect((await orAway(anyClub())) ? "/cabinet" : "/first");
}
