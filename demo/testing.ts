// The demo club in a database of its own, seen by its keeper: for tests of what the pages are made from.

import type { SignedIn } from "#app/context.ts";
import { dateInZone } from "#core/quantities/index.ts";
import { findAccount } from "#db/club/index.ts";
import { type Tx, withClub } from "#db/pool.ts";
import { type TestDatabase, takenBack, testDatabase } from "#db/testing.ts";
import { CLUB, PEOPLE } from "./data/club.ts";
import { loadDemo } from "./load.ts";

export type DemoClub = TestDatabase & {
  readonly who: SignedIn;
  readonly ask: <Value>(act: (tx: Tx, who: SignedIn) => Promise<Value>) => Promise<Value>;
  /** Runs an act and takes all of it back. */
  readonly trial: (act: (tx: Tx, who: SignedIn) => Promise<void>) => Promise<void>;
};

export async function demoClub(): Promise<DemoClub> {
  const database = await testDatabase({ name: "demo", fill: () => loadDemo().then(() => {}) });
  const [keeper] = PEOPLE;
  const account = await findAccount(keeper?.email ?? "");
  if (!keeper || !account) throw new Error("the demo has a keeper");
  const who: SignedIn = {
    session: "0",
    club: account.club_id,
    person: account.person_id,
    name: keeper.name,
    role: "keeper",
    theme: "auto",
    clubName: CLUB.name,
    timeZone: CLUB.timeZone,
    locale: "en-GB",
    today: dateInZone(new Date(), CLUB.timeZone),
  };
  return {
    ...database,
    who,
    ask: (act) => withClub(who, (tx) => act(tx, who)),
    trial: (act) => takenBack(who, (tx) => act(tx, who)),
  };
}
