// The steps of ./check: what each runs, what must be finished before it, and how many of two cores it keeps busy.
import path from "node:path";

export type Step = {
  readonly name: string;
  readonly command: readonly string[];
  /** Steps that must have ended before this one begins. */
  readonly after?: readonly string[];
  readonly cores: 1 | 2;
  readonly report?: "vitest" | "playwright";
};

const bin = (name: string) => path.join("node_modules", ".bin", name);
const withPostgres = [bin("tsx"), "scripts/with-postgres.ts"];
const TYPES = ["node", "node_modules/typescript-7/bin/tsc", "--noEmit", "--incremental"];
export const ROOMS = [
  "core",
  "acts",
  "db",
  "app",
  "server",
  "demo",
  "simulators",
  "jobs",
  "scripts",
  "measure",
  "e2e",
];

export const vitest = (reports: string, name: string, project: string, ...more: string[]): string[] => [
  bin("vitest"),
  "run",
  "--project",
  project,
  ...more,
  "--reporter=default",
  "--reporter=json",
  `--outputFile.json=${path.join(reports, `${name}.json`)}`,
];

const lint: Step = {
  name: "lint",
  command: [bin("biome"), "check", "--error-on-warnings", "."],
  cores: 1,
};
const typegen: Step = { name: "route types", command: [bin("react-router"), "typegen"], cores: 1 };
const types: Step = {
  name: "types",
  command: [...TYPES, "--tsBuildInfoFile", "node_modules/.cache/types.tsbuildinfo"],
  after: ["route types"],
  cores: 1,
};
const build: Step = { name: "build", command: [bin("tsx"), "scripts/build-now.ts"], cores: 1 };

/** All of them. The longest begin first: what is short fills the gaps. */
export const allSteps = (reports: string): readonly Step[] => [
  lint,
  build,
  typegen,
  types,
  {
    name: "import rules",
    command: [bin("depcruise"), "--config", ".dependency-cruiser.cjs", ...ROOMS],
    cores: 1,
  },
  {
    name: "db",
    command: [...withPostgres, ...vitest(reports, "db", "db")],
    cores: 1,
    report: "vitest",
  },
  { name: "core", command: vitest(reports, "core", "core"), cores: 1, report: "vitest" },
  {
    name: "start",
    command: vitest(reports, "start", "start"),
    after: ["build"],
    cores: 1,
    report: "vitest",
  },
  {
    name: "e2e",
    command: [...withPostgres, bin("playwright"), "test"],
    after: ["build"],
    cores: 2,
    report: "playwright",
  },
];

/** Single files: each by the runner that it belongs to. */
export function stepsOfFiles(reports: string, files: readonly string[]): readonly Step[] {
  const specs = files.filter((file) => file.endsWith(".spec.ts"));
  const onDatabase = files.filter((file) => /\.db\.test\.ts$|^(db|server)\/.*\.test\.ts$/.test(file));
  const scripts = files.filter((file) => /^scripts\/.*\.test\.ts$/.test(file));
  const rest = files.filter((file) => ![...specs, ...onDatabase, ...scripts].includes(file));
  const steps: Step[] = [];
  if (rest.length > 0)
    steps.push({
      name: "core",
      command: vitest(reports, "core", "core", ...rest),
      cores: 1,
      report: "vitest",
    });
  if (onDatabase.length > 0)
    steps.push({
      name: "db",
      command: [...withPostgres, ...vitest(reports, "db", "db", ...onDatabase)],
      cores: 1,
      report: "vitest",
    });
  if (scripts.length + specs.length > 0) steps.push(build);
  if (scripts.length > 0)
    steps.push({
      name: "start",
      command: vitest(reports, "start", "start", ...scripts),
      after: ["build"],
      cores: 1,
      report: "vitest",
    });
  if (specs.length > 0)
    steps.push({
      name: "e2e",
      command: [...withPostgres, bin("playwright"), "test", ...specs],
      after: ["build"],
      cores: 2,
      report: "playwright",
    });
  return steps;
}

/** What a change touches: lint, types, and the tests that its files reach by their imports, or are themselves. */
export function stepsNear(reports: string, changed: readonly string[]): readonly Step[] {
  const sources = changed.filter((file) => /\.tsx?$/.test(file) && !file.endsWith(".spec.ts"));
  const specs = changed.filter((file) => file.endsWith(".spec.ts"));
  const related = (name: string, project: string): string[] => {
    const [run, , ...rest] = vitest(reports, name, project);
    return [run ?? "", "related", "--run", "--passWithNoTests", ...sources, ...rest];
  };
  const steps: Step[] = [lint, typegen, types];
  if (sources.length > 0)
    steps.push(
      {
        name: "db",
        command: [...withPostgres, ...related("db", "db")],
        cores: 1,
        report: "vitest",
      },
      { name: "core", command: related("core", "core"), cores: 1, report: "vitest" },
    );
  return [...steps, ...stepsOfFiles(reports, specs)];
}
