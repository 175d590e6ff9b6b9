// ./check: every test there is, one step after another; ends with the line "N passed, N failed".
import { spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { orExit, PlainFailure } from "./plain.ts";

const root = fileURLToPath(new URL("..", import.meta.url));
const reports = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-reports-"));

/** What a step came to; `names` are the tests that failed, for the last lines, since logs are cut from the front. */
type Count = { passed: number; failed: number; names: string[] };
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
      "acts",
      "db",
      "app",
      "server",
      "demo",
      "simulators",
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
  const total: Count = { passed: 0, failed: 0, names: [] };
  for (const step of STEPS.filter((s) => wanted.length === 0 || wanted.includes(s.name))) {
    console.log(`\n== ${step.name}`);
    const ok = await run(step);
    const count = (step.report && readReport(step)) ?? {
      passed: ok ? 1 : 0,
      failed: ok ? 0 : 1,
      names: [],
    };
    if (!ok && step.report === "playwright") printSeen();
    // A runner that fails without naming a failed test has failed all the same.
    if (!ok && count.failed === 0) count.failed = 1;
    if (!ok && count.names.length === 0) count.names.push("(the step itself; see what it printed)");
    total.passed += count.passed;
    total.failed += count.failed;
    total.names.push(...count.names.map((name) => `${step.name}: ${name}`));
  }
  fs.rmSync(reports, { recursive: true, force: true });
  if (total.names.length > 0) console.log(`\nFailed:\n${total.names.join("\n")}`);
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
  if (step.report === "playwright") {
    return {
      passed: report.stats.expected + report.stats.flaky,
      failed: report.stats.unexpected,
      names: browserFailures(report.suites),
    };
  }
  const names: string[] = [];
  for (const suite of report.testResults) {
    const where = path.relative(root, suite.name);
    const failed = suite.assertionResults.filter((t: { status: string }) => t.status === "failed");
    for (const test of failed)
      names.push(`${where}: ${test.fullName}: ${firstLine(test.failureMessages[0])}`);
    if (suite.status === "failed" && failed.length === 0) names.push(`${where}: ${firstLine(suite.message)}`);
  }
  return { passed: report.numPassedTests, failed: report.numFailedTests, names };
}

type BrowserSuite = {
  file: string;
  specs: { ok: boolean; title: string; line: number }[];
  suites?: BrowserSuite[];
};

function browserFailures(suites: readonly BrowserSuite[] = []): string[] {
  return suites.flatMap((suite) => [
    ...suite.specs.filter((s) => !s.ok).map((s) => `e2e/${suite.file}:${s.line}: ${s.title}`),
    ...browserFailures(suite.suites),
  ]);
}

/** What stood on the page when a browser test failed: the only trace of it that outlives the machine it ran on. */
function printSeen(): void {
  const folder = path.join(root, "test-results");
  if (!fs.existsSync(folder)) return;
  for (const name of fs.readdirSync(folder)) {
    const file = path.join(folder, name, "error-context.md");
    const [, page] = fs.existsSync(file) ? fs.readFileSync(file, "utf8").split("# Page snapshot") : [];
    if (page) console.log(`\n${name}:${page.slice(0, 8000)}`);
  }
}

function firstLine(text: unknown): string {
  const [line = ""] = String(text ?? "").split("\n", 1);
  return line.slice(0, 300);
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
