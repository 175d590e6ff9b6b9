// The dummy load that goes to a bench where a radio transmits.
import { loadFor, loadInWords } from "#core/measure/load.ts";
import { mostWatts } from "#core/modes/mode.ts";
import { sendings } from "#core/run/blocks.ts";
import type { RunPlan } from "#core/run/plan.ts";
import { gearRows } from "#db/kit-put.ts";
import { modesOf } from "#db/modes.ts";
import type { Tx } from "#db/pool.ts";
import { type Thing, thingsTaken } from "#db/runs.ts";
import { unitById } from "#db/units.ts";

/** So long one sends at a time, in seconds: long enough to see whether it does. */
const SECONDS = 10;

/** A sound load that is here and takes what the radio may send for as long as the plan asks, in words, and as a thing that is taken. */
export async function freeLoad(
  tx: Tx,
  unit: string,
  plan: RunPlan,
): Promise<{ readonly what: string; readonly thing?: Thing }> {
  const row = await unitById(tx, unit);
  const taken = new Set(
    (await thingsTaken(tx)).flatMap(({ kind, id, tag }) => (kind === "gear" && tag !== row?.tag ? [id] : [])),
  );
  const loads = (await gearRows(tx)).flatMap((gear) =>
    gear.kind === "dummy load" && gear.condition === "sound" && gear.holder_id === null
      ? [{ id: gear.id, tag: gear.tag, rating: gear.rating, taken: taken.has(gear.id) }]
      : [],
  );
  const watts = mostWatts(row ? (await modesOf(tx, row.model_id)).map(({ facts }) => facts) : []);
  const sending = { times: sendings(plan), seconds: SECONDS };
  const found = loadFor(loads, watts, sending);
  return {
    what: loadInWords(found, watts, sending),
    ...(found && { thing: { kind: "gear" as const, id: found.load.id, name: found.load.tag } }),
  };
}
