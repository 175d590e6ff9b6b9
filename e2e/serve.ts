// A server of its own for a spec: a fresh database on the test cluster, with the demo club or empty.
import path from "node:path";
import { fileURLToPath } from "node:url";
import pg from "pg";
import { migrate } from "#db/migrate.ts";
import { closePool } from "#db/pool.ts";
import { loadDemo } from "#demo/load.ts";
import type { ServeOptions } from "../server/app.ts";

const root = fileURLToPath(new URL("..", import.meta.url));

export type Served = {
  readonly address: string;
  readonly stop: () => Promise<void>;
  /** Its database, as the owner of the tables sees it. */
  readonly ownerUrl: string;
};

const named = (url: string, database: string) => url.replace(/\/[^/]*$/, `/${database}`);

export async function serveFresh(
  content: "demo" | "empty",
  on: { owner?: string | undefined; app?: string | undefined } = {
    owner: process.env.MOSSY_TEST_OWNER_URL,
    app: process.env.MOSSY_TEST_APP_URL,
  },
  more: Partial<ServeOptions> = {},
): Promise<Served> {
  const { owner, app } = on;
  if (!owner || !app) throw new Error("run with scripts/with-postgres.ts");
  const name = `e2e_${content}_${process.pid}_${Date.now()}`;
  const admin = new pg.Client({ connectionString: owner });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  await migrate(named(owner, name));
  process.env.MOSSY_DATABASE_URL = named(app, name);
  // The loader's pool is this process's own, beside the one inside the built server: it must not outlive its database.
  await closePool();
  if (content === "demo") await loadDemo();
  await closePool();
  const { serve } = (await import(
    path.join(root, "build/server/index.js")
  )) as typeof import("../server/app.ts");
  const running = await serve({ port: 0, clientFolder: path.join(root, "build/client"), ...more });
  return { address: running.address, stop: running.stop, ownerUrl: named(owner, name) };
}
