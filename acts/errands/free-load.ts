// The dummy load that goes to a bench where a radio transmits, with what joins it to the radio's antenna socket.
import { type SocketFit, socketFit } from "#core/kit/socket.ts";
import { loadFor, loadInWords } from "#core/measure/load.ts";
import { mostWatts } from "#core/modes/mode.ts";
import { sendings } from "#core/run/blocks.ts";
import type { RunPlan } from "#core/run/plan.ts";
import { loadKit } from "#db/kit/kit.ts";
import { gearRows } from "#db/kit/put.ts";
import { antennaAdapters } from "#db/kit/rows.ts";
import { dossierHead } from "#db/model/dossier.ts";
import { modesOf } from "#db/model/modes.ts";
import { only } from "#db/only.ts";
import type { Tx } from "#db/pool.ts";
import { type Thing, thingsTaken } from "#db/run/runs.ts";
import { unitById } from "#db/unit/units.ts";

/** So long one sends at a time, in seconds: long enough to see whether it does. */
const SECONDS = 10;

export type FreeLoad = {
  /** In words: the load, its adapters, what to look at. */
  readonly what: string;
  readonly things: readonly Thing[];
  /** The two sockets that nothing of ours joins, by their names, where that is so of every load that takes what it sends. */
  readonly missing?: { readonly radio: string; readonly load: string };
};

/** A sound load that is here and takes what the radio may send for as long as the plan asks; one that can be joined to the radio before others. */
export async function freeLoad(tx: Tx, unit: string, plan: RunPlan): Promise<FreeLoad> {
  const row = only([await unitById(tx, unit)].flatMap((one) => one ?? []));
  const taken = new Set(
    (await thingsTaken(tx)).flatMap(({ kind, id, tag }) => (tag === row.tag ? [] : [`${kind} ${id}`])),
  );
  const socket = await socketsFor(tx, row.model_id, taken);
  const loads = (await gearRows(tx)).flatMap((gear) =>
    gear.kind === "dummy load" && gear.condition === "sound" && gear.holder_id === null
      ? [
          {
            id: gear.id,
            tag: gear.tag,
            rating: gear.rating,
            taken: taken.has(`gear ${gear.id}`),
            joined: socket.fit(gear.socket),
          },
        ]
      : [],
  );
  const watts = mostWatts((await modesOf(tx, row.model_id)).map(({ facts }) => facts));
  const sending = { times: sendings(plan), seconds: SECONDS };
  const found = loadFor(
    loads.filter(({ joined }) => joined.kind !== "missing"),
    watts,
    sending,
  );
  const apart = found ? undefined : loadFor(loads, watts, sending)?.load.joined;
  const said = found ? sayJoined(found.load.joined) : undefined;
  return {
    what: [loadInWords(found, watts, sending), said].filter(Boolean).join(", "),
    things: found
      ? [
          { kind: "gear", id: found.load.id, name: found.load.tag },
          ...(found.load.joined.kind === "with"
            ? found.load.joined.adapters.map(({ id, tag }) => ({ kind: "antenna" as const, id, name: tag }))
            : []),
        ]
      : [],
    ...(apart?.kind === "missing" && {
      missing: { radio: socket.nameOf(apart.radio), load: socket.nameOf(apart.other) },
    }),
  };
}

/** How a model's antenna socket meets others, with the adapters that are here; those that no other bench has come first. */
async function socketsFor(tx: Tx, model: string, taken: ReadonlySet<string>) {
  const { connectors, connectorOf } = await loadKit(tx);
  const { antennaSocket } = (await dossierHead(tx, model)).identity;
  const radio = connectorOf.get(antennaSocket.toLowerCase());
  const adapters = (await antennaAdapters(tx)).flatMap((one) =>
    one.holder === null && one.condition !== "broken" && one.condition !== "lost"
      ? [
          {
            id: one.id,
            tag: one.tag,
            ends: [one.radio_end, one.other_end] as const,
            elsewhere: taken.has(`antenna ${one.id}`),
          },
        ]
      : [],
  );
  return {
    fit: (other: string | null) => socketFit(radio, other ?? undefined, adapters),
    nameOf: (id: string) => only(connectors.filter((one) => one.id === id)).name,
  };
}

/** What joins them, in words; of what nobody has noted, that one looks. */
function sayJoined(joined: SocketFit<{ readonly tag: string }>): string | undefined {
  switch (joined.kind) {
    case "with":
      return `adapter ${joined.adapters.map(({ tag }) => tag).join(" and ")}`;
    case "unknown":
      return joined.of === "other" ? undefined : "look that it fits the antenna socket";
    case "fits":
    case "missing":
      return undefined;
  }
}
