// Benches that answer, in a process of their own to leave the server its time. Takes its task as JSON; answers how long each answer took, from press to whole next page, in ms.

import { answerAt } from "./bench-answer.ts";

export type BenchTask = {
  readonly address: string;
  readonly cookie: string;
  readonly runs: readonly { readonly id: string; readonly number: number }[];
  /** So many answers at each bench; or for so long, with so much time between two, give or take half of it. */
  readonly pace: { readonly answers: number } | { readonly forMs: number; readonly everyMs: number };
};

const { runs, pace, ...served } = JSON.parse(process.argv[2] ?? "{}") as BenchTask;
const took: number[] = [];
const began = performance.now();

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function bench(run: { readonly id: string; readonly number: number }): Promise<void> {
  if ("answers" in pace) {
    for (let i = 0; i < pace.answers; i++) took.push(await answerAt(served, run.id, run.number + i));
    return;
  }
  for (let i = 0; performance.now() - began < pace.forMs; i++) {
    await pause(pace.everyMs * (0.5 + Math.random()));
    took.push(await answerAt(served, run.id, run.number + i));
  }
}
await Promise.all(runs.map(bench));
console.log(JSON.stringify(took));
