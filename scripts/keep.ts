// What ./backup and ./restore share: reaching the records where they are, and PostgreSQL's own programs for dumping and bringing back.
import { spawn } from "node:child_process";
import fs from "node:fs";
import os from "node:os";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import pg from "pg";
import { knownMigrations, migrate } from "#db/migrate.ts";
import { differences, type Manifest, type Tables, tablesOf } from "./archive.ts";
import { PlainFailure } from "./plain.ts";
import { attachCluster, findPostgres, startCluster } from "./postgres.ts";
import { rowsInto } from "./rows.ts";

const root = fileURLToPath(new URL("..", import.meta.url));

export type Reached = {
  readonly adminUrl: string;
  readonly ownerUrl: string;
  /** It was not running, and is stopped again. */
  readonly stop: () => Promise<void>;
};

/** The address of one database on the server of another. */
export const named = (url: string, database: string): string => {
  const other = new URL(url);
  other.pathname = `/${database}`;
  return other.href;
};

/** The records of this folder, whether they are being served or not; or those of a server of one's own. */
export async function reach(
  say: (line: string) => void,
  { isRestoring = false }: { readonly isRestoring?: boolean } = {},
): Promise<Reached & { readonly database: string }> {
  const given = process.env.MOSSY_ADMIN_URL;
  if (process.env.DATABASE_URL || given) {
    const owner = process.env.MOSSY_OWNER_URL;
    if (!given || !owner)
      throw new PlainFailure(
        "With a server of your own, set MOSSY_ADMIN_URL to the database's address for an administrator (row-level security hides rows from everybody else) and MOSSY_OWNER_URL to that of the tables' owner.",
      );
    const database = decodeURIComponent(new URL(given).pathname.slice(1));
    return { adminUrl: given, ownerUrl: owner, database, stop: async () => {} };
  }
  const folder = path.join(process.env.MOSSY_DATA ?? path.join(root, ".data"), "postgres");
  const running = attachCluster(folder);
  if (running)
    return {
      ...running,
      adminUrl: named(running.adminUrl, "mossy"),
      database: "mossy",
      stop: async () => {},
    };
  const cluster = await startCluster(folder, { say, isRestoring });
  return { ...cluster, adminUrl: named(cluster.adminUrl, "mossy"), database: "mossy" };
}

/** Runs one of PostgreSQL's programs against a database. The password goes by the environment, where no list of processes shows it. */
export async function runPostgres(program: "pg_dump", url: string, args: readonly string[]): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || "5432",
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
  const bin = findPostgres(console.error);
  const command = fs.existsSync(path.join(bin, program)) ? path.join(bin, program) : program;
  const child = spawn(command, args, { env, stdio: ["ignore", "ignore", "pipe"] });
  let said = "";
  child.stderr.on("data", (data) => {
    said += data;
  });
  const code = await new Promise<number | null>((resolve, reject) => {
    child.once("error", reject);
    child.once("exit", resolve);
  });
  if (code !== 0) throw new PlainFailure(`${program} did not succeed:\n${said.trim().slice(-2000)}`);
}

/** Runs something with a connection of its own. */
export async function withClient<Value>(
  url: string,
  act: (client: pg.Client) => Promise<Value>,
): Promise<Value> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await act(client);
  } finally {
    await client.end();
  }
}

const SCRATCH = "mossy-scratch-";
/** Names the process whose folder it is, so that what a killed one left can be told from what is in use. */
const OWNER = "process";

/** A folder for records on their way: nobody else on the machine reads it. What killed ones have left is cleared away first. */
export function scratchFolder(within = os.tmpdir()): { readonly path: string; readonly remove: () => void } {
  sweep(within);
  // What is written from here on by PostgreSQL's programs too is for our own eyes.
  process.umask(0o077);
  const folder = fs.mkdtempSync(path.join(within, SCRATCH));
  fs.writeFileSync(path.join(folder, OWNER), String(process.pid));
  return { path: folder, remove: () => fs.rmSync(folder, { recursive: true, force: true }) };
}

/** Lets PostgreSQL's own user through a scratch folder to a cluster in it, and nobody read there. */
export const letThrough = (folder: string): void => fs.chmodSync(folder, 0o711);

function sweep(within: string): void {
  for (const name of fs.readdirSync(within).filter((one) => one.startsWith(SCRATCH))) {
    const folder = path.join(within, name);
    if (fs.lstatSync(folder, { throwIfNoEntry: false })?.uid !== process.getuid?.()) continue;
    const note = path.join(folder, OWNER);
    // Only what says whose it was: anything else is not ours to take away.
    const pid = fs.existsSync(note) ? Number(fs.readFileSync(note, "utf8")) : 0;
    if (!(pid > 0) || isRunning(pid)) continue;
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/**
 * Makes the tables by our own migrations, as they were when the file was made, puts its rows into them, and holds what is there then against
 * what was kept. Nothing of what the file defines is done.
 */
export async function bringBack(
  { adminUrl, ownerUrl }: Pick<Reached, "adminUrl" | "ownerUrl">,
  dump: string,
  { tables, migrations }: Pick<Manifest, "tables" | "migrations">,
): Promise<void> {
  const known = knownMigrations();
  if (migrations.some((name, i) => known[i] !== name))
    throw new PlainFailure("The backup's tables were made by other steps than those of this version.");
  await migrate(ownerUrl, migrations.length);
  await rowsInto(ownerUrl, dump);
  const found = await withClient(adminUrl, tablesOf);
  const wrong = differences(ours(tables), ours(found));
  if (wrong.length > 0)
    throw new PlainFailure(`What came back is not what was kept:\n  ${wrong.slice(0, 12).join("\n  ")}`);
}

/** Without what a restore makes itself: the notes of the steps, and the queue, whose jobs are put into it anew. */
const ours = (tables: Tables): Tables =>
  Object.fromEntries(
    Object.entries(tables).filter(([name]) => !name.startsWith("pgboss.") && name !== "public.migration"),
  );

/** One FILE and one flag from the command line; prints the help and answers nothing where that is what was asked, or no FILE was given. */
export function fileAndFlag(help: string, flag: string): { file: string; flagged: boolean } | undefined {
  const { values, positionals } = parsed(help, flag);
  const [file] = positionals;
  if (!values.help && file && positionals.length === 1) return { file, flagged: values[flag] === true };
  console.log(help);
  if (!values.help) process.exitCode = 1;
  return undefined;
}

function parsed(help: string, flag: string) {
  try {
    return parseArgs({
      allowPositionals: true,
      options: { [flag]: { type: "boolean" }, help: { type: "boolean", short: "h" } },
    });
  } catch (error) {
    throw new PlainFailure(`${error instanceof Error ? error.message : error}\n\n${help}`);
  }
}
