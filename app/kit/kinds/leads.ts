// Leads, adapters, and what could be bought of either.
import { ADAPTER_KINDS, LEAD_KINDS } from "#core/kit/shapes.ts";
import { LEAD_KIND_WORD } from "../../ui/words/kit.ts";
import { CHIP, type Kind, named, readChip, readWhere, TAG, WHERE, words, yesNo } from "./field.ts";

export const leads = {
  table: "lead",
  one: "lead",
  many: "Leads and programmers",
  name: "tag",
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
    },
    {
      name: "computer_end",
      label: "At the computer",
      options: (k) => named(k.connectors, "nothing: Bluetooth"),
      quick: true,
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
} satisfies Kind;

export const adapters = {
  table: "adapter",
  one: "adapter",
  many: "Adapters and boxes",
  name: "tag",
  fields: [
    TAG,
    { name: "kind", label: "Kind", options: () => words(ADAPTER_KINDS), quick: true },
    { name: "end_a", label: "From", options: (k) => named(k.connectors, "choose"), quick: true },
    { name: "end_b", label: "To", options: (k) => named(k.connectors, "choose"), quick: true },
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
} satisfies Kind;

export const offers = {
  table: "offer",
  one: "offer",
  many: "What could be bought",
  name: "name",
  fields: [
    { name: "name", label: "What", quick: true },
    { name: "price", label: "Price", quick: true, mono: true },
    { name: "seller", label: "From whom" },
    { name: "gives", label: "It is a", options: () => words(["lead", "adapter"]), quick: true },
    { name: "kind", label: "Kind", options: () => words([...LEAD_KINDS, ...ADAPTER_KINDS]) },
    { name: "end_a", label: "At the radio", options: (k) => named(k.connectors, "choose"), quick: true },
    {
      name: "end_b",
      label: "At the computer",
      options: (k) => named(k.connectors, "nothing: Bluetooth"),
      quick: true,
    },
    ...CHIP,
  ],
  read: (r) => {
    const gives = r.choice("gives", ["lead", "adapter"], "lead");
    const kinds: readonly string[] = gives === "lead" ? LEAD_KINDS : ADAPTER_KINDS;
    const kind = r.choice("kind", kinds, gives === "lead" ? "cable" : "usb");
    const typed = r.text("price", 20).replace(",", ".");
    const price = Math.round(Number(typed) * 100);
    if (typed === "" || !Number.isFinite(price)) r.errors.price ??= "A price, such as 14.50.";
    else if (price <= 0) r.errors.price ??= "A price is more than nothing.";
    else if (price > 100_000_000) r.errors.price ??= "That is more than any lead costs.";
    const end_b = r.ref("end_b", r.known.connectors);
    if (kind !== "programmer" && end_b === null) r.errors.end_b ??= "Choose its other plug.";
    return {
      columns: {
        name: r.needed("name", 120, "Say what it is."),
        seller: r.text("seller", 120),
        price: r.errors.price ? 1 : price,
        gives,
        kind,
        end_a: r.ref("end_a", r.known.connectors, "Choose a plug."),
        end_b,
        ...readChip(r),
      },
    };
  },
} satisfies Kind;
