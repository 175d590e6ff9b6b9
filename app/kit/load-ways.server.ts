// The ways of programming so many radios of a model, with the leads that we have, their charge, and our own times.
import {
  atOnce,
  breakEven,
  compareWays,
  lastsFor,
  minutesOf,
  type ProgrammingWay,
  timesOf,
  type WayName,
} from "#core/bluetooth/index.ts";
import { type Chain, chainsOfModel } from "#core/kit/index.ts";
import { foldRun } from "#core/run/index.ts";
import { now as nowIn } from "#db/clock.ts";
import { loadKit, plugsOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { eventsOf, runsThatWrote } from "#db/run/index.ts";
import { loadCharge } from "../shared/load-charge.server.ts";

/** From so many of our last runs it is told how long writing takes. */
const MOST_RUNS = 60;
const WAYS: readonly WayName[] = ["keypad", "bluetooth", "cable"];

/** Minutes that writing into one radio took, by kind of lead, pauses not counted. */
export async function measuredMinutes(tx: Tx): Promise<Record<WayName, number[]>> {
  const runs = await runsThatWrote(tx, MOST_RUNS);
  const events = await eventsOf(
    tx,
    runs.map(({ id }) => id),
  );
  const found: Record<WayName, number[]> = { keypad: [], bluetooth: [], cable: [] };
  for (const { id, plan, leads } of runs) {
    const run = foldRun(plan, events.get(id) ?? []);
    const way: WayName | undefined =
      leads.length !== 1 ? undefined : leads[0] === "programmer" ? "bluetooth" : "cable";
    if (run.phase !== "finished" || way === undefined) continue;
    found[way].push([...run.took.values()].reduce((sum, ms) => sum + ms, 0) / 60_000);
  }
  return found;
}

const pairsOf = (chains: readonly Chain[], kind: string) =>
  chains.flatMap(({ lead, computer }) =>
    lead?.kind === kind ? [{ lead: lead.id, computer: computer.id }] : [],
  );

export async function loadWays(tx: Tx, model: { readonly id: string }, radios: number, channels: number) {
  const kit = await loadKit(tx);
  const plugs = (await plugsOf(tx, [model.id], kit)).get(model.id) ?? [];
  const { chains } = chainsOfModel({ model: model.id, plugs }, "write", kit.prepared);
  const { rows, now } = await loadCharge(tx, (await nowIn(tx)).getTime());
  const measured = await measuredMinutes(tx);
  const reaching = new Set(pairsOf(chains, "programmer").map(({ lead }) => lead));
  const programmers = rows.filter(({ lead_id }) => lead_id !== null && reaching.has(lead_id));
  const charges = programmers.map((row) => {
    const known = now.get(row.id);
    const percent = known?.kind === "known" ? known.percent : undefined;
    return { tag: row.tag, percent, lasts: lastsFor(percent, row.per_use) };
  });
  const known = charges.flatMap(({ lasts }) => lasts ?? []);
  const ways = WAYS.map((id): ProgrammingWay & { measured: number } => {
    const times = timesOf(id, measured[id]);
    const hands = id === "keypad" ? 1 : atOnce(pairsOf(chains, id === "bluetooth" ? "programmer" : "cable"));
    const isBounded = id === "bluetooth" && known.length > 0;
    return {
      id,
      ...times,
      atOnce: hands,
      ...(isBounded && {
        lasts: Math.min(
          9999,
          known.reduce((sum, n) => sum + n, 0),
        ),
      }),
    };
  });
  const compared = compareWays(ways, radios, channels).map(({ way, minutes }) => ({
    id: way.id as WayName,
    minutes,
    atOnce: way.atOnce,
    lasts: way.lasts,
    measured: ways.find(({ id }) => id === way.id)?.measured ?? 0,
  }));
  const pairs = [
    ["keypad", "bluetooth"],
    ["keypad", "cable"],
    ["bluetooth", "cable"],
    ["cable", "bluetooth"],
  ] as const;
  const most = Math.max(30, radios);
  const breaks = pairs.flatMap(([a, b]) => {
    const [one, two] = [ways.find(({ id }) => id === a), ways.find(({ id }) => id === b)];
    if (!one || !two || two.atOnce === 0 || one.atOnce === 0) return [];
    const from = breakEven(one, two, "radios", channels, most);
    const perChannels = breakEven(one, two, "channels", radios, 500);
    return [{ a, b, radios: from, channels: perChannels }];
  });
  const curve = Array.from({ length: most }, (_, i) => {
    const at = Object.fromEntries(
      ways.flatMap((way) => {
        const minutes = minutesOf(way, i + 1, channels);
        return minutes === undefined ? [] : [[way.id, Math.round(minutes * 10) / 10]];
      }),
    );
    return { radios: i + 1, ...at };
  });
  return { compared, breaks, curve, charges };
}
