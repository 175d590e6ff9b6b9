// The things of the kit as their forms show them, and what those refer to.
import { shownValue } from "#core/kit/kinds/field.ts";
import { KINDS, type KindName } from "#core/kit/kinds/kinds.ts";
import type { Known, Values } from "#core/kit/kinds/reader.ts";
import { places } from "./club.ts";
import { deviceValueRows, pairAdviceRows } from "./devices.ts";
import { loadKit } from "./kit.ts";
import { driverRows, gearRows } from "./kit-put.ts";
import {
  adapterRows,
  computerRows,
  connectorRows,
  leadRows,
  offerRows,
  ruleRows,
  toolRows,
} from "./kit-rows.ts";
import { modelsToPick } from "./models.ts";
import { people } from "./people.ts";
import type { Tx } from "./pool.ts";

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
    chargers: (await gearRows(tx)).flatMap(({ id, tag, kind }) =>
      kind === "charger" ? [{ id, name: tag }] : [],
    ),
  };
}

const toolsWithSupport = async (tx: Tx): Promise<readonly object[]> => {
  const { tools, supports } = await toolRows(tx);
  return tools.map((tool) => ({
    ...tool,
    knows: (supports.get(tool.id) ?? []).map((s) => ({
      model: s.model,
      operations: s.operations,
      ...(s.versions && { versions: s.versions }),
      ...(s.firmware && s.component && { firmware: { component: s.component, range: s.firmware } }),
    })),
  }));
};

const ROWS: Readonly<Record<KindName, (tx: Tx) => Promise<readonly object[]>>> = {
  leads: leadRows,
  adapters: adapterRows,
  computers: computerRows,
  tools: toolsWithSupport,
  drivers: driverRows,
  advice: ruleRows,
  connectors: connectorRows,
  gear: gearRows,
  offers: offerRows,
  devices: deviceValueRows,
  pairing: pairAdviceRows,
};

/** The stored rows of a kind, each as a form would show it. */
export async function valuesOf(tx: Tx, name: KindName, known: Known): Promise<(Values & { id: string })[]> {
  const { values } = KINDS[name];
  return (await ROWS[name](tx)).map((row) => {
    const plain = Object.entries(row).flatMap(([field, value]) =>
      typeof value === "object" && value !== null && !Array.isArray(value) ? [] : [[field, value] as const],
    );
    const own = (values?.(row as never, known) ?? {}) as Values;
    const shown = plain.map(([field, value]) => [field, field in own ? "" : shownValue(value)] as const);
    return { ...Object.fromEntries(shown), ...own, id: String((row as { id: string }).id) };
  });
}
