// The acts on one radio, as their forms arrive: each checked, refused where it must be, done once, and told in the log.
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ROLES, type Role } from "#core/club/index.ts";
import { addDays } from "#core/quantities/index.ts";
import { people, readLog } from "#db/club/index.ts";
import type { Tx } from "#db/pool.ts";
import { readingsOf, shelveUnit, unitByTag } from "#db/unit/index.ts";
import { type DemoClub, demoClub } from "#demo/testing.ts";
import type { SignedIn } from "../context.ts";
import type { ActAnswer } from "../shared/act-answer.server.ts";
import { actOnUnit } from "./act.server.ts";

let club: DemoClub;
beforeAll(async () => {
  club = await demoClub();
});
afterAll(() => club.close());

const formOf = (fields: Record<string, string>): FormData => {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.append(name, value);
  return form;
};

async function act(tx: Tx, who: SignedIn, tag: string, fields: Record<string, string>) {
  const answer = await actOnUnit(tx, who, tag, formOf({ key: crypto.randomUUID(), ...fields }));
  return { status: answer.init?.status, ...(answer.data as ActAnswer) };
}

const unitOf = async (tx: Tx, tag: string) => {
  const unit = await unitByTag(tx, tag);
  if (!unit) throw new Error(`no radio ${tag}`);
  return unit;
};
const personOf = async (tx: Tx, first: string) =>
  (await people(tx)).find((p) => p.name.startsWith(first))?.id ?? "";
const key = () => crypto.randomUUID();

describe("a reading", () => {
  it("is recorded, told, and once however often its form arrives", () =>
    club.trial(async (tx, who) => {
      const unit = await unitOf(tx, "W-05");
      const before = (await readingsOf(tx, unit.id)).length;
      const form = { intent: "reading", typed: "v1.08", key: key(), source: "screen" };
      const first = await act(tx, who, "W-05", form);
      expect(first).toMatchObject({ status: 200, ok: true, says: expect.stringContaining("behind") });
      const again = await act(tx, who, "W-05", form);
      expect(again.says).toMatch(/^It was recorded already\./);
      const readings = await readingsOf(tx, unit.id);
      expect(readings).toHaveLength(before + 1);
      expect(readings[0]).toMatchObject({ raw: "v1.08", source: "screen" });
      const [told] = await readLog(tx, { unit: unit.id }, 1, "keeper");
      expect(told).toMatchObject({ kind: "reading", person_id: who.person });
    }));

  it("that cannot be split or is far too long is answered, with what was typed", () =>
    club.trial(async (tx, who) => {
      for (const typed of ["", "  ", "bluetooth", "9".repeat(10_000)]) {
        const told = await act(tx, who, "H-01", { intent: "reading", typed, key: key() });
        expect(told).toMatchObject({ status: 400, ok: false, typed });
      }
      const without = await act(tx, who, "H-01", { intent: "reading", typed: "2.2.0", key: "" });
      expect(without).toMatchObject({ status: 400, typed: "2.2.0" });
    }));

  it("that cannot be placed is recorded all the same, and says that it is unclear", () =>
    club.trial(async (tx, who) => {
      const told = await act(tx, who, "W-05", { intent: "reading", typed: "\u202e41.1", key: key() });
      expect(told.status).toBe(200);
      const odd = await act(tx, who, "W-05", { intent: "reading", typed: "١٫١٤", key: key() });
      expect(odd).toMatchObject({ ok: true, says: expect.stringContaining("digits of another script") });
    }));

  it("of a shelved radio is refused, and of one that is not there", () =>
    club.trial(async (tx, who) => {
      await shelveUnit(tx, (await unitOf(tx, "W-05")).id, true);
      const told = await act(tx, who, "W-05", { intent: "reading", typed: "1.14", key: key() });
      expect(told).toMatchObject({ status: 409, ok: false });
      await expect(act(tx, who, "Z-99", { intent: "reading", typed: "1", key: key() })).rejects.toMatchObject(
        { status: 404 },
      );
    }));

  it("comes from whoever has the radio, even a member, and from no other member", () =>
    club.trial(async (tx, who) => {
      const ida = await personOf(tx, "Ida");
      const member: SignedIn = { ...who, person: ida, role: "member" };
      const form = () => ({ intent: "reading", typed: "1.14", key: key() });
      expect((await act(tx, member, "W-06", form())).ok).toBe(true);
      await expect(act(tx, member, "W-05", form())).rejects.toMatchObject({ status: 403 });
    }));
});

describe("lending and taking back", () => {
  it("goes out once, is told, comes back once", () =>
    club.trial(async (tx, who) => {
      const person = await personOf(tx, "Osric");
      const dueBack = addDays(who.today, 9);
      expect(await act(tx, who, "S-01", { intent: "lend", person, dueBack })).toMatchObject({ status: 200 });
      expect(await unitOf(tx, "S-01")).toMatchObject({ holder_id: person, due_back: dueBack });
      const again = await act(tx, who, "S-01", { intent: "lend", person, dueBack: "" });
      expect(again).toMatchObject({ status: 409, says: expect.stringContaining("has it already") });
      const back = await act(tx, who, "S-01", { intent: "back" });
      expect(back).toMatchObject({ status: 200, says: expect.stringContaining("Read its version") });
      expect((await act(tx, who, "S-01", { intent: "back" })).status).toBe(409);
      const kinds = (await readLog(tx, { unit: (await unitOf(tx, "S-01")).id }, 2, "keeper")).map(
        (e) => e.kind,
      );
      expect(kinds).toEqual(["back", "lent"]);
    }));

  it("wants a person of the club and a day that is none or to come", () =>
    club.trial(async (tx, who) => {
      const person = await personOf(tx, "Osric");
      const refused = async (fields: Record<string, string>) =>
        (await act(tx, who, "S-01", { intent: "lend", ...fields })).says;
      expect(await refused({ person: "", dueBack: "" })).toBe("Choose who takes it.");
      expect(await refused({ person: "999999", dueBack: "" })).toBe("That person is not in the club.");
      expect(await refused({ person, dueBack: "31/12" })).toContain("A date such as");
      expect(await refused({ person, dueBack: addDays(who.today, -1) })).toContain("passed already");
      expect((await unitOf(tx, "S-01")).holder_id).toBeNull();
    }));
});

describe("a hold", () => {
  it("needs a day to come and a reason; it is lifted once", () =>
    club.trial(async (tx, who) => {
      const refused = async (fields: Record<string, string>) =>
        (await act(tx, who, "W-03", { intent: "hold", ...fields })).says;
      expect(await refused({})).toContain("Say until which day");
      expect(await refused({ until: addDays(who.today, 3), why: " " })).toBe("Say why, so that others know.");
      expect(await refused({ until: addDays(who.today, -3), why: "x" })).toContain("passed already");
      const until = addDays(who.today, 3);
      const held = await act(tx, who, "W-03", { intent: "hold", until, why: "the procession" });
      expect(held).toMatchObject({ status: 200, says: "On hold." });
      expect(held.kept).toBeUndefined();
      const vague = await act(tx, who, "W-03", { intent: "hold", until: "soon", why: "the fair" });
      expect(vague.kept).toEqual({ intent: "hold", until: "soon", why: "the fair" });
      expect(await unitOf(tx, "W-03")).toMatchObject({ hold_until: until, hold_why: "the procession" });
      expect((await act(tx, who, "W-03", { intent: "lift" })).status).toBe(200);
      expect((await act(tx, who, "W-03", { intent: "lift" })).status).toBe(409);
    }));
});

describe("the hardware", () => {
  it("is one of its model's revisions", () =>
    club.trial(async (tx, who) => {
      const other = await unitOf(tx, "M-05");
      const wrong = await act(tx, who, "P-05", {
        intent: "hardware",
        revision: other.hardware_revision_id ?? "",
      });
      expect(wrong).toMatchObject({ status: 400, says: expect.stringContaining("no such hardware") });
      const right = (await unitOf(tx, "P-04")).hardware_revision_id ?? "";
      expect((await act(tx, who, "P-05", { intent: "hardware", revision: right })).status).toBe(200);
      expect((await unitOf(tx, "P-05")).hardware_revision_id).toBe(right);
    }));
});

describe("who may", () => {
  const acts: readonly (readonly [string, readonly Role[]])[] = [
    ["lend", ["keeper", "bench"]],
    ["back", ["keeper", "bench"]],
    ["hold", ["keeper", "bench"]],
    ["lift", ["keeper", "bench"]],
    ["hardware", ["keeper", "bench"]],
    ["tried", ["keeper", "bench"]],
    ["reading", ["keeper", "bench"]],
  ];
  it.each(acts)("%s: %j and nobody else", (intent, allowed) =>
    club.trial(async (tx, who) => {
      for (const role of ROLES) {
        const told = act(tx, { ...who, role }, "W-05", { intent });
        // What they may do is looked at further; here every form is empty, so it goes no further than that.
        if (allowed.includes(role)) expect((await told).status).toBeGreaterThanOrEqual(400);
        else await expect(told).rejects.toMatchObject({ status: 403 });
      }
    }),
  );

  it("an act that nobody knows is answered", () =>
    club.trial(async (tx, who) => {
      expect(await act(tx, who, "W-05", { intent: "transmit" })).toMatchObject({ status: 400, ok: false });
    }));
});
