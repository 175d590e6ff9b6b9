// Reads a pasted list of USB devices from any common desktop system: their ids, their ports, and what is wrong with each. Blocks are parted by empty lines.

export type UsbId = { readonly vendor: number; readonly product: number };

export const FAULTS = ["cannot-start", "no-driver", "not-recognised", "vanishes", "blocked"] as const;
export type Fault = (typeof FAULTS)[number];
type SeenFault = { readonly kind: Fault; readonly text: string };

export type SeenDevice = UsbId & {
  /** As one picks it in a tool: COM5, /dev/ttyUSB0, /dev/cu.usbserial-110. */
  readonly port?: string;
  readonly fault?: SeenFault;
};

export type SeenList = {
  readonly devices: readonly SeenDevice[];
  /** Ports that the text names without saying what they belong to. */
  readonly ports: readonly string[];
  /** Faults of something that did not even say its ids. */
  readonly faults: readonly SeenFault[];
};

/** More than this is no device list; the rest is not looked at. */
export const LONGEST_LIST = 2_000_000;
const LONGEST_LINE = 2_000;

/** Both ids at once: of port drivers' own ids and of composite devices too. */
const PAIRS = [
  /VID_([0-9A-F]{4})[&+]PID_([0-9A-F]{4})/i,
  /\bID ([0-9a-f]{4}):([0-9a-f]{4})\b/i,
  /idVendor=([0-9a-f]{4}),?\s{1,8}idProduct=([0-9a-f]{4})/i,
  /usb:v([0-9A-F]{4})p([0-9A-F]{4})/i,
  /\bPRODUCT=([0-9a-f]{1,4})\/([0-9a-f]{1,4})\/[0-9a-f]{1,4}\b/,
  /^\s*([0-9a-f]{4}):([0-9a-f]{4})\s*$/i,
] as const;
const SINGLES = [
  { of: "vendor", base: 16, pattern: /Vendor ID:\s{0,8}0x([0-9a-f]{1,4})\b/i },
  { of: "product", base: 16, pattern: /Product ID:\s{0,8}0x([0-9a-f]{1,4})\b/i },
  { of: "vendor", base: 16, pattern: /\bID_VENDOR_ID=([0-9a-f]{4})\b/i },
  { of: "product", base: 16, pattern: /\bID_MODEL_ID=([0-9a-f]{4})\b/i },
  { of: "vendor", base: 16, pattern: /ATTRS?\{idVendor\}=="([0-9a-f]{4})"/i },
  { of: "product", base: 16, pattern: /ATTRS?\{idProduct\}=="([0-9a-f]{4})"/i },
  { of: "vendor", base: 16, pattern: /"?idVendor"?\s{0,4}=\s{0,4}0x([0-9a-f]{1,4})\b/i },
  { of: "product", base: 16, pattern: /"?idProduct"?\s{0,4}=\s{0,4}0x([0-9a-f]{1,4})\b/i },
  { of: "vendor", base: 10, pattern: /"?idVendor"?\s{0,4}=\s{0,4}(\d{1,5})\b(?!\.)/ },
  { of: "product", base: 10, pattern: /"?idProduct"?\s{0,4}=\s{0,4}(\d{1,5})\b(?!\.)/ },
] as const;
const PORTS = [/\bCOM\d{1,3}\b/, /\btty(?:USB|ACM)\d{1,3}\b/, /\/dev\/(?:cu|tty)\.[\w.-]{1,80}/] as const;

/** What the common desktop system's codes mean, however its tools write them. */
const CODES: Readonly<Record<number, Fault>> = {
  1: "no-driver",
  10: "cannot-start",
  18: "no-driver",
  28: "no-driver",
  31: "cannot-start",
  37: "cannot-start",
  39: "blocked",
  43: "not-recognised",
  45: "vanishes",
  48: "blocked",
  52: "blocked",
};
const CODE = /\b(?:code|problem|ConfigManagerErrorCode|problem code)\s{0,4}[:=]?\s{0,4}(\d{1,2})\b/i;
const NAMED: readonly (readonly [RegExp, Fault])[] = [
  [/CM_PROB_(?:FAILED_INSTALL|NOT_CONFIGURED|REINSTALL)/, "no-driver"],
  [/CM_PROB_(?:UNSIGNED_DRIVER|DRIVER_FAILED_LOAD|DRIVER_BLOCKED|DISABLED)/, "blocked"],
  [/CM_PROB_FAILED_POST_START/, "not-recognised"],
  [/CM_PROB_(?:FAILED_START|FAILED_ADD)/, "cannot-start"],
  [/\bdrivers? for this device (?:are|is) not installed/i, "no-driver"],
  [/\bthis device cannot start\b/i, "cannot-start"],
  [/\bunknown usb device \(/i, "not-recognised"],
  [/\bdevice descriptor (?:read|request)\b/i, "not-recognised"],
  [/\busb\b.{0,60}(?:unable to enumerate|not accepting address)/i, "not-recognised"],
  [/\bnow disconnected from tty|\busb\b.{0,60}disabled by hub/i, "vanishes"],
  [
    /\b(?:tty(?:USB|ACM)\d|COM\d{1,3}\b).{0,60}permission denied|permission denied.{0,60}(?:tty(?:USB|ACM)\d|COM\d)/i,
    "blocked",
  ],
  // A row or a key that gives the state alone, without a code.
  [/^\s*Status\s{0,8}:\s{0,8}(?:Error|Problem)\s*$|^\s*Error\s.*VID_/i, "cannot-start"],
];
/** "usb 1-2: ", "teasel 1-2:1.0: ": where on the bus a kernel's line speaks of. No stamp of a time west of Greenwich, which has no blank before it. */
const BUS = /(?:^|\s)(\d+-\d+(?:\.\d+)*)(?::\d+\.\d+)?:(?=\s|$)/;
const LISTED = /\bBus (\d{3}) Device (\d{3})\b/i;
/** What is behind the ids in an instance's name tells two equal ones apart, but not the parts of one. */
const INSTANCE = /PID_[0-9A-F]{4}(?:&MI_\d\d)?(?:&REV_[0-9A-F]{4})?[\\+]([^\\\s+]{1,80})/i;
/** A device on another bus, named in its own way. */
const OTHER_BUS = /\b(?!USB\\|USBSTOR\\)[A-Z]{3,12}\\[A-Z0-9_]{3,40}/;
const WALK = /^\s*looking at (?:parent )?device/i;

type Draft = {
  vendor?: number;
  product?: number;
  /** Where it says it is: on the bus, in the list, or by its instance; told apart by how that is written. */
  at?: string;
  port?: string;
  fault?: SeenFault;
};
type Loose = { port?: string; fault?: SeenFault };

/** Reads a device list. Lines that say nothing of the kind are passed over; a text of something else has no devices. */
export function readDeviceList(text: string): SeenList {
  const reader = new ListReader();
  for (const whole of text.slice(0, LONGEST_LIST).split(/\r\n|\r|\n/))
    reader.line(whole.slice(0, LONGEST_LINE));
  return reader.end();
}

class ListReader {
  readonly #devices: Draft[] = [];
  readonly #onBus = new Map<string, Draft>();
  readonly #atPort = new Map<string, Draft>();
  readonly #ports = new Set<string>();
  readonly #faults: SeenFault[] = [];
  /** The device that the lines of a block speak of, and what a block said before it named one. */
  #open: Draft | undefined;
  #loose: Loose = {};
  /** From a port up to its device and on to the hubs: the port is that of the first device there. */
  #walking = false;

  line(line: string): void {
    if (line.trim() === "") {
      this.#endBlock();
      return;
    }
    if (WALK.test(line)) {
      this.#walking = true;
      this.#open = undefined;
      return;
    }
    const bus = BUS.exec(line)?.[1];
    this.#ids(line, bus);
    const port = portIn(line);
    const fault = faultIn(line);
    if (port === undefined && !fault) return;
    const other = OTHER_BUS.test(line);
    const owner = this.#ownerOf(bus, port, other);
    if (owner) {
      if (port !== undefined && owner.port === undefined) this.#givePort(owner, port);
      if (fault) owner.fault ??= fault;
    } else if (bus !== undefined || other) {
      // Of something else, which has not said its ids: never of what comes next.
      if (port !== undefined) this.#ports.add(port);
      if (fault) this.#faults.push(fault);
    } else {
      if (port !== undefined) this.#loose.port ??= port;
      if (fault) this.#loose.fault ??= fault;
    }
  }

  end(): SeenList {
    this.#walking = false;
    this.#endBlock();
    const owned = new Set(this.#atPort.keys());
    return {
      devices: merged(this.#devices),
      ports: [...this.#ports].filter((port) => !owned.has(port)),
      faults: this.#faults,
    };
  }

  #ids(line: string, bus: string | undefined): void {
    const at = placeIn(line, bus);
    const pair = PAIRS.map((pattern) => pattern.exec(line)).find((found) => found !== null);
    if (pair?.[1] && pair[2]) {
      const ids = { vendor: Number.parseInt(pair[1], 16), product: Number.parseInt(pair[2], 16) };
      const same = this.#open?.vendor === ids.vendor && this.#open.product === ids.product;
      // Said again in its own block: one device. At another place: another of the same kind.
      if (!same || (at !== undefined && this.#open?.at !== undefined && this.#open.at !== at))
        this.#begin({ ...ids, ...(at && { at }) });
      else if (at !== undefined && this.#open) this.#open.at ??= at;
      return;
    }
    for (const { of, base, pattern } of SINGLES) {
      const found = pattern.exec(line)?.[1];
      const value = found === undefined ? Number.NaN : Number.parseInt(found, base);
      if (!(value <= 0xffff)) continue;
      if (!this.#open || (this.#open[of] !== undefined && this.#open[of] !== value)) this.#begin({});
      if (this.#open) this.#open[of] = value;
      return;
    }
  }

  #begin(draft: Draft): void {
    this.#open = draft;
    this.#devices.push(draft);
    if (draft.at) this.#onBus.set(draft.at, draft);
    const { port, fault } = this.#loose;
    if (port !== undefined) this.#givePort(draft, port);
    if (fault) draft.fault = fault;
    this.#loose = {};
  }

  #givePort(draft: Draft, port: string): void {
    draft.port = port;
    this.#atPort.set(port, draft);
  }

  #ownerOf(bus: string | undefined, port: string | undefined, other: boolean): Draft | undefined {
    if (bus !== undefined) return this.#onBus.get(`bus ${bus}`);
    if (other) return undefined;
    return (port === undefined ? undefined : this.#atPort.get(port)) ?? this.#open;
  }

  #endBlock(): void {
    this.#open = undefined;
    if (this.#walking) return;
    if (this.#loose.port !== undefined) this.#ports.add(this.#loose.port);
    if (this.#loose.fault) this.#faults.push(this.#loose.fault);
    this.#loose = {};
  }
}

function placeIn(line: string, bus: string | undefined): string | undefined {
  if (bus !== undefined) return `bus ${bus}`;
  const listed = LISTED.exec(line);
  if (listed) return `list ${listed[1]}:${listed[2]}`;
  const instance = INSTANCE.exec(line)?.[1];
  return instance === undefined ? undefined : `name ${instance}`;
}

function portIn(line: string): string | undefined {
  for (const pattern of PORTS) {
    const found = pattern.exec(line)?.[0];
    if (found) return found.startsWith("tty") ? `/dev/${found}` : found;
  }
  return undefined;
}

function faultIn(line: string): SeenFault | undefined {
  const code = CODES[Number(CODE.exec(line)?.[1] ?? 0)];
  const kind = code ?? NAMED.find(([pattern]) => pattern.test(line))?.[1];
  return kind && { kind, text: line.trim().slice(0, 200) };
}

/**
 * Devices of the same ids: as many as one way of telling them apart tells (ports, places on the bus, in the list, instances); what other lines say of
 * the same ids besides is added where it is missing.
 */
function merged(drafts: readonly Draft[]): SeenDevice[] {
  const groups = new Map<string, (Draft & UsbId)[]>();
  for (const draft of drafts) {
    if (draft.vendor === undefined || draft.product === undefined) continue;
    const key = `${draft.vendor}:${draft.product}`;
    const own = groups.get(key) ?? [];
    groups.set(key, own);
    own.push({ ...draft, vendor: draft.vendor, product: draft.product });
  }
  return [...groups.values()].flatMap((group) => distinctOf(group));
}

function distinctOf(group: readonly (Draft & UsbId)[]): SeenDevice[] {
  const ways: ((draft: Draft) => string | undefined)[] = [
    (draft) => draft.port,
    ...["bus ", "list ", "name "].map(
      (way) => (draft: Draft) => (draft.at?.startsWith(way) ? draft.at : undefined),
    ),
  ];
  let best: Map<string, Draft & UsbId> = new Map();
  for (const way of ways) {
    const told = new Map<string, Draft & UsbId>();
    for (const draft of group) {
      const key = way(draft);
      if (key === undefined) continue;
      const known = told.get(key);
      told.set(key, known ? { ...draft, ...known } : draft);
    }
    if (told.size > best.size) best = told;
  }
  const devices = best.size > 0 ? [...best.values()] : group.slice(0, 1);
  const taken = new Set(devices.map((device) => device.port));
  const ports = [
    ...new Set(group.flatMap((d) => (d.port !== undefined && !taken.has(d.port) ? [d.port] : []))),
  ];
  const faults = group.flatMap((d) => (d.fault ? [d.fault] : []));
  return devices.map(({ vendor, product, port, fault }) => {
    const at = port ?? ports.shift();
    const wrong = fault ?? (devices.length === 1 ? faults[0] : undefined);
    return { vendor, product, ...(at !== undefined && { port: at }), ...(wrong && { fault: wrong }) };
  });
}
