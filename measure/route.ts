// Routes over four components of 200 releases each, with stepping stones and requirements between components.

import { addDays, plain } from "#core/quantities/index.ts";
import { type Component, catalogueOf, conditionsShape, type Release } from "#core/release/index.ts";
import { findRoute } from "#core/route/index.ts";
import type { Version } from "#core/version/index.ts";
import { best, type Measured, sorts } from "./clock.ts";
import { interlinked } from "./interlinked.ts";

const NAMES = ["main", "panel", "dsp", "bluetooth"];
const RELEASES = 200;

/** Every tenth release is a stepping stone that the next ten want; every fiftieth wants the component before it that far. */
function components(): Component[] {
  return NAMES.map((name, c) => ({
    id: name,
    name,
    numbering: { kind: "dotted" },
    suffixes: [],
    releases: Array.from({ length: RELEASES }, (_, r): Release => {
      const stone = Math.floor((r - 1) / 50) * 50;
      const before = NAMES[c - 1];
      return {
        id: `${name}-${String(r).padStart(3, "0")}`,
        version: `1.${r}`,
        aliases: [],
        track: r % 9 === 8 ? "beta" : "factory",
        releasedOn: addDays(plain("2020-01-01"), r * 9),
        fixes: [],
        conditions: conditionsShape.parse({
          ...(stone > 0 && { from: [{ atLeast: `1.${stone}` }] }),
          ...(before &&
            r % 50 === 0 && { requires: [{ component: before, range: [{ atLeast: `1.${r}` }] }] }),
          erases: r % 50 === 7 ? "settings" : "nothing",
          risk: 1 + (r % 5),
          minutes: 2 + (r % 7),
        }),
      };
    }),
  }));
}

const CASES = [
  ["all four to the newest", NAMES],
  ["one to the newest, the others as far as it needs", ["bluetooth"]],
] as const;

export async function measureRoute(): Promise<Measured[]> {
  const catalogue = catalogueOf(components());
  const state = new Map<string, Version>();
  for (const [name, prepared] of catalogue) {
    const read = prepared.reader.read("1.3");
    if (read.ok) state.set(name, read.value);
  }
  const results: Measured[] = [];
  for (const [what, goals] of CASES) {
    const goal = new Map(goals.map((name) => [name, `${name}-199`]));
    let steps = 0;
    // Until the engine has compiled it well, the first tries take twice as long.
    const time = await best(40, () => {
      const route = findRoute(state, goal, catalogue, {});
      steps = route.ok ? route.value.steps.length : 0;
    });
    results.push(
      await sorts(`route over 4 components of 200 releases, ${what} (${steps} installs)`, time, 5),
    );
  }
  return [...results, ...(await measureInterlinked())];
}

const SEEDS = 400;

/** Conditions interlinked at random: how many are answered exactly, and how long each takes. */
async function measureInterlinked(): Promise<Measured[]> {
  const times: number[] = [];
  const count = { exact: 0, good: 0, none: 0, untold: 0 };
  for (let seed = 1; seed <= SEEDS; seed++) {
    const { catalogue, state, goal } = interlinked(seed);
    const begun = performance.now();
    const told = findRoute(state, goal, catalogue, {});
    times.push(performance.now() - begun);
    if (told.ok) count[told.value.atLeast ? "good" : "exact"]++;
    else count[told.problem.kind === "no-route" ? "none" : "untold"]++;
  }
  times.sort((a, b) => a - b);
  const at = (share: number) => times[Math.min(SEEDS - 1, Math.floor(SEEDS * share))] ?? 0;
  return [
    await sorts(
      `${SEEDS} ways over 4 components of 200 releases interlinked at random: 95th percentile (median ${at(0.5).toFixed(0)} ms)`,
      at(0.95),
      5,
    ),
    await sorts("the longest of them", at(1), 200),
    {
      what: "how they are answered",
      value: `${count.exact} exactly, ${count.good} with the best found and its distance, ${count.none} no way, ${count.untold} not told`,
      asked: "all exactly",
      ok: count.good + count.untold === 0,
    },
  ];
}
