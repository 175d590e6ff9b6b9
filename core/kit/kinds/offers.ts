// What could be bought: a lead or an adapter, from whom, for how much.
import { ADAPTER_KINDS, LEAD_KINDS } from "../shapes.ts";
import { CHIP, chipText, chipValue, joined, type Kind, named, nameOf, readChip, words } from "./field.ts";

export const offers = {
  table: "offer",
  one: "offer",
  many: "What could be bought",
  name: "name",
  refers: { end_a: "connector", end_b: "connector" },
  fields: [
    { name: "name", label: "What", quick: true },
    { name: "price", label: "Price", quick: true, mono: true },
    { name: "seller", label: "From whom" },
    { name: "gives", label: "It is a", options: () => words(["lead", "adapter"]), quick: true },
    { name: "kind", label: "Kind", options: () => words([...LEAD_KINDS, ...ADAPTER_KINDS]) },
    {
      name: "end_a",
      label: "At the radio",
      options: (k) => named(k.connectors, "choose"),
      quick: true,
      makes: "connector",
    },
    {
      name: "end_b",
      label: "At the computer",
      options: (k) => named(k.connectors, "nothing: Bluetooth"),
      quick: true,
      makes: "connector",
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
  begin: { chip_grade: "genuine" },
  values: (row: { chip_family: string | null; price: number }) => ({
    ...chipValue(row),
    price: (row.price / 100).toFixed(2),
  }),
  says: (v, k) =>
    joined([
      v.price,
      v.seller,
      [nameOf(k.connectors, v.end_a), nameOf(k.connectors, v.end_b)].filter(Boolean).join(" to "),
      chipText(v),
    ]),
} as const satisfies Kind;
