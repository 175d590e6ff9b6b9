// For the property over all acts: a club to act in, what to try each act with, and what a club holds at a moment.
import { createHash } from "node:crypto";
import fc from "fast-check";
import { FIRST_STEPS } from "#core/club/first-steps.ts";
import { CURES } from "#core/codeplug/check-codeplug.ts";
import { factsOf } from "#core/dossier/differences.ts";
import { readDossier } from "#core/dossier/document.ts";
import { KIND_NAMES, KINDS, type KindName } from "#core/kit/kinds/kinds.ts";
import type { Values } from "#core/kit/kinds/reader.ts";
import type { Segment } from "#core/modes/privileges.ts";
import { addDays } from "#core/quantities/date.ts";
import { READING_SOURCES } from "#core/unit/unit.ts";
import { dossierHead } from "#db/dossier.ts";
import { writeDossier } from "#db/dossier-document.ts";
import { loadKnown, valuesOf } from "#db/kit-values.ts";
import { releasesOf } from "#db/models.ts";
import { modesOf } from "#db/modes.ts";
import { recompute } from "#db/needs.ts";
import type { Tx } from "#db/pool.ts";
import { bandPlan } from "#db/segments.ts";
import { serviceItems } from "#db/service.ts";
import type { Who } from "./define.ts";
import type { ActName } from "./index.ts";
import { identityStands } from "./write-identity.ts";
import { modeStands } from "./write-mode.ts";
import { modelStands } from "./write-model.ts";
import { releaseStands } from "./write-release.ts";
import { itemStands } from "./write-service-item.ts";

/** Ids of what is in the club, of what is in another, and of what is nowhere. */
export type World = {
  readonly who: Who;
  readonly units: readonly string[];
  /** Readings of some of these. */
  readonly readings: readonly { readonly unit: string; readonly reading: string }[];
  readonly people: readonly string[];
  readonly models: readonly string[];
  readonly places: readonly string[];
  readonly groups: readonly string[];
  readonly procedures: readonly { readonly model: string; readonly procedure: string }[];
  readonly quirks: readonly { readonly model: string; readonly quirk: string }[];
  /** Radios whose revision nobody has noted, with those of their models. */
  readonly revisions: readonly { readonly unit: string; readonly revision: string }[];
  /** What has been tried together, and phones with every tool: of some radios the only way. */
  readonly chains: readonly {
    readonly operation: string;
    readonly lead: string | null;
    readonly computer: string;
    readonly tool: string | null;
  }[];
  readonly tries: readonly string[];
  /** Releases as they stand, in the shape that is written. */
  readonly releases: readonly Readonly<Record<string, unknown>>[];
  readonly identities: readonly Readonly<Record<string, unknown>>[];
  readonly modelFacts: readonly Readonly<Record<string, unknown>>[];
  readonly parts: readonly { readonly model: string; readonly component: string }[];
  /** Things of the kit with the values of their fields. */
  readonly things: readonly { readonly kind: KindName; readonly thing: string; readonly values: Values }[];
  /** Revisions out of the lines of some radios. */
  readonly codeplugs: readonly { readonly unit: string; readonly codeplug: string }[];
  readonly mappings: readonly string[];
  readonly repeaters: readonly string[];
  /** Digital IDs and call signs. */
  readonly identified: readonly string[];
  readonly sessions: readonly string[];
  /** Modes of some models, one of them in use, with what stands of them. */
  readonly modes: readonly { readonly model: string; readonly mode: string; readonly stands: object }[];
  /** Radios with modes of their models. */
  readonly inModes: readonly { readonly unit: string; readonly mode: string }[];
  readonly limits: readonly string[];
  readonly spectra: readonly { readonly unit: string; readonly spectrum: string }[];
  /** Procedures that unlock. */
  readonly unlocking: readonly { readonly model: string; readonly procedure: string }[];
  /** What service menus hold, with what stands of it. */
  readonly service: readonly { readonly model: string; readonly item: string; readonly stands: object }[];
  /** Radios with settings of their models. */
  readonly settings: readonly { readonly unit: string; readonly item: string }[];
  /** Devices that have batteries, and some of what was noted of them; radios that are none yet; programmers, with tags of radios. */
  readonly devices: readonly string[];
  readonly charges: readonly { readonly device: string; readonly charge: string }[];
  readonly programmers: readonly string[];
  readonly pairings: readonly { readonly unit: string; readonly pairing: string }[];
  readonly backups: readonly string[];
  readonly profiles: readonly string[];
  readonly measurements: readonly { readonly unit: string; readonly measurement: string }[];
  /** Lines of the band plan as they stand. */
  readonly segments: readonly { readonly segment: string; readonly stands: Segment }[];
  /** Radios with what each could be taken to the bench for. */
  readonly errands: readonly { readonly unit: string; readonly for: Readonly<Record<string, unknown>> }[];
  /** Runs that go on, with the name of a component of their radio. */
  readonly runs: readonly {
    readonly run: string;
    readonly component: string;
    /** What it was begun for is known, so that it can be begun anew. */
    readonly anew: boolean;
  }[];
  /** Radios for which a simulated one stands in. */
  readonly simulated: readonly string[];
  /** A dossier that says something else than ours, and the keys of its facts. */
  readonly dossier: { readonly text: string; readonly keys: readonly string[] };
};

export const A_FILE = {
  content: new Uint8Array([1, 2, 3]),
  sha256: createHash("sha256")
    .update(new Uint8Array([1, 2, 3]))
    .digest("hex"),
};
const NOWHERE = "999999999";

/** A few radios, so that a history comes back to the same: some plain, one that is out, one on hold, one to back up, one of `elsewhere`. */
export async function worldOf(tx: Tx, who: Who, elsewhere: string): Promise<World> {
  const ids = async (text: string) => (await tx.query<{ id: string }>(text)).rows.map((row) => row.id);
  const units = [
    ...(await ids("select id from unit where shelved_at is null order by id limit 3")),
    ...(await ids("select id from unit where shelved_at is not null order by id limit 1")),
    ...(await ids("select unit_id id from custody where back_on is null order by id limit 1")),
    ...(await ids("select id from unit where hold_until is not null order by id limit 1")),
    // One flashed since it was backed up, and one that is measured every so often.
    ...(await ids("select id from unit where tag in ('W-10', 'W-13') order by tag")),
    ...(await ids(
      "select u.id from unit u join hardware_revision h on h.club_id = u.club_id and h.model_id = u.model_id where u.hardware_revision_id is null order by u.id limit 1",
    )),
  ];
  const { rows: readings } = await tx.query<{ unit: string; reading: string }>(
    "select unit_id unit, id reading from reading where unit_id = any($1::bigint[]) order by id desc limit 8",
    [units],
  );
  const { rows: revisions } = await tx.query<{ unit: string; revision: string }>(
    `select u.id unit, h.id revision from unit u join hardware_revision h on h.club_id = u.club_id and h.model_id = u.model_id
     where u.hardware_revision_id is null order by u.id, h.id limit 12`,
  );
  const { rows: chains } = await tx.query<World["chains"][number]>(
    `select 'flash' operation, null::bigint lead, c.id computer, t.id tool from computer c join tool t on t.club_id = c.club_id
     where c.kind = 'phone' and t.shelved_at is null
       and exists (select from jsonb_array_elements(t.runs_on) r where r ->> 'system' = c.system)
     union all (select operation, lead_id, computer_id, tool_id from attempt where operation = 'flash' order by id limit 3)`,
  );
  return {
    who,
    units: [...units, elsewhere, NOWHERE],
    readings,
    people: [...(await ids("select id from person order by shelved_at nulls last, id limit 4")), NOWHERE],
    places: [...(await ids("select id from place order by id limit 3")), NOWHERE],
    groups: [...(await ids("select id from unit_group order by id limit 4")), NOWHERE],
    procedures: [
      ...(
        await tx.query<{ model: string; procedure: string }>(
          "select model_id model, id procedure from procedure where shelved_at is null order by id limit 4",
        )
      ).rows,
      { model: NOWHERE, procedure: NOWHERE },
    ],
    quirks: [
      ...(
        await tx.query<{ model: string; quirk: string }>(
          "select model_id model, id quirk from quirk where shelved_at is null order by id limit 4",
        )
      ).rows,
      { model: NOWHERE, quirk: NOWHERE },
    ],
    models: [...(await ids("select id from model order by id limit 4"))],
    revisions: [...revisions, { unit: units[0] ?? NOWHERE, revision: NOWHERE }],
    chains: [...chains, { operation: "flash", lead: NOWHERE, computer: NOWHERE, tool: null }],
    tries: [...(await ids("select id from attempt order by settled desc, id desc limit 12")), NOWHERE],
    ...(await worldOfModels(tx, who)),
    things: await worldOfKit(tx),
    ...(await worldOfModes(tx)),
    measurements: [
      ...(
        await tx.query<{ unit: string; measurement: string }>(
          "select m.unit_id unit, m.id measurement from measurement m join unit u on u.club_id = m.club_id and u.id = m.unit_id where m.struck_at is null order by u.tag desc, m.id limit 3",
        )
      ).rows,
      { unit: units[0] ?? NOWHERE, measurement: NOWHERE },
    ],
    devices: [
      ...(await ids("select id from device where battery = 'sound' order by simulated desc, id limit 5")),
      ...(await ids("select id from device where battery <> 'sound' order by id limit 1")),
      NOWHERE,
    ],
    charges: [
      ...(
        await tx.query<{ device: string; charge: string }>(
          "select device_id device, id charge from charge order by id limit 5",
        )
      ).rows,
      { device: NOWHERE, charge: NOWHERE },
    ],
    pairings: [
      ...(
        await tx.query<{ unit: string; pairing: string }>(
          "select unit_id unit, id pairing from pairing where ended_at is null order by id",
        )
      ).rows,
      { unit: units[0] ?? NOWHERE, pairing: NOWHERE },
    ],
    codeplugs: [
      ...(
        await tx.query<{ unit: string; codeplug: string }>(
          "select c.unit_id unit, c.id codeplug from codeplug c join unit u on u.club_id = c.club_id and u.id = c.unit_id where u.tag in ('W-15', 'H-01', 'H-10') order by c.id",
        )
      ).rows,
      { unit: units[0] ?? NOWHERE, codeplug: NOWHERE },
    ],
    mappings: await ids("select id from channel_mapping order by id"),
    repeaters: await ids("select id from repeater order by id limit 4"),
    identified: await ids("select id from identity order by id"),
    backups: [...(await ids("select id from backup order by id limit 3")), NOWHERE],
    profiles: [...(await ids("select id from profile order by id")), NOWHERE],
    programmers: [...(await ids("select id from device where kind = 'programmer' order by id")), NOWHERE],
    sessions: [...(await ids("select id from session order by id limit 3")), NOWHERE],
    ...(await worldOfBench(tx, units)),
  };
}

async function worldOfModes(
  tx: Tx,
): Promise<
  Pick<World, "modes" | "inModes" | "segments" | "service" | "settings" | "unlocking" | "limits" | "spectra">
> {
  const { rows: used } = await tx.query<{ unit: string; model: string; mode: string }>(
    `select u.id unit, u.model_id model, m.id mode from unit u join mode m on m.club_id = u.club_id and m.model_id = u.model_id
     where u.tag in ('W-15', 'H-07', 'H-01', 'S-02') and m.shelved_at is null order by u.id, m.id`,
  );
  const modes: World["modes"][number][] = [];
  for (const model of new Set(used.map((one) => one.model)))
    for (const row of await modesOf(tx, model)) modes.push({ model, mode: row.id, stands: modeStands(row) });
  const service: World["service"][number][] = [];
  for (const model of new Set(used.map((one) => one.model)))
    for (const row of await serviceItems(tx, model))
      service.push({ model, item: row.id, stands: itemStands(row) });
  const settings = used.flatMap(({ unit, model }) =>
    service.flatMap((one) =>
      one.model === model && "usual" in one.stands ? [{ unit, item: one.item }] : [],
    ),
  );
  const { rows: unlocking } = await tx.query<World["unlocking"][number]>(
    "select model_id model, id procedure from procedure where effect = 'unlock' and shelved_at is null order by id",
  );
  const { rows: limits } = await tx.query<{ id: string }>("select id from emission_limit order by id");
  const { rows: spectra } = await tx.query<World["spectra"][number]>(
    "select unit_id unit, id spectrum from spectrum order by id",
  );
  return {
    limits: [...limits.map((one) => one.id), NOWHERE],
    spectra: [...spectra, { unit: used[0]?.unit ?? "", spectrum: NOWHERE }],
    unlocking,
    service,
    settings: [...settings, { unit: used[0]?.unit ?? "", item: NOWHERE }],
    modes,
    inModes: [
      ...used.map(({ unit, mode }) => ({ unit, mode })),
      { unit: used[0]?.unit ?? "", mode: NOWHERE },
    ],
    segments: (await bandPlan(tx)).map(({ id: segment, ...stands }) => ({ segment, stands })),
  };
}

async function worldOfBench(
  tx: Tx,
  units: readonly string[],
): Promise<Pick<World, "errands" | "runs" | "simulated">> {
  const { rows: parts } = await tx.query<{ unit: string; component: string }>(
    `select u.id unit, c.id component from unit u join component c on c.club_id = u.club_id and c.model_id = u.model_id
     where u.id = any($1::bigint[]) order by u.id, c.id`,
    [units],
  );
  const { rows: procedures } = await tx.query<{ unit: string; procedure: string }>(
    `select u.id unit, p.id procedure from unit u join procedure p on p.club_id = u.club_id and p.model_id = u.model_id
     where u.id = any($1::bigint[]) order by u.id, p.id limit 12`,
    [units],
  );
  const { rows: runs } = await tx.query<World["runs"][number]>(
    `select r.id run, c.name component, r.errand is not null anew from run r join unit u on u.club_id = r.club_id and u.id = r.unit_id
     join component c on c.club_id = u.club_id and c.model_id = u.model_id where r.ended_at is null order by r.id, c.id`,
  );
  const { rows: simulated } = await tx.query<{ id: string }>("select unit_id id from simulated_radio");
  return {
    simulated: simulated.map(({ id }) => id),
    errands: [
      ...parts.map(({ unit, component }) => ({ unit, for: { component } })),
      ...procedures.map(({ unit, procedure }) => ({ unit, for: { procedure } })),
      ...units.flatMap((unit) => [
        { unit, for: { update: {} } },
        { unit, for: { backup: {} } },
        { unit, for: { restore: { backup: NOWHERE } } },
        { unit, for: { mode: { mode: NOWHERE } } },
        { unit, for: { pair: { device: NOWHERE } } },
        { unit, for: { program: { profile: NOWHERE } } },
      ]),
      { unit: NOWHERE, for: { component: NOWHERE } },
      { unit: units[0] ?? NOWHERE, for: { procedure: NOWHERE } },
    ],
    runs: [...runs, { run: NOWHERE, component: "main", anew: false }],
  };
}

/** What the models of the club are, each in the shape of the act that corrects it. */
async function worldOfModels(tx: Tx, who: Who) {
  const { rows: models } = await tx.query<{ id: string }>(
    `select m.id from model m where exists (select from component c join release r on r.component_id = c.id where c.model_id = m.id)
       and exists (select from unit u where u.model_id = m.id and u.shelved_at is null) order by m.id limit 3`,
  );
  const releases: Record<string, unknown>[] = [];
  const identities: Record<string, unknown>[] = [];
  const modelFacts: Record<string, unknown>[] = [];
  const parts: { model: string; component: string }[] = [];
  for (const { id: model } of models) {
    const known = (await releasesOf(tx, model)).filter((r) => !r.draft).slice(0, 3);
    for (const { id: release, component_id: component } of known) {
      const stands = await releaseStands(tx, model, release);
      if (stands) releases.push({ model, release, component, ...stands.written });
    }
    identities.push({ model, ...(await identityStands(tx, { model })) });
    modelFacts.push({ model, ...(await modelStands(tx, { model })) });
    const head = await dossierHead(tx, model);
    parts.push(...head.parts.map(({ id: component }) => ({ model, component })));
  }
  const [model = { id: NOWHERE }] = models;
  const ours = await writeDossier(tx, { clubName: "Elsewhere", today: who.today }, model.id);
  if (!ours) throw new Error("the demo has a model");
  const [part, ...others] = ours.components;
  const [first, ...older] = part?.releases ?? [];
  const theirs = {
    ...ours,
    model: { ...ours.model, note: "known elsewhere too" },
    components: [
      {
        ...part,
        releases: [
          { ...first, releasedOn: addDays(who.today, -700), notes: "theirs" },
          { version: "99.9", track: "factory" as const, releasedOn: addDays(who.today, -300) },
          ...older,
        ],
      },
      ...others,
    ],
    quirks: [{ symptom: "hums at noon", source: { kind: "club" as const, what: "Elsewhere" } }],
  };
  const text = JSON.stringify(theirs);
  const read = readDossier(text, who.today);
  if (!read.ok) throw new Error(`the dossier cannot be read: ${JSON.stringify(read.problem)}`);
  return {
    releases,
    identities,
    modelFacts,
    parts,
    dossier: { text, keys: factsOf(read.value.dossier).map((fact) => fact.key) },
  };
}

async function worldOfKit(tx: Tx): Promise<World["things"]> {
  const known = await loadKnown(tx);
  const things: World["things"][number][] = [];
  for (const kind of KIND_NAMES) {
    const names = KINDS[kind].fields.map((field) => field.name);
    for (const row of (await valuesOf(tx, kind, known)).slice(0, 4))
      things.push({
        kind,
        thing: row.id,
        values: Object.fromEntries(names.map((name) => [name, row[name] ?? ""])),
      });
  }
  return things;
}

/** Mostly what could be, now and then what could not. */
const mostly = <T>(could: readonly T[], not: readonly T[]) =>
  fc.oneof(
    { weight: 8, arbitrary: fc.constantFrom(...could) },
    { weight: 1, arbitrary: fc.constantFrom(...not) },
  );
const maybe = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined });

const words = mostly(["the procession", "it was the battery"], ["", " ", "x".repeat(301)]);

/** What to try each act with. An act that is missing here does not compile. */
export function inputs(world: World): Record<ActName, fc.Arbitrary<Readonly<Record<string, unknown>>>> {
  const day = fc.integer({ min: -5, max: 40 }).map((days) => addDays(world.who.today, days));
  const unit = mostly(world.units.slice(0, -2), world.units.slice(-2));
  const person = fc.record({
    name: mostly(["Alder Quill", "Sedge Mallow"], ["", "x".repeat(101)]),
    role: fc.constantFrom("keeper", "bench", "member"),
    email: maybe(
      mostly(
        ["alder@lanternfen.example", "sedge@lanternfen.example"],
        ["WREN@lanternfen.example", "no address"],
      ),
    ),
    callSign: maybe(mostly(["GZ0AA"], ["x".repeat(21)])),
  });
  const of = mostly(world.people.slice(0, -1), [NOWHERE]);
  const fields = fc.record({
    tag: mostly(["Q-1", "Q-2"], ["new", "", "W-01"]),
    model: mostly(world.models, [NOWHERE]),
    hardware: mostly(
      [undefined],
      world.revisions.map((r) => r.revision),
    ),
    region: maybe(mostly(["EU"], ["x".repeat(50)])),
    serial: maybe(fc.constantFrom("A1", "A2")),
    note: maybe(mostly(["from the loft"], ["x".repeat(501)])),
  });
  const place = fc.record({
    name: mostly(["The loft", "The hut", "The barn"], ["", "x".repeat(200)]),
    kind: mostly(["shelf", "room"], ["cellar"]),
    note: maybe(mostly(["dry", "damp"], ["x".repeat(201)])),
  });
  const group = fc.record({
    name: mostly(["Night watch", "Day watch", "Dawn watch"], ["", "x".repeat(200)]),
    purpose: mostly(["the tide"], ["x".repeat(300)]),
    policy: fc.record({
      rule: fc.oneof(
        fc.constantFrom({ kind: "newest" }, { kind: "newest-but-one" }),
        fc.integer({ min: 0, max: 400 }).map((days) => ({ kind: "settled", days })),
        fc.constant({ kind: "fixes", tags: [], atLeast: "safety" }),
      ),
      tracks: fc.subarray(["beta", "community"]),
      safetyBreaksHold: fc.boolean(),
      recheckAfterDays: mostly([30, 365], [0]),
      hold: maybe(fc.record({ until: day, why: fc.constant("the tide") })),
    }),
  });
  const quirk = fc.constantFrom(...world.quirks);
  const procedure = fc.constantFrom(...world.procedures);
  const mode = fc.constantFrom(...world.modes);
  const service = fc.constantFrom(...world.service);
  const segment = fc.constantFrom(...world.segments);
  const release = fc.constantFrom(...world.releases);
  const thing = fc.constantFrom(...world.things);
  const spot = fc.constantFrom(0, 1, 8, 900);
  const listedRepeater = fc.record({
    name: fc.constantFrom("Mirkhithe", "Ours", "Another"),
    ...{ receive: fc.constantFrom(145_600_000, 438_650_000), transmit: fc.constant(145_000_000) },
    ...{ digital: fc.boolean(), open: fc.boolean(), access: fc.constant({}), note: words },
  });
  const planHead = fc.record({
    name: fc.constantFrom("Huts", "Calling", "Of its own", "Another"),
    purpose: words,
    priority: fc.integer({ min: 1, max: 9 }),
    listens: fc.boolean(),
  });
  const planned = fc.constantFrom(
    { name: "One", receive: 145_500_000, transmit: 145_500_000, digital: false },
    { name: "Two", receive: 433_500_000, digital: true },
  );
  const leads = world.things.filter(({ kind }) => kind === "leads" || kind === "computers");
  return {
    "bring-club-back": fc.constantFrom({ text: "{}" }, { text: "no document" }, { text: emptyClub(world) }),
    "bring-in-dossier": fc
      .subarray([...world.dossier.keys], { minLength: 1 })
      .map((accepted) => ({ text: world.dossier.text, accepted })),
    "change-plan": fc.record({
      version: fc.constantFrom(0, 1, 2),
      change: fc.oneof(
        fc.record({ do: fc.constant("add-block"), head: planHead }),
        fc.record({ do: fc.constant("change-block"), block: spot, head: planHead }),
        fc.record({ do: fc.constantFrom("remove-block"), block: spot }),
        fc.record({ do: fc.constant("move-block"), block: spot, to: spot }),
        fc.record({ do: fc.constant("add-members"), block: spot, members: fc.tuple(planned) }),
        fc.record({ do: fc.constant("change-member"), block: spot, member: spot, channel: planned }),
        fc.record({ do: fc.constant("remove-member"), block: spot, member: spot }),
        fc.record({ do: fc.constant("move-member"), block: spot, member: spot, toBlock: spot, to: spot }),
      ),
    }),
    "merge-models": fc.record({
      model: fc.constantFrom(...world.models),
      into: fc.constantFrom(...world.models),
      accepted: fc.subarray([...world.dossier.keys]),
    }),
    "mend-codeplug": fc
      .tuple(fc.constantFrom(...world.codeplugs), fc.constantFrom(...CURES))
      .map(([one, cure]) => ({ ...one, cure })),
    "merge-list": fc
      .tuple(
        fc.constantFrom(...world.codeplugs),
        fc.constantFrom("talkgroups", "contacts"),
        fc.array(fc.record({ key: fc.constantFrom("1", "2", "3"), name: fc.constantFrom("A", "B") }), {
          minLength: 1,
          maxLength: 3,
        }),
      )
      .map(([one, list, incoming]) => ({ ...one, list, incoming })),
    "keep-mapping": fc.record({
      name: fc.constantFrom("Reeds", "reeds", "Other"),
      mapping: fc.record({
        delimiter: fc.constantFrom(",", ";"),
        ...{ sign: fc.constant("."), unit: fc.constantFrom("MHz", "kHz") },
        columns: fc.constant([{ head: "RX", meaning: "receive" }]),
      }),
    }),
    "shelve-mapping": fc.record({ mapping: fc.constantFrom(...world.mappings, NOWHERE) }),
    "note-identity": fc.oneof(
      fc.record({
        unit: mostly(world.units, ["x"]),
        kind: fc.constantFrom("digital", "call"),
        note: words,
        value: fc.option(fc.constantFrom("9990017", "QZ1AB"), { nil: undefined }),
      }),
      fc.record({
        identity: fc.constantFrom(...world.identified, NOWHERE),
        kind: fc.constant("digital"),
        note: words,
        askedOn: fc.option(fc.constant("2026-05-02"), { nil: undefined }),
        usuallyDays: fc.constantFrom(3, 20),
      }),
    ),
    "shelve-identity": fc.record({ identity: fc.constantFrom(...world.identified, NOWHERE) }),
    "write-repeater": fc.record({
      repeater: fc.option(fc.constantFrom(...world.repeaters, NOWHERE), { nil: undefined }),
      fields: listedRepeater,
    }),
    "note-heard": fc.record({
      repeater: fc.constantFrom(...world.repeaters, NOWHERE),
      how: fc.constantFrom("heard", "confirmed"),
    }),
    "shelve-repeater": fc.record({ repeater: fc.constantFrom(...world.repeaters, NOWHERE) }),
    "import-repeaters": fc.record({ name: words, list: fc.tuple(listedRepeater) }),
    "drop-plan": fc.record({ version: fc.constantFrom(1, 2) }),
    "issue-plan": fc.record({ version: fc.constantFrom(1, 2), note: words }),
    "write-codeplug-facts": fc.record({
      model: fc.constantFrom(...world.models, NOWHERE),
      facts: fc.record({
        ...{ capacity: fc.constantFrom(4, 128), nameSigns: fc.constantFrom(6, 10), digital: fc.boolean() },
        ...{ plainSigns: fc.boolean(), everyTone: fc.boolean(), byPosition: fc.boolean() },
        ...{ tonesFrom: fc.constant(""), powers: fc.constant([]) },
      }),
    }),
    "change-password": fc.record({ hash: words, session: mostly(world.sessions, ["x"]) }),
    "confirm-numbering": fc
      .tuple(
        fc.constantFrom(...world.parts),
        fc.constantFrom("listed", "decimal", "dotted", "lettered", "no"),
      )
      .map(([part, kind]) => ({
        ...part,
        numbering: kind === "no" ? null : { kind },
        words: "in some way",
      })),
    "end-sessions": fc.constantFrom(...world.sessions).map((id) => ({ which: { butFor: id } })),
    "fill-usb-ids": fc.constantFrom(1, 2, 3).map((product) => ({
      ids: [{ vendor: 4660, product, family: "", name: "a bridge" }],
    })),
    "import-units": fc.record({
      text: fc.constantFrom(
        "tag,model,main\nN-1,Sorrel,1.02\nN-2,Sorrel,\n",
        "tag,model,main\nW-01,Wicket,0.1\n",
        "tag,model,main\n,,\n",
      ),
      file: fc.constant("a sheet"),
      delimiter: fc.constant(","),
      columns: fc.constantFrom(["tag", "model", "reading:main"], ["ignore", "model", "tag"]),
      decimal: fc.constant("."),
      dates: fc.constant("ymd"),
      nothing: fc.constant([]),
      answers: fc.constant([]),
      kinds: fc.constant([]),
      leaveOut: fc.boolean(),
    }),
    "make-link": fc.record({
      person: of,
      // Each is made once.
      tokenHash: fc
        .array(fc.constantFrom(..."0123456789abcdef"), { minLength: 64, maxLength: 64 })
        .map((all) => all.join("")),
    }),
    "name-usb-id": fc.record({
      vendor: fc.constantFrom(4660, 70_000),
      product: fc.constantFrom(1, 2),
      family: fc.constantFrom("hare", "stoat"),
      name: words,
    }),
    "remember-sheet": fc.record({
      heads: fc.constantFrom([{ head: "tag", meaning: "tag" }], [{ head: "tag", meaning: "note" }]),
      nothing: fc.constantFrom([], ["none"]),
    }),
    "set-currency": fc.record({ currency: fc.constantFrom("SEK", "NOK", "XX") }),
    "set-theme": fc.record({ theme: fc.constantFrom("fern", "lamp", "dusk") }),
    "shelve-thing": thing.map(({ kind, thing: id }) => ({ kind, thing: id })),
    // Which leads meet a model hangs on its plugs.
    "write-identity": fc
      .tuple(fc.constantFrom(...world.identities), words, fc.constantFrom("same", "none", "other"))
      .map(([stands, pickInTool, plugs]) => ({
        ...stands,
        identity: {
          ...(stands.identity as object),
          pickInTool: pickInTool.slice(0, 250),
          ...(plugs !== "same" && { plugs: plugs === "none" ? [] : ["serial, nine-pin"] }),
        },
      })),
    "write-model": fc
      .tuple(
        fc.constantFrom(...world.modelFacts),
        fc.boolean(),
        words,
        fc.constantFrom("", "antenna"),
        fc.boolean(),
      )
      .map(([{ model, ...stands }, anew, note, part, turned]) => {
        const components = [...(stands.components as string[]), ...(part ? [part] : [])];
        return {
          ...stands,
          ...(anew ? { model } : { name: `${note.slice(0, 30)} new` }),
          note,
          components: turned ? components.reverse() : components,
        };
      }),
    "write-release": fc
      .tuple(release, fc.constantFrom("same", "day", "withdraw", "new", "floor", "file", "lie"), day)
      .map(([stands, how, on]) => ({
        ...stands,
        ...(how === "day" && { releasedOn: on }),
        ...(how === "withdraw" && { withdrawn: { on, why: "it drowned" } }),
        ...(how === "new" && { release: undefined, version: "9.9", releasedOn: on }),
        ...(how === "floor" && { draft: true }),
        // A file of which nothing but its hash was known; and one that is not what is said of it.
        ...((how === "file" || how === "lie") && {
          file: { sha256: how === "file" ? A_FILE.sha256 : "ab".repeat(32), size: 3, name: "a.img" },
          content: A_FILE.content,
        }),
      })),
    "write-releases": fc
      .tuple(
        release,
        fc.uniqueArray(fc.constantFrom("9.8", "9.9", "7.1", "no version at all"), {
          minLength: 1,
          maxLength: 3,
        }),
        day,
      )
      .map(([stands, versions, on]) => ({
        ...{ model: stands.model, component: stands.component },
        releases: versions.map((version) => ({ version, track: "factory", releasedOn: on })),
      })),
    "write-thing": fc
      .tuple(fc.constantFrom(...leads, ...world.things), fc.constantFrom("note", "broken", "chip"), words)
      .map(([{ kind, thing: id, values }, how, note]) => ({
        kind,
        thing: id,
        values: {
          ...values,
          ...(how === "note" && { note }),
          ...(how === "broken" && "condition" in values && { condition: "broken" }),
          ...(how === "chip" && "carries_data" in values && { carries_data: "no" }),
        },
      })),
    "add-group": group,
    "add-place": place,
    "change-group": fc
      .tuple(mostly(world.groups.slice(0, -1), [NOWHERE]), group)
      .map(([id, rest]) => ({ group: id, ...rest })),
    "change-place": fc
      .tuple(mostly(world.places.slice(0, -1), [NOWHERE]), place)
      .map(([id, rest]) => ({ place: id, ...rest })),
    "confirm-fact": quirk.map(({ model, quirk: subject }) => ({
      model,
      kind: "quirk",
      subject,
      firmware: "1.14",
    })),
    "shelve-procedure": procedure,
    "shelve-quirk": quirk,
    "write-procedure": fc
      .tuple(procedure, fc.boolean(), words, mostly([null], [[NOWHERE]]))
      .map(([{ model, procedure: id }, anew, title, revisions]) => ({
        model,
        ...(anew && { procedure: id }),
        title,
        purpose: "read-version",
        steps: [{ kind: "note", what: "look at the label" }],
        source: { kind: "bench", what: "" },
        component: null,
        firmware: null,
        revisions,
        draft: false,
      })),
    "write-quirk": fc
      .tuple(quirk, fc.boolean(), words, mostly([null], [NOWHERE]))
      .map(([{ model, quirk: id }, anew, symptom, component]) => ({
        model,
        ...(anew && { quirk: id }),
        symptom,
        cause: "",
        cure: "leave it on",
        component,
        firmware: null,
        source: { kind: "bench", what: "" },
      })),
    "write-mode": fc
      .tuple(mode, fc.boolean(), fc.constantFrom([[144, 146]], [[136, 174]], []), mostly([null], [NOWHERE]))
      .map(([{ model, mode: id, stands }, anew, transmit, enter]) => ({
        ...stands,
        ...{ model, enter },
        ...(anew ? { mode: id } : { name: "one more" }),
        transmit: transmit.map(([from = 0, to = 0]) => ({ from: from * 1e6, to: to * 1e6 })),
      })),
    "shelve-mode": mode.map(({ model, mode: id }) => ({ model, mode: id })),
    "note-mode": fc
      .tuple(fc.constantFrom(...world.inModes), fc.constantFrom("set", "told"), words)
      .map(([one, how, why]) => ({ ...one, how, why })),
    "write-service-item": fc
      .tuple(service, fc.boolean(), words)
      .map(([{ model, item, stands }, anew, meaning]) => ({
        ...stands,
        ...{ model, meaning: meaning || "anew" },
        ...(anew ? { item } : { name: "one more" }),
      })),
    "shelve-service-item": service.map(({ model, item }) => ({ model, item })),
    "note-setting": fc
      .tuple(fc.constantFrom(...world.settings), fc.constantFrom("5", "62", "78"), fc.boolean(), words)
      .map(([one, value, changed, why]) => ({ ...one, value, changed, why })),
    "note-measurement": fc.record({
      unit,
      kind: fc.constantFrom("power", "current"),
      value: mostly([4.5, 5], [-1]),
      on: maybe(day),
      note: words,
    }),
    "add-battery": fc.record({ unit }),
    "note-charge": fc.record({
      device: mostly(world.devices.slice(0, -2), world.devices.slice(-2)),
      what: fc.oneof(
        fc.record({
          kind: fc.constantFrom("level", "used"),
          percent: mostly([0, 12.5, 80, 100], [-1, 101, Number.NaN]),
        }),
        fc.record({ kind: fc.constantFrom("plugged", "unplugged") }),
      ),
      how: fc.constantFrom("typed", "read"),
      at: maybe(day.map((on) => `${on}T09:30`)),
    }),
    "pair-device": fc.record({
      unit: mostly([...new Set(world.pairings.map((one) => one.unit))], world.units.slice(-2)),
      device: mostly(world.devices.slice(0, -1), [NOWHERE]),
      ...{ proved: fc.boolean(), ends: fc.boolean() },
    }),
    "note-pairing": fc.constantFrom(...world.pairings).chain((one) =>
      fc
        .record({ what: fc.constantFrom("proved", "dropped", "failed", "lost"), note: words })
        .map((more) => ({
          ...one,
          ...more,
        })),
    ),
    "set-pairing": fc.constantFrom(...world.pairings).chain((one) =>
      fc
        .record({
          settings: mostly(["hold time = 3 s: gloves", ""], ["no setting at all", "x = y".repeat(200)]),
        })
        .map((more) => ({ ...one, ...more })),
    ),
    "end-pairing": fc
      .constantFrom(...world.pairings)
      .chain((one) => fc.record({ why: words }).map((more) => ({ ...one, ...more }))),
    "keep-profile": fc.record({
      device: mostly(world.programmers.slice(0, -1), [NOWHERE]),
      backup: mostly(world.backups.slice(0, -1), [NOWHERE]),
      name: mostly(["Lanterns", "Sluices"], ["", "x".repeat(81)]),
    }),
    "shelve-profile": fc.constantFrom(...world.profiles).map((profile) => ({ profile })),
    "strike-charge": fc
      .constantFrom(...world.charges)
      .chain((one) => fc.record({ why: mostly(["misread"], [""]) }).map((more) => ({ ...one, ...more }))),
    "read-simulated-level": fc.record({ device: mostly(world.devices.slice(0, -1), [NOWHERE]) }),
    "tie-device": fc.record({
      device: mostly(world.programmers.slice(0, -1), world.programmers.slice(-1)),
      tag: mostly(["W-05", "B-01", ""], ["Z-99", "x".repeat(41)]),
    }),
    "strike-measurement": fc
      .constantFrom(...world.measurements)
      .chain((one) =>
        fc.record({ why: mostly(["read wrongly"], [""]) }).map((more) => ({ ...one, ...more })),
      ),
    "write-segment": fc
      .tuple(segment, fc.boolean(), fc.constantFrom(144e6, 145e6, 1))
      .map(([{ segment: id, stands }, anew, from]) => ({ ...stands, from, ...(anew && { segment: id }) })),
    "shelve-segment": segment.map(({ segment: id }) => ({ segment: id })),
    "import-band-plan": segment.map(({ stands }) => ({ plan: [stands] })),
    "begin-run": fc.constantFrom(...world.errands),
    "begin-anew": mostly(
      world.runs.filter(({ anew }) => anew),
      world.runs,
    ).map(({ run }) => ({ run })),
    "stand-in-radio": fc.record({ unit }),
    "fault-radio": fc.record({
      unit: mostly(world.simulated, world.units.slice(-1)),
      fault: maybe(fc.constantFrom("loose-plug", "no-port")),
    }),
    "take-over-run": fc.record({
      run: fc.constantFrom(...world.runs.map(({ run }) => run)),
      sure: fc.option(fc.boolean(), { nil: undefined }),
    }),
    "work-machine": fc.record({
      // The last one is of a simulated radio.
      run: mostly(
        world.runs.slice(-2, -1).map(({ run }) => run),
        [NOWHERE],
      ),
      number: mostly([2], [0]),
      event: fc.uuid(),
    }),
    "note-practice": procedure.chain((of) =>
      fc.record({ clean: fc.boolean(), ms: fc.constantFrom(10, -1) }).map((one) => ({ ...of, ...one })),
    ),
    "write-limit": fc
      .tuple(fc.constantFrom(...world.limits), fc.boolean(), fc.constantFrom(40, 60))
      .map(([limit, anew, dbc]) => ({
        ...{ name: anew ? "written anew" : "one more", dbc, source: "for the test" },
        ...(anew && { limit }),
      })),
    "shelve-limit": fc.record({ limit: fc.constantFrom(...world.limits) }),
    "note-spectrum": fc
      .tuple(unit, fc.constantFrom(-20, 90), fc.constantFrom(291_000_000, 300_000_000), words)
      .map(([one, dbm, frequency, note]) => ({
        ...{ unit: one, carrier: { frequency: 145_500_000, dbm: 37 }, lines: [{ frequency, dbm }] },
        ...{ attenuation: 40, note },
      })),
    "strike-spectrum": fc
      .tuple(fc.constantFrom(...world.spectra), fc.constantFrom("misread", ""))
      .map(([one, why]) => ({ ...one, why })),
    "keep-channels": fc
      .tuple(unit, fc.constantFrom(145_500_000, 446_100_000), words)
      .map(([one, receive, name]) => ({
        unit: one,
        name,
        channels: [{ position: 1, digital: false, name: "A", receive }],
      })),
    "show-unlocking": fc.oneof(
      procedure,
      fc.constantFrom(...world.unlocking),
      fc.constantFrom(...world.modes.map(({ model, mode }) => ({ model, mode }))),
      fc.record({ model: fc.constantFrom(...world.models, NOWHERE), service: fc.constant("menu") }),
      fc.record({ model: fc.constantFrom(...world.models, NOWHERE), dossier: fc.constant("whole") }),
      fc.record({ unit, service: fc.constant("values") }),
      fc.record({ run: fc.constantFrom(...world.runs.map(({ run }) => run)) }),
      fc.constant({ club: "whole" }),
    ),
    "set-first-step": fc.record({ step: fc.constantFrom(...FIRST_STEPS), wanted: fc.boolean() }),
    "set-bench-rules": fc.record({ silence: mostly([10, 20, 30], [1]), clean: fc.constantFrom(0, 2) }),
    "keep-file-part": fc.record({
      sha256: fc.constant(A_FILE.sha256),
      number: fc.constantFrom(0, 1),
      content: fc.constant(A_FILE.content),
    }),
    "keep-backup": fc.record({
      unit,
      sha256: mostly([A_FILE.sha256], ["0".repeat(64)]),
      size: mostly([A_FILE.content.length], [0, 9]),
      name: words,
      confirmed: fc.boolean(),
      run: mostly(
        [undefined],
        world.runs.map(({ run }) => run),
      ),
    }),
    "answer-run": fc
      .record({
        of: mostly(world.runs.slice(0, -1), world.runs.slice(-1)),
        ids: fc.tuple(fc.uuid(), fc.uuid()),
        next: fc.constantFrom("reading", "reading", "stopped", "seen", "finished"),
        raw: fc.constantFrom("1.02", "1.14", "9.9", "?"),
      })
      .map(({ of: { run, component }, ids: [first, second], next, raw }) => ({
        run,
        events: [
          { id: first, number: 1, what: { kind: "started" } },
          {
            id: second,
            number: 2,
            what:
              next === "reading"
                ? { kind: next, component, raw }
                : next === "stopped"
                  ? { kind: next, reason: "it is late" }
                  : { kind: next },
          },
        ],
      })),
    "add-person": person,
    "add-unit": fields,
    "change-person": fc.tuple(of, person).map(([id, rest]) => ({ person: id, ...rest })),
    "change-unit": fc.tuple(unit, fields).map(([id, rest]) => ({ unit: id, ...rest })),
    "recover-person": fc.record({ person: mostly([world.people[0] ?? NOWHERE], [NOWHERE]) }),
    "recover-unit": fc.record({ unit: mostly([world.units[3] ?? NOWHERE], [NOWHERE]) }),
    "shelve-person": fc.record({ person: of }),
    "shelve-unit": fc.record({ unit, why: words }),
    "hold-units": fc.record({ units: fc.array(unit, { maxLength: 3 }), until: day, why: words }),
    "lend-unit": fc.record({ unit, person: of, dueBack: maybe(day) }),
    "lift-hold": fc.record({ unit: fc.constantFrom(world.units[5] ?? NOWHERE, world.units[0] ?? NOWHERE) }),
    "note-hardware": fc.constantFrom(...world.revisions),
    "note-try": fc
      .record({
        unit: maybe(unit),
        chain: fc.constantFrom(...world.chains),
        worked: fc.constantFrom(false, false, true),
        symptom: words,
        settled: fc.constantFrom(true, true, false),
      })
      .map(({ chain: { lead, tool, ...chain }, ...rest }) => ({
        ...rest,
        ...chain,
        ...(lead && { lead }),
        ...(tool && { tool }),
      })),
    "record-reading": fc.record({
      unit,
      typed: fc.constantFrom("1.02", "1.14", "0.1", "9.9", "?", "bluetooth", "", "B12", "20260101"),
      source: fc.constantFrom(...READING_SOURCES),
      readOn: maybe(day),
    }),
    "move-reading": fc
      .tuple(fc.constantFrom(...world.readings), fc.constantFrom("W-02", "W-04", "H-04", "Z-99"))
      .map(([of, tag]) => ({ ...of, tag })),
    "write-down": fc.record({
      unit,
      did: fc.constantFrom("flash", "repair", "note"),
      to: fc.constantFrom("", "1.14", "1.2"),
      on: fc.constantFrom(undefined, addDays(world.who.today, -30), addDays(world.who.today, 3)),
      worked: fc.constant(true),
      text: words,
      sure: fc.constant(true),
    }),
    "strike-reading": fc
      .tuple(fc.constantFrom(...world.readings), words)
      .map(([of, why]) => ({ ...of, why })),
    "strike-try": fc.record({
      try: fc.constantFrom(...world.tries),
      with: fc.constant("a lead"),
      why: words,
    }),
    // One in three is out.
    "take-back-unit": fc.record({
      unit: fc.constantFrom(world.units[4] ?? NOWHERE, world.units[0] ?? NOWHERE, NOWHERE),
    }),
  };
}

/** A club with nothing in it, as a document: it can come only into one that is new. */
const emptyClub = (world: World): string =>
  JSON.stringify({
    format: "mossy-cabinet/club",
    version: 1,
    madeAt: world.who.today,
    migrations: [],
    club: { name: "Again", time_zone: "UTC", locale: "en-GB" },
    tables: {},
    files: [],
  });

/** Not records of the club: what is worked out from them, what is told of them, and what was done. */
const BESIDE = ["need", "log", "act_done", "work", "carrying", "carrying_count"];

type Summed = { readonly writes: number; readonly rows: string };
/** By transaction and club: what each table held when it was looked at last, and how often it had been written to by then. */
const summed = new WeakMap<Tx, Map<string, Summed>>();

/**
 * What the club of the transaction holds: each table's rows, by name, as one short text. Only tables that this transaction has written to since are
 * looked at again; what a savepoint took back counts as written, so that it is looked at, too.
 */
export async function holdings(
  tx: Tx,
  of: string,
  beside: readonly string[] = BESIDE,
): Promise<Record<string, string>> {
  const had = summed.get(tx) ?? new Map<string, Summed>();
  summed.set(tx, had);
  const { rows: tables } = await tx.query<{ name: string; writes: number }>(
    `select c.relname::text "name", (s.n_tup_ins + s.n_tup_upd + s.n_tup_del)::int writes
     from pg_class c join pg_policy p on p.polrelid = c.oid and p.polname = 'own_club'
     join pg_stat_xact_user_tables s on s.relid = c.oid
     where c.relkind = 'r' and c.relname <> all($1::text[])
       and has_table_privilege('mossy_app', c.oid, 'select') order by 1`,
    [beside],
  );
  const stale = tables.filter(({ name, writes }) => had.get(`${of} ${name}`)?.writes !== writes);
  const all = stale.map(
    ({ name }) =>
      // Not by their texts: some rows hold thousands of channels.
      `select '${name}' "name", count(*) || ' ' || coalesce(sum(hash_record_extended(t, 7)::numeric), 0) "rows" from "${name}" t`,
  );
  if (all.length > 0) {
    const found = await tx.query<{ name: string; rows: string }>(all.join(" union all "));
    for (const { name, rows } of found.rows)
      had.set(`${of} ${name}`, { rows, writes: stale.find((one) => one.name === name)?.writes ?? 0 });
  }
  return Object.fromEntries(tables.map(({ name }) => [name, had.get(`${of} ${name}`)?.rows ?? ""]));
}

/** All needs that are stored, but for the numbers that they go by. */
export async function storedNeeds(tx: Tx): Promise<string[]> {
  const { rows } = await tx.query<{ need: Record<string, unknown> }>("select to_jsonb(n) need from need n");
  return rows.map(({ need: { id, ...rest } }) => JSON.stringify(rest)).sort();
}

/** The needs of the whole club, worked out anew; what is stored stays as it is. */
export async function needsFromScratch(tx: Tx): Promise<string[]> {
  await tx.query("savepoint scratch");
  await recompute(tx, { of: "club" });
  const needs = await storedNeeds(tx);
  await tx.query("rollback to savepoint scratch");
  return needs;
}

export const logLength = async (tx: Tx): Promise<number> =>
  (await tx.query<{ n: number }>("select count(*)::int n from log")).rows[0]?.n ?? 0;
