// ./check: every test there is; ends with a table of its steps and the line "N passed, N failed".
//   ./check                  all of it
//   ./check core e2e         single steps
//   ./check core/kit/chain/path.test.ts e2e/kit/kit.spec.ts    single files
//   ./check near [REV]       types, lint and the tests that what was changed since REV reaches
import { spawnSync } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { outcomeOf, printSeen, seconds, type Took } from "./check/report.ts";
import { runSteps } from "./check/run.ts";
import { allSteps, type Step, stepsNear, stepsOfFiles } from "./check/steps.ts";
import { orExit, PlainFailure } from "./plain.ts";

const root = fileURLToPath(new URL("..", import.meta.url));

await orExit(async () => {
  const reports = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-reports-"));
  try {
    const steps = wantedSteps(reports, process.argv.slice(2));
    if (steps.some((step) => step.name === "e2e")) ensureChromium();
    await check(steps, reports);
  } finally {
    fs.rmSync(reports, { recursive: true, force: true });
  }
});

function wantedSteps(reports: string, wanted: readonly string[]): readonly Step[] {
  const all = allSteps(reports);
  if (wanted[0] === "near") return stepsNear(reports, changedSince(wanted[1]));
  const files = wanted.filter((one) => fs.existsSync(path.join(root, one)) && one.endsWith(".ts"));
  const names = wanted.filter((one) => !files.includes(one));
  const unknown = names.filter((name) => !all.some((step) => step.name === name));
  if (unknown.length > 0)
    throw new PlainFailure(
      `There is no step and no file ${unknown.join(", ")}. Steps: ${all.map((step) => step.name).join(", ")}.`,
    );
  if (files.length > 0) return stepsOfFiles(reports, files);
  return all.filter((step) => names.length === 0 || names.includes(step.name));
}

/** Files that differ from `since`, committed or not; from the branch main elsewhere, from the last commit on main itself. */
function changedSince(since: string | undefined): readonly string[] {
  const git = (...args: string[]): string => {
    const { stdout, status, stderr } = spawnSync("git", args, { cwd: root, encoding: "utf8" });
    if (status !== 0) throw new PlainFailure(`git ${args.join(" ")}: ${stderr.trim()}`);
    return stdout.trim();
  };
  const onMain = git("rev-parse", "--abbrev-ref", "HEAD") === "main";
  const base = since ?? (onMain ? "HEAD" : git("merge-base", "HEAD", "main"));
  const lines = [git("diff", "--name-only", base), git("ls-files", "--others", "--exclude-standard")];
  return lines
    .flatMap((text) => text.split("\n"))
    .filter((file) => file && fs.existsSync(path.join(root, file)));
}

async function check(steps: readonly Step[], reports: string): Promise<void> {
  const rows: { readonly name: string; readonly ms: number; readonly tests: number }[] = [];
  const failed: string[] = [];
  const tests: Took[] = [];
  let passed = 0;
  const begun = performance.now();
  await runSteps(steps, { root, reports }, ({ step, ok, ms }) => {
    const outcome = outcomeOf(step, ok, reports, root);
    if (!ok && step.report === "playwright") printSeen(root);
    passed += outcome.passed;
    failed.push(...outcome.failed.map((name) => `${step.name}: ${name}`));
    tests.push(...outcome.tests);
    rows.push({ name: step.name, ms, tests: outcome.tests.length });
  });
  rows.push({ name: "all", ms: performance.now() - begun, tests: tests.length });
  console.log(`\n${"step".padEnd(14)}${"minutes".padStart(9)}${"tests".padStart(8)}`);
  for (const { name, ms, tests: count } of rows)
    console.log(
      `${name.padEnd(14)}${(ms / 60_000).toFixed(1).padStart(9)}${String(count || "").padStart(8)}`,
    );
  const slowest = [...tests].sort((a, b) => b.ms - a.ms).slice(0, 10);
  if (slowest.length > 0)
    console.log(
      `\nSlowest tests:\n${slowest.map(({ name, ms }) => `${seconds(ms).padStart(8)}  ${name}`).join("\n")}`,
    );
  if (failed.length > 0) console.log(`\nFailed:\n${failed.join("\n")}`);
  console.log(`\n${passed} passed, ${failed.length} failed`);
  process.exitCode = failed.length === 0 && passed > 0 ? 0 : 1;
}

function ensureChromium(): void {
  if (fs.existsSync("/usr/bin/chromium-headless-shell")) return;
  const sentence =
    "Chromium is not installed, and the browser tests need it. On Debian: apt-get install chromium-headless-shell.";
  if (process.getuid?.() !== 0) throw new PlainFailure(sentence);
  console.log("Installing Chromium from Debian's packages…");
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  spawnSync("apt-get", ["update", "-q"], { env });
  spawnSync("apt-get", ["install", "-y", "-q", "--no-install-recommends", "chromium-headless-shell"], {
    env,
  });
  if (!fs.existsSync("/usr/bin/chromium-headless-shell")) throw new PlainFailure(sentence);
}
