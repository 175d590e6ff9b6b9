// Runs a command with a throw-away PostgreSQL cluster: tsx scripts/with-postgres.ts COMMAND ARGS…
import { spawn } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { orExit } from "./plain.ts";
import { startCluster } from "./postgres.ts";

await orExit(async () => {
  const [command, ...args] = process.argv.slice(2);
  if (!command) throw new Error("say which command to run");
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-test-"));
  fs.chmodSync(folder, 0o755);
  const cluster = await startCluster(path.join(folder, "cluster"), { say: console.error, fast: true });
  try {
    const code = await new Promise<number>((resolve, reject) => {
      const child = spawn(command, args, {
        stdio: "inherit",
        env: { ...process.env, MOSSY_TEST_OWNER_URL: cluster.ownerUrl, MOSSY_TEST_APP_URL: cluster.appUrl },
      });
      child.once("error", reject);
      child.once("exit", (status) => resolve(status ?? 1));
      for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, () => child.kill(signal));
    });
    process.exitCode = code;
  } finally {
    await cluster.stop();
    fs.rmSync(folder, { recursive: true, force: true });
  }
});
