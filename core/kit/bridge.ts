// Which bridge chip is that? From the text of a device list, of any common desktop system, or from what a browser says of a
// serial port: USB ids, the name of the port, and whether the text speaks of a fault.

import { type DriverVerdict, driverVerdict } from "./driver.ts";
import type { Chip, Computer, DriverRule, Lead } from "./shapes.ts";

export type UsbId = { readonly vendor: number; readonly product: number };
export type KnownUsbId = UsbId & { readonly family: string; readonly name: string };

export const FAULTS = ["cannot-start", "no-driver", "not-recognised", "vanishes", "blocked"] as const;
export type Fault = (typeof FAULTS)[number];

export type SeenDevice = UsbId & {
  /** As one picks it in a tool: COM5, /dev/ttyUSB0, /dev/cu.usbserial-110. */
  readonly port?: string;
  readonly fault?: { readonly kind: Fault; readonly text: string };
};

export type SeenList = {
  readonly devices: readonly SeenDevice[];
  /** Ports that the text names without saying what they belong to. */
  readonly ports: readonly string[];
  /** Faults of something that did not even say its ids. */
  readonly faults: readonly { readonly kind: Fault; readonly text: string }[];
};

/** More than this is no device list; the rest is not looked at. */
export const LONGEST_LIST = 2_000_000;
const LONGEST_LINE = 2_000;

const PAIRS = [
  /VID_([0-9A-F]{4})&PID_([0-9A-F]{4})/i,
  /\bID ([0-9a-f]{4}):([0-9a-f]{4})\b/i,
  /idVendor=([0-9a-f]{4}),?\s+idProduct=([0-9a-f]{4})/i,
  /usb:v([0-9A-F]{4})p([0-9A-F]{4})/i,
  /^\s*([0-9a-f]{4}):([0-9a-f]{4})\s*$/i,
] as const;
const SINGLES = [
  { of: "vendor", hex: true, pattern: /Vendor ID:\s*0x([0-9a-f]{1,4})\b/i },
  { of: "product", hex: true, pattern: /Product ID:\s*0x([0-9a-f]{1,4})\b/i },
  { of: "vendor", hex: false, pattern: /"?idVendor"?\s*=\s*(\d{1,5})\b(?!\.)/ },
  { of: "product", hex: false, pattern: /"?idProduct"?\s*=\s*(\d{1,5})\b(?!\.)/ },
] as const;
const PORTS = [/\bCOM\d{1,3}\b/, /\btty(?:USB|ACM)\d{1,3}\b/, /\/dev\/(?:cu|tty)\.[\w.-]{1,80}/] as const;
const FAULT_SIGNS: readonly (readonly [Fault, RegExp])[] = [
  ["cannot-start", /\bcode 10\b|cannot start/i],
  ["no-driver", /\bcode (?:28|1|18)\b|drivers? (?:for this device )?(?:are|is) not installed|no driver/i],
  [
    "not-recognised",
    /\bcode 43\b|device descriptor (?:read|request)|unknown usb device|unable to enumerate|not accepting address|not recogni[sz]ed/i,
  ],
  ["blocked", /\bcode (?:52|39|48)\b|not digitally signed|has been blocked|permission denied/i],
  ["vanishes", /now disconnected from tty|disabled by hub|emi\?/i],
];
/** "usb 1-2: ", "cp 1-2:1.0: ": where on the bus a kernel's line speaks of. */
const BUS = /\b(\d+-\d+(?:\.\d+)*)(?::\d+\.\d+)?:/;

type Draft = {
  vendor?: number;
  product?: number;
  bus?: string;
  port?: string;
  fault?: { kind: Fault; text: string };
};

/** Reads a device list. Lines that say nothing of the kind are passed over; a text of something else has no devices. */
export function readDeviceList(text: string): SeenList {
  const devices: Draft[] = [];
  const ports = new Set<string>();
  const faults: { kind: Fault; text: string }[] = [];
  let open: Draft | undefined;
  const begin = (draft: Draft) => {
    devices.push(draft);
    open = draft;
  };
  const pending: { port?: string; fault?: { kind: Fault; text: string } } = {};
  for (const whole of text.slice(0, LONGEST_LIST).split(/\r\n|\r|\n/)) {
    const line = whole.slice(0, LONGEST_LINE);
    if (line.trim() === "") {
      // A block of its own ends; what stood in it without ids belongs to nothing.
      leave(pending, ports, faults);
      open = undefined;
      continue;
    }
    const bus = BUS.exec(line)?.[1];
    const pair = PAIRS.map((pattern) => pattern.exec(line)).find((found) => found !== null);
    if (pair?.[1] && pair[2]) {
      const ids = { vendor: Number.parseInt(pair[1], 16), product: Number.parseInt(pair[2], 16) };
      begin({ ...ids, ...(bus && { bus }), ...pending });
      clear(pending);
    }
    for (const { of, hex, pattern } of SINGLES) {
      const found = pair ? undefined : pattern.exec(line)?.[1];
      if (found === undefined) continue;
      const value = Number.parseInt(found, hex ? 16 : 10);
      if (value > 0xffff) continue;
      if (!open || open[of] !== undefined) begin({ ...pending });
      clear(pending);
      if (open) open[of] = value;
    }
    const port = portIn(line);
    const named = port === undefined ? undefined : devices.findLast((d) => d.port === port);
    const owner: Draft | undefined =
      bus === undefined ? (named ?? open) : devices.findLast((d) => d.bus === bus);
    const fault = faultIn(line);
    if (owner) {
      if (port !== undefined) owner.port ??= port;
      if (fault) owner.fault ??= fault;
    } else {
      if (port !== undefined) pending.port ??= port;
      if (fault) pending.fault ??= fault;
    }
  }
  leave(pending, ports, faults);
  return {
    devices: merged(
      devices.flatMap((d) =>
        d.vendor === undefined || d.product === undefined
          ? []
          : [{ ...d, vendor: d.vendor, product: d.product }],
      ),
    ),
    ports: [...ports],
    faults,
  };
}

function portIn(line: string): string | undefined {
  for (const pattern of PORTS) {
    const found = pattern.exec(line)?.[0];
    if (found) return found.startsWith("tty") ? `/dev/${found}` : found;
  }
  return undefined;
}

function faultIn(line: string): { kind: Fault; text: string } | undefined {
  const sign = FAULT_SIGNS.find(([, pattern]) => pattern.test(line));
  return sign && { kind: sign[0], text: line.trim().slice(0, 200) };
}

type Pending = { port?: string; fault?: { kind: Fault; text: string } };
function clear(pending: Pending): void {
  delete pending.port;
  delete pending.fault;
}
function leave(pending: Pending, ports: Set<string>, faults: { kind: Fault; text: string }[]): void {
  if (pending.port !== undefined) ports.add(pending.port);
  if (pending.fault) faults.push(pending.fault);
  clear(pending);
}

/** The same ids on the same place of the bus, said several times, are one device. */
function merged(devices: readonly (SeenDevice & { bus?: string })[]): SeenDevice[] {
  const found = new Map<string, SeenDevice>();
  for (const { bus, ...device } of devices) {
    const key = `${device.vendor}:${device.product} ${bus ?? device.port ?? ""}`;
    const known = found.get(key);
    found.set(key, known ? { ...device, ...known } : device);
  }
  return [...found.values()];
}

export type LeadWithId = Lead & { readonly usb?: UsbId };

export type Bridge = {
  readonly device: SeenDevice;
  /** What the club's table calls it; absent: it is not in the table. */
  readonly known?: KnownUsbId;
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
    const family = entry?.family ?? "";
    const byIds = known.leads.filter(
      (l) => l.usb?.vendor === device.vendor && l.usb.product === device.product,
    );
    const byChip = known.leads.filter(
      (l) => family !== "" && l.chip?.family === family && !byIds.includes(l),
    );
    const leads = [
      ...byIds.map((lead) => ({ lead, by: "ids" as const })),
      ...byChip.map((lead) => ({ lead, by: "chip" as const })),
    ];
    const grades = new Set(leads.flatMap(({ lead }) => (lead.chip ? [lead.chip.grade] : [])));
    if (grades.size === 0 && family !== "") grades.add("unknown");
    const drivers =
      computer && family !== ""
        ? [...grades].map((grade) => ({
            chip: { family, grade },
            verdict: driverVerdict({ family, grade }, computer, known.rules),
          }))
        : [];
    return { device, ...(entry && { known: entry }), leads, drivers };
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

export const usbText = ({ vendor, product }: UsbId): string =>
  [vendor, product].map((n) => n.toString(16).padStart(4, "0")).join(":");
