// One unit with what is needed to say how it stands, and with what it can be reached.
import type { Situation, UnitFacts } from "../unit/index.ts";
import type { PreparedKit } from "./chain/chain.ts";

/** A radio's model and the connectors at it. */
export type Reachable = { readonly model: string; readonly plugs: readonly string[] };

export type KitSituation<Unit extends UnitFacts = UnitFacts> = Situation<Unit> & {
  readonly radio: Reachable;
  readonly kit: PreparedKit;
};

/** What of it does not depend on the day: needs and what meets them never do. */
export type AnyDay<S extends Situation> = Omit<S, "today">;
