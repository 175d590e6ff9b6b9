// The kinds of things in the kit: how what is typed of each becomes what is stored.
import { advice } from "./advice.ts";
import { connectors, gear } from "./bench.ts";
import { computers, drivers, tools } from "./computers.ts";
import type { Kind } from "./field.ts";
import { adapters, leads, offers } from "./leads.ts";

export const KINDS = {
  leads,
  adapters,
  computers,
  tools,
  drivers,
  advice,
  connectors,
  gear,
  offers,
} satisfies Record<string, Kind>;

export type KindName = keyof typeof KINDS;
export const KIND_NAMES = Object.keys(KINDS) as KindName[];
