// Kits for tests: random small ones in the oracle's plain words and in ours, and the pieces that cases are made of.
import fc from "fast-check";
import type { Range } from "../version/index.ts";
import { findChains, prepareKit } from "./chain/chain.ts";
import type { PlainKit, PlainRange } from "./oracle.ts";
import type { Computer, DriverRule, Job, Kit, Lead } from "./shapes.ts";

export const VERSIONS = [1, 2, 3];
export const DRIVERS = ["d", "e"];
const rangeOf = (r: PlainRange | undefined): Range | undefined =>
  r && [{ atLeast: String(r.least), atMost: String(r.most) }];

export function kitOf(plain: PlainKit): Kit {
  const thing = (x: { id: string; holder: boolean; sound: boolean; data: boolean }) => ({
    id: x.id,
    tag: x.id,
    carriesData: x.data,
    condition: x.sound ? ("sound" as const) : ("broken" as const),
    ...(x.holder && { holder: "somebody" }),
  });
  const lead = (l: PlainKit["leads"][number]): Lead => ({
    ...thing(l),
    kind: "cable",
    radioEnd: l.at,
    computerEnd: l.to,
    ...(l.chip && { chip: l.chip }),
  });
  const adapter = (a: PlainKit["adapters"][number]) => ({
    ...thing(a),
    kind: a.otg ? ("on-the-go" as const) : ("usb" as const),
    ends: [a.a, a.b] as const,
    ...(a.chip && { chip: a.chip }),
  });
  const texts = (of: Readonly<Record<string, number>>) =>
    new Map(Object.entries(of).map(([k, v]) => [k, String(v)]));
  return {
    leads: plain.leads.map(lead),
    adapters: plain.adapters.map(adapter),
    computers: plain.computers.map((c) => ({
      id: c.id,
      name: c.id,
      kind: c.phone ? "phone" : "computer",
      system: "Linux",
      version: "1",
      bits: 64,
      ports: c.ports,
      bluetooth: false,
      admin: c.admin,
      condition: "sound",
      drivers: texts(c.drivers),
      tools: texts(c.tools),
    })),
    rules: plain.rules.map((r, i): DriverRule => {
      const range = rangeOf(r.range);
      return {
        id: String(i),
        family: r.family,
        ...(r.grade && { grade: r.grade }),
        system: "Linux",
        says: r.says,
        driver: r.driver,
        ...(range && { range }),
        source: { kind: r.trust, what: "" },
      };
    }),
    tools: plain.tools.map((t) => {
      const versions = rangeOf(t.range);
      return {
        id: t.id,
        name: t.id,
        runsOn: [{ system: "Linux" as const }],
        supports: [{ model: "m", operations: ["flash" as const], ...(versions && { versions }) }],
        matchesFirmware: false,
      };
    }),
    attempts: [],
    offers: plain.offers.flatMap(({ price, lead: l, adapter: a }, i) => [
      ...(l ? [{ id: String(i), name: l.id, price, gives: "lead" as const, lead: lead(l) }] : []),
      ...(a ? [{ id: String(i), name: a.id, price, gives: "adapter" as const, adapter: adapter(a) }] : []),
    ]),
  };
}

const plugs = fc.constantFrom("p", "q", "usb", "c");
const chip = fc.option(
  fc.record({
    family: fc.constantFrom("F", "G"),
    grade: fc.constantFrom("genuine" as const, "clone" as const),
  }),
  { nil: undefined },
);
const range = fc.option(
  fc
    .tuple(fc.constantFrom(...VERSIONS), fc.constantFrom(...VERSIONS))
    .map(([least, most]) => ({ least, most })),
  { nil: undefined, freq: 2 },
);
const thing = {
  holder: fc.boolean(),
  sound: fc.constantFrom(true, true, true, false),
  data: fc.constantFrom(true, true, true, false),
};
const withChip = <T extends object>({
  chip: c,
  ...rest
}: T & { chip?: PlainKit["leads"][number]["chip"] }) => ({ ...rest, ...(c && { chip: c }) });
const near = fc.constantFrom("p", "p", "q");
const far = fc.constantFrom("usb", "usb", "c");
const leadShape = fc.record({ ...thing, at: near, to: far, chip });
const adapterShape = fc.record({ ...thing, a: plugs, b: plugs, otg: fc.boolean(), chip });
const versionsBy = (names: readonly string[]) =>
  fc.dictionary(fc.constantFrom(...names), fc.constantFrom(...VERSIONS), {
    maxKeys: 2,
    noNullPrototype: true,
  });
export const kits = fc
  .record({
    leads: fc.array(leadShape, { minLength: 1, maxLength: 3 }),
    adapters: fc.array(adapterShape, { maxLength: 3 }),
    computers: fc.array(
      fc.record({
        phone: fc.constantFrom(false, false, true),
        admin: fc.constantFrom(true, true, false),
        ports: fc.uniqueArray(far, { minLength: 1, maxLength: 2 }),
        drivers: versionsBy(DRIVERS),
        tools: versionsBy(["t0", "t1"]),
      }),
      { minLength: 1, maxLength: 2 },
    ),
    rules: fc.array(
      fc.record({
        family: fc.constantFrom("F", "G"),
        grade: fc.constantFrom(undefined, "clone" as const, "genuine" as const),
        says: fc.constantFrom(
          "built-in" as const,
          "needs" as const,
          "needs" as const,
          "must-not" as const,
          "no-support" as const,
        ),
        driver: fc.constantFrom(...DRIVERS),
        range,
        trust: fc.constantFrom("bench" as const, "hearsay" as const),
      }),
      { maxLength: 5 },
    ),
    tools: fc.array(range, { minLength: 1, maxLength: 2 }),
    offers: fc.array(
      fc.record({
        price: fc.integer({ min: 1, max: 3 }),
        lead: leadShape,
        adapter: adapterShape,
        isLead: fc.boolean(),
      }),
      { maxLength: 2 },
    ),
  })
  .map(
    ({ leads, adapters, computers, rules, tools, offers }): PlainKit => ({
      plug: "p",
      leads: leads.map((l, i) => ({ ...withChip(l), id: `l${i}` })),
      adapters: adapters.map((a, i) => ({ ...withChip(a), id: `a${i}` })),
      computers: computers.map((c, i) => ({ ...c, id: `c${i}` })),
      rules: rules.map(({ grade, range: r, ...rest }) => ({
        ...rest,
        ...(grade && { grade }),
        ...(r && { range: r }),
      })),
      tools: tools.map((r, i) => ({ id: `t${i}`, ...(r && { range: r }) })),
      offers: offers.map(({ price, lead, adapter, isLead }, i) => {
        const whole = { id: `o${i}`, holder: false, sound: true };
        return isLead
          ? { price, lead: { ...withChip(lead), ...whole } }
          : { price, adapter: { ...withChip(adapter), ...whole } };
      }),
    }),
  );
export const job: Job = { model: "m", plugs: ["p"], operation: "flash", ways: ["cable"] };

export const computer = (over: Partial<Computer> = {}): Computer => ({
  id: "c",
  name: "Reed desk",
  kind: "computer",
  system: "Windows",
  version: "11",
  bits: 64,
  ports: ["USB-A"],
  bluetooth: false,
  admin: true,
  condition: "sound",
  drivers: new Map(),
  tools: new Map([["t", "1.6"]]),
  ...over,
});
export const lead = (over: Partial<Lead> = {}): Lead => ({
  id: "l",
  tag: "K-01",
  kind: "cable",
  radioEnd: "two-pin",
  computerEnd: "USB-A",
  chip: { family: "Bramble", grade: "genuine" },
  carriesData: true,
  condition: "sound",
  ...over,
});
export const rule = (over: Partial<DriverRule>): DriverRule => ({
  id: "r",
  family: "Bramble",
  system: "Windows",
  says: "needs",
  driver: "d",
  source: { kind: "maker", what: "" },
  ...over,
});
export const kit = (over: Partial<Kit> = {}): Kit => ({
  leads: [lead()],
  adapters: [],
  computers: [computer()],
  rules: [],
  tools: [
    {
      id: "t",
      name: "Hedgewriter",
      runsOn: [{ system: "Windows" }],
      supports: [{ model: "m", operations: ["flash", "read"] }],
      matchesFirmware: false,
    },
  ],
  attempts: [],
  offers: [],
  ...over,
});
export const flash: Job = { model: "m", plugs: ["two-pin"], operation: "flash", ways: [] };
export const find = (over: Partial<Kit>, one: Job = flash) => findChains(one, prepareKit(kit(over)));
