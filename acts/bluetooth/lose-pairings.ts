// What erases a radio loses what it is paired with.
import { addPairingEvent, pairingsOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import type { Done } from "../define.ts";

/** Notes of each pairing of a unit that it is lost, unless it is broken already. Answers what the log tells of it. */
export async function losePairings(
  tx: Tx,
  unit: string,
  by: string,
  note: string,
): Promise<Done<unknown>["log"][number][]> {
  const log: Done<unknown>["log"][number][] = [];
  for (const { id: pairing, device, events } of await pairingsOf(tx, { unit })) {
    if (events[0]?.kind === "lost") continue;
    await addPairingEvent(tx, { pairing, kind: "lost", note: note.slice(0, 300), by });
    log.push({ entry: { kind: "pairing-noted" as const, device, how: "lost" as const, note }, unit });
  }
  return log;
}
