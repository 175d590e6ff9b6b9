// Runs steps side by side as far as two cores allow, each as soon as what it waits for has ended.
import { spawn } from "node:child_process";
import fs from "node:fs";
import path from "node:path";
import type { Step } from "./steps.ts";

const CORES = 2;

export type Ended = { readonly step: Step; readonly ok: boolean; readonly ms: number };
type Places = { readonly root: string; readonly reports: string };

/** `ended` is told of each step as it ends; what waits for one that failed fails with it. */
export async function runSteps(
  steps: readonly Step[],
  places: Places,
  ended: (one: Ended) => void,
): Promise<void> {
  const waiting = [...steps];
  const running = new Map<Step, Promise<Step>>();
  const alone = steps.length === 1;
  const broken = new Set<string>();
  const tell = (one: Ended) => {
    if (!one.ok) broken.add(one.step.name);
    ended(one);
  };
  const busy = () => [...running.keys()].reduce((sum, step) => sum + step.cores, 0);
  const pending = (name: string) =>
    waiting.some((step) => step.name === name) || [...running.keys()].some((step) => step.name === name);
  while (waiting.length + running.size > 0) {
    const next = waiting.findIndex(
      (step) => busy() + step.cores <= CORES && !(step.after ?? []).some(pending),
    );
    const [step] = next < 0 ? [] : waiting.splice(next, 1);
    const lacks = step?.after?.find((name) => broken.has(name));
    if (step && lacks) {
      console.log(`== ${step.name} was not run: ${lacks} failed`);
      tell({ step, ok: false, ms: 0 });
    } else if (step) running.set(step, runOne(step, places, alone, tell));
    else running.delete(await Promise.race(running.values()));
  }
}

/** A step that runs beside others is printed when it has ended, so that lines of two are not mixed. */
async function runOne(
  step: Step,
  { root, reports }: Places,
  alone: boolean,
  ended: (one: Ended) => void,
): Promise<Step> {
  const [command = "false", ...args] = step.command;
  const begun = performance.now();
  console.log(`== ${step.name}${alone ? "" : " begins"}`);
  const output = path.join(reports, `${step.name}.txt`);
  const file = alone ? undefined : fs.openSync(output, "w");
  const ok = await new Promise<boolean>((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ["ignore", file ?? "inherit", file ?? "inherit"],
      env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(reports, "e2e.json") },
    });
    child.once("error", () => resolve(false));
    child.once("exit", (code) => resolve(code === 0));
  });
  if (file !== undefined) {
    fs.closeSync(file);
    console.log(`\n== ${step.name}\n${fs.readFileSync(output, "utf8").trimEnd()}`);
  }
  ended({ step, ok, ms: performance.now() - begun });
  return step;
}
