// Lays the demo club into an empty database, with its past counted back from the day it is loaded.

import { z } from "zod";
import { recompute } from "#acts/needs/recompute.ts";
import { hashPassword, isPassword } from "#app/auth/password.server.ts";
import { addDays, dateInZone, groupBy, mustGet, type PlainDate } from "#core/quantities/index.ts";
import { ask } from "#db/ask.ts";
import { findAccount, foundClub } from "#db/club/index.ts";
import { type Tx, withClub } from "#db/pool.ts";
import * as seed from "#db/seed.ts";
import { addUnit, setHold } from "#db/unit/index.ts";
import { layBench } from "./bench.ts";
import { layBluetooth } from "./bluetooth.ts";
import { type Laid, layModels, realPolicy } from "./catalogue.ts";
import { layCodeplugs } from "./codeplugs.ts";
import { CLUB, GROUPS, PASSWORD, PEOPLE, PLACES } from "./data/club.ts";
import { TRANSMIT } from "./data/modes.ts";
import { STORY } from "./data/story.ts";
import { SERIALS, UNITS } from "./data/units.ts";
import { layDossiers } from "./dossiers.ts";
import { layKit } from "./kit.ts";
import { layChannels, layModes, layPowers, laySpectra, layUnitModes } from "./modes.ts";
import { parseUnits } from "./parse.ts";
import { layService, layUnitSettings } from "./service.ts";

/** Before everything else that its log tells. */
const FOUNDED_AGO = 1500;

/** Loads the club if there is none; false if there is one already. */
export async function loadDemo(today: PlainDate = dateInZone(new Date(), CLUB.timeZone)): Promise<boolean> {
  const hash = await hashPassword(PASSWORD);
  const [keeper] = PEOPLE;
  if (!keeper?.email) throw new Error("the demo has a keeper");
  const founded = await foundClub({
    club: CLUB.name,
    timeZone: CLUB.timeZone,
    keeper: keeper.name,
    email: keeper.email,
    passwordHash: hash,
    at: evening(addDays(today, -FOUNDED_AGO), 0),
  });
  if (!founded) return false;
  const actor = { club: founded.club_id, person: founded.person_id };
  await withClub(actor, (tx) => lay(tx, today, hash, founded.person_id));
  return true;
}

/** With which addresses and password one signs in, of the demo's people who are here and still have it; none in another club. */
export async function demoSignIns(): Promise<string[]> {
  const here: string[] = [];
  for (const { email, role } of PEOPLE) {
    const account = email ? await findAccount(email) : undefined;
    if (account && (await isPassword(account.password_hash, PASSWORD))) here.push(`  ${email}  ${role}`);
  }
  return here.length === 0 ? [] : [`The demo people, all with the password “${PASSWORD}”:`, ...here];
}

/** An evening of a past day: the club meets at seven. */
const evening = (day: PlainDate, minute: number) =>
  `${day}T19:${String(Math.min(59, minute)).padStart(2, "0")}:00Z`;

async function lay(tx: Tx, today: PlainDate, hash: string, keeper: string): Promise<void> {
  const ago = (days: number) => addDays(today, -days);
  const people = new Map<string, string>([["Wren", keeper]]);
  for (const { name, role, email, callSign, licence } of PEOPLE.slice(1)) {
    const first = name.split(" ")[0] ?? name;
    people.set(
      first,
      await seed.seedPerson(tx, { name, role, email, hash: email && hash, callSign, licence }),
    );
  }
  const places = new Map<string, string>();
  for (const [position, { key, ...place }] of PLACES.entries()) {
    places.set(key, await seed.seedPlace(tx, { ...place, position }));
  }
  const catalogue = await layModels(tx, ago, keeper);
  await layDossiers(tx, catalogue, people, today);
  await layModes(tx, catalogue, today);
  const settings = await layService(tx, catalogue);
  const groups = new Map<string, string>();
  for (const [position, { key, policy, ...group }] of GROUPS.entries()) {
    const transmit = TRANSMIT[key];
    const real = { ...realPolicy(policy, catalogue, today), ...(transmit && { transmit }) };
    groups.set(key, await seed.seedGroup(tx, { ...group, policy: real, position }));
  }
  const past: seed.Past[] = [];
  await layUnits(tx, { ago, people, places, groups, catalogue, past });
  const units = await unitIds(tx);
  const models = new Map([...catalogue].map(([name, model]) => [name, model.id]));
  const kit = await layKit(tx, { people, places, units, models }, today);
  for (const [days, who, tag, text] of STORY) {
    past.push({
      at: evening(ago(days), 40),
      by: people.get(who) ?? keeper,
      entry: { kind: "note", text },
      ...(tag && units.get(tag) && { unit: units.get(tag) }),
    });
  }
  await layUnitModes(tx, { units, people, evening }, today);
  await layPowers(tx, { units, people }, today);
  await layChannels(tx, { units, people }, today);
  await laySpectra(tx, { units, people }, today);
  await layUnitSettings(tx, { units, people, settings }, today);
  await layBench(tx, { units, people, evening }, today);
  await layCodeplugs(tx, { units, people, models, evening }, today);
  await layBluetooth(tx, { people, places, units, models, ...kit }, today);
  await seed.seedLog(tx, past);
  await holdOne(tx, units, today);
  await recompute(tx, { of: "club" });
}

async function layUnits(
  tx: Tx,
  laid: {
    ago: (days: number) => PlainDate;
    people: ReadonlyMap<string, string>;
    places: ReadonlyMap<string, string>;
    groups: ReadonlyMap<string, string>;
    catalogue: Laid;
    past: seed.Past[];
  },
): Promise<void> {
  const { ago, past } = laid;
  const initial = (letter: string) =>
    [...laid.people].find(([name]) => name.startsWith(letter))?.[1] ?? mustGet(laid.people, "Wren");
  for (const [n, unit] of parseUnits(UNITS).entries()) {
    const model = laid.catalogue.get(unit.model);
    if (!model) throw new Error(`the demo has no model ${unit.model}`);
    const oldest = Math.max(700, ...unit.readings.map((r) => r.ago));
    const isRegion = unit.variant !== "" && model.revisions.size === 0;
    const id = await addUnit(
      tx,
      {
        tag: unit.tag,
        model: model.id,
        hardware: model.revisions.get(unit.variant),
        region: isRegion ? unit.variant : undefined,
        serial: SERIALS[unit.tag] ?? `${unit.tag.replace("-", "")}${10_400 + n * 37}`,
        note: "",
        group: laid.groups.get(unit.group),
        place: laid.places.get(unit.place),
      },
      unit.readings.length === 0 ? ago(75) : ago(oldest),
    );
    past.push({
      at: evening(unit.readings.length === 0 ? ago(75) : ago(oldest), 5),
      by: mustGet(laid.people, "Wren"),
      unit: id,
      entry: { kind: "unit-added", tag: unit.tag, how: "demo" },
    });
    for (const reading of unit.readings) {
      const component = model.components.get(reading.component);
      if (!component) throw new Error(`${unit.model} has no component ${reading.component}`);
      const raw = reading.what.startsWith("#")
        ? (component.releases[Number(reading.what.slice(1)) - 1]?.version ?? "")
        : reading.what;
      const at = evening(ago(reading.ago), 10 + (n % 40));
      const by = initial(reading.by);
      await seed.seedReading(tx, { unit: id, component: component.id, raw, source: reading.source, at, by });
      const entry = { kind: "reading", component: reading.component, raw, source: reading.source } as const;
      past.push({ at, by, unit: id, entry });
    }
    for (const loan of unit.loans) {
      const person = mustGet(laid.people, loan.who);
      const name = PEOPLE.find((p) => p.name.startsWith(loan.who))?.name ?? loan.who;
      const dueBack = loan.dueAgo === undefined ? null : ago(loan.dueAgo);
      await seed.seedCustody(tx, {
        unit: id,
        person,
        outOn: ago(loan.outAgo),
        dueBack,
        backOn: loan.backAgo === undefined ? null : ago(loan.backAgo),
      });
      const by = mustGet(laid.people, "Wren");
      past.push({
        at: evening(ago(loan.outAgo), 50),
        by,
        unit: id,
        entry: { kind: "lent", to: name, ...(dueBack && { dueBack }) },
      });
      if (loan.backAgo !== undefined) {
        past.push({ at: evening(ago(loan.backAgo), 55), by, unit: id, entry: { kind: "back", from: name } });
      }
    }
  }
}

async function unitIds(tx: Tx): Promise<Map<string, string>> {
  const { rows } = await ask(tx, z.object({ id: z.string(), tag: z.string() }), "select id, tag from unit");
  return new Map([...groupBy(rows, (row) => row.tag)].map(([tag, [row]]) => [tag, row?.id ?? ""]));
}

/** One unit is on hold by itself: a volunteer asked for it. */
async function holdOne(tx: Tx, units: ReadonlyMap<string, string>, today: PlainDate): Promise<void> {
  const unit = units.get("S-07");
  if (!unit) return;
  const hold = {
    until: addDays(today, 25),
    why: "the volunteer asked us to leave it until the bat count is written up",
  };
  await setHold(tx, [unit], hold);
}
