// How versions count: looked at first, done by a second press, taken back; what is so already is told and not logged.
import { afterAll, beforeAll, expect, it } from "vitest";
import { readLog } from "#db/club/index.ts";
import { loadCatalogues, models } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import type { SignedIn } from "../context.ts";
import { confirm } from "./confirm-numbering.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const form = (fields: Record<string, string>) => {
  const made = new FormData();
  made.set("key", crypto.randomUUID());
  for (const [name, value] of Object.entries(fields)) made.set(name, value);
  return made;
};

/** The Lantern 3's main part counts in two ways that fit equally well; nobody has said which. */
async function lantern(tx: Tx, who: SignedIn) {
  const model = (await models(tx, who.today)).find((m) => m.name === "Lantern 3");
  const [part] = (await loadCatalogues(tx, [model?.id ?? ""])).get(model?.id ?? "") ?? [];
  if (!model || !part) throw new Error("no Lantern 3");
  const says = async () =>
    (await loadCatalogues(tx, [model.id])).get(model.id)?.get(part[0])?.component.numbering;
  const due = async () =>
    (
      await tx.query<{ need: string }>(
        "select concat_ws(',', u.tag, n.kind, n.component_id, n.cause) need from need n join unit u on u.id = n.unit_id where n.due_from <= $1",
        [who.today],
      )
    ).rows
      .map((row) => row.need)
      .sort();
  return { model: model.id, component: part[0], says, due };
}

it("is shown with the radios it touches first, and those are the ones whose needs change", () =>
  club.trial(async (tx, who) => {
    const { model, component, says, due } = await lantern(tx, who);
    const fields = { component, numbering: JSON.stringify({ kind: "decimal" }) };
    const before = await due();
    const [newest] = await readLog(tx, {}, 1, "keeper");
    const looked = await confirm(tx, who, model, form(fields));
    expect(looked.says).toMatch(/^Not done yet/);
    expect(await says()).toBeUndefined();
    expect(await due()).toEqual(before);
    expect((await readLog(tx, {}, 1, "keeper"))[0]).toEqual(newest);
    const done = await confirm(tx, who, model, form({ ...fields, intent: "count-so" }));
    expect(done).toMatchObject({ ok: true });
    expect(await says()).toEqual({ kind: "decimal" });
    const after = await due();
    const differing = [
      ...before.filter((n) => !after.includes(n)),
      ...after.filter((n) => !before.includes(n)),
    ];
    const { touched } = looked.asked ?? {};
    const told = new Set(Object.values(touched ?? {}).flatMap(({ tags }) => tags));
    expect(differing.length).toBeGreaterThan(0);
    for (const need of differing) expect(told).toContain(need.split(",")[0]);
    const back = { component, numbering: "null" };
    expect((await confirm(tx, who, model, form(back))).asked?.numbering).toBeNull();
    expect(await says()).toEqual({ kind: "decimal" });
    await confirm(tx, who, model, form({ ...back, intent: "count-so" }));
    expect(await says()).toBeUndefined();
    expect(await due()).toEqual(before);
  }));

it("is not logged again where it counts so already, and what is no way of counting is answered", () =>
  club.trial(async (tx, who) => {
    const { model, component, says } = await lantern(tx, who);
    const fields = { component, numbering: JSON.stringify({ kind: "decimal" }), intent: "count-so" };
    await confirm(tx, who, model, form(fields));
    const logged = async () => (await tx.query("select count(*)::int n from log")).rows[0]?.n;
    const entries = await logged();
    expect((await confirm(tx, who, model, form(fields))).says).toMatch(/already/);
    expect(await logged()).toBe(entries);
    for (const numbering of ["", "{", '{"kind":"roman"}', "[]"]) {
      expect(await confirm(tx, who, model, form({ ...fields, numbering }))).toMatchObject({ ok: false });
    }
    expect(await confirm(tx, who, model, form({ ...fields, component: "0" }))).toMatchObject({ ok: false });
    expect(await says()).toEqual({ kind: "decimal" });
  }));
