// What one request of somebody who means harm costs: how long the server's event loop is held, and how much memory is taken.
import { fork } from "node:child_process";
import { monitorEventLoopDelay } from "node:perf_hooks";
import { fileURLToPath } from "node:url";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { serveFresh } from "../e2e/serve.ts";
import type { Measured } from "./clock.ts";
import { HOSTILE } from "./hostile-requests.ts";
import { signInKeeper } from "./pages.ts";

/** Else what an earlier request left behind would count as the next one's. */
setFlagsFromString("--expose-gc");
const collect = runInNewContext("gc") as () => void;

const LONGEST_HELD_MS = 200;
const MOST_TAKEN_MB = 64;

export async function measureHostile(): Promise<Measured[]> {
  const served = await serveFresh("demo");
  const cookie = await signInKeeper(served.address);
  const port = Number(new URL(served.address).port);
  const sender = fork(fileURLToPath(new URL("hostile-sender.ts", import.meta.url)), {
    execArgv: ["--import", "tsx"],
  });
  const ask = (index: number) =>
    new Promise<void>((resolve, reject) => {
      sender.once("message", () => resolve());
      sender.once("error", reject);
      sender.send({ index, port, cookie });
    });
  await ask(0);
  let held = { ms: 0, name: "" };
  let taken = { mb: 0, name: "" };
  for (const [index, { name }] of HOSTILE.entries()) {
    const delay = monitorEventLoopDelay({ resolution: 1 });
    collect();
    const before = process.memoryUsage();
    let most = 0;
    const look = setInterval(() => {
      const now = process.memoryUsage();
      most = Math.max(most, now.heapUsed + now.external - before.heapUsed - before.external);
    }, 2);
    delay.enable();
    await ask(index);
    delay.disable();
    clearInterval(look);
    if (delay.max / 1e6 > held.ms) held = { ms: delay.max / 1e6, name };
    if (most / 2 ** 20 > taken.mb) taken = { mb: most / 2 ** 20, name };
  }
  sender.disconnect();
  await served.stop();
  return [
    {
      what: `event loop held by any of ${HOSTILE.length} hostile requests`,
      value: `at most ${held.ms.toFixed(0)} ms (${held.name})`,
      asked: `at most ${LONGEST_HELD_MS} ms`,
      ok: held.ms <= LONGEST_HELD_MS,
    },
    {
      what: "memory taken by any of them",
      value: `at most ${taken.mb.toFixed(0)} MB (${taken.name})`,
      asked: `at most ${MOST_TAKEN_MB} MB`,
      ok: taken.mb <= MOST_TAKEN_MB,
    },
  ];
}
