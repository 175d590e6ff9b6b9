// Reads for pages: one read-only transaction a request, and statements asked for together are sent together, since the round trip costs more than most of them.
import net from "node:net";
import type pg from "pg";
import {
  type Actor,
  beginning,
  guarded,
  keptPool,
  openPool,
  prepared,
  type Tx,
  whenClosing,
  withClub,
} from "./pool.ts";

const readers = keptPool((url) => openPool(url, { pipeline: true, stream: gatheringSocket }));
whenClosing(readers.close);

/** A socket that sends what is written in one turn of the event loop as one piece. */
function gatheringSocket(): net.Socket {
  const socket = new net.Socket();
  // Only now: connecting gives a socket its own way of writing back.
  socket.once("connect", () => gatherWrites(socket));
  return socket;
}

function gatherWrites(socket: net.Socket): void {
  const write = socket.write.bind(socket) as (...args: unknown[]) => boolean;
  let gathering = false;
  socket.write = (...args: unknown[]) => {
    if (!gathering) {
      gathering = true;
      socket.cork();
      process.nextTick(() => {
        gathering = false;
        socket.uncork();
      });
    }
    return write(...args);
  };
}

export type ReadTransaction = <Value>(act: (tx: Tx) => Promise<Value>) => Promise<Value>;

type Open = { readonly client: Promise<pg.PoolClient>; users: number };

/** A reading for one request: acts that overlap share their transaction; the last one closes it. */
export function readingOf(actor: Actor): ReadTransaction {
  let open: Open | undefined;
  return (act) =>
    guarded(async () => {
      open ??= { client: begin(actor), users: 0 };
      const own = open;
      own.users++;
      try {
        return await act(prepared(await own.client));
      } finally {
        own.users--;
        if (own.users === 0) {
          if (open === own) open = undefined;
          end(own.client);
        }
      }
    });
}

/** The first statements need not wait for the transaction to be begun: they follow it on the same line. */
async function begin(actor: Actor): Promise<pg.PoolClient> {
  const client = await readers.get().connect();
  client.on("error", ignore);
  // If it fails, so does all that follows: outside of it no club is set, and without a club nothing is seen.
  client.query(beginning(actor, "read only")).catch(ignore);
  return client;
}
const ignore = () => {};

/** Nobody waits for the end: there is nothing to be saved. */
function end(client: Promise<pg.PoolClient>): void {
  client
    .then(async (held) => {
      const broken = await held.query("commit").then(
        () => undefined,
        (error: Error) => error,
      );
      held.off("error", ignore);
      held.release(broken);
    })
    .catch(ignore);
}

/** A reading of its own that may take longer than a page. */
export const readingAtLength = <Value>(actor: Actor, act: (tx: Tx) => Promise<Value>): Promise<Value> =>
  withClub(
    actor,
    async (tx) => {
      await tx.query("set transaction read only");
      return act(tx);
    },
    "work",
  );
