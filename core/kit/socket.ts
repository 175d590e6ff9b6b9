// Whether a radio's antenna socket meets what it is to send into, with the adapters that are there.
import { pathsOver } from "./chain/path.ts";

/** What joins two sockets, by the ids of their connectors. */
export type SocketAdapter = {
  readonly id: string;
  readonly tag: string;
  readonly ends: readonly [string, string];
  /** Another bench has it now. */
  readonly elsewhere?: boolean;
};

export type SocketFit<A> =
  | { readonly kind: "fits" }
  | { readonly kind: "with"; readonly adapters: readonly A[] }
  /** Nothing that is here joins them. */
  | { readonly kind: "missing"; readonly radio: string; readonly other: string }
  /** Nobody has noted which socket it has. */
  | { readonly kind: "unknown"; readonly of: "radio" | "other" };

/** By the fewest adapters, two at most, of those that no other bench has; else of all. Sockets by the ids of their connectors. */
export function socketFit<A extends SocketAdapter>(
  radio: string | undefined,
  other: string | undefined,
  adapters: readonly A[],
): SocketFit<A> {
  if (radio === undefined) return { kind: "unknown", of: "radio" };
  if (other === undefined) return { kind: "unknown", of: "other" };
  const free = adapters.filter(({ elsewhere }) => !elsewhere);
  const [path] = [...pathsOver(free)(radio, other), ...pathsOver(adapters)(radio, other)];
  if (!path) return { kind: "missing", radio, other };
  return path.length === 0 ? { kind: "fits" } : { kind: "with", adapters: path };
}
