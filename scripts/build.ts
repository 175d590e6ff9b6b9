// Builds the application if its sources changed since the last build.
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import fs from "node:fs";
import path from "node:path";
import { PlainFailure } from "./plain.ts";

export const SOURCES = [
  "app",
  "acts",
  "core",
  "db",
  "server",
  "jobs",
  "simulators",
  "public",
  "docs/manual.md",
  "package-lock.json",
  "vite.config.ts",
  "react-router.config.ts",
];
const STAMP = "build/.sources";

function fingerprint(root: string): string {
  const hash = createHash("sha256");
  const visit = (file: string) => {
    const stat = fs.statSync(file, { throwIfNoEntry: false });
    if (!stat) return;
    if (stat.isDirectory()) for (const name of fs.readdirSync(file).sort()) visit(path.join(file, name));
    else hash.update(file).update(fs.readFileSync(file));
  };
  for (const source of SOURCES) visit(path.join(root, source));
  return hash.digest("hex");
}

export function buildIfChanged(root: string, say: (line: string) => void): void {
  const now = fingerprint(root);
  const stamp = path.join(root, STAMP);
  if (fs.existsSync(stamp) && fs.readFileSync(stamp, "utf8") === now) return;
  say("Building the application…");
  const built = spawnSync(process.execPath, ["node_modules/@react-router/dev/bin.js", "build"], {
    cwd: root,
    encoding: "utf8",
    env: { ...process.env, NODE_ENV: "production" },
  });
  if (built.status !== 0) {
    throw new PlainFailure(
      `The application could not be built:\n${`${built.stdout}\n${built.stderr}`.slice(-3000)}`,
    );
  }
  fs.writeFileSync(stamp, now);
}
