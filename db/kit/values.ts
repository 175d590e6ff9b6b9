// The things of the kit as their forms show them, and what those refer to.
import { z } from "zod";
import {
  columnsOf,
  KINDS,
  type Kind,
  type KindName,
  type Known,
  shownValue,
  type Values,
} from "#core/kit/index.ts";
import { ask } from "../ask.ts";
import { people, places } from "../club/index.ts";
import { modelsToPick } from "../model/index.ts";
import type { Tx } from "../pool.ts";
import { deviceValueRows } from "./devices.ts";
import { loadKit } from "./kit.ts";
import { gearRows } from "./put.ts";
import { computerRows } from "./rows.ts";
import { toolRows } from "./tool-rows.ts";

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

/** Kinds of which more is shown than stands in their own columns. */
const WITH_MORE: Partial<Record<KindName, (tx: Tx) => Promise<readonly object[]>>> = {
  computers: computerRows,
  tools: toolsWithSupport,
  devices: deviceValueRows,
};

/** The rows of a kind as they are stored, with the names of what several kinds refer to. */
async function plainRows(tx: Tx, kind: Kind): Promise<readonly object[]> {
  const columns = columnsOf(kind);
  const named = (
    [
      ["place", "place_id", "place"],
      ["holder", "holder_id", "person"],
      ["model", "model_id", "model"],
    ] as const
  ).filter(([, column]) => columns.includes(column));
  const order = (kind.order ?? [kind.name]).map(
    (column) =>
      `${named.some(([as]) => as === column) ? `${column}.name` : `k.${column}`} collate natural_order nulls first`,
  );
  const { rows } = await ask(
    tx,
    z.looseObject({ id: z.string() }),
    `select k.id, ${[...columns.map((column) => `k.${column}`), ...named.map(([as]) => `${as}.name "${as}"`)].join(", ")}
     from ${kind.table} k
     ${named.map(([as, column, table]) => `left join ${table} "${as}" on "${as}".club_id = k.club_id and "${as}".id = k.${column}`).join(" ")}
     where k.shelved_at is null order by ${order.join(", ")}, k.id`,
  );
  return rows;
}

/** The stored rows of a kind, each as a form would show it. */
export async function valuesOf(tx: Tx, name: KindName, known: Known): Promise<(Values & { id: string })[]> {
  const { values } = KINDS[name];
  return (await (WITH_MORE[name]?.(tx) ?? plainRows(tx, KINDS[name]))).map((row) => {
    const plain = Object.entries(row).flatMap(([field, value]) =>
      typeof value === "object" && value !== null && !Array.isArray(value) ? [] : [[field, value] as const],
    );
    const own = (values?.(row as never, known) ?? {}) as Values;
    const shown = plain.map(([field, value]) => [field, field in own ? "" : shownValue(value)] as const);
    return { ...Object.fromEntries(shown), ...own, id: String((row as { id: string }).id) };
  });
}
