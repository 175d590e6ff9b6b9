// Answers which lead something is; and the club's table of USB ids, named by hand or filled from the system's own list.

import fs from "node:fs/promises";
import { fillUsbIds } from "#acts/kit/fill-usb-ids.ts";
import { nameUsbId } from "#acts/kit/name-usb-id.ts";
import {
  type Bridge,
  type Computer,
  type DriverVerdict,
  type Fault,
  identifyBridge,
  readDeviceList,
  readUsbList,
  sayChip,
  usbText,
} from "#core/kit/index.ts";
import { listed } from "#core/quantities/index.ts";
import { leadRows, loadKit, usbIds } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { refusalOf } from "../shared/refusals.server.ts";
import { kitNames } from "../shared/tools/shown-chains.ts";
import { counted } from "../ui/words/count.ts";
import { type KitNames, sayBreak, sayChange } from "../ui/words/kit/kit.ts";

export async function loadBridge(tx: Tx) {
  const { prepared } = await loadKit(tx);
  return { computers: prepared.kit.computers.map(({ id, name }) => ({ id, name })), ids: await usbIds(tx) };
}

export type ShownBridge = {
  readonly ids: string;
  readonly family: string;
  readonly name: string;
  readonly port: string;
  readonly fault: { readonly says: string; readonly text: string } | undefined;
  readonly drivers: readonly { readonly chip: string; readonly state: string; readonly says: string }[];
  readonly leads: readonly { readonly id: string; readonly tag: string; readonly says: string }[];
};

const FAULT_WORD: Record<Fault, string> = {
  "cannot-start": "The system sees it but cannot start it: mostly the wrong driver for this chip.",
  "no-driver": "The system has no driver for it.",
  "not-recognised": "It does not even say who it is: the plug, the cord, or the chip itself.",
  vanishes: "It comes and goes: the plug, the cord, or a driver that refuses it.",
  blocked: "The system refuses its driver, or refuses you the port.",
};

/** So much of a pasted text goes back into the form; the rest was read but is not shown again. */
const SHOWN_TEXT = 20_000;

/** What chips are known by: the club's table of ids, its leads with the ids they answer with, advice. */
export async function knownBridges(tx: Tx, kit?: Awaited<ReturnType<typeof loadKit>>) {
  const { leads, rules } = (kit ?? (await loadKit(tx))).prepared.kit;
  const rows = new Map((await leadRows(tx)).map((row) => [row.id, row]));
  const withIds = leads.map((lead) => {
    const row = rows.get(lead.id);
    return row?.usb_vendor != null && row.usb_product != null
      ? { ...lead, usb: { vendor: row.usb_vendor, product: row.usb_product } }
      : lead;
  });
  return { ids: await usbIds(tx), leads: withIds, rules };
}

export async function answerBridge(tx: Tx, who: SignedIn, form: FormData) {
  const text = String(form.get("text") ?? "");
  const kit = await loadKit(tx);
  const names = kitNames(kit, who.locale);
  const computer = kit.prepared.kit.computers.find((c) => c.id === form.get("computer"));
  const seen = readDeviceList(text);
  const bridges = identifyBridge(seen, await knownBridges(tx, kit), computer);
  // Hubs, keyboards and the like are left out, unless nothing else is there.
  const known = bridges.filter((b) => b.known || b.leads.length > 0 || b.device.fault || b.device.port);
  const shown = known.length > 0 ? known : bridges;
  return {
    text: text.slice(0, SHOWN_TEXT),
    computer: computer?.id ?? "",
    found: shown.slice(0, 20).map((bridge) => shownBridge(bridge, computer, names)),
    ports: seen.ports,
    nothing: nothingIn(text, seen),
  };
}

function nothingIn(text: string, seen: ReturnType<typeof readDeviceList>): string | undefined {
  if (seen.devices.length > 0) return undefined;
  const [fault] = seen.faults;
  if (fault) return `${FAULT_WORD[fault.kind]} (${fault.text})`;
  if (text.trim() === "") return "Nothing was pasted.";
  return "No USB device is in this text. Copy the list with the hardware ids, or all of it.";
}

function shownBridge(
  { device, known, families, leads, drivers }: Bridge,
  computer: Computer | undefined,
  names: KitNames,
): ShownBridge {
  const noted = leads.filter(({ by }) => by === "ids").map(({ lead }) => lead.tag);
  return {
    ids: usbText(device),
    family: families.join(" or "),
    name: known?.name ?? (families.length === 0 ? "" : `as noted on ${listed(noted)}`),
    port: device.port ?? "",
    fault: device.fault && { says: FAULT_WORD[device.fault.kind], text: device.fault.text },
    drivers: drivers.map(({ chip, verdict }) => ({
      chip: sayChip(chip),
      state: verdict.state,
      says: sayVerdict(verdict, computer, names),
    })),
    leads: leads.map(({ lead, by }) => ({
      id: lead.id,
      tag: lead.tag,
      says: [
        names.connector(lead.radioEnd),
        lead.chip?.grade,
        by === "ids" ? "with just these ids" : "with this chip",
        lead.holder && `with ${lead.holder}`,
        lead.condition !== "sound" && lead.condition,
      ]
        .filter(Boolean)
        .join("; "),
    })),
  };
}

function sayVerdict(verdict: DriverVerdict, computer: Computer | undefined, names: KitNames): string {
  const on = computer ? ` on ${computer.name}` : "";
  switch (verdict.state) {
    case "sound":
      return verdict.driver === undefined
        ? `the system's own driver serves${on}`
        : `${names.driver(verdict.driver)} ${computer?.drivers.get(verdict.driver) ?? ""}${on} serves`;
    case "untried":
      return `nobody has noted which driver it needs${on}`;
    case "broken": {
      const why = verdict.breaks.map((b) => sayBreak(b, names)).join("; ");
      const todo = verdict.changes?.map((change) => sayChange(change, names));
      return todo && todo.length > 0 ? `${why}: ${listed(todo)}` : why;
    }
  }
}

/** Where systems keep the public list of USB ids. */
const LISTS = ["/usr/share/misc/usb.ids", "/usr/share/hwdata/usb.ids", "/var/lib/usbutils/usb.ids"];
const BRIDGE_LIKE = /com port|serial|uart|bridge/i;

export async function fillIds(who: SignedIn, form: FormData): Promise<{ ok: boolean; says: string }> {
  for (const path of [process.env.MOSSY_USB_IDS, ...LISTS]) {
    if (!path) continue;
    const text = await fs.readFile(path, "latin1").catch(() => undefined);
    if (text === undefined) continue;
    const ids = readUsbList(text, (name) => BRIDGE_LIKE.test(name));
    const done = await performForm(fillUsbIds, who, form, { ids });
    if (!done.ok) return { ok: false, says: NOT_WHOLE };
    return {
      ok: true,
      says: `${counted(done.value.answer.added, "id")} of serial bridges came in from this system's list. Name the chips that advice speaks of.`,
    };
  }
  return {
    ok: false,
    says: "This system has no public list of USB ids installed; ids can be noted by hand.",
  };
}

const TWO_IDS = /^([0-9a-f]{4}):([0-9a-f]{4})$/i;

export async function nameId(who: SignedIn, form: FormData): Promise<{ ok: boolean; says: string }> {
  const [ids = "", vendor = "", product = ""] = TWO_IDS.exec(String(form.get("ids") ?? "").trim()) ?? [];
  if (ids === "")
    return { ok: false, says: "Write the ids as two times four hexadecimal digits: f1c7:2001." };
  const family = String(form.get("family") ?? "").trim();
  const done = await performForm(nameUsbId, who, form, {
    vendor: Number.parseInt(vendor, 16),
    product: Number.parseInt(product, 16),
    family,
    name: String(form.get("name") ?? "").trim() || family || "noted by hand",
  });
  if (!done.ok)
    return {
      ok: false,
      says: refusalOf(done.problem, { input: "A chip has at most 80 signs, its name 200." }).says,
    };
  return { ok: true, says: `Noted: ${ids.toLowerCase()}${family ? ` is ${family}` : ""}.` };
}
