// Answers why a radio has one of its needs.
import { data } from "react-router";
import { lookInClub } from "../context.ts";
import { askForPerson } from "../door/session.server.ts";
import type { Route } from "./+types/why";
import { whyOf } from "./why.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, params, request }: Route.LoaderArgs) {
  const asked = new URL(request.url).searchParams;
  return data(await lookInClub(context, (tx, who) => whyOf(tx, who, params.tag, asked)));
}
