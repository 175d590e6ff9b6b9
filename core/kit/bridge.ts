// Which bridge chip is that, which of our leads may it be, and how does the computer get on with it? From what a device list or a browser says.

import { type DriverVerdict, driverVerdict } from "./chain/driver.ts";
import type { SeenDevice, SeenList, UsbId } from "./device-list.ts";
import type { Chip, Computer, DriverRule, Lead } from "./shapes.ts";

export type KnownUsbId = UsbId & { readonly family: string; readonly name: string };

export type LeadWithId = Lead & { readonly usb?: UsbId };

export type Bridge = {
  readonly device: SeenDevice;
  /** What the club's table calls it; absent: it is not in the table. */
  readonly known?: KnownUsbId;
  /** The chip's family: as the table has it, or else each that our leads with these very ids have; none: nobody knows. */
  readonly families: readonly string[];
  /** Our leads that it may be, those with these very ids first. */
  readonly leads: readonly { readonly lead: Lead; readonly by: "ids" | "chip" }[];
  /** For each grade that our leads with this chip have, how the computer gets on with it. */
  readonly drivers: readonly { readonly chip: Chip; readonly verdict: DriverVerdict }[];
};

/**
 * Names the chips of a device list, the drivers that a computer needs for them, and the leads of ours that they may be. A
 * clone answers with the ids of what it copies: where ours are both, both verdicts are told.
 */
export function identifyBridge(
  seen: SeenList,
  known: {
    readonly ids: readonly KnownUsbId[];
    readonly leads: readonly LeadWithId[];
    readonly rules: readonly DriverRule[];
  },
  computer: Computer | undefined,
): Bridge[] {
  return seen.devices.map((device) => {
    const entry = known.ids.find((id) => id.vendor === device.vendor && id.product === device.product);
    const byIds = known.leads.filter(
      (l) => l.usb?.vendor === device.vendor && l.usb.product === device.product,
    );
    // What is noted on a lead is known of its ids, though nobody has named them in the table.
    const noted = new Set(byIds.flatMap(({ chip }) => (chip && chip.family !== "" ? [chip.family] : [])));
    const families = entry && entry.family !== "" ? [entry.family] : [...noted];
    const byChip = known.leads.filter(
      (l) => l.chip !== undefined && families.includes(l.chip.family) && !byIds.includes(l),
    );
    const leads = [
      ...byIds.map((lead) => ({ lead, by: "ids" as const })),
      ...byChip.map((lead) => ({ lead, by: "chip" as const })),
    ];
    const drivers = computer
      ? families.flatMap((family) => {
          const grades = new Set(leads.flatMap(({ lead }) => (lead.chip ? [lead.chip.grade] : [])));
          if (grades.size === 0) grades.add("unknown");
          return [...grades].map((grade) => ({
            chip: { family, grade },
            verdict: driverVerdict({ family, grade }, computer, known.rules),
          }));
        })
      : [];
    return { device, ...(entry && { known: entry }), families, leads, drivers };
  });
}

/** The public list of USB ids as systems install it: vendors by themselves, their products behind a tab. */
export function readUsbList(text: string, wanted: (name: string, id: UsbId) => boolean): KnownUsbId[] {
  const found: KnownUsbId[] = [];
  let vendor: { id: number; name: string } | undefined;
  for (const line of text.split("\n")) {
    const product = /^\t([0-9a-f]{4})\s+(.+)$/i.exec(line);
    const head = /^([0-9a-f]{4})\s+(.+)$/i.exec(line);
    if (head?.[1] && head[2]) vendor = { id: Number.parseInt(head[1], 16), name: head[2].trim() };
    else if (product?.[1] && product[2] && vendor) {
      const id = { vendor: vendor.id, product: Number.parseInt(product[1], 16) };
      const name = `${vendor.name} ${product[2].trim()}`.slice(0, 200);
      if (wanted(name, id)) found.push({ ...id, family: "", name });
    } else if (line !== "" && !line.startsWith("\t") && !line.startsWith("#")) vendor = undefined;
  }
  return found;
}

/** Vendor and product as systems show them: four hexadecimal digits each, "10c4:ea60". */
export const usbText = ({ vendor, product }: UsbId): string =>
  [vendor, product].map((n) => n.toString(16).padStart(4, "0")).join(":");
