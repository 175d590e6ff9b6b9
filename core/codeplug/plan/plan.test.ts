// The plan changed step by step against a plain list of names; its rules; how it lies in models; what a draft changes.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plain } from "../../quantities/index.ts";
import { cases } from "../../quantities/testing.ts";
import { changesOf } from "../check/changes.ts";
import { codeplugFacts, layFactsOf } from "../facts.ts";
import { fitOfBlock, planTroubles, stripsOf } from "../strips.ts";
import { layOut } from "./lay-out.ts";
import { changePlan, type ListedRepeater, type PlanChange, resolved, type StoredPlan } from "./plan.ts";

const head = (name: string) => ({ name, purpose: "", priority: 5, listens: true });
const member = (name: string, receive = 145_500_000) => ({
  name,
  receive,
  transmit: receive,
  digital: false,
});
const rule = {
  around: "",
  place: { latitude: 54.87, longitude: 4.41 },
  kilometres: 50,
  openOnly: true,
  bands: [{ from: 144_000_000, to: 146_000_000 }],
  modes: ["analogue" as const],
};

const place = fc.integer({ min: 0, max: 4 });
const name = fc.constantFrom("A", "B", "C", "a");
const change: fc.Arbitrary<PlanChange> = fc.oneof(
  fc.record({ do: fc.constant("add-block" as const), head: name.map(head) }),
  fc.record({ do: fc.constant("change-block" as const), block: place, head: name.map(head) }),
  fc.record({
    do: fc.constant("change-block" as const),
    block: place,
    head: name.map((n) => ({ ...head(n), rule })),
  }),
  fc.record({ do: fc.constant("remove-block" as const), block: place }),
  fc.record({ do: fc.constant("move-block" as const), block: place, to: place }),
  fc.record({
    do: fc.constant("add-members" as const),
    block: place,
    members: fc.tuple(
      name.map((n) => member(n)),
      name.map((n) => member(n)),
    ),
  }),
  fc.record({
    do: fc.constant("change-member" as const),
    block: place,
    member: place,
    channel: name.map((n) => member(n)),
  }),
  fc.record({ do: fc.constant("remove-member" as const), block: place, member: place }),
  fc.record({
    do: fc.constant("move-member" as const),
    block: place,
    member: place,
    toBlock: place,
    to: place,
  }),
);

/** A second reading: lists that are changed in place. */
type Plain = { name: string; rule: boolean; members: string[] };
function plainly(plan: Plain[], c: PlanChange): boolean {
  const clash = (n: string, but: number) =>
    plan.some((b, i) => i !== but && b.name.toLowerCase() === n.toLowerCase());
  if (c.do === "add-block") {
    if (clash(c.head.name, -1)) return false;
    plan.push({ name: c.head.name, rule: false, members: [] });
    return true;
  }
  const block = plan[c.block];
  if (!block) return false;
  if (c.do === "change-block") {
    if (clash(c.head.name, c.block)) return false;
    block.name = c.head.name;
    block.rule = c.head.rule !== undefined;
    if (block.rule) block.members = [];
    return true;
  }
  if (c.do === "remove-block") return plan.splice(c.block, 1).length === 1;
  if (c.do === "move-block") {
    plan.splice(c.block, 1);
    plan.splice(c.to, 0, block);
    return true;
  }
  if (c.do === "add-members") {
    if (block.rule) return false;
    for (const { name: n } of c.members) block.members.push(n);
    return true;
  }
  if (block.members[c.member] === undefined) return false;
  if (c.do === "change-member") block.members[c.member] = c.channel.name;
  else if (c.do === "remove-member") block.members.splice(c.member, 1);
  else {
    const into = plan[c.toBlock];
    if (!into || (into.rule && into !== block)) return false;
    const [one = ""] = block.members.splice(c.member, 1);
    into.members.splice(c.to, 0, one);
  }
  return true;
}

describe("a plan that is changed", () => {
  it("is what a plain list would be, whatever is done to it in whichever order", () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 25 }), (changes) => {
        let plan: StoredPlan = [];
        const own: Plain[] = [];
        for (const one of changes) {
          const after = changePlan(plan, one);
          expect(after.ok).toBe(plainly(own, one));
          if (after.ok) plan = after.value;
        }
        expect(
          plan.map((b) => ({
            name: b.name,
            rule: b.rule !== undefined,
            members: b.members.map((m) => m.name),
          })),
        ).toEqual(own);
      }),
      { numRuns: cases(500) },
    );
  });

  it("takes no member into a block whose members follow from a rule, by adding or by moving", () => {
    const plan: StoredPlan = [
      { ...head("A"), members: [member("x")] },
      { ...head("B"), rule, members: [] },
    ];
    const move = { do: "move-member" as const, block: 0, member: 0, toBlock: 1, to: 0 };
    expect(changePlan(plan, move)).toMatchObject({ problem: { kind: "by-rule" } });
    expect(changePlan(plan, { do: "add-members", block: 1, members: [member("y")] })).toMatchObject({
      problem: { kind: "by-rule" },
    });
  });

  it("holds no more than a plan may, by hand or by rule", () => {
    const full = (n: number) => ({
      ...head(`F${n}`),
      members: Array.from({ length: 1000 }, () => member("x")),
    });
    const plan: StoredPlan = [full(1), full(2), { ...head("F3"), members: full(3).members.slice(0, 999) }];
    const one = { do: "add-members" as const, block: 2, members: [member("y")] };
    const after = changePlan(plan, one);
    expect(after).toMatchObject({ ok: true });
    expect(changePlan(after.ok ? after.value : plan, one)).toMatchObject({
      problem: { kind: "too-many", most: 1000 },
    });
    const wide: StoredPlan = [...(after.ok ? after.value : plan), { ...head("G"), members: [] }];
    expect(changePlan(wide, { ...one, block: 3 })).toMatchObject({
      problem: { kind: "too-many", most: 3000 },
    });
    const near = Array.from({ length: 5 }, (_, i) => ({
      id: String(i),
      name: `R${i}`,
      receive: 145_600_000,
      transmit: 145_000_000,
      digital: false,
      open: true,
      place: { latitude: 54.9, longitude: 4.4 },
    }));
    const byRule = resolved([...plan, { ...head("R"), rule, members: [] }], near, plain("2026-05-02"));
    expect(byRule[3]?.members).toHaveLength(1);
  });

  it("tells of a draft what it changes, and of the same nothing", () => {
    const plan: StoredPlan = [
      { ...head("A"), members: [member("x"), member("y")] },
      { ...head("B"), members: [] },
      { ...head("C"), members: [] },
    ];
    expect(changesOf(plan, plan)).toEqual([]);
    const after: StoredPlan = [
      { ...head("C"), priority: 9, members: [] },
      { ...head("A"), members: [member("x", 146_000_000), member("z")] },
      { ...head("D"), members: [] },
    ];
    expect(changesOf(plan, after)).toEqual([
      { kind: "moved", block: "C" },
      { kind: "changed", block: "C", added: 0, removed: 0, changed: 0, head: true },
      { kind: "moved", block: "A" },
      { kind: "changed", block: "A", added: 1, removed: 1, changed: 1, head: false },
      { kind: "added", block: "D" },
      { kind: "removed", block: "B" },
    ]);
  });
});

describe("how a plan lies in a model", () => {
  const facts = codeplugFacts.parse({ capacity: 5, nameSigns: 4, digital: false });
  const mode = {
    name: "locked",
    outside: "band edge" as const,
    erases: "nothing" as const,
    bandwidths: [],
    transmit: [{ from: 144_000_000, to: 146_000_000 }],
    receive: [{ from: 136_000_000, to: 174_000_000 }],
  };
  const plan: StoredPlan = [
    {
      ...head("One"),
      members: [member("Long name"), member("Sluice", 158_000_000), { ...member("Data"), digital: true }],
    },
    { ...head("Two"), priority: 9, members: [member("a"), member("b"), member("c"), member("d")] },
    { ...head("Far"), rule, members: [] },
  ];
  const repeater: ListedRepeater = {
    id: "1",
    name: "Mirk",
    receive: 145_600_000,
    transmit: 145_000_000,
    digital: false,
    open: true,
    place: { latitude: 54.9, longitude: 4.4 },
    colour: 1,
  };
  const blocks = resolved(plan, [repeater, { ...repeater, id: "2", open: false }], plain("2026-05-02"));
  const laid = layOut(blocks, layFactsOf(facts, mode));

  it("is told block by block, and the parts of a block come to the whole", () => {
    const strips = stripsOf(laid);
    for (const { of, taken, listens, left, unfit } of strips) expect(taken + listens + left + unfit).toBe(of);
    expect(
      strips.map(({ block, taken, listens, left, unfit }) => [block, taken, listens, left, unfit]),
    ).toEqual([
      ["One", 1, 0, 1, 1],
      ["Two", 4, 0, 0, 0],
      ["Far", 0, 0, 1, 0],
    ]);
    expect(blocks[2]?.members.map(({ name }) => name)).toEqual(["Mirk"]);
  });

  it("is told channel by channel, with the position and the name that it has there", () => {
    expect(fitOfBlock(blocks[0]?.members ?? [], "One", laid)).toEqual([
      { kind: "in", position: 1, name: "Lngn", listens: false },
      { kind: "out", why: "full" },
      { kind: "out", why: "digital" },
    ]);
    const roomy = layOut(blocks, layFactsOf({ ...facts, capacity: 9 }, mode));
    expect(fitOfBlock(blocks[0]?.members ?? [], "One", roomy)[1]).toMatchObject({
      position: 2,
      listens: true,
    });
  });

  it("says what is wrong, a radio that would transmit elsewhere first", () => {
    const narrow = { ...mode, transmit: [{ from: 145_550_000, to: 146_000_000 }] };
    const found = planTroubles([
      {
        model: "W",
        laid,
        modes: [
          { mode: narrow, units: 3, tags: ["W-01"] },
          { mode, units: 1, tags: ["W-02"] },
        ],
      },
    ]);
    expect(found.map(({ kind }) => kind)).toEqual(["stranded", "left-out", "left-out", "cut"]);
    expect(found[0]).toMatchObject({ mode: "locked", units: 3, edge: 145_550_000, count: 5 });
  });

  it("leaves nothing out for a model of which nobody knows where it transmits", () => {
    const open = layOut(blocks, layFactsOf({ ...facts, capacity: 99, digital: true }, undefined));
    expect(open.left).toEqual([]);
  });
});
