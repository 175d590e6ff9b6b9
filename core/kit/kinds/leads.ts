// Leads: cables, Bluetooth programmers, memory cards.
import { LEAD_KINDS } from "../shapes.ts";
import { LEAD_KIND_WORD } from "../words.ts";
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
  yesNo,
} from "./field.ts";

const hex = (n: number | null): string => (n === null ? "" : n.toString(16).padStart(4, "0"));

export const leads = {
  table: "lead",
  one: "lead",
  many: "Leads and programmers",
  name: "tag",
  refers: { radio_end: "connector", computer_end: "connector" },
  fields: [
    TAG,
    {
      name: "kind",
      label: "Kind",
      options: () => LEAD_KINDS.map((k) => [k, LEAD_KIND_WORD[k]] as const),
      quick: true,
    },
    {
      name: "radio_end",
      label: "At the radio",
      options: (k) => named(k.connectors, "choose"),
      quick: true,
      makes: "connector",
    },
    {
      name: "computer_end",
      label: "At the computer",
      options: (k) => named(k.connectors, "nothing: Bluetooth"),
      quick: true,
      makes: "connector",
    },
    ...CHIP,
    { name: "carries_data", label: "Carries data", options: yesNo, quick: true },
    { name: "usb_vendor", label: "USB vendor id", mono: true },
    { name: "usb_product", label: "USB product id", mono: true },
    ...WHERE,
  ],
  read: (r) => {
    const kind = r.choice("kind", LEAD_KINDS, "cable");
    const computer_end = r.ref("computer_end", r.known.connectors);
    if (kind !== "programmer" && computer_end === null)
      r.errors.computer_end ??= "Only a Bluetooth programmer has no plug at the computer.";
    return {
      columns: {
        tag: r.needed("tag", 40, "A lead has a tag, on the lead itself."),
        kind,
        radio_end: r.ref("radio_end", r.known.connectors, "Choose the plug at the radio."),
        computer_end: kind === "programmer" ? null : computer_end,
        ...readChip(r),
        usb_vendor: r.hex("usb_vendor"),
        usb_product: r.hex("usb_product"),
        carries_data: r.yes("carries_data", true),
        ...readWhere(r),
      },
    };
  },
  begin: { kind: "cable", chip_grade: "genuine", carries_data: "yes", condition: "sound" },
  values: (row: { chip_family: string | null; usb_vendor: number | null; usb_product: number | null }) => ({
    ...chipValue(row),
    usb_vendor: hex(row.usb_vendor),
    usb_product: hex(row.usb_product),
  }),
  says: (v, k) =>
    joined([
      [nameOf(k.connectors, v.radio_end), nameOf(k.connectors, v.computer_end) ?? "Bluetooth"].join(" to "),
      chipText(v),
      v.carries_data === "no" && "charge only",
    ]),
} as const satisfies Kind;
