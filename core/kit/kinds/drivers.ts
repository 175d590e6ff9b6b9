// Drivers there are.
import type { Kind } from "./field.ts";

export const drivers = {
  table: "driver",
  one: "driver",
  many: "Drivers",
  name: "name",
  fields: [
    { name: "name", label: "Name", quick: true },
    { name: "note", label: "Note", quick: true },
  ],
  read: (r) => ({
    columns: { name: r.needed("name", 80, "A driver has a name."), note: r.text("note", 500) },
  }),
  says: () => "",
} as const satisfies Kind;
