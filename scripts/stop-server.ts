// Ends a database server in order, and waits for it.
import type { ChildProcess } from "node:child_process";

export function stopServer(server: ChildProcess): Promise<void> {
  return new Promise((resolve) => {
    if (server.exitCode !== null || server.signalCode !== null) return resolve();
    server.once("exit", () => resolve());
    server.kill("SIGINT");
  });
}
