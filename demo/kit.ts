// Lays the demo's kit: what the club owns, what it knows of it, and what was tried.

import { readKnows, readRange, readRunsOn } from "#core/kit/index.ts";
import { addDays, type PlainDate, type Result } from "#core/quantities/index.ts";
import type { Range } from "#core/version/index.ts";
import { addAttempt, putInstalled, putSupports, putThing, putUsbId } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import {
  ADAPTERS,
  ANTENNAS,
  ATTEMPTS,
  COMPUTERS,
  CONNECTORS,
  DRIVERS,
  GEAR,
  LEADS,
  OFFERS,
  RULES,
  TOOLS,
  USB_IDS,
} from "./data/kit.ts";

type Ids = ReadonlyMap<string, string>;
export type LaidForKit = {
  readonly people: Ids;
  readonly places: Ids;
  readonly units: Ids;
  readonly models: Ids;
};

function must<Value>(read: Result<Value, { kind: string }>): Value {
  if (!read.ok)
    throw new Error(`the demo's kit has something that cannot be read: ${JSON.stringify(read.problem)}`);
  return read.value;
}
const range = (text: string | undefined): Range | null => must(readRange(text ?? "")) ?? null;

const find = (ids: Ids, name: string): string => {
  const id = ids.get(name);
  if (id === undefined) throw new Error(`the demo's kit speaks of ${name}, which is not there`);
  return id;
};
const chip = (told: readonly [string, string] | undefined) => ({
  chip_family: told?.[0] ?? null,
  chip_grade: told?.[1] ?? "unknown",
});
/** Ends of leads and adapters, by the names of their connectors. */
type End = (name: string | undefined) => string | null;

export async function layKit(
  tx: Tx,
  laid: LaidForKit,
  today: PlainDate,
): Promise<{ readonly leads: Ids; readonly gear: Ids }> {
  const connectors = new Map<string, string>();
  for (const [name, shape, pins, keyed, way] of CONNECTORS)
    connectors.set(name, await putThing(tx, "connector", undefined, { name, shape, pins, keyed, way }));
  const end: End = (name) => (name === undefined ? null : find(connectors, name));
  const leads = await layLeads(tx, laid, end);
  const drivers = new Map<string, string>();
  for (const name of DRIVERS) drivers.set(name, await putThing(tx, "driver", undefined, { name }));
  const tools = await layTools(tx, laid);
  const computers = await layComputers(tx, laid, { connectors, drivers, tools });
  await layAdvice(tx, drivers);
  const gear = await layGear(tx, laid, end);
  await layOffers(tx, end);
  await layAttempts(tx, laid, { leads, computers, tools, drivers }, today);
  return { leads, gear };
}

async function layLeads(tx: Tx, laid: LaidForKit, end: End): Promise<Ids> {
  const leads = new Map<string, string>();
  for (const lead of LEADS) {
    const columns = {
      tag: lead.tag,
      kind: lead.kind ?? "cable",
      radio_end: end(lead.ends[0]),
      computer_end: end(lead.ends[1]),
      ...chip(lead.chip),
      carries_data: !lead.charges,
      condition: lead.condition ?? "sound",
      place_id: find(laid.places, lead.place ?? "HUT"),
      holder_id: lead.with ? find(laid.people, lead.with) : null,
      note: lead.note ?? "",
    };
    leads.set(lead.tag, await putThing(tx, "lead", undefined, columns));
  }
  for (const { tag, kind, ends, note, ...rest } of ADAPTERS) {
    await putThing(tx, "adapter", undefined, {
      tag,
      kind,
      end_a: end(ends[0]),
      end_b: end(ends[1]),
      ...chip("chip" in rest ? rest.chip : undefined),
      place_id: find(laid.places, "HUT"),
      note,
    });
  }
  return leads;
}

async function layTools(tx: Tx, laid: LaidForKit): Promise<Ids> {
  const tools = new Map<string, string>();
  for (const { name, runsOn, knows, matches, note } of TOOLS) {
    const id = await putThing(tx, "tool", undefined, {
      name,
      runs_on: runsOn.map((line) => must(readRunsOn(line))),
      matches_firmware: matches ?? false,
      note,
    });
    tools.set(name, id);
    await putSupports(
      tx,
      id,
      knows.map((line) => {
        const { model, operations, versions, firmware } = must(readKnows(line));
        return {
          model: find(laid.models, model),
          operations,
          versions: versions ?? null,
          component: firmware?.component ?? null,
          firmware: firmware?.range ?? null,
        };
      }),
    );
  }
  return tools;
}

async function layComputers(
  tx: Tx,
  laid: LaidForKit,
  { connectors, drivers, tools }: { readonly connectors: Ids; readonly drivers: Ids; readonly tools: Ids },
): Promise<Ids> {
  const computers = new Map<string, string>();
  for (const { ports, drivers: on, tools: has, place, note = "", ...columns } of COMPUTERS) {
    const id = await putThing(tx, "computer", undefined, {
      ...columns,
      note,
      place_id: find(laid.places, place),
    });
    computers.set(columns.name, id);
    await putInstalled(tx, id, {
      ports: ports.map((port) => find(connectors, port)),
      drivers: Object.entries(on).map(([name, version]) => [find(drivers, name), version] as const),
      tools: Object.entries(has).map(([name, version]) => [find(tools, name), version] as const),
    });
  }
  return computers;
}

/** What is advised of drivers. */
async function layAdvice(tx: Tx, drivers: Ids): Promise<void> {
  for (const rule of RULES) {
    await putThing(tx, "driver_rule", undefined, {
      family: rule.family,
      grade: rule.grade ?? null,
      system: rule.system,
      system_versions: range(rule.versions),
      says: rule.says,
      driver_id: rule.driver ? find(drivers, rule.driver) : null,
      range: range(rule.range),
      source: { kind: rule.from[0], what: rule.from[1] },
    });
  }
  for (const [vendor, product, family, name] of USB_IDS)
    await putUsbId(tx, { vendor, product, family, name });
}

async function layGear(tx: Tx, laid: LaidForKit, end: End): Promise<Ids> {
  const gear = new Map<string, string>();
  for (const one of GEAR) {
    const socket = end("socket" in one ? one.socket : undefined);
    const columns = { ...one, socket, place_id: find(laid.places, "HUT") };
    gear.set(one.tag, await putThing(tx, "gear", undefined, columns));
  }
  for (const { ends, ...one } of ANTENNAS)
    await putThing(tx, "antenna", undefined, {
      ...one,
      radio_end: end(ends[0]),
      other_end: end(ends[1]),
      place_id: find(laid.places, "HUT"),
    });
  return gear;
}

async function layOffers(tx: Tx, end: End): Promise<void> {
  for (const { ends, chip: told, ...columns } of OFFERS) {
    await putThing(tx, "offer", undefined, {
      ...columns,
      end_a: end(ends[0]),
      end_b: end(ends[1]),
      ...chip(told),
    });
  }
}

async function layAttempts(
  tx: Tx,
  laid: LaidForKit,
  { leads, computers, tools, drivers }: Readonly<Record<"leads" | "computers" | "tools" | "drivers", Ids>>,
  today: PlainDate,
): Promise<void> {
  for (const [ago, who, unit, tag, name, tool, worked, symptom = ""] of ATTEMPTS) {
    const lead = LEADS.find((l) => l.tag === tag);
    const computer = COMPUTERS.find((c) => c.name === name);
    if (!computer) throw new Error(`the demo has no computer ${name}`);
    const driver = DRIVERS.find((d) => lead?.chip && d.startsWith(lead.chip[0].split(" ")[0] ?? "?"));
    await addAttempt(tx, {
      unit: find(laid.units, unit),
      operation: "flash",
      lead: find(leads, tag),
      computer: find(computers, name),
      tool: find(tools, tool),
      chip: lead?.chip && { family: lead.chip[0], grade: lead.chip[1] },
      driver: driver ? find(drivers, driver) : null,
      system: computer.system,
      systemVersion: computer.version,
      worked,
      settled: false,
      symptom,
      by: find(laid.people, who),
      at: `${addDays(today, -ago)}T19:45:00Z`,
    });
  }
}
