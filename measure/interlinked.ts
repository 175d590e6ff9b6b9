// Four components of 200 releases each whose conditions are interlinked at random: the hardest that a dossier could hold.

import { addDays, plain } from "#core/quantities/index.ts";
import { type Component, catalogueOf, conditionsShape, type Release } from "#core/release/index.ts";
import type { Goal, State } from "#core/route/index.ts";
import type { Version } from "#core/version/index.ts";

const NAMES = ["main", "panel", "dsp", "bluetooth"] as const;

/** A small generator of numbers from 0 to below 1 (mulberry32): the same for the same seed. */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

export type Interlinked = {
  readonly catalogue: ReturnType<typeof catalogueOf>;
  readonly state: State;
  readonly goal: Goal;
};

/** Each release may ask for what it is installed over, and for up to two others, anywhere around its own age. */
export function interlinked(seed: number, releases = 200): Interlinked {
  const random = randomFrom(seed);
  const whole = (most: number) => Math.floor(random() * most);
  const around = (r: number) => Math.max(0, Math.min(releases - 1, r - 30 + whole(50)));
  const components = NAMES.map(
    (name, c): Component => ({
      id: name,
      name,
      numbering: { kind: "dotted" },
      suffixes: [],
      releases: Array.from({ length: releases }, (_, r): Release => {
        const others = NAMES.filter((_, other) => other !== c && random() < 0.35);
        const low = Math.max(0, r - 5 - whole(40));
        return {
          id: `${name}-${String(r).padStart(3, "0")}`,
          version: `1.${r}`,
          aliases: [],
          track: random() < 0.15 ? "beta" : "factory",
          releasedOn: addDays(plain("2020-01-01"), r * 9),
          fixes: [],
          conditions: conditionsShape.parse({
            ...(r > 20 && random() < 0.6 && { from: [{ atLeast: `1.${low}`, atMost: `1.${r}` }] }),
            requires:
              r > 10
                ? others.map((component) => {
                    const from = around(r);
                    return {
                      component,
                      range: [
                        random() < 0.5
                          ? { atLeast: `1.${from}` }
                          : { atLeast: `1.${from}`, atMost: `1.${from + 60}` },
                      ],
                    };
                  })
                : [],
            erases: random() < 0.1 ? "settings" : "nothing",
            risk: 1 + whole(5),
            minutes: 2 + whole(15),
          }),
        };
      }),
    }),
  );
  const catalogue = catalogueOf(components);
  const state = new Map<string, Version>();
  for (const [name, prepared] of catalogue) {
    const read = prepared.reader.read(`1.${whole(20)}`);
    if (read.ok) state.set(name, read.value);
  }
  const goal = new Map(
    NAMES.map((name) => [name, `${name}-${String(releases - 1 - whole(30)).padStart(3, "0")}`]),
  );
  return { catalogue, state, goal };
}
