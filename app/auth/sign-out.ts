// Ends the session.
import { redirect } from "react-router";
import type { Route } from "./+types/sign-out";
import { endSession } from "./session.server.ts";

export async function action({ request }: Route.ActionArgs) {
  throw redirect("/sign-in", { headers: { "Set-Cookie": await endSession(request) } });
}

export const loader = () => {
  throw redirect("/me");
};
