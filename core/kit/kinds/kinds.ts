// The kinds of things in the kit. A kind is one file: its fields, what is stored of it, and how it is said.
import { adapters } from "./adapters.ts";
import { advice } from "./advice.ts";
import { computers } from "./computers.ts";
import { connectors } from "./connectors.ts";
import { devices } from "./devices.ts";
import { drivers } from "./drivers.ts";
import type { Kind } from "./field.ts";
import { gear } from "./gear.ts";
import { leads } from "./leads.ts";
import { offers } from "./offers.ts";
import { pairing } from "./pairing.ts";
import { tools } from "./tools.ts";

const ALL = {
  ...{ leads, devices, adapters, computers, tools, drivers, advice, pairing, connectors, gear, offers },
} satisfies Record<string, Kind>;
export type KindName = keyof typeof ALL;
export const KINDS: Readonly<Record<KindName, Kind>> = ALL;
export const KIND_NAMES = Object.keys(ALL) as readonly KindName[];
