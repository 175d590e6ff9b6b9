// What changed in a club, told to every process that listens: sent in the transaction of the change, so that it is told if, and
// only if, it was made, and in the order in which changes were made.
import pg from "pg";
import { z } from "zod";
import { complainOf } from "./complain.ts";
import type { Tx } from "./pool.ts";

const CHANNEL = "mossy_change";
/** More radios than this are told of as "unit": some of them. PostgreSQL takes eight thousand bytes. */
const MOST_NAMED = 200;

/** Something that a page may show: "unit:12", "model:3", or a kind as a whole, "unit", "need", "kit", "log", "work", "club". */
export type Topic = string;

/** Tells of a change once the transaction is saved. */
export async function announce(tx: Tx, what: readonly Topic[]): Promise<void> {
  if (what.length === 0) return;
  await tx.query(
    `select pg_notify('${CHANNEL}', json_build_object('club', current_club()::text, 'what', $1::text[])::text)`,
    [shortened([...new Set(what)])],
  );
}

export const shortened = (what: readonly Topic[]): readonly Topic[] =>
  what.length <= MOST_NAMED ? what : [...new Set(what.map((topic) => topic.split(":")[0] ?? topic))];

const heardShape = z.union([
  z.object({ club: z.string(), what: z.array(z.string()) }),
  z.object({ session: z.string() }),
]);
export type Heard = z.infer<typeof heardShape>;

export type Listening = { readonly stop: () => Promise<void> };

/** Listens on one connection of its own. `missed`: it was away for a while, and nobody knows what changed. */
export function listen(
  url: string,
  {
    heard,
    missed,
    retryMs = 1000,
  }: {
    readonly heard: (what: Heard) => void;
    readonly missed: () => void;
    readonly retryMs?: number;
  },
): Listening {
  const complain = complainOf("The live channel waits");
  let over = false;
  let client: pg.Client | undefined;
  let timer: NodeJS.Timeout | undefined;
  let connectedBefore = false;

  const connect = async (): Promise<void> => {
    const own = new pg.Client({
      connectionString: url,
      application_name: "mossy-cabinet live",
      connectionTimeoutMillis: 3000,
      keepAlive: true,
    });
    client = own;
    let lost = false;
    const again = (error: Error) => {
      if (lost || over) return;
      lost = true;
      complain(error);
      own.end().catch(() => {});
      timer = setTimeout(() => void connect(), retryMs);
    };
    own.on("error", again);
    own.on("end", () => again(new Error("the connection was closed")));
    own.on("notification", ({ payload = "" }) => {
      const read = heardShape.safeParse(parsed(payload));
      if (read.success) heard(read.data);
    });
    try {
      await own.connect();
      await own.query(`listen ${CHANNEL}`);
      if (connectedBefore) missed();
      connectedBefore = true;
    } catch (error) {
      again(error instanceof Error ? error : new Error(String(error)));
    }
  };
  void connect();
  return {
    stop: async () => {
      over = true;
      clearTimeout(timer);
      await client?.end().catch(() => {});
    },
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
