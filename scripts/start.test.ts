// ./start as somebody meets it at the terminal: a port that is taken, one that is none, a second start, one that was killed.
import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import fs from "node:fs";
import { createServer, type Server } from "node:net";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { afterAll, beforeAll, expect, test } from "vitest";
import { freePort } from "./postgres.ts";

const root = fileURLToPath(new URL("..", import.meta.url));
let folder: string;

beforeAll(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), "mossy-start-"));
  fs.chmodSync(folder, 0o755);
});
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

type Run = { readonly child: ChildProcess; readonly said: () => string };

function start(...args: string[]): Run {
  const env = { ...process.env, MOSSY_DATA: folder, NODE_ENV: "production" };
  const child = spawn(process.execPath, ["--import", "tsx", "scripts/start.ts", ...args], { cwd: root, env });
  let text = "";
  child.stdout?.on("data", (chunk) => (text += chunk));
  child.stderr?.on("data", (chunk) => (text += chunk));
  return { child, said: () => text };
}

const until = (run: Run, what: RegExp) =>
  new Promise<void>((resolve, reject) => {
    const look = () => what.test(run.said()) && resolve();
    run.child.stdout?.on("data", look);
    run.child.stderr?.on("data", look);
    run.child.once("exit", () => reject(new Error(`it ended: ${run.said()}`)));
    look();
  });

const end = (run: Run, signal: NodeJS.Signals) =>
  new Promise<number | null>((resolve) => {
    run.child.once("exit", (code) => resolve(code));
    run.child.kill(signal);
  });

const code = (run: Run) => new Promise<number | null>((resolve) => run.child.once("exit", resolve));

test("words that are none, and a port that is none, are answered", () => {
  const run = (...args: string[]) =>
    spawnSync(process.execPath, ["--import", "tsx", "scripts/start.ts", ...args], {
      cwd: root,
      encoding: "utf8",
      env: { ...process.env, MOSSY_DATA: folder },
    });
  expect(run("--nonsense").stderr).toContain("./start [--port 4700]");
  expect(run("--port", "70000").stderr).toContain("70000 is no port");
  expect(run("--help").stdout).toContain("--fresh-demo");
});

test("first start, a second one beside it, a kill, and a start after that", async () => {
  const port = String(await freePort());
  const first = start("--port", port, "--empty");
  await until(first, /Ctrl-C stops it/);
  expect((await fetch(`http://127.0.0.1:${port}/first`)).status).toBe(200);
  const second = start("--port", port, "--empty");
  await code(second);
  expect(second.said()).toContain("It is already running here");
  await end(first, "SIGKILL");
  const third = start("--port", port, "--empty");
  await until(third, /Ctrl-C stops it/);
  expect(third.said()).toContain("a start that was killed");
  expect(await end(third, "SIGINT")).toBe(0);
  expect(fs.existsSync(path.join(folder, "start.pid"))).toBe(false);
});

test("a port that is taken: a clear sentence and a way on", async () => {
  const taken = await new Promise<Server>((resolve) => {
    const server = createServer();
    server.listen(0, "127.0.0.1", () => resolve(server));
  });
  const address = taken.address();
  const port = typeof address === "object" && address ? address.port : 0;
  const run = start("--port", String(port), "--empty");
  expect(await code(run)).toBe(1);
  expect(run.said()).toContain(
    `Port ${port} is taken by another program. Choose another: ./start --port ${port + 1}`,
  );
  await new Promise((done) => taken.close(done));
});

test("a half-made cluster is not used, and the sentence says what to do", async () => {
  fs.rmSync(path.join(folder, "postgres", "secrets.json"));
  const run = start("--port", String(await freePort()), "--empty");
  expect(await code(run)).toBe(1);
  expect(run.said()).toContain("is not whole. Move that folder away");
});
