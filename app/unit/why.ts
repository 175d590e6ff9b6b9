// Answers why a radio has one of its needs.
import { data } from "react-router";
import { askForPerson } from "../auth/session.server.ts";
import { readInClub } from "../context.ts";
import type { Route } from "./+types/why";
import { whyOf } from "./load-why.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params, request }: Route.LoaderArgs) {
  const asked = new URL(request.url).searchParams;
  return data(await readInClub(context, (tx, who) => whyOf(tx, who, params.tag, asked)));
}
