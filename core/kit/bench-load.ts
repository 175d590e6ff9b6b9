// The dummy load for a radio at the bench: one that takes what it sends, and can be joined to its antenna socket.
import { loadFor, loadInWords, type Sending } from "../measure/index.ts";
import type { Condition } from "./shapes.ts";
import { type SocketAdapter, type SocketFit, socketFit } from "./socket.ts";

/** A thing of the kit as far as it decides whether it can go to the bench now. */
type Kept = {
  readonly id: string;
  readonly tag: string;
  readonly condition: Condition;
  readonly holder: string | null;
  /** Another bench has it now. */
  readonly taken: boolean;
};
export type KeptLoad = Kept & {
  readonly rating: string;
  /** The connector of its socket; null: nobody has noted it. */
  readonly socket: string | null;
};
export type KeptAdapter = Kept & { readonly ends: readonly [string, string] };

export type BenchLoad = {
  /** In words: the load, its adapters, what to look at. */
  readonly what: string;
  /** What goes along. */
  readonly load?: KeptLoad;
  readonly adapters: readonly SocketAdapter[];
  /** The two sockets that nothing joins, where that is so of every load that takes what it sends. */
  readonly missing?: { readonly radio: string; readonly load: string };
};

/**
 * `socket`: of the radio, by its connector; undefined: nobody has noted it. `watts`: the most that it may send. Of what fits, what no other bench
 * has comes first. A load must be sound, since it takes the power; an adapter may be worn. Nothing is claimed of sockets that nobody has noted.
 */
export function benchLoad(
  loads: readonly KeptLoad[],
  adapters: readonly KeptAdapter[],
  socket: string | undefined,
  watts: number | undefined,
  sending: Sending,
): BenchLoad {
  const joining = adapters
    .filter(({ condition, holder }) => holder === null && condition !== "broken" && condition !== "lost")
    .map(({ id, tag, ends, taken }) => ({ id, tag, ends, elsewhere: taken }));
  const here = loads
    .filter(({ condition, holder }) => holder === null && condition === "sound")
    .map((load) => ({ ...load, joined: socketFit(socket, load.socket ?? undefined, joining) }));
  const found = loadFor(
    here.filter(({ joined }) => joined.kind !== "missing"),
    watts,
    sending,
  );
  const what = [loadInWords(found, watts, sending), found && joinedInWords(found.load.joined)]
    .filter(Boolean)
    .join(", ");
  if (found) {
    const { joined, ...load } = found.load;
    return { what, load, adapters: joined.kind === "with" ? joined.adapters : [] };
  }
  const apart = loadFor(here, watts, sending)?.load.joined;
  const missing = apart?.kind === "missing" ? { radio: apart.radio, load: apart.other } : undefined;
  return { what, adapters: [], ...(missing && { missing }) };
}

/** What joins them; where nobody has noted a socket, that one looks. */
function joinedInWords(joined: SocketFit<SocketAdapter>): string | undefined {
  switch (joined.kind) {
    case "with":
      return `adapter ${joined.adapters.map(({ tag }) => tag).join(" and ")}`;
    case "unknown":
      return "look that it fits the antenna socket";
    case "fits":
    case "missing":
      return undefined;
  }
}
