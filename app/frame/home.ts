// The bare address leads to the Cabinet, or to the first visit's page while there is no club.
import { redirect } from "react-router";
import { anyClub } from "#db/people.ts";
import { orAway } from "../away.server.ts";

export async function loader() {
  throw redirect((await orAway(anyClub())) ? "/cabinet" : "/first");
}
