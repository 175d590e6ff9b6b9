// Adapters and boxes that join two connectors.
import { ADAPTER_KINDS } from "../shapes.ts";
import {
  CHIP,
  chipText,
  chipValue,
  joined,
  type Kind,
  named,
  nameOf,
  readChip,
  readWhere,
  TAG,
  WHERE,
  words,
  yesNo,
} from "./field.ts";

export const adapters = {
  table: "adapter",
  one: "adapter",
  many: "Adapters and boxes",
  name: "tag",
  refers: { end_a: "connector", end_b: "connector" },
  fields: [
    TAG,
    { name: "kind", label: "Kind", options: () => words(ADAPTER_KINDS), quick: true },
    {
      name: "end_a",
      label: "From",
      options: (k) => named(k.connectors, "choose"),
      quick: true,
      makes: "connector",
    },
    {
      name: "end_b",
      label: "To",
      options: (k) => named(k.connectors, "choose"),
      quick: true,
      makes: "connector",
    },
    ...CHIP,
    { name: "carries_data", label: "Carries data", options: yesNo },
    ...WHERE,
  ],
  read: (r) => {
    const end_a = r.ref("end_a", r.known.connectors, "Choose a plug.");
    const end_b = r.ref("end_b", r.known.connectors, "Choose a plug.");
    if (end_a !== null && end_a === end_b) r.errors.end_b ??= "An adapter joins two different plugs.";
    return {
      columns: {
        tag: r.needed("tag", 40, "An adapter has a tag."),
        kind: r.choice("kind", ADAPTER_KINDS, "usb"),
        end_a,
        end_b,
        ...readChip(r),
        carries_data: r.yes("carries_data", true),
        ...readWhere(r),
      },
    };
  },
  begin: { carries_data: "yes", condition: "sound" },
  values: chipValue,
  says: (v, k) =>
    joined([
      v.kind,
      [nameOf(k.connectors, v.end_a), nameOf(k.connectors, v.end_b)].join(" to "),
      chipText(v),
    ]),
} as const satisfies Kind;
