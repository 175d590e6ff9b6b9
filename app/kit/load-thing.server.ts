// One thing of the kit: its stored row as a form's values, and what is typed stored, with the needs that hang on it.
import { knowsText, runsOnText } from "#core/kit/entry.ts";
import { places } from "#db/club.ts";
import { loadKit } from "#db/kit.ts";
import {
  driverRows,
  gearRows,
  putInstalled,
  putSupports,
  putThing,
  shelveThing,
  usersOf,
} from "#db/kit-put.ts";
import {
  adapterRows,
  computerRows,
  connectorRows,
  leadRows,
  offerRows,
  ruleRows,
  toolRows,
} from "#db/kit-rows.ts";
import { appendLog } from "#db/log.ts";
import { modelsToPick } from "#db/models.ts";
import { people } from "#db/people.ts";
import type { Tx } from "#db/pool.ts";
import { bringUpToDate } from "#db/work.ts";
import { type Kind, shownValue } from "./kinds/field.ts";
import { KINDS, type KindName } from "./kinds/kinds.ts";
import { type Known, Reader, type Values } from "./reader.ts";

export async function loadKnown(tx: Tx): Promise<Known> {
  const kit = await loadKit(tx);
  const named = (rows: readonly { id: string; name: string }[]) => rows.map(({ id, name }) => ({ id, name }));
  return {
    connectors: named(kit.connectors),
    drivers: kit.drivers,
    tools: named(kit.prepared.kit.tools),
    people: named(await people(tx)),
    places: named(await places(tx)),
    models: named(await modelsToPick(tx)),
  };
}

/** The stored rows of a kind, each as a form would show it. */
export async function valuesOf(tx: Tx, kind: KindName, known: Known): Promise<(Values & { id: string })[]> {
  // What was shelved meanwhile is left out: it is not to be noted again by saving.
  const nameOf = (list: Known["drivers"], id: string): string[] =>
    list.flatMap((row) => (row.id === id ? [row.name] : []));
  const plain = (row: object): Values & { id: string } => {
    const values = Object.fromEntries(Object.entries(row).map(([name, value]) => [name, shownValue(value)]));
    return { ...values, id: values.id ?? "" };
  };
  const chipped = (row: { chip_family: string | null }) => ({
    ...plain(row),
    chip_family: row.chip_family === null ? "" : row.chip_family === "" ? "?" : row.chip_family,
  });
  const hex = (n: number | null) => (n === null ? "" : n.toString(16).padStart(4, "0"));
  switch (kind) {
    case "leads":
      return (await leadRows(tx)).map((row) => ({
        ...chipped(row),
        usb_vendor: hex(row.usb_vendor),
        usb_product: hex(row.usb_product),
      }));
    case "adapters":
      return (await adapterRows(tx)).map(chipped);
    case "computers":
      return (await computerRows(tx)).map(({ ports, drivers, tools, ...row }) => ({
        ...plain(row),
        ports: ports.flatMap((id) => nameOf(known.connectors, id)).join("; "),
        drivers: drivers
          .flatMap(([id, version]) => nameOf(known.drivers, id).map((name) => `${name} ${version}`))
          .join("\n"),
        tools: tools
          .flatMap(([id, version]) => nameOf(known.tools, id).map((name) => `${name} ${version}`))
          .join("\n"),
      }));
    case "tools": {
      const { tools, supports } = await toolRows(tx);
      return tools.map(({ runs_on, ...row }) => ({
        ...plain(row),
        runs_on: runs_on.map(runsOnText).join("\n"),
        knows: (supports.get(row.id) ?? [])
          .map((s) =>
            knowsText({
              model: s.model,
              operations: s.operations,
              ...(s.versions && { versions: s.versions }),
              ...(s.firmware && s.component && { firmware: { component: s.component, range: s.firmware } }),
            }),
          )
          .join("\n"),
      }));
    }
    case "drivers":
      return (await driverRows(tx)).map(plain);
    case "advice":
      return (await ruleRows(tx)).map(({ source, ...row }) => ({
        ...plain(row),
        sourceKind: source.kind,
        sourceWhat: source.what,
      }));
    case "connectors":
      return (await connectorRows(tx)).map(plain);
    case "gear":
      return (await gearRows(tx)).map(plain);
    case "offers":
      return (await offerRows(tx)).map((row) => ({ ...chipped(row), price: (row.price / 100).toFixed(2) }));
  }
}

/** What a new thing of a kind begins with. */
export const BEGIN: Partial<Record<KindName, Values>> = {
  leads: { kind: "cable", chip_grade: "genuine", carries_data: "yes", condition: "sound" },
  adapters: { carries_data: "yes", condition: "sound" },
  computers: { bluetooth: "no", admin: "yes", condition: "sound" },
  tools: { matches_firmware: "no" },
  offers: { chip_grade: "genuine" },
  connectors: { keyed: "yes" },
  advice: { sourceKind: "bench" },
};

/** Stores what was typed; answers the errors, or the id. */
export async function saveThing(
  tx: Tx,
  kind: Kind,
  id: string | undefined,
  values: Values,
): Promise<{ errors: Values } | { id: string }> {
  const known = await loadKnown(tx);
  const reader = new Reader(values, known);
  const { columns, installed, supports } = kind.read(reader);
  if (Object.keys(reader.errors).length > 0) return { errors: reader.errors };
  const stored = await putThing(tx, kind.table, id, columns);
  if (stored === "") return { id: stored };
  if (installed) await putInstalled(tx, stored, installed);
  if (supports) await putSupports(tx, stored, supports);
  const what = `${kind.one} ${String(columns[kind.name] ?? "")}`;
  await appendLog(tx, { kind: id ? "kit-changed" : "kit-added", what });
  await bringUpToDate(tx, { of: "club" }, what);
  return { id: stored };
}

/** Shelves a thing; answers what still refers to it, if something does, and then leaves it. */
export async function shelve(tx: Tx, kind: Kind, id: string, name: string): Promise<string[]> {
  const users = await usersOf(tx, kind.table, id);
  if (users.length > 0) return users;
  await shelveThing(tx, kind.table, id);
  const what = `${kind.one} ${name}`;
  await appendLog(tx, { kind: "kit-shelved", what });
  await bringUpToDate(tx, { of: "club" }, what);
  return [];
}

export const kindNamed = (name: string | undefined): KindName | undefined =>
  (Object.keys(KINDS) as KindName[]).find((known) => known === name);
