// What goes on a radio's antenna socket: antennas, and adapters to what it is measured with.
import { joined, type Kind, named, nameOf, readWhere, TAG, WHERE, words } from "./field.ts";

export const ANTENNA_KINDS = ["antenna", "adapter"] as const;

export const antennas = {
  table: "antenna",
  one: "antenna or adapter",
  many: "Antennas and their adapters",
  name: "tag",
  order: ["kind", "tag"],
  refers: { radio_end: "connector", other_end: "connector" },
  fields: [
    TAG,
    { name: "kind", label: "Kind", options: () => words(ANTENNA_KINDS), quick: true },
    {
      name: "radio_end",
      label: "Fits the antenna socket",
      options: (k) => named(k.connectors, "choose"),
      quick: true,
      makes: "connector",
    },
    {
      name: "other_end",
      label: "Other end of an adapter",
      options: (k) => named(k.connectors, "none: an antenna"),
      quick: true,
      makes: "connector",
    },
    { name: "what", label: "What it is", quick: true },
    ...WHERE,
  ],
  read: (r) => {
    const kind = r.choice("kind", ANTENNA_KINDS, "adapter");
    const radio_end = r.ref("radio_end", r.known.connectors, "Choose the socket that it fits.");
    const other_end = r.ref("other_end", r.known.connectors);
    if (kind === "adapter" && other_end === null) r.errors.other_end ??= "An adapter has another end.";
    if (radio_end !== null && radio_end === other_end)
      r.errors.other_end ??= "An adapter joins two different sockets.";
    return {
      columns: {
        tag: r.needed("tag", 40, "It has a tag."),
        kind,
        radio_end,
        other_end: kind === "antenna" ? null : other_end,
        what: r.text("what"),
        ...readWhere(r),
      },
    };
  },
  begin: { kind: "adapter", condition: "sound" },
  says: (v, k) =>
    joined([
      v.what,
      [nameOf(k.connectors, v.radio_end), v.kind === "adapter" && nameOf(k.connectors, v.other_end)]
        .filter(Boolean)
        .join(" to "),
    ]),
} as const satisfies Kind;
