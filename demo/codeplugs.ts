// Lays the demo's plan of channels, its directory of repeaters, and what each radio carries.

import { fileOf, layTables } from "#acts/codeplug/plan-tables.ts";
import type { CodeplugChannel } from "#core/codeplug/index.ts";
import { addDays, mustGet, type PlainDate } from "#core/quantities/index.ts";
import {
  addCodeplug,
  addPlan,
  addPlanTable,
  noteHeard,
  putCodeplugFacts,
  putIdentity,
  putMapping,
  putRepeater,
  tablesOf,
} from "#db/codeplug/index.ts";
import { modesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { keepFile } from "#db/run/index.ts";
import { putSimulated, simulatedState, unitById } from "#db/unit/index.ts";
import { BY_HAND } from "./data/by-hand.ts";
import {
  CARRIES,
  DIALECT,
  DRAFT,
  HOLDS,
  IDENTITIES,
  ISSUED,
  LISTS,
  PLAN,
  PLAN_BEFORE,
  REPEATERS,
} from "./data/codeplugs.ts";

type Known = {
  readonly units: ReadonlyMap<string, string>;
  readonly people: ReadonlyMap<string, string>;
  readonly models: ReadonlyMap<string, string>;
  readonly evening: (day: PlainDate, minute: number) => string;
};

export async function layCodeplugs(tx: Tx, known: Known, today: PlainDate): Promise<void> {
  const { people, models, evening } = known;
  const by = (who: string) => mustGet(people, who);
  for (const [name, [facts, mode]] of Object.entries(HOLDS)) {
    const model = models.get(name);
    if (model === undefined) throw new Error(`the demo has no model ${name}`);
    const named = (await modesOf(tx, model)).find((one) => one.name === mode);
    if (mode !== undefined && !named) throw new Error(`${name} has no mode ${mode}`);
    await putCodeplugFacts(tx, model, facts, named?.id);
  }
  for (const { seen, ...facts } of REPEATERS) {
    const repeater = await putRepeater(tx, undefined, facts);
    if (seen) await noteHeard(tx, { repeater, on: addDays(today, -seen[0]), how: seen[2], by: by(seen[1]) });
  }
  const revisions: (readonly { readonly id: string; readonly model_id: string }[])[] = [];
  for (const [i, [ago, note]] of ISSUED.entries()) {
    const blocks = i === 0 ? PLAN_BEFORE : PLAN;
    const day = addDays(today, -ago);
    const plan = await addPlan(tx, { blocks, note, by: by("Wren"), issuedAt: evening(day, 30) });
    for (const table of (await layTables(tx, blocks, day)).tables) {
      if (table.laid.channels.length === 0) continue;
      const { bytes, sha256 } = fileOf(table);
      await keepFile(tx, sha256, bytes);
      await addPlanTable(tx, { plan, model: table.row.model_id, laid: table.laid, sum: table.sum, sha256 });
    }
    revisions.push(await tablesOf(tx, plan));
  }
  await putMapping(tx, "Hedgewriter sheet", DIALECT, by("Tobin"));
  await addPlan(tx, { blocks: DRAFT, by: by("Wren") });
  for (const { tag, owner, kind, value, asked, usually, added } of IDENTITIES)
    await putIdentity(
      tx,
      undefined,
      {
        kind,
        value,
        note: "",
        usuallyDays: usually,
        ...(tag !== undefined && { unit: known.units.get(tag) }),
        ...(owner !== undefined && { owner: by(owner) }),
        ...(asked !== undefined && { askedOn: addDays(today, -asked) }),
      },
      by("Wren"),
      evening(addDays(today, -added), 20),
    );
  await layCarried(tx, known, revisions as Awaited<ReturnType<typeof tablesOf>>[], today);
}

/** It was noted before the list was sorted, and means another since. */
const ASTRAY: CodeplugChannel = {
  position: 120,
  name: "Marshal spare",
  receive: 439_500_000,
  transmit: 439_500_000,
  bandwidth: 12_500,
  digital: true,
  colour: 1,
  slot: 1,
  talkgroup: "3 99905",
};

async function layCarried(
  tx: Tx,
  { units, people, evening }: Known,
  revisions: readonly Awaited<ReturnType<typeof tablesOf>>[],
  today: PlainDate,
): Promise<void> {
  for (const { ago, who, tag, ...one } of BY_HAND)
    await addCodeplug(tx, {
      ...one,
      unit: mustGet(units, tag),
      by: mustGet(people, who),
      at: evening(addDays(today, -ago), 5),
    });
  const last = new Map<string, readonly CodeplugChannel[]>();
  for (const [ago, who, revision, tags] of CARRIES)
    for (const [i, tag] of tags.split(" ").entries()) {
      const unit = mustGet(units, tag);
      const model = (await unitById(tx, unit))?.model_id;
      const table = revisions[revision - 1]?.find((one) => one.model_id === model);
      if (!table) throw new Error(`${tag} is of a model that has no table of plan ${revision}`);
      await addCodeplug(tx, {
        unit,
        source: "written",
        name: `plan ${revision}`,
        by: mustGet(people, who),
        planTable: table.id,
        channels: table.laid.channels,
        at: evening(addDays(today, -ago), 2 * (i + 1)),
      });
      last.set(tag, table.laid.channels);
      const radio = await simulatedState(tx, unit);
      if (radio) await putSimulated(tx, unit, { ...radio, content: { kind: "file", sha256: table.sha256 } });
    }
  for (const [ago, who, tag, name, members] of LISTS)
    await addCodeplug(tx, {
      unit: mustGet(units, tag),
      source: "brought",
      name,
      by: mustGet(people, who),
      channels: [...(last.get(tag) ?? []), ASTRAY],
      lists: { talkgroups: { by: "position", members } },
      at: evening(addDays(today, -ago), 45),
    });
}
