// What else lies at the bench: chargers, supplies, loads, meters.
import { joined, type Kind, named, nameOf, readWhere, TAG, WHERE, words } from "./field.ts";

export const GEAR_KINDS = ["charger", "supply", "dummy load", "meter", "other"] as const;

export const gear = {
  table: "gear",
  one: "thing for the bench",
  many: "Chargers, supplies, loads and meters",
  name: "tag",
  order: ["kind", "tag"],
  refers: { socket: "connector" },
  fields: [
    TAG,
    { name: "kind", label: "Kind", options: () => words(GEAR_KINDS), quick: true },
    { name: "what", label: "What it is", quick: true },
    { name: "rating", label: "Rating, with units (50 W for 1 min)", quick: true },
    {
      name: "socket",
      label: "Socket of a load or a meter",
      options: (k) => named(k.connectors, "nobody has noted it"),
      makes: "connector",
    },
    { name: "places", label: "Places of a charger", mono: true },
    { name: "error", label: "Error of a meter (10 % of full scale)", quick: true },
    ...WHERE,
  ],
  read: (r) => ({
    columns: {
      tag: r.needed("tag", 40, "It has a tag."),
      kind: r.choice("kind", GEAR_KINDS, "other"),
      what: r.text("what"),
      rating: r.text("rating", 120),
      error: r.text("error", 120),
      socket: r.ref("socket", r.known.connectors),
      places: r.number("places", { least: 1, most: 200, whole: true, such: "6" }) ?? 1,
      ...readWhere(r),
    },
  }),
  begin: { places: "1", condition: "sound" },
  says: (v, k) =>
    joined([
      v.what,
      v.kind === "charger" && v.places !== "1" && `${v.places} places`,
      v.rating,
      nameOf(k.connectors, v.socket),
      v.error && `off by up to ${v.error}`,
    ]),
} as const satisfies Kind;
