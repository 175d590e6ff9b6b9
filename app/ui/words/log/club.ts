// What the log says of the club, its people and their signing in.
import { counted } from "../count.ts";
import type { SomeSayers } from "./entry.ts";
import { touching } from "./entry.ts";

export const CLUB_SAID = {
  "club-founded": (entry) => `founded ${entry.name}`,
  "club-changed": (entry) => `changed the club: ${entry.what}`,
  "signed-in": (entry) => `signed in${entry.from ? ` from ${entry.from}` : ""}`,
  "sign-in-failed": (entry) =>
    entry.unknown
      ? `somebody tried to sign in from ${entry.from} with an address that nobody has`
      : `a sign-in from ${entry.from} failed: the password was not right`,
  "password-changed": (entry) =>
    entry.how === "own" ? "changed their password" : "chose a password by a link",
  "sessions-ended": (entry) => `signed out elsewhere: ${counted(entry.count, "session")}`,
  "link-made": (entry) => `made a link for ${entry.name} to choose a password`,
  "person-recovered": (entry) => `took ${entry.name} back from the shelf`,
  "person-added": (entry) => `added ${entry.name} as ${entry.role}`,
  "person-changed": (entry) => `changed ${entry.name}: ${entry.what}`,
  "place-added": (entry) => `added the place ${entry.name}`,
  "group-added": (entry) => `added the group ${entry.name}`,
  "policy-changed": (entry) => `changed the policy of ${entry.group}${touching(entry.units)}`,
  "clock-jumped": (entry) =>
    `the server's clock jumped ${entry.seconds < 0 ? "back" : "ahead"} by ${counted(Math.abs(entry.seconds), "second")}`,
  note: (entry) => entry.text,
} satisfies SomeSayers;
