// A server of its own for a spec: a copy of a database with the demo club, or of an empty one.
import dns from "node:dns";
import path from "node:path";
import { fileURLToPath } from "node:url";
import { migrate } from "#db/migrate.ts";
import { closePool } from "#db/pool.ts";
import { copyOf, databaseUrl } from "#db/testing-template.ts";
import { loadDemo } from "#demo/load.ts";
import type { ServeOptions } from "../server/app.ts";

const root = fileURLToPath(new URL("..", import.meta.url));

export type Served = {
  readonly address: string;
  readonly stop: () => Promise<void>;
  /** Its database, as the owner of the tables sees it. */
  readonly ownerUrl: string;
};

/**
 * The name of a club's own network, where pages have no secure context: there the browser tests run, too (`MOSSY_E2E_NAME=cabinet.test`). The
 * browser is told where it is by its options; what a test asks for itself, here.
 */
const NAME = process.env.MOSSY_E2E_NAME;
if (NAME) {
  const here = (host: string, ways: readonly unknown[], otherwise: () => unknown) => {
    if (host !== NAME) return otherwise();
    const told = ways.at(-1);
    const found = [{ address: "127.0.0.1", family: 4 }];
    if (typeof told !== "function") return Promise.resolve(found);
    const [first] = ways;
    const isAll = typeof first === "object" && first !== null && "all" in first && first.all === true;
    return isAll ? told(null, found) : told(null, "127.0.0.1", 4);
  };
  for (const from of [dns, dns.promises] as { lookup: (host: string, ...ways: unknown[]) => unknown }[]) {
    const { lookup } = from;
    from.lookup = (host, ...ways) => here(host, ways, () => lookup.call(from, host, ...ways));
  }
}
const named = (more: Partial<ServeOptions>): Partial<ServeOptions> =>
  NAME ? { ...more, names: [...(more.names ?? []), NAME] } : more;
const addressOf = (address: string): string =>
  NAME ? address.replace(/127\.0\.0\.1|localhost/, NAME) : address;

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
  // The loader's pool is this process's own, beside the one inside the built server: it must not outlive its database.
  const use = (database: string) => {
    process.env.MOSSY_DATABASE_URL = databaseUrl(app, database);
    return closePool();
  };
  await copyOf(`e2e_like_${content}`, name, owner, async (ownerUrl) => {
    await migrate(ownerUrl);
    await use(ownerUrl.slice(ownerUrl.lastIndexOf("/") + 1));
    if (content === "demo") await loadDemo();
    await closePool();
  });
  await use(name);
  const { serve } = (await import(
    path.join(root, "build/server/index.js")
  )) as typeof import("../server/app.ts");
  const running = await serve({ port: 0, clientFolder: path.join(root, "build/client"), ...named(more) });
  return { address: addressOf(running.address), stop: running.stop, ownerUrl: databaseUrl(owner, name) };
}

/** The same database served anew, at the same address, after it was stopped. */
export async function serveAgain(port: number): Promise<Pick<Served, "address" | "stop">> {
  const { serve } = (await import(
    path.join(root, "build/server/index.js")
  )) as typeof import("../server/app.ts");
  const running = await serve({ port, clientFolder: path.join(root, "build/client"), ...named({}) });
  return { address: addressOf(running.address), stop: running.stop };
}
