// Kit in the database: read as core wants it, never older than what stands, and the needs that hang on it follow.
import { beforeAll, expect, test } from "vitest";
import { recompute } from "#acts/needs/recompute.ts";
import { identityShape } from "#core/dossier/index.ts";
import { chainsOfModel } from "#core/kit/index.ts";
import { plain } from "#core/quantities/index.ts";
import { isDuplicate } from "../errors.ts";
import { addRelease, putIdentity } from "../model/index.ts";
import { only } from "../only.ts";
import { type Actor, type Tx, withClub } from "../pool.ts";
import * as seed from "../seed.ts";
import { PLAIN_RELEASE, PLAIN_UNIT, testDatabase, twoClubs } from "../testing.ts";
import { layTestKit } from "../testing-kit.ts";
import { addUnit, setHold } from "../unit/index.ts";
import { addAttempt, loadKit, plugsOf } from "./kit.ts";
import { putDriverOn, putThing, putToolOn, shelveThing, usersOf } from "./put.ts";

let one: Actor;
let two: Actor;
let laid: Awaited<ReturnType<typeof layTestKit>> & { model: string; unit: string };

beforeAll(async () => {
  [one, two] = await twoClubs(await testDatabase());
  laid = await withClub(one, async (tx) => {
    const model = await seed.seedModel(tx, { maker: "M", name: "N", kind: "base", note: "", suffixes: [] });
    await putIdentity(tx, model, identityShape.parse({ plugs: ["p"] }));
    const component = await seed.seedComponent(tx, {
      model,
      name: "main",
      position: 0,
      numbering: { kind: "dotted" },
      by: one.person,
    });
    for (const version of ["1.0", "1.1"]) {
      await addRelease(tx, {
        component,
        version,
        ...PLAIN_RELEASE,
      });
    }
    const unit = await addUnit(
      tx,
      {
        tag: "T-1",
        model,
        ...PLAIN_UNIT,
      },
      plain("2026-01-01"),
    );
    const at = "2026-01-02T12:00:00Z";
    await seed.seedReading(tx, { unit, component, raw: "1.0", source: "screen", at, by: one.person });
    await recompute(tx, { of: "club" });
    return { ...(await layTestKit(tx, model, one.person)), model, unit };
  });
});

const chains = async (tx: Tx) => {
  const kit = await loadKit(tx);
  const plugs = (await plugsOf(tx, [laid.model], kit)).get(laid.model) ?? [];
  return chainsOfModel({ model: laid.model, plugs }, "flash", kit.prepared);
};
const action = async (tx: Tx) => {
  await recompute(tx, { of: "club" });
  const { rows } = await tx.query<{ action: string }>("select action from need where kind = 'firmware'");
  return rows.map((row) => row.action);
};
/** What is done in it is undone after. */
async function trying<Value>(act: (tx: Tx) => Promise<Value>): Promise<Value> {
  let told: { value: Value } | undefined;
  await withClub(one, async (tx) => {
    told = { value: await act(tx) };
    throw new Error("undone");
  }).catch((error: Error) => {
    if (error.message !== "undone") throw error;
  });
  if (!told) throw new Error("nothing was told");
  return told.value;
}

test("a radio is reached with what stands in the tables, and the try behind it counts", async () => {
  const found = await withClub(one, chains);
  expect(found.chains).toMatchObject([
    {
      lead: { tag: "K-1" },
      computer: { name: "desk" },
      evidence: { verdict: "untried", tries: 1, worked: 1 },
    },
  ]);
});

test("every change to the kit is seen at once, in its own transaction, and what is undone is not", async () => {
  const holds = async (tx: Tx) => (await chains(tx)).chains.length;
  const { lead, driver, computer, tool, rule, usb, plug } = laid;
  expect(
    await trying(async (tx) => [await putThing(tx, "lead", lead, { condition: "lost" }), await holds(tx)][1]),
  ).toBe(0);
  expect(
    await trying(async (tx) => [await putDriverOn(tx, computer, driver, "1.0"), await holds(tx)][1]),
  ).toBe(0);
  expect(
    await trying(async (tx) => [await putDriverOn(tx, computer, driver, null), await holds(tx)][1]),
  ).toBe(0);
  expect(await trying(async (tx) => [await shelveThing(tx, "driver_rule", rule), await holds(tx)][1])).toBe(
    1,
  );
  expect(await trying(async (tx) => [await shelveThing(tx, "tool", tool), await holds(tx)][1])).toBe(0);
  expect(await trying(async (tx) => [await shelveThing(tx, "connector", plug), await holds(tx)][1])).toBe(0);
  const second = { tag: "K-2", kind: "cable", radio_end: plug, computer_end: usb };
  expect(
    await trying(async (tx) => [await putThing(tx, "lead", undefined, second), await holds(tx)][1]),
  ).toBe(2);
  expect(await withClub(one, holds)).toBe(1);
});

test("four tries that failed make it known bad, and its radio waits for kit; a form sent twice counts once", async () => {
  const attempt = (receipt: string) => ({
    unit: laid.unit,
    operation: "flash" as const,
    lead: laid.lead,
    computer: laid.computer,
    tool: laid.tool,
    chip: { family: "F", grade: "genuine" as const },
    driver: laid.driver,
    system: "Windows" as const,
    systemVersion: "11",
    worked: false,
    settled: false,
    symptom: "no port",
    by: one.person,
    receipt,
  });
  const told = await trying(async (tx) => {
    const receipt = crypto.randomUUID();
    const noted = [await addAttempt(tx, attempt(receipt)), await addAttempt(tx, attempt(receipt))];
    for (let i = 0; i < 14; i++) await addAttempt(tx, attempt(crypto.randomUUID()));
    const [chain] = (await chains(tx)).chains;
    return { noted, evidence: chain?.evidence, action: await action(tx) };
  });
  expect(told.noted).toEqual([true, false]);
  expect(told.evidence).toMatchObject({ verdict: "known-bad", tries: 16, worked: 1 });
  expect(told.action).toEqual(["kit"]);
});

test("needs follow the kit: ready, waiting, ready again, and away before all", async () => {
  const told = await trying(async (tx) => {
    const seen: (string | undefined)[][] = [await action(tx)];
    await putDriverOn(tx, laid.computer, laid.driver, null);
    seen.push(await action(tx));
    await putDriverOn(tx, laid.computer, laid.driver, "2.5");
    seen.push(await action(tx));
    await putToolOn(tx, laid.computer, laid.tool, "0.1");
    seen.push(await action(tx));
    await putDriverOn(tx, laid.computer, laid.driver, null);
    await seed.seedCustody(tx, {
      unit: laid.unit,
      person: one.person,
      outOn: plain("2026-01-03"),
      dueBack: null,
      backOn: null,
    });
    seen.push(await action(tx));
    return seen;
  });
  expect(told).toEqual([["install"], ["kit"], ["install"], ["install"], ["ask-back"]]);
  await trying((tx) => setHold(tx, [laid.unit], null));
});

test("with a kind of kit that is not there at all nothing is ready", async () => {
  const told = await trying(async (tx) => {
    await shelveThing(tx, "computer", laid.computer);
    return action(tx);
  });
  expect(told).toEqual(["kit"]);
  expect((await withClub(two, loadKit)).prepared.kit.leads).toEqual([]);
});

test("a tag is taken once, in any case of letters, and free again once its lead is shelved", async () => {
  const again = { tag: "k-1", kind: "cable", radio_end: laid.plug, computer_end: laid.usb };
  const refused = await withClub(one, (tx) => putThing(tx, "lead", undefined, again)).catch(
    (error: unknown) => error,
  );
  expect(isDuplicate(refused, "lead_tag")).toBe(true);
  await trying(async (tx) => {
    await shelveThing(tx, "lead", laid.lead);
    expect(await putThing(tx, "lead", undefined, again)).not.toBe("");
  });
});

test("a price of nothing or below is refused by the table itself", async () => {
  const offer = { name: "o", gives: "lead", kind: "cable", end_a: laid.plug, end_b: laid.usb };
  for (const price of [0, -5]) {
    await expect(
      withClub(one, (tx) => putThing(tx, "offer", undefined, { ...offer, price })),
    ).rejects.toThrow(/check/);
  }
});

test("what is archived keeps nothing in use", () =>
  trying(async (tx) => {
    const { rows } = await tx.query<{ id: string }>("select end_a id from adapter where tag = 'A-1'");
    const plug = only(rows).id;
    expect(await usersOf(tx, "connector", plug)).toContain("A-1");
    await tx.query("update adapter set shelved_at = now() where tag = 'A-1'");
    expect(await usersOf(tx, "connector", plug)).not.toContain("A-1");
  }));
