// The dummy load that goes to a bench where a radio transmits, with what joins it to the radio's antenna socket.
import { benchLoad } from "#core/kit/index.ts";
import { mostWatts } from "#core/modes/index.ts";
import { type RunPlan, sendings } from "#core/run/index.ts";
import { antennaAdapters, gearRows, loadKit } from "#db/kit/index.ts";
import { dossierHead, modesOf } from "#db/model/index.ts";
import { only } from "#db/only.ts";
import type { Tx } from "#db/pool.ts";
import { type Thing, thingsTaken } from "#db/run/index.ts";

/** So long one sends at a time, in seconds: long enough to see whether it does. */
const SECONDS = 10;

export type FreeLoad = {
  readonly what: string;
  readonly things: readonly Thing[];
  /** The two sockets that nothing of ours joins, by their names. */
  readonly missing?: { readonly radio: string; readonly load: string };
};

/** For a radio by its tag, of a model. */
export async function freeLoad(
  tx: Tx,
  { tag, model }: { readonly tag: string; readonly model: string },
  plan: RunPlan,
): Promise<FreeLoad> {
  const elsewhere = new Set(
    (await thingsTaken(tx)).flatMap((thing) => (thing.tag === tag ? [] : [`${thing.kind} ${thing.id}`])),
  );
  const loads = (await gearRows(tx))
    .filter(({ kind }) => kind === "dummy load")
    .map((gear) => ({ ...gear, taken: elsewhere.has(`gear ${gear.id}`) }));
  const adapters = (await antennaAdapters(tx)).map(({ radio_end, other_end, ...one }) => ({
    ...one,
    ends: [radio_end, other_end] as const,
    taken: elsewhere.has(`antenna ${one.id}`),
  }));
  const { connectors, connectorOf } = await loadKit(tx);
  const { antennaSocket } = (await dossierHead(tx, model)).identity;
  const watts = mostWatts((await modesOf(tx, model)).map(({ facts }) => facts));
  const sending = { times: sendings(plan), seconds: SECONDS };
  const found = benchLoad(loads, adapters, connectorOf.get(antennaSocket.toLowerCase()), watts, sending);
  const nameOf = (id: string) => only(connectors.filter((one) => one.id === id)).name;
  const { missing, load } = found;
  return {
    what: found.what,
    things: [
      ...(load ? [{ kind: "gear" as const, id: load.id, name: load.tag }] : []),
      ...found.adapters.map(({ id, tag: name }) => ({ kind: "antenna" as const, id, name })),
    ],
    ...(missing && { missing: { radio: nameOf(missing.radio), load: nameOf(missing.load) } }),
  };
}
