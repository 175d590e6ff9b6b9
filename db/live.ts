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

/** Which kind of topic the rows of a table are shown by. Undefined: nothing but what is told by name shows them. */
export const TOPIC_OF: Readonly<Record<string, string | undefined>> = {
  ...of(
    "club",
    "adapter antenna channel_mapping channel_plan charge club computer computer_driver computer_port computer_tool",
  ),
  ...of(
    "club",
    "connector device driver driver_rule emission_limit gear identity lead offer one_time_link pair_advice pairing",
  ),
  ...of(
    "club",
    "pairing_event person place profile profile_use repeater repeater_heard segment sheet_head tool tool_support",
  ),
  ...of("club", "unit_group usb_id"),
  ...of(
    "unit",
    "carrying codeplug codeplug_now custody former_tag measurement reading simulated_radio spectrum unit",
  ),
  ...of("unit", "unit_channels unit_mode unit_setting"),
  ...of(
    "model",
    "codeplug_facts component confirmation hardware_revision mode model plan_table procedure quirk release service_item",
  ),
  ...of("run", "attempt practice_try run run_event run_thing"),
  ...of("log", "backup file file_part log"),
  need: "need",
  work: "work",
  ...of(undefined, "act_done carrying_count session"),
};

function of(topic: string | undefined, tables: string): Record<string, string | undefined> {
  return Object.fromEntries(tables.split(" ").map((table) => [table, topic]));
}

/** Tells of a change once the transaction is saved. */
export async function announce(tx: Tx, what: readonly Topic[]): Promise<void> {
  if (what.length === 0) return;
  await tx.query(
    `select pg_notify('${CHANNEL}', json_build_object('club', current_club()::text, 'what', $1::text[])::text)`,
    [shortened([...new Set(what)])],
  );
}

// PostgreSQL counts what it has not yet written down of earlier transactions with this one: it is told to write it down at this one's end.
/** The same, with the kinds of all rows that the transaction has touched, but for those of which one is told by its name. */
export async function announceTouched(tx: Tx, named: readonly Topic[]): Promise<void> {
  const what = shortened([...new Set(named)]);
  const kinds = new Set(what.map(kindOf));
  const others = Object.entries(TOPIC_OF).filter(([, topic]) => topic !== undefined && !kinds.has(topic));
  await tx.query(
    `select pg_notify('${CHANNEL}', json_build_object('club', current_club()::text, 'what', what)::text), pg_stat_force_next_flush()
     from (select $1::text[] || array(select distinct $2::jsonb ->> relname from pg_stat_xact_user_tables
       where schemaname = 'public' and $2::jsonb ? relname and n_tup_ins + n_tup_upd + n_tup_del > 0 order by 1) what) w
     where what <> '{}'`,
    [what, JSON.stringify(Object.fromEntries(others))],
  );
}

const kindOf = (topic: Topic): string => topic.split(":")[0] ?? topic;

export const shortened = (what: readonly Topic[]): readonly Topic[] =>
  what.length <= MOST_NAMED ? what : [...new Set(what.map(kindOf))];

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
