// What one has in the hand goes in at once: the plug at the radio, the lead, the computer it goes into. What is wrong with any of them is
// told before anything is saved.
import { redirect } from "react-router";
import { writeThing } from "#acts/kit/write-thing.ts";
import {
  identifyBridge,
  KINDS,
  type KindName,
  Reader,
  readDeviceList,
  shownKind,
  usbText,
  type Values,
} from "#core/kit/index.ts";
import { typedList } from "#core/quantities/index.ts";
import { loadKnown, valuesOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { inCase, keyed, madeInPassing } from "../forms/choice/in-passing.server.ts";
import { textsIn } from "../forms/merge.server.ts";
import { type ProblemsOf, performForm } from "../forms/perform.server.ts";
import { refusal } from "../forms/save.server.ts";
import { besideField, refusalOf } from "../shared/refusals.server.ts";
import { knownBridges } from "./answer-bridge.server.ts";

const LEAD = ["tag", "kind", "radio_end", "computer_end", "chip_family", "chip_grade"] as const;
const PLUGS = { radio_end: "connector", computer_end: "connector" } as const;

/** The fields at first; `like`: as those of a lead that is there, but for its tag. */
export async function loadInHand(tx: Tx, like: string | null, computer: string | null) {
  const known = await loadKnown(tx);
  const computers = (await valuesOf(tx, "computers", known)).map(({ id, name }) => ({
    id,
    name: name ?? "",
  }));
  const lead = (await valuesOf(tx, "leads", known)).find(({ id }) => id === like);
  const begin: Values = lead ?? { kind: "cable", chip_grade: "unknown" };
  return {
    lead: shownKind("leads", known),
    computers,
    before: lead?.tag,
    values: {
      ...Object.fromEntries(LEAD.map((name) => [name, name === "tag" ? "" : (begin[name] ?? "")])),
      ids: "",
      computer: computers.some(({ id }) => id === computer) ? (computer ?? "") : "",
      name: "",
      system: "Windows",
      version: "",
    } as Record<string, string>,
  };
}

export async function putInHand(tx: Tx, who: SignedIn, form: FormData) {
  const refuse = (errors: Values) => refusal({ form, errors });
  const seen = await chipOf(tx, String(form.get("ids") ?? ""));
  if ("trouble" in seen) return refuse({ ids: seen.trouble });
  if (form.get("chip_family") === "" && seen.family !== "") form.set("chip_family", seen.family);
  const trouble = await madeInPassing(tx, who, form, PLUGS);
  if (trouble) return refusal({ form, errors: trouble });
  const typed = textsIn(form);
  const lead = {
    ...Object.fromEntries(LEAD.map((name) => [name, typed[name] ?? ""])),
    usb_vendor: seen.vendor,
    usb_product: seen.product,
    carries_data: "yes",
    condition: "sound",
  };
  const known = await loadKnown(tx);
  // The name of another one says more than a choice beside it; one of that name that is there already is meant.
  const name = (typed.name ?? "").trim();
  const there = (await valuesOf(tx, "computers", known)).find(
    (one) => inCase(one.name ?? "") === inCase(name),
  );
  const isNew = name !== "" && !there;
  const plug = known.connectors.find(({ id }) => id === typed.computer_end);
  const computer = {
    name: typed.name ?? "",
    kind: "computer",
    system: typed.system ?? "",
    version: typed.version ?? "",
    ports: plug?.name ?? "",
    bluetooth: typed.kind === "programmer" ? "yes" : "no",
    admin: "yes",
    condition: "sound",
  };
  const wrong = {
    ...wrongWith("leads", lead, known),
    ...(isNew && wrongWith("computers", computer, known)),
  };
  if (Object.keys(wrong).length > 0) return refuse(wrong);
  let at = there?.id ?? typed.computer ?? "";
  if (isNew) {
    const made = await performForm(writeThing, who, keyed(form, "computer"), {
      kind: "computers",
      values: computer,
    });
    if (!made.ok) return refuse(saying(made.problem, "name"));
    at = made.value.answer.thing;
  }
  const done = await performForm(writeThing, who, keyed(form, "lead"), { kind: "leads", values: lead });
  if (!done.ok) return refuse(saying(done.problem, "tag"));
  if (!isNew && at !== "")
    await notePort(tx, who, keyed(form, "port"), at, typed.kind === "programmer" ? "" : plug?.name);
  const then = new URLSearchParams({ like: done.value.answer.thing, ...(at !== "" && { computer: at }) });
  return redirect(`/kit/in-hand?${then}`);
}

/** The computer has the port that the lead goes into, and Bluetooth where there is no plug ("") for it: noted, where it was not. */
async function notePort(tx: Tx, who: SignedIn, form: FormData, id: string, plug: string | undefined) {
  const row = (await valuesOf(tx, "computers", await loadKnown(tx))).find((one) => one.id === id);
  if (!row || plug === undefined) return;
  const values = Object.fromEntries(KINDS.computers.fields.map(({ name }) => [name, row[name] ?? ""]));
  const ports = typedList(values.ports, ";");
  if (plug === "" ? values.bluetooth === "yes" : ports.some((one) => inCase(one) === inCase(plug))) return;
  const now = plug === "" ? { bluetooth: "yes" } : { ports: [...ports, plug].join("; ") };
  await performForm(writeThing, who, form, { kind: "computers", thing: id, values: { ...values, ...now } });
}

const wrongWith = (kind: KindName, values: Values, known: Reader["known"]): Values => {
  const reader = new Reader(values, known);
  KINDS[kind].read(reader);
  return reader.errors;
};

function saying(problem: ProblemsOf<typeof writeThing>, field: "tag" | "name"): Values {
  if (problem.kind === "fields") return problem.errors;
  const { says, field: beside = "" } = refusalOf(problem, {
    taken: besideField(field, `There is another with this ${field} already.`),
    "no-thing": "That is not in the kit any more.",
  });
  return { [beside]: says };
}

/** The ids of the one device in what was pasted, and the chip that goes by them; of nothing pasted, nothing. */
async function chipOf(
  tx: Tx,
  text: string,
): Promise<
  | { readonly trouble: string }
  | { readonly vendor: string; readonly product: string; readonly family: string }
> {
  if (text.trim() === "") return { vendor: "", product: "", family: "" };
  const { devices, ...rest } = readDeviceList(text);
  const bridges = identifyBridge({ devices, ...rest }, await knownBridges(tx), undefined);
  // Of several devices, the one whose chip is known: hubs and keyboards are in each list.
  const chips = bridges.filter(({ known, families }) => known !== undefined || families.length > 0);
  const [one, another] = chips.length > 0 ? chips : bridges;
  if (!one)
    return { trouble: "No USB ids are in this: four digits, a colon, four digits, such as f1c7:2001." };
  if (another && usbText(one.device) !== usbText(another.device))
    return { trouble: "Several devices are in this: paste the line of this lead alone." };
  const [vendor = "", product = ""] = usbText(one.device).split(":");
  // Of several that go by the same ids nobody can tell which it is.
  const [family = "", other] = one.families;
  return { vendor, product, family: other === undefined ? family : "" };
}
