// ./start: database, migrations, demo club, build, server; says where it is, and stops all of it on Ctrl-C.
import fs from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { anyClub } from "#db/club/index.ts";
import { closePool } from "#db/pool.ts";
import { buildIfChanged } from "./build.ts";
import { type Database, openDatabase, prepare } from "./database.ts";
import { firstCode, greeting, type Network, ownAddresses, readNetwork } from "./network.ts";
import { orExit, PlainFailure } from "./plain.ts";

const HELP = `./start [--port 4700] [--empty] [--fresh-demo] [--host ADDRESS] ...

  --port N         serve on this port instead of 4700
  --empty          no demo club: the first visitor founds one
  --fresh-demo     throw the records of this folder away and begin the demo again
  --host ADDRESS   serve the club's own network: the address of this machine in it (0.0.0.0: all of them)
  --name NAME      a further name it answers to; may be given several times
  --tls-cert FILE  serve by https with this certificate
  --tls-key FILE   and its key
  --proxy ADDRESS  a proxy in front of it, whose word on address, name and https counts; may be given several times
  --prepare        make the role and the tables in the server of MOSSY_OWNER_URL, print the DATABASE_URL for it, and end
  MOSSY_DATA       if set, the records are kept in that folder instead of .data
  DATABASE_URL     if set, that PostgreSQL server is used instead of a private one, as a role that owns nothing
  MOSSY_OWNER_URL  with DATABASE_URL: the owner of the tables, for bringing them up to date at a start`;

const root = fileURLToPath(new URL("..", import.meta.url));
const folder = process.env.MOSSY_DATA ?? path.join(root, ".data");
const say = (line: string) => console.log(line);

await orExit(async () => {
  const { values } = readOptions();
  if (values.help) return say(HELP);
  const port = readPort(values.port);
  if (values.prepare) return prepare(say);
  const network = readNetwork(values);
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
    database = await openDatabase(folder, values["fresh-demo"] === true, say);
    process.env.MOSSY_DATABASE_URL = database.appUrl;
    const signIns = values.empty ? [] : await loadDemoIfEmpty();
    const code = network.open && !(await anyClub()) ? firstCode() : undefined;
    if (code) process.env.MOSSY_FIRST_CODE = code;
    buildIfChanged(root, say);
    stopServer = await serveOn(port, network);
    for (const line of await greeting(port, network, { code, demo: signIns.length > 0 })) say(line);
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
        host: { type: "string" },
        name: { type: "string", multiple: true },
        proxy: { type: "string", multiple: true },
        "tls-cert": { type: "string" },
        "tls-key": { type: "string" },
        prepare: { type: "boolean" },
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

async function loadDemoIfEmpty(): Promise<string[]> {
  const { demoSignIns, loadDemo } = await import("#demo/load.ts");
  const loaded = await loadDemo();
  if (loaded) say("The demo club, Lanternfen Radio Circle, is loaded.");
  return demoSignIns();
}

async function serveOn(port: number, network: Network): Promise<() => Promise<void>> {
  const built = new URL("../build/server/index.js", import.meta.url).href;
  const { serve } = (await import(built)) as typeof import("../server/app.ts");
  try {
    const running = await serve({ port, ...network, clientFolder: path.join(root, "build/client") });
    return running.stop;
  } catch (error) {
    if (error instanceof Error && "code" in error && error.code === "EADDRINUSE") {
      throw new PlainFailure(
        `Port ${port} is taken by another program. Choose another: ./start --port ${port + 1}`,
      );
    }
    if (error instanceof Error && "code" in error && error.code === "EADDRNOTAVAIL") {
      throw new PlainFailure(
        `${network.host} is no address of this machine. It has: ${ownAddresses().join(", ") || "none but loopback"}.`,
      );
    }
    throw error;
  }
}
