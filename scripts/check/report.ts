// What the runners of tests have written down: how many passed, which failed, and how long each took.
import fs from "node:fs";
import path from "node:path";
import type { Step } from "./steps.ts";

/**
 * A test that took longer than this has failed, whatever it found: it would hold up everybody at each change. The machine that checks what
 * was submitted is at times half as fast.
 */
export const LONGEST_MS = process.env.CI ? 120_000 : 60_000;

export type Took = { readonly name: string; readonly ms: number };
/** What a step came to; `failed` names the tests, for the last lines, since logs are cut from the front. */
export type Outcome = {
  readonly passed: number;
  readonly failed: readonly string[];
  readonly tests: readonly Took[];
};

export function outcomeOf(step: Step, ok: boolean, reports: string, root: string): Outcome {
  const file = path.join(reports, `${step.name}.json`);
  const found =
    step.report && fs.existsSync(file)
      ? readReport(step.report, JSON.parse(fs.readFileSync(file, "utf8")), root)
      : { passed: ok ? 1 : 0, failed: [], tests: [] };
  const late = found.tests
    .filter(({ ms }) => ms > LONGEST_MS)
    .map(({ name, ms }) => `${name}: took ${seconds(ms)}, at most ${seconds(LONGEST_MS)} is allowed`);
  // A runner that fails without naming a failed test has failed all the same.
  const failed = ok || found.failed.length > 0 ? found.failed : ["(the step itself; see what it printed)"];
  return { ...found, passed: found.passed - late.length, failed: [...failed, ...late] };
}

type VitestReport = {
  readonly numPassedTests: number;
  readonly testResults: readonly {
    readonly name: string;
    readonly status: string;
    readonly message: string;
    readonly assertionResults: readonly {
      readonly status: string;
      readonly fullName: string;
      readonly duration?: number | null;
      readonly failureMessages: readonly string[];
    }[];
  }[];
};
type BrowserSuite = {
  readonly file: string;
  readonly specs: readonly {
    readonly ok: boolean;
    readonly title: string;
    readonly line: number;
    readonly tests: readonly { readonly results: readonly { readonly duration: number }[] }[];
  }[];
  readonly suites?: readonly BrowserSuite[];
};
type BrowserReport = {
  readonly stats: { readonly expected: number; readonly flaky: number };
  readonly suites: readonly BrowserSuite[];
};

function readReport(kind: "vitest" | "playwright", report: unknown, root: string): Outcome {
  return kind === "vitest" ? readVitest(report as VitestReport, root) : readBrowser(report as BrowserReport);
}

function readVitest(report: VitestReport, root: string): Outcome {
  const failed: string[] = [];
  const tests: Took[] = [];
  for (const suite of report.testResults) {
    const where = path.relative(root, suite.name);
    for (const test of suite.assertionResults) {
      tests.push({ name: `${where}: ${test.fullName}`, ms: test.duration ?? 0 });
      if (test.status === "failed")
        failed.push(`${where}: ${test.fullName}: ${firstLine(test.failureMessages[0])}`);
    }
    if (suite.status === "failed" && suite.assertionResults.every((test) => test.status !== "failed"))
      failed.push(`${where}: ${firstLine(suite.message)}`);
  }
  return { passed: report.numPassedTests, failed, tests };
}

function readBrowser(report: BrowserReport): Outcome {
  const failed: string[] = [];
  const tests: Took[] = [];
  const look = (suite: BrowserSuite): void => {
    for (const spec of suite.specs) {
      const name = `e2e/${suite.file}:${spec.line}: ${spec.title}`;
      if (!spec.ok) failed.push(name);
      for (const { results } of spec.tests)
        tests.push({ name, ms: Math.max(0, ...results.map((one) => one.duration)) });
    }
    suite.suites?.forEach(look);
  };
  report.suites.forEach(look);
  return { passed: report.stats.expected + report.stats.flaky, failed, tests };
}

const firstLine = (text: unknown): string =>
  String(text ?? "")
    .split("\n", 1)[0]
    ?.slice(0, 300) ?? "";
export const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;

/** What stood on the page when a browser test failed: the only trace of it that outlives the machine it ran on. */
export function printSeen(root: string): void {
  const folder = path.join(root, "test-results");
  if (!fs.existsSync(folder)) return;
  for (const name of fs.readdirSync(folder)) {
    const file = path.join(folder, name, "error-context.md");
    const text = fs.existsSync(file) ? fs.readFileSync(file, "utf8") : "";
    const page = text.slice(Math.max(text.indexOf("# Page snapshot"), text.indexOf("```yaml")));
    // What every page has around it is left out.
    const main = page.search(/^ *- main/m);
    if (text !== "") console.log(`\n${name}:\n${page.slice(Math.max(main, 0)).slice(0, 6000)}`);
  }
}
