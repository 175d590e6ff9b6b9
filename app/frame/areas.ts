// The places of the application, in the order of the work; and which of them a phone's strip has.
import type { Role } from "#core/club/index.ts";

export type Area = { readonly to: string; readonly name: string };

export const AREAS: readonly Area[] = [
  { to: "/cabinet", name: "Cabinet" },
  { to: "/due", name: "Due" },
  { to: "/bench", name: "Bench" },
  { to: "/models", name: "Models" },
  { to: "/kit", name: "Kit" },
  { to: "/codeplugs", name: "Codeplugs" },
  { to: "/log", name: "Log" },
];

/** The first plate of a member: the radio they have. */
const MINE: Area = { to: "/mine", name: "My radio" };

export const areasOf = (role: Role): readonly Area[] => (role === "member" ? [MINE, ...AREAS] : AREAS);

/** So many places are in the strip of a phone; the others are one press farther. */
export const IN_STRIP = 5;
