// The one door to the database: a pool that is always the role mossy_app, and withClub, which opens a
// transaction that sees one club. No query outside db/ and no query without a club.
import { AsyncLocalStorage } from "node:async_hooks";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import pg from "pg";
import { from as copyFrom } from "pg-copy-streams";
import { complainOf } from "./complain.ts";
import { DatabaseAway, isAway } from "./errors.ts";

// Calendar dates stay the plain text they are; ids (bigint) stay text, as core wants them.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

export type Tx = {
  /** For statements whose rows nobody reads; where they are read, `ask` holds them against their shape. */
  query<Row extends pg.QueryResultRow = Record<string, never>>(
    text: string,
    values?: unknown[],
  ): Promise<pg.QueryResult<Row>>;
  /** Sends rows (`CopyRows`) by COPY: the quickest way in, for tables without row-level security. */
  copyIn(table: string, rows: Buffer): Promise<void>;
};

/** Who acts, and in which club. */
export type Actor = { readonly club: string; readonly person: string };

/** No request waits longer than ten seconds: three for a connection at most, and so long for a statement. */
const STATEMENT_MS = 4000;
/** What is not asked by a request may take its time: jobs, sheets of thousands of radios. */
const WORK_STATEMENT_MS = 300_000;
const IDLE_IN_TRANSACTION_MS = 30_000;

export function openPool(url: string, more: pg.PoolConfig = {}): pg.Pool {
  const opened = new pg.Pool({
    connectionString: url,
    max: 12,
    // Joins are written in their best order: searching for another took ten times as long as the board's whole query.
    options:
      "-c role=mossy_app -c join_collapse_limit=1 -c plan_cache_mode=force_generic_plan -c max_parallel_workers_per_gather=0",
    connectionTimeoutMillis: 3000,
    statement_timeout: STATEMENT_MS,
    // Where the server does not even answer that it gave up.
    query_timeout: STATEMENT_MS + 300,
    idle_in_transaction_session_timeout: IDLE_IN_TRANSACTION_MS,
    idleTimeoutMillis: 30_000,
    application_name: "mossy-cabinet",
    ...more,
  });
  // A connection that breaks while idle must not end the process; the next request opens another.
  opened.on("error", complainOf("A connection to the database broke"));
  return opened;
}

/**
 * A pool that is opened when it is first asked for, and anew where the database is another since: what still ran while a server stopped may have
 * opened one to the database that it was for.
 */
export function keptPool(open: (url: string) => pg.Pool): {
  readonly get: () => pg.Pool;
  readonly close: () => Promise<void>;
} {
  let had: { readonly url: string; readonly pool: pg.Pool } | undefined;
  const close = async () => {
    const old = had?.pool;
    had = undefined;
    await old?.end();
  };
  return {
    get: () => {
      const url = process.env.MOSSY_DATABASE_URL;
      if (!url) throw new Error("MOSSY_DATABASE_URL is not set; ./start sets it");
      if (had && had.url !== url) close().catch(complainOf("A pool to another database did not close"));
      had ??= { url, pool: open(url) };
      return had.pool;
    },
    close,
  };
}

const requests = keptPool((url) => openPool(url));
export const pool = (): pg.Pool => requests.get();

const working = keptPool((url) =>
  openPool(url, {
    max: 4,
    statement_timeout: WORK_STATEMENT_MS,
    query_timeout: WORK_STATEMENT_MS + 300,
  }),
);

export async function closePool(): Promise<void> {
  await Promise.all([requests.close(), working.close(), ...closings.map((close) => close())]);
}
/** What else is open to the database, and is closed with the pool. */
const closings: (() => Promise<void>)[] = [];
export const whenClosing = (close: () => Promise<void>): void => {
  closings.push(close);
};

/** For the few questions asked before a club is known; the functions behind them are in the ground migration. */
export async function withoutClub<Value>(ask: (tx: Tx) => Promise<Value>): Promise<Value> {
  return guarded(async () => {
    const client = await pool().connect();
    let silent: Error | undefined;
    try {
      return await ask(prepared(client));
    } catch (error) {
      silent = ifSilent(error);
      throw error;
    } finally {
      client.release(silent);
    }
  });
}

/** The error if the server did not answer in time: such a connection still waits, and is of no use to anybody. */
const ifSilent = (error: unknown): Error | undefined =>
  error instanceof Error && error.message === "Query read timeout" ? error : undefined;

const DEADLOCK = "40P01";

/**
 * Runs `act` in one transaction that sees and changes only the actor's club. Where two such transactions waited for
 * each other, PostgreSQL undoes one of them; that one is run again, twice at most.
 */
export async function withClub<Value>(
  actor: Actor,
  act: (tx: Tx) => Promise<Value>,
  pace: "request" | "work" = "request",
): Promise<Value> {
  const joined = trial.getStore();
  if (joined) return act(joined);
  for (let again = 2; ; again--) {
    try {
      return await once(actor, act, pace === "work" ? working.get() : pool());
    } catch (error) {
      const undone = error instanceof Error && "code" in error && error.code === DEADLOCK;
      if (!undone || again === 0) throw error;
    }
  }
}

/** For tests that take all back: what asks for a transaction meanwhile is given theirs. */
export const trial = new AsyncLocalStorage<Tx>();

export const beginning = (actor: Actor, mode: "read only" | "read write" = "read write"): string =>
  `begin ${mode}; select set_config('mossy.club', '${BigInt(actor.club)}', true), set_config('mossy.person', '${BigInt(actor.person)}', true)`;

function once<Value>(actor: Actor, act: (tx: Tx) => Promise<Value>, from: pg.Pool): Promise<Value> {
  return guarded(async () => {
    const client = await from.connect();
    let broken: Error | undefined;
    // A connection lost between two statements is reported here too; without a listener it would end the process.
    const onError = (error: Error) => {
      broken = error;
    };
    client.on("error", onError);
    const turn = inTurn();
    try {
      await client.query(beginning(actor));
      const value = await act(prepared(client, turn));
      await turn(() => client.query("commit"));
      return value;
    } catch (error) {
      broken ??= ifSilent(error);
      if (!broken)
        await turn(() => client.query("rollback")).catch((lost: Error) => {
          broken ??= lost;
        });
      throw error;
    } finally {
      client.off("error", onError);
      client.release(broken);
    }
  });
}

type Turn = <Value>(ask: () => Promise<Value>) => Promise<Value>;

/** One after the other: outside of pipeline mode a connection takes nothing while it is busy. */
function inTurn(): Turn {
  let last: Promise<unknown> = Promise.resolve();
  return (ask) => {
    const own = last.then(ask, ask);
    last = own;
    return own;
  };
}
const atOnce: Turn = (ask) => ask();

/** From here to the end of the transaction nobody else of the club comes past here with the same `what`. */
export const oneAtATime = (tx: Tx, what: string): Promise<unknown> =>
  tx.query("select pg_advisory_xact_lock(hashtextextended(current_club() || ' ' || $1, 0))", [what]);

/** Statements with values are prepared under a name of their own, so that PostgreSQL plans each once a connection. */
export function prepared(client: pg.PoolClient, turn: Turn = atOnce): Tx {
  return {
    query: <Row extends pg.QueryResultRow>(text: string, values?: unknown[]) => {
      if (!values) return turn(() => client.query<Row>(text));
      let name = names.get(text);
      if (!name) {
        name = `s${names.size}`;
        names.set(text, name);
      }
      return turn(() => client.query<Row>({ name, text, values }));
    },
    copyIn: (table, rows) =>
      turn(() =>
        pipeline(
          Readable.from([rows], { objectMode: false }),
          client.query(copyFrom(`copy ${table} from stdin (format binary)`)),
        ),
      ),
  };
}
const names = new Map<string, string>();

export async function guarded<Value>(act: () => Promise<Value>): Promise<Value> {
  try {
    return await act();
  } catch (error) {
    if (isAway(error)) throw new DatabaseAway("the database cannot be reached", { cause: error });
    throw error;
  }
}
