// What holds for every act there is, over random histories; and that each of these is noticed where an act breaks it.
import fc from "fast-check";
import pg from "pg";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { recompute } from "#acts/needs/recompute.ts";
import { may, ROLES } from "#core/club/index.ts";
import { sameValue, type Values } from "#core/quantities/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { type Tx, withClub } from "#db/pool.ts";
import { addEvent, addRun, keepFile, keepPart } from "#db/run/index.ts";
import { takenBack } from "#db/testing.ts";
import { putSimulated } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import { newRadio } from "#simulators/radio/radio.ts";
import { type Act, type Done, perform, performIn, type Who } from "./define.ts";
import { ALL_ACTS } from "./index.ts";
import { noteTry } from "./kit/note-try.ts";
import { recordReading } from "./reading/record-reading.ts";
import { beginRun } from "./run/begin-run.ts";
import { inputs, worldOf } from "./testing.ts";
import { holdings, logLength, needsFromScratch, storedNeeds } from "./testing-holdings.ts";
import { A_FILE, type World } from "./trials/testing.ts";

/** An act, whatever it takes and answers. */
type AnyAct = Act<string, unknown, unknown, { kind: string }>;
const acts = ALL_ACTS as unknown as readonly AnyAct[];

// Each step looks at the whole club several times.
vi.setConfig({ testTimeout: 360_000 });

let club: DemoClub;
let world: World;
let elsewhere: string;

beforeAll(async () => {
  club = await demoClub();
  const owner = new pg.Client({ connectionString: club.ownerUrl });
  await owner.connect();
  const insert = async (text: string, values: unknown[]) =>
    (await owner.query(text, values)).rows[0].id as string;
  elsewhere = await insert("insert into club (name, time_zone) values ('Elsewhere', 'UTC') returning id", []);
  await owner.query("select set_config('mossy.club', $1, false)", [elsewhere]);
  const model = await insert(
    "insert into model (club_id, maker, name, kind) values ($1, 'Tarn', 'Gorse', 'handheld') returning id",
    [elsewhere],
  );
  const unit = await insert(
    "insert into unit (club_id, tag, model_id, added_on) values ($1, 'E-1', $2, '2026-01-01') returning id",
    [elsewhere, model],
  );
  await owner.end();
  await withClub(club.who, async (tx) => {
    const shelved = (of: string, skip: number) =>
      tx.query(
        `update ${of} set shelved_at = now() where id = (select id from ${of} order by id offset $1 limit 1)`,
        [skip],
      );
    for (const browser of ["a kettle", "a toaster"])
      await tx.query("select open_session($1, $2, $3, interval '1 day', $4)", [
        Buffer.from(browser),
        club.who.club,
        club.who.person,
        browser,
      ]);
    const { rows } = await tx.query<{ unit: string; component: string }>(
      `select u.id unit, c.id component from unit u join component c on c.club_id = u.club_id and c.model_id = u.model_id
       where u.shelved_at is null order by u.id desc limit 12`,
    );
    // The last two radios are read: one at a bench that has been silent and is somebody else's, one at our own.
    const two = [rows[0], rows.find(({ unit }) => unit !== rows[0]?.unit)];
    const begin = async (one: (typeof rows)[number] | undefined) => {
      const input = { unit: one?.unit, for: { component: one?.component } };
      const begun = await performIn(tx, beginRun, club.who, { input, key: `a run of ${one?.unit}` });
      if (!begun.ok) throw new Error(begun.problem.kind);
    };
    await begin(two[0]);
    await tx.query(
      "update run set heard_at = now() - interval '1 day', held_by = (select min(id) from person where id <> $1)",
      [club.who.person],
    );
    await begin(two[1]);
    await beAtMachine(tx);
    // It was flashed since it was last read out.
    await keepFile(tx, "1".repeat(64), new Uint8Array([1]));
    await tx.query(
      `insert into backup (club_id, unit_id, sha256, name, kept_by, kept_at)
       select current_club(), id, $1, 'old.plug', $2, now() - interval '300 days' from unit where tag = 'W-03'`,
      ["1".repeat(64), club.who.person],
    );
    await keepPart(tx, A_FILE.sha256, 0, A_FILE.content);
    await shelved("unit", 6);
    await shelved("person", 5);
    await recompute(tx, { of: "club" });
  });
  world = await withClub(club.who, (tx) => worldOf(tx, club.who, unit));
});
afterAll(() => club.close());

/** A simulated radio whose flash is through, with nobody having looked since. */
async function beAtMachine(tx: Tx): Promise<void> {
  const { rows } = await tx.query<{ unit: string; component: string }>(
    `select u.id unit, c.name component from unit u join component c on c.club_id = u.club_id and c.model_id = u.model_id
     where u.shelved_at is null and u.tag = 'W-05'`,
  );
  const { unit = "", component = "" } = rows[0] ?? {};
  const step = {
    kind: "machine",
    work: "flash",
    erases: false,
    component,
    version: "1.14",
    minutes: 1,
  } as const;
  const plan = { purpose: "update", stages: [{ name: "flash", title: "Flash", steps: [step] }] } as const;
  const run = await addRun(tx, { unit, title: "Flash", plan, by: club.who.person });
  await addEvent(tx, run, { id: "it is begun", number: 1, what: { kind: "started" } }, club.who.person);
  await addEvent(
    tx,
    run,
    { id: "it flashes", number: 2, what: { kind: "progress", part: 0 } },
    club.who.person,
  );
  const errand = { kind: "flash", component, version: "1.14", erases: "nothing" } as const;
  const radio = { ...newRadio(5, { [component]: "1.02" }), work: { errand, begun: 0, lasts: 1 } };
  await putSimulated(tx, unit, radio);
}

/** What the other club holds, seen from within the same transaction. */
async function inTheOther(tx: Tx): Promise<Record<string, string>> {
  const become = (id: string) => tx.query("select set_config('mossy.club', $1, true)", [id]);
  await become(elsewhere);
  const found = await holdings(tx, elsewhere, []);
  await become(club.who.club);
  return found;
}

/** One field of what stands, to be another: "name", or "fields.name" for what lies within. */
type Change = { readonly path: string; readonly value: unknown };

const at = (values: Values, path: string): unknown =>
  path.split(".").reduce<unknown>((within, name) => (within as Values | undefined)?.[name], values);

const isWithin = (value: unknown): value is Values =>
  typeof value === "object" && value !== null && !Array.isArray(value);

function changed(values: Values, { path, value }: Change): Values {
  const [name = "", ...rest] = path.split(".");
  const own = rest.length > 0 ? changed(values[name] as Values, { path: rest.join("."), value }) : value;
  return { ...values, [name]: own };
}

/** What differs in another that would fit: field by field, one level deep. */
const changesOf = (stands: Values, other: Values): readonly Change[] =>
  Object.entries(stands).flatMap(([name, value]) => {
    const theirs = other[name];
    if (theirs === undefined || sameValue(value, theirs)) return [];
    if (!isWithin(value) || !isWithin(theirs)) return [{ path: name, value: theirs }];
    return Object.entries(theirs).flatMap(([inner, one]) =>
      !(inner in value) || sameValue(value[inner], one) ? [] : [{ path: `${name}.${inner}`, value: one }],
    );
  });

type Step = { readonly act: AnyAct; readonly who: Who; readonly input: unknown };

/** Does one step, and looks at all that must hold. Answers what does not. */
async function broken(tx: Tx, { act, who, input }: Step): Promise<string | undefined> {
  const before = {
    held: await holdings(tx, club.who.club),
    other: await inTheOther(tx),
    log: await logLength(tx),
  };
  const declared = acts.find((one) => one.name === act.name);
  const has = (await declared?.holdsUnit?.(tx, input, who)) === true;
  const needsBefore = JSON.stringify(await storedNeeds(tx));
  const key = crypto.randomUUID();
  const first = await performIn(tx, act, who, { input, key });
  const after = {
    held: await holdings(tx, club.who.club),
    other: await inTheOther(tx),
    log: await logLength(tx),
  };
  const changed = JSON.stringify(before.held) !== JSON.stringify(after.held);
  if (JSON.stringify(before.other) !== JSON.stringify(after.other)) return "another club was touched";
  if (!first.ok && (changed || after.log !== before.log)) return "it was refused and changed something";
  if (first.ok && after.log - before.log !== first.value.told) return "the log grew by something else";
  const told = after.log > before.log;
  if (declared?.shows && (changed || (first.ok && !told)))
    return changed ? "it was only to show something" : "it showed something untold";
  const mayTellOnly = declared?.tells === true && told;
  if (!declared?.shows && act.untold === undefined && changed !== told && !mayTellOnly)
    return changed ? "it changed something untold" : "it told of nothing";
  if (who.role === "member" && declared && !may("member", declared.may) && (changed || told) && !has)
    return "a member changed something";
  // Where nothing has changed, they are what they were, which was looked at then.
  const stored = JSON.stringify(await storedNeeds(tx));
  const wanted = changed || told ? JSON.stringify(await needsFromScratch(tx)) : needsBefore;
  if (stored !== wanted) return "stored needs are not those from scratch";
  const again = await performIn(tx, act, who, { input, key });
  if (first.ok !== again.ok) return "the second time it was answered otherwise";
  if (first.ok && again.ok) {
    if (!again.value.again) return "it was done twice";
    expect(again.value.answer).toEqual(JSON.parse(JSON.stringify(first.value.answer)));
  }
  if (JSON.stringify(after.held) !== JSON.stringify(await holdings(tx, club.who.club)))
    return "the second time changed something";
  if ((await logLength(tx)) !== after.log) return "the second time was told";
  return undefined;
}

const whoCan = (): fc.Arbitrary<Who> =>
  fc
    .constantFrom("keeper", "keeper", "bench", "member")
    .map((role) => ({ ...club.who, role: ROLES.find((r) => r === role) ?? "member" }));

const stepOf = (act: AnyAct, whose = whoCan(), of = world): fc.Arbitrary<Step> =>
  fc.record({
    act: fc.constant(act),
    who: whose,
    input: inputs(of)[act.name as keyof ReturnType<typeof inputs>],
  });

/** Steps until one breaks what must hold; undefined if none does. */
async function firstBroken(tx: Tx, steps: readonly Step[]): Promise<string | undefined> {
  for (const step of steps) {
    const what = await broken(tx, step);
    if (what) return `${step.act.name}: ${what} (${JSON.stringify(step.input)})`;
  }
  return undefined;
}

/** By act, how often it did something in the histories. */
const done = new Map<string, number>();
const counted = (step: Step): Step => ({
  ...step,
  act: {
    ...step.act,
    run: async (...told: Parameters<AnyAct["run"]>) => {
      const result = await step.act.run(...told);
      if (result.ok && (result.value.log.length > 0 || step.act.untold))
        done.set(step.act.name, (done.get(step.act.name) ?? 0) + 1);
      return result;
    },
  },
});

describe("after any history: needs as from scratch, all told, once by its key, no other club, nobody without leave", () => {
  // One history a test: none depends on another's end, and none is cut short by the time that others took.
  const histories = Array.from({ length: cases(6) }, (_, i) => i + 3);
  it.each(histories)("history %i", async (seed) => {
    await fc.assert(
      fc.asyncProperty(
        fc
          .shuffledSubarray([...acts], { minLength: acts.length })
          .chain((order) => fc.tuple(...order.map((act) => stepOf(act)))),
        async (steps) =>
          takenBack(club.who, async (tx) => {
            expect(await firstBroken(tx, steps.map(counted))).toBeUndefined();
          }),
      ),
      // A history is told whole: to make it shorter would take longer than reading it.
      { numRuns: 1, seed, endOnFailure: true },
    );
  });

  // A history in which an act never does anything says nothing of it. (A club comes back only into a new one: club-document.test.ts.)
  it.each(acts.filter(({ name }) => name !== "bring-club-back").map((act) => [act.name, act] as const))(
    "%s does something in some of them, or by itself",
    async (name, act) => {
      for (let seed = 1; seed <= 40 && !done.get(name); seed++)
        await takenBack(club.who, async (tx) => {
          const steps = fc.sample(stepOf(act), { seed, numRuns: 3 });
          expect(await firstBroken(tx, steps.map(counted))).toBeUndefined();
        });
      expect(done.get(name)).toBeGreaterThan(0);
    },
  );
});

/** The same act, that forgets something. */
const forgetting = (act: AnyAct, forget: (done: Done<unknown>) => Done<unknown>): AnyAct => ({
  ...act,
  run: async (...told) => {
    const result = await act.run(...told);
    return result.ok ? { ok: true, value: forget(result.value) } : result;
  },
});

describe("is noticed of each act", () => {
  const found = async (act: AnyAct, tries: number, whose = whoCan()) => {
    for (let seed = 1; seed <= tries; seed++) {
      let what: string | undefined;
      await takenBack(club.who, async (tx) => {
        const of = act.name === "strike-try" ? await settledWorld(tx) : world;
        what = await firstBroken(tx, fc.sample(stepOf(act, whose, of), { seed, numRuns: 6 }));
      });
      if (what) return what;
    }
    return "nothing";
  };

  /** Every way without a lead is known bad: striking that brings the only chain of some radio back. */
  async function settledWorld(tx: Tx): Promise<World> {
    for (const { lead, tool, ...chain } of world.chains) {
      if (lead !== null || tool === null) continue;
      const input = { ...chain, tool, worked: false, settled: true, symptom: "" };
      await performIn(tx, noteTry, club.who, { input, key: crypto.randomUUID() });
    }
    return worldOf(tx, club.who, world.units.at(-2) ?? "");
  }

  const telling = acts.filter((act) => act.untold === undefined && act.name !== "bring-club-back");
  it.each(telling.map((act) => [act.name, act] as const))("%s: that it tells nothing", async (_, act) => {
    expect(
      await found(
        forgetting(act, (done) => ({ ...done, log: [] })),
        12,
      ),
    ).toContain("untold");
  });

  // What no need asks about.
  const beside =
    /person|place|add-group|procedure|quirk|confirm-fact|currency|first-step|usb|link|password|session|theme|sheet|club-back|begin-run|begin-anew|fault-radio|file-part|stand-in|take-over|practice|bench-rules|shelve-mode|show-unlocking|service-item|note-setting|limit|spectrum|channels|battery|charge|simulated-level|tie-device|set-pairing|profile|change-plan|drop-plan|codeplug-facts|repeater|heard|mend-codeplug|merge-list|mapping/;
  const touching = acts.filter((act) => !beside.test(act.name));
  it.each(touching.map((act) => [act.name, act] as const))(
    "%s: that it leaves needs as they were",
    async (_, act) => {
      expect(
        await found(
          forgetting(act, (done) => ({ ...done, touches: [] })),
          25,
        ),
      ).toContain("from scratch");
    },
  );

  const guarded = acts.filter((act) => !may("member", act.may) && act.name !== "bring-club-back");
  it.each(guarded.map((act) => [act.name, act] as const))("%s: that anybody may", async (_, act) => {
    const { holdsUnit: _never, ...rest } = act;
    const members = fc.constant({ ...club.who, role: "member" as const });
    expect(await found({ ...rest, may: "look" }, 12, members)).toContain("a member");
  });
});

describe("two who correct the same from the same page", () => {
  const correcting = acts.filter((act) => act.corrects);

  it("every act that writes anew what stands says what stood", () => {
    const writing = acts.filter(
      ({ name }) => /^(write|change|set)-/.test(name) && !/^write-down$/.test(name),
    );
    // A choice of one value, by whoever presses last; one's own; and plans, which have a version of their own.
    const others = /^(set-(currency|theme|first-step)|change-(password|plan)|write-releases)$/;
    expect(
      writing.filter(({ corrects, name }) => !corrects && !others.test(name)).map(({ name }) => name),
    ).toEqual([]);
  });

  it.each(correcting.map((act) => [act.name, act] as const))(
    "%s: different fields are both kept, and the same one is asked about",
    async (_, act) => {
      let [kept, asked] = [0, 0];
      for (let seed = 1; seed <= 30 && (kept === 0 || asked === 0); seed++)
        await takenBack(club.who, async (tx) => {
          const [one, other] = fc
            .sample(stepOf(act), { seed, numRuns: 2 })
            .map(({ input }) => act.input.safeParse(input));
          if (!one?.success || !other?.success) return;
          const stands = await act.corrects?.stored(tx, one.data);
          if (!stands || act.corrects?.id(one.data) === undefined) return;
          const drawn = { ...(one.data as Values), ...(stands as Values) };
          // What a lead may be a computer may not: the two may be things of different kinds.
          const changes = [one, other]
            .flatMap(({ data }) => changesOf(stands as Values, data as Values))
            .filter(({ path }) => path !== "values.kind");
          const ours = { ...club.who, role: "keeper" as const };
          const send = (change: Change, baseline: unknown) =>
            performIn(tx, act, ours, { input: changed(drawn, change), key: crypto.randomUUID(), baseline });
          for (const first of changes) {
            await tx.query("savepoint tried");
            const sent = await send(first, drawn);
            for (const second of sent.ok ? changes : []) {
              await tx.query("savepoint second");
              const then = await send(second, drawn);
              const now = (await act.corrects?.stored(tx, one.data)) as Values | undefined;
              if (first.path !== second.path && then.ok && now) {
                for (const { path, value } of [first, second])
                  if (!sameValue(at(now, path), value)) expect([path, at(now, path)]).toEqual([path, value]);
                kept++;
              }
              if (first.path === second.path && !sameValue(first.value, second.value)) {
                expect(then).toMatchObject({ ok: false, problem: { kind: "clash" } });
                asked++;
              }
              await tx.query("rollback to savepoint second");
            }
            await tx.query("rollback to savepoint tried");
          }
        });
      // An act of one field has no other.
      if (act.name !== "set-pairing") expect(kept).toBeGreaterThan(0);
      expect(asked).toBeGreaterThan(0);
    },
  );
});

it("sent three times at once, it is done once", async () => {
  const [unit = ""] = world.units;
  const input = { unit, typed: "1.02", source: "screen" };
  const key = crypto.randomUUID();
  const before = await withClub(club.who, logLength);
  const all = await Promise.all([1, 2, 3].map(() => perform(recordReading, club.who, { input, key })));
  expect(all.map((one) => one.ok && one.value.again).sort()).toEqual([false, true, true]);
  expect(await withClub(club.who, logLength)).toBe(before + 1);
  const other = await perform(recordReading, club.who, { input: { ...input, typed: "1.03" }, key });
  expect(other).toMatchObject({ ok: true, value: { again: false } });
});
