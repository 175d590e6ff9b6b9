// ./check: every test there is, one step after another; ends with the line "N passed, N failed".
import { spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { orExit, PlainFailure } from "./plain.ts";

const root = fileURLToPath(new URL("..", import.meta.url));
const reports = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-reports-"));

type Count = { passed: number; failed: number };
type Step = {
  readonly name: string;
  readonly command: readonly string[];
  readonly report?: "vitest" | "playwright";
};

const bin = (name: string) => path.join("node_modules", ".bin", name);
const withPostgres = [bin("tsx"), "scripts/with-postgres.ts"];
const vitest = (project: string) => [
  bin("vitest"),
  "run",
  "--project",
  project,
  "--reporter=default",
  "--reporter=json",
  `--outputFile.json=${path.join(reports, `${project}.json`)}`,
];

const STEPS: readonly Step[] = [
  { name: "format and lint", command: [bin("biome"), "check", "--error-on-warnings", "."] },
  { name: "route types", command: [bin("react-router"), "typegen"] },
  { name: "types", command: [bin("tsc"), "--noEmit"] },
  {
    name: "import rules",
    command: [
      bin("depcruise"),
      "--config",
      ".dependency-cruiser.cjs",
      "core",
      "db",
      "app",
      "server",
      "demo",
      "standins",
      "scripts",
      "measure",
      "e2e",
    ],
  },
  { name: "core", command: vitest("core"), report: "vitest" },
  { name: "db", command: [...withPostgres, ...vitest("db")], report: "vitest" },
  { name: "build", command: [bin("tsx"), "scripts/build-now.ts"] },
  { name: "start", command: vitest("start"), report: "vitest" },
  { name: "e2e", command: [...withPostgres, bin("playwright"), "test"], report: "playwright" },
];

await orExit(async () => {
  ensureChromium();
  const wanted = process.argv.slice(2);
  const total: Count = { passed: 0, failed: 0 };
  for (const step of STEPS.filter((s) => wanted.length === 0 || wanted.includes(s.name))) {
    console.log(`\n== ${step.name}`);
    const ok = await run(step);
    const count = (step.report && readReport(step)) ?? { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
    // A runner that fails without naming a failed test has failed all the same.
    if (!ok && count.failed === 0) count.failed = 1;
    total.passed += count.passed;
    total.failed += count.failed;
  }
  fs.rmSync(reports, { recursive: true, force: true });
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1;
});

function run(step: Step): Promise<boolean> {
  const [command, ...args] = step.command;
  return new Promise((resolve) => {
    const child = spawn(command ?? "false", args, {
      cwd: root,
      stdio: ["ignore", "inherit", "inherit"],
      env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: path.join(reports, "e2e.json") },
    });
    child.once("error", () => resolve(false));
    child.once("exit", (code) => resolve(code === 0));
  });
}

function readReport(step: Step): Count | undefined {
  const file = path.join(reports, `${step.name}.json`);
  if (!fs.existsSync(file)) return undefined;
  const report = JSON.parse(fs.readFileSync(file, "utf8"));
  if (step.report === "vitest") return { passed: report.numPassedTests, failed: report.numFailedTests };
  return { passed: report.stats.expected + report.stats.flaky, failed: report.stats.unexpected };
}

function ensureChromium(): void {
  if (fs.existsSync("/usr/bin/chromium")) return;
  const sentence =
    "Chromium is not installed, and the browser tests need it. On Debian: apt-get install chromium.";
  if (process.getuid?.() !== 0) throw new PlainFailure(sentence);
  console.log("Installing Chromium from Debian's packages…");
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  spawnSync("apt-get", ["update", "-q"], { env });
  spawnSync("apt-get", ["install", "-y", "-q", "--no-install-recommends", "chromium"], { env });
  if (!fs.existsSync("/usr/bin/chromium")) throw new PlainFailure(sentence);
}
