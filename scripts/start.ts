// ./start: database, migrations, demo club, build, server; says where it is, and stops all of it on Ctrl-C.
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import pg from "pg";
import { ensureAppRole, migrate } from "#db/migrate.ts";
import { closePool } from "#db/pool.ts";
import { buildIfChanged } from "./build.ts";
import { orExit, PlainFailure } from "./plain.ts";
import { startCluster } from "./postgres.ts";

const HELP = `./start [--port 4700] [--empty] [--fresh-demo]

  --port N       serve on this port instead of 4700
  --empty        no demo club: the first visitor founds one
  --fresh-demo   throw the records of this folder away and begin the demo again
  MOSSY_DATA     if set, the records are kept in that folder instead of .data
  DATABASE_URL   if set, that PostgreSQL server is used instead of a private one`;

const root = fileURLToPath(new URL("..", import.meta.url));
const folder = process.env.MOSSY_DATA ?? path.join(root, ".data");
const say = (line: string) => console.log(line);

type Database = { ownerUrl: string; appUrl: string; stop: () => Promise<void> };

await orExit(async () => {
  const { values } = readOptions();
  if (values.help) return say(HELP);
  const port = readPort(values.port);
  fs.mkdirSync(folder, { recursive: true });
  const unlock = lockFolder();
  let database: Database | undefined;
  let stopServer: (() => Promise<void>) | undefined;
  const stop = async () => {
    await stopServer?.();
    await closePool();
    await database?.stop();
    unlock();
  };
  const onSignal = () => {
    say("\nStopping…");
    stop().then(() => process.exit(0));
  };
  process.once("SIGINT", onSignal);
  process.once("SIGTERM", onSignal);
  try {
    database = await openDatabase(values["fresh-demo"] === true);
    process.env.MOSSY_DATABASE_URL = database.appUrl;
    await migrate(database.ownerUrl);
    const signIns = values.empty ? [] : await loadDemoIfEmpty();
    buildIfChanged(root, say);
    stopServer = await serveOn(port);
    say(`\nMossy Cabinet is at http://127.0.0.1:${port}`);
    for (const line of signIns) say(line);
    say("Ctrl-C stops it.");
  } catch (error) {
    await stop();
    throw error;
  }
});

function readOptions() {
  try {
    return parseArgs({
      options: {
        port: { type: "string", default: "4700" },
        empty: { type: "boolean" },
        "fresh-demo": { type: "boolean" },
        help: { type: "boolean", short: "h" },
      },
    });
  } catch (error) {
    throw new PlainFailure(`${error instanceof Error ? error.message : error}\n\n${HELP}`);
  }
}

function readPort(text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new PlainFailure(`${text} is no port; say one from 1 to 65535.`);
  return port;
}

/** One start for one folder. The file of a start that was killed names a process that is gone, and is taken over. */
function lockFolder(): () => void {
  const file = path.join(folder, "start.pid");
  const other = fs.existsSync(file) ? Number(fs.readFileSync(file, "utf8")) : 0;
  if (other > 0 && isStart(other)) {
    throw new PlainFailure(`It is already running here (process ${other}). Stop that one with Ctrl-C first.`);
  }
  fs.writeFileSync(file, String(process.pid));
  return () => fs.rmSync(file, { force: true });
}

function isStart(pid: number): boolean {
  const file = `/proc/${pid}/cmdline`;
  return fs.existsSync(file) && fs.readFileSync(file, "utf8").includes("scripts/start.ts");
}

async function openDatabase(fresh: boolean): Promise<Database> {
  const given = process.env.DATABASE_URL;
  if (given) {
    if (fresh)
      throw new PlainFailure(
        "--fresh-demo only throws away a private database; empty the one in DATABASE_URL yourself.",
      );
    await ensureAppRole(given).catch((error: Error) => {
      throw new PlainFailure(`The database in DATABASE_URL cannot be used: ${error.message}`);
    });
    return { ownerUrl: given, appUrl: given, stop: async () => {} };
  }
  const cluster = await startCluster(path.join(folder, "postgres"), { say });
  if (fresh) await emptyDatabase(cluster.adminUrl);
  return cluster;
}

async function emptyDatabase(adminUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl });
  await client.connect();
  try {
    await client.query("drop database mossy with (force)");
    await client.query("create database mossy owner mossy_owner");
  } finally {
    await client.end();
  }
}

async function loadDemoIfEmpty(): Promise<string[]> {
  const { demoSignIns, loadDemo } = await import("#demo/load.ts");
  const loaded = await loadDemo();
  if (loaded) say("The demo club, Lanternfen Radio Circle, is loaded.");
  return demoSignIns();
}

async function serveOn(port: number): Promise<() => Promise<void>> {
  const built = new URL("../build/server/index.js", import.meta.url).href;
  const { serve } = (await import(built)) as typeof import("../server/app.ts");
  try {
    const running = await serve({ port, clientFolder: path.join(root, "build/client") });
    return running.stop;
  } catch (error) {
    if (error instanceof Error && "code" in error && error.code === "EADDRINUSE") {
      throw new PlainFailure(
        `Port ${port} is taken by another program. Choose another: ./start --port ${port + 1}`,
      );
    }
    throw error;
  }
}
