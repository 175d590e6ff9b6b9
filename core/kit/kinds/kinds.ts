// The kinds of things in the kit. A kind is one file: its fields, what is stored of it, and how it is said.
import { adapters } from "./adapters.ts";
import { advice } from "./advice.ts";
import { antennas } from "./antennas.ts";
import { computers } from "./computers.ts";
import { connectors } from "./connectors.ts";
import { devices } from "./devices.ts";
import { drivers } from "./drivers.ts";
import type { Kind, Link } from "./field.ts";
import { gear } from "./gear.ts";
import { leads } from "./leads.ts";
import { offers } from "./offers.ts";
import { pairing } from "./pairing.ts";
import { type Known, Reader } from "./reader.ts";
import { tools } from "./tools.ts";

const ALL = {
  leads,
  devices,
  adapters,
  computers,
  tools,
  drivers,
  advice,
  pairing,
  connectors,
  gear,
  antennas,
  offers,
} satisfies Record<string, Kind>;
export type KindName = keyof typeof ALL;
export const KINDS: Readonly<Record<KindName, Kind & { readonly table: KitTable }>> = ALL;
export const KIND_NAMES = Object.keys(ALL) as readonly KindName[];

/** The tables of the kit, one for each kind. */
export type KitTable = (typeof ALL)[KindName]["table"];
export const KIT_TABLES: readonly KitTable[] = Object.values(ALL).map(({ table }) => table);
export const kindOfTable = (table: KitTable): Kind | undefined =>
  Object.values(KINDS).find((kind) => kind.table === table);

/** Whether the finder knows things of a kind. */
export const isFound = ({ name, found }: Kind): boolean => name === "tag" || found === true;

const NOTHING: Known = {
  connectors: [],
  people: [],
  places: [],
  drivers: [],
  tools: [],
  models: [],
  chargers: [],
};
/** The columns in which a kind is stored. */
export const columnsOf = (kind: Kind): readonly string[] =>
  Object.keys(kind.read(new Reader({}, NOTHING)).columns);

/** Where a thing of a table is named by others: in these columns of theirs, or in a table beside. */
export type Use = { readonly kind: Kind; readonly columns: readonly string[]; readonly beside?: Link };

/** Everything that can keep a thing of a table in use. */
export const usesOf = (table: KitTable): Use[] =>
  Object.values(KINDS).flatMap((kind): Use[] => {
    const refers = kind.refers ?? {};
    const columns = Object.keys(refers).filter((column) => refers[column] === table);
    const links = (kind.links ?? []).filter(({ to }) => to === table);
    return [
      ...(columns.length > 0 ? [{ kind, columns }] : []),
      ...links.map((beside) => ({ kind, columns: [beside.column], beside })),
    ];
  });
