// What a change would touch, shown before it is made: a model of 10,000 units, from the database to the words' tags.
import pg from "pg";
import { previewRelease } from "#acts/model/write-release.ts";
import type { SignedIn } from "#app/context.ts";
import { actOnRelease } from "#app/models/release/load-release.server.ts";
import { addDays, plain } from "#core/quantities/index.ts";
import { type Tx, withClub } from "#db/pool.ts";
import { testDatabase, twoClubs } from "#db/testing.ts";
import { best, type Measured, ms, sorts } from "./clock.ts";
import { bigClub } from "./needs.ts";
import { fillClub } from "./store.ts";

const UNITS = 10_000;
const today = plain("2026-06-01");
const KEEPER = {
  name: "K",
  role: "keeper",
  clubName: "One",
  locale: "en-GB",
  timeZone: "UTC",
  theme: "auto",
  session: "1",
  today,
} as const;

export async function measurePreview(): Promise<Measured[]> {
  const database = await testDatabase();
  const [actor] = await twoClubs(database);
  await withClub(actor, (tx) => fillClub(tx, bigClub(1, UNITS)), "work");
  const owner = new pg.Client({ connectionString: database.ownerUrl });
  await owner.connect();
  await owner.query("vacuum analyze");
  await owner.end();
  const who: SignedIn = { ...actor, ...KEEPER };
  const results = await withClub(actor, (tx) => measure(tx, who));
  await database.close();
  return results;
}

async function measure(tx: Tx, who: SignedIn): Promise<Measured[]> {
  const { rows } = await tx.query<{ model: string; component: string }>(
    "select m.id model, c.id component from model m join component c on c.model_id = m.id where c.name = 'main' and m.name = 'M0'",
  );
  const [found] = rows;
  if (!found) throw new Error("the model is not there");
  const input = {
    ...found,
    version: "9.9",
    aliases: [],
    track: "factory" as const,
    releasedOn: addDays(today, -1),
    fixes: [],
    notes: "",
    draft: false,
  };
  let touched = 0;
  const whole = await best(10, async () => {
    const preview = await previewRelease(tx, input, today);
    if (!preview.ok) throw new Error(preview.problem.kind);
    touched = Object.values(preview.value.effect).flat().length;
  });
  const typed = {
    component: found.component,
    version: "9.9",
    track: "factory",
    releasedOn: input.releasedOn,
    erases: "nothing",
    minutes: "5",
    risk: "2",
  };
  const answer = await best(6, async () => {
    const form = new FormData();
    for (const [name, value] of Object.entries(typed)) form.set(name, value);
    const told = await actOnRelease(tx, who, found.model, "new", form);
    if (told instanceof Response || !("touched" in told.data)) throw new Error("it was refused");
  });
  const units = UNITS.toLocaleString("en");
  return [
    await sorts(`what a new release would touch of ${units} units (${touched} of them)`, whole, 10),
    {
      what: "the page's whole answer: that, the way of each of them to it, and their tags",
      value: ms(answer),
      asked: "no bound",
      ok: true,
    },
  ];
}
