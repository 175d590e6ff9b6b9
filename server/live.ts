// The live channel: one stream of server-sent events a page, numbered by club and resumed from the last number seen. It says only what changed; pages ask for the rest.
import { randomBytes } from "node:crypto";
import type { RequestHandler, Response } from "express";
import { personOf } from "#app/auth/session.server.ts";
import { type Heard, type Listening, listen, type Topic } from "#db/live.ts";

/** So many changes of a club are remembered for pages that come back. */
const REMEMBERED = 500;
const HEARTBEAT_MS = 20_000;
/** A page's stream ends after this long and is opened again, if the session still holds. */
const LASTS_MS = 15 * 60_000;
/** Streams that one session may have open, and all together. */
const MOST_OF_SESSION = 24;
const MOST = 2000;
const MOST_WAITING_BYTES = 256 * 1024;

type Told = { readonly number: number; readonly what: readonly Topic[] };
type ClubChannel = { number: number; readonly told: Told[] };
type Stream = {
  readonly club: string;
  readonly session: string;
  readonly send: (id: string, what: readonly Topic[]) => void;
  readonly close: () => void;
};

/** Everything may have changed. */
export const ALL: readonly Topic[] = ["all"];

export type Hub = ReturnType<typeof makeHub>;

/** Numbers what is heard and hands it to the streams of its club. */
export function makeHub(epoch = randomBytes(6).toString("hex")) {
  const clubs = new Map<string, ClubChannel>();
  const streams = new Set<Stream>();
  const channelOf = (club: string): ClubChannel => {
    const known = clubs.get(club) ?? { number: 0, told: [] };
    clubs.set(club, known);
    return known;
  };
  const idOf = (number: number) => `${epoch}-${number}`;

  const tell = (club: string, what: readonly Topic[]) => {
    const channel = channelOf(club);
    channel.number++;
    channel.told.push({ number: channel.number, what });
    if (channel.told.length > REMEMBERED) channel.told.shift();
    for (const stream of streams) if (stream.club === club) stream.send(idOf(channel.number), what);
  };

  // Out of the list before it is closed: what has ended must not be told of anything more.
  const end = (stream: Stream) => {
    streams.delete(stream);
    stream.close();
  };

  return {
    heard: (what: Heard): void => {
      if ("club" in what) tell(what.club, what.what);
      else for (const stream of [...streams]) if (stream.session === what.session) end(stream);
    },
    missed: (): void => {
      for (const club of clubs.keys()) tell(club, ALL);
    },
    /** Opens a stream; `last` is the number it saw last. Undefined if there are too many. */
    open: (stream: Stream, last?: string): { readonly close: () => void } | undefined => {
      const own = [...streams].filter((one) => one.session === stream.session).length;
      if (own >= MOST_OF_SESSION || streams.size >= MOST) return undefined;
      const channel = channelOf(stream.club);
      const now = idOf(channel.number);
      const [, of, seen] = /^(\w+)-(\d+)$/.exec(last ?? now) ?? [];
      const number = of === epoch ? Number(seen) : Number.NaN;
      const oldest = channel.told[0]?.number ?? channel.number + 1;
      // Of another server's time, or longer ago than is remembered: nobody knows what was missed.
      if (!(number >= oldest - 1 && number <= channel.number)) stream.send(now, ALL);
      else {
        const since = channel.told.filter((told) => told.number > number);
        stream.send(now, [...new Set(since.flatMap((told) => told.what))]);
      }
      streams.add(stream);
      return { close: () => streams.delete(stream) };
    },
    closeAll: (): void => {
      for (const stream of [...streams]) end(stream);
    },
    get size(): number {
      return streams.size;
    },
  };
}

/** Listens to the database for as long as the server runs. */
export const startLive = (url: string, hub: Hub): Listening =>
  listen(url, { heard: hub.heard, missed: hub.missed });

/** Answers GET /live. Whoever is not signed in is told so, and the browser does not ask again by itself. */
export function liveUpdates(hub: Hub): RequestHandler {
  return async (request, response, next) => {
    try {
      const who = await personOf(request.headers.cookie);
      if (!who) return void response.status(401).type("text/plain").send("Nobody is signed in.\n");
      if (request.method === "HEAD") return void response.status(200).type("text/event-stream").end();
      const after = request.query.after;
      const last = request.get("Last-Event-ID") ?? (typeof after === "string" ? after : undefined);
      stream(hub, response, { club: who.club_id, session: who.session_id }, last?.slice(0, 60));
    } catch (error) {
      next(error);
    }
  };
}

function stream(
  hub: Hub,
  response: Response,
  whose: Pick<Stream, "club" | "session">,
  last: string | undefined,
): void {
  let headed = false;
  const head = () => {
    if (headed) return;
    headed = true;
    response
      .status(200)
      .set({ "Content-Type": "text/event-stream", "Cache-Control": "no-store", "X-Accel-Buffering": "no" });
    // How long the browser waits before it comes back.
    response.write("retry: 2000\n\n");
  };
  const open = hub.open(
    {
      ...whose,
      send: (id, what) => {
        if (response.writableEnded) return;
        // Whoever does not read is let go, and comes back with the number it saw last.
        if (response.writableLength > MOST_WAITING_BYTES) return void response.destroy();
        head();
        response.write(`id: ${id}\ndata: ${JSON.stringify(what)}\n\n`);
      },
      close: () => response.end(),
    },
    last,
  );
  if (!open) {
    response.status(429).set("Retry-After", "60").type("text/plain").send("Too many pages listen.\n");
    return;
  }
  const beat = setInterval(() => response.writableEnded || response.write(": \n\n"), HEARTBEAT_MS);
  const end = setTimeout(() => response.end(), LASTS_MS);
  response.once("close", () => {
    clearInterval(beat);
    clearTimeout(end);
    open.close();
  });
}
