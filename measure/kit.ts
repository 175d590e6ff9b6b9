// Chains of many units, and the best purchase for many, each over a kit larger than a club's.
import loadHighs from "highs";
import {
  bestPurchase,
  type Computer,
  chainsFor,
  type Demand,
  type DriverRule,
  findChains,
  type Job,
  type Kit,
  type Lead,
  prepareKit,
  readDeviceList,
  type System,
  type Tool,
  wholeCurve,
} from "#core/kit/index.ts";
import { solverOf } from "#core/solve/index.ts";
import { best, type Measured, ms, sorts } from "./clock.ts";

const LEADS = 60;
const COMPUTERS = 20;
const DRIVERS = 40;
const TOOLS = 60;
const UNITS = 500;
const PLUGS = 8;
const MODELS = 30;
const FAMILIES = 10;
const SYSTEMS: readonly System[] = ["Windows", "Linux", "macOS"];
const pick = <T>(list: readonly T[], n: number): T => list[n % list.length] as T;

/** A kit with so many times as many leads, computers, drivers, tools and adapters; tries only of the first. */
function kit(times = 1): Kit {
  const family = (n: number) => `chip ${n % FAMILIES}`;
  const rules: DriverRule[] = Array.from({ length: DRIVERS * times }, (_, n) => ({
    id: `r${n}`,
    family: family(n),
    system: pick(SYSTEMS, n),
    says: n % 4 === 3 ? "built-in" : "needs",
    ...(n % 4 === 3 ? {} : { driver: `d${n}`, range: [{ atLeast: `${1 + (n % 5)}.0` }] }),
    source: { kind: "maker", what: "" },
  }));
  const tools: Tool[] = Array.from({ length: TOOLS * times }, (_, n) => ({
    id: `t${n}`,
    name: `tool ${n}`,
    runsOn: SYSTEMS.slice(0, 1 + (n % 3)).map((system) => ({ system })),
    supports: [n, n + 7, n + 11].map((m) => ({
      model: `m${m % MODELS}`,
      operations: ["read", "write", "flash"] as const,
      versions: [{ atLeast: `1.${n % 6}` }],
    })),
    matchesFirmware: false,
  }));
  const computers: Computer[] = Array.from({ length: COMPUTERS * times }, (_, n) => ({
    id: `c${n}`,
    name: `desk ${n}`,
    kind: "computer",
    system: pick(SYSTEMS, n),
    version: String(8 + (n % 4)),
    bits: 64,
    ports: n % 3 === 0 ? ["USB-A", "USB-C"] : ["USB-A"],
    bluetooth: n % 2 === 0,
    admin: n % 5 !== 0,
    condition: "sound",
    drivers: new Map(Array.from({ length: DRIVERS * times }, (_, d) => [`d${d}`, `${(d + n) % 6}.1`])),
    tools: new Map(Array.from({ length: TOOLS * times }, (_, t) => [`t${t}`, `1.${(t + n) % 8}`])),
  }));
  const leads: Lead[] = Array.from({ length: LEADS * times }, (_, n) => ({
    id: `l${n}`,
    tag: `K-${n}`,
    kind: "cable",
    radioEnd: `plug ${n % PLUGS}`,
    computerEnd: n % 4 === 0 ? "USB-C" : "USB-A",
    chip: { family: family(n), grade: n % 3 === 0 ? "clone" : "genuine" },
    carriesData: n % 9 !== 0,
    condition: "sound",
  }));
  const adapters = Array.from({ length: 6 * times }, (_, n) => ({
    id: `a${n}`,
    tag: `A-${n}`,
    kind: "usb" as const,
    ends: ["USB-A", "USB-C"] as const,
    carriesData: true,
    condition: "sound" as const,
  }));
  const attempts = Array.from({ length: 2000 }, (_, n) => ({
    lead: `l${n % LEADS}`,
    computer: `c${n % COMPUTERS}`,
    tool: `t${n % TOOLS}`,
    chip: { family: family(n), grade: "genuine" as const },
    system: pick(SYSTEMS, n),
    systemVersion: "8",
    worked: n % 6 !== 0,
  }));
  return { leads, adapters, computers, rules, tools, attempts, offers: [] };
}

export async function measureKit(): Promise<Measured[]> {
  const whole = kit();
  const jobs: Job[] = Array.from({ length: UNITS }, (_, n) => ({
    model: `m${n % MODELS}`,
    plugs: [`plug ${(n % MODELS) % PLUGS}`],
    operation: "flash",
    ways: ["cable"],
  }));
  const nothing = new Map();
  let chains = 0;
  const time = await best(3, () => {
    const prepared = prepareKit(whole);
    chains = 0;
    // As pages ask: units of one model, that want the same, share the answer.
    for (const job of jobs) chains += chainsFor(job, nothing, nothing, prepared).chains.length;
  });
  let alone = 0;
  const each = await best(2, () => {
    const prepared = prepareKit(whole);
    alone = 0;
    for (const job of jobs) alone += findChains(job, prepared).chains.length;
  });
  const grown = [await timesAsMuch(1), await timesAsMuch(2), await timesAsMuch(4)];
  const solve = solverOf(await loadHighs());
  const offers = Array.from({ length: 60 }, (_, n) => `o${n}`);
  const prices = new Map(offers.map((offer, n) => [offer, 300 + ((n * 7919) % 4700)]));
  const demand: Demand[] = Array.from({ length: 300 }, (_, n) => ({
    unit: `u${n}`,
    weight: [1, 2, 4][n % 3] ?? 1,
    sets: Array.from({ length: 1 + (n % 3) }, (_, s) =>
      [n * 31 + s * 17, n * 13 + s * 29, n * 7 + s * 5]
        .slice(0, 1 + ((n + s) % 3))
        .map((k) => pick(offers, k)),
    ),
  }));
  const budget = [...prices.values()].reduce((sum, price) => sum + price, 0) / 3;
  const purchase = await best(3, () => bestPurchase(demand, prices, Math.round(budget), solve));
  let points = 0;
  const curve = await best(1, () => {
    const found = wholeCurve(demand, prices, solve);
    points = found.ok ? found.value.length : 0;
  });
  return [
    await sorts(
      `all chains of ${UNITS} units (${chains} chains) with ${LEADS} leads, ${COMPUTERS} computers, ${DRIVERS} drivers, ${TOOLS} tools`,
      time,
      100,
    ),
    {
      what: `the same, every unit worked out by itself (${alone} chains)`,
      value: ms(each),
      asked: "no bound",
      ok: alone === chains,
    },
    growth(grown),
    await sorts("a device list of 30,000 lines read", await best(3, () => readDeviceList(DEVICE_LIST)), 30),
    await sorts(
      "what to get for 300 units with 60 offers and a third of the money, proven optimal",
      purchase,
      500,
    ),
    { what: `its whole curve (${points} points)`, value: ms(curve), asked: "no bound", ok: points > 0 },
  ];
}

/** How long one radio's chains take, and how many there are, with a kit that has so many times as many of everything. */
async function timesAsMuch(times: number): Promise<{ time: number; chains: number }> {
  const job: Job = { model: "m0", plugs: ["plug 0"], operation: "flash", ways: ["cable"] };
  const whole = kit(times);
  let chains = 0;
  const time = await best(5, () => {
    chains = findChains(job, prepareKit(whole)).chains.length;
  });
  return { time, chains };
}

function growth(grown: readonly { time: number; chains: number }[]): Measured {
  const [first, last] = [grown[0], grown.at(-1)];
  const of = (at: { time: number; chains: number } | undefined) => (at ? at.time / at.chains : Number.NaN);
  return {
    what: "one radio's chains with a kit that grows in all parts at once to 4 times: time for each chain, against the small kit",
    value: `${(of(last) / of(first)).toFixed(2)} (${grown.map((at) => `${ms(at.time)} for ${at.chains}`).join(", ")})`,
    asked: "at most 1",
    ok: of(last) <= of(first),
  };
}

const DEVICE_LIST = Array.from(
  { length: 30_000 },
  (_, n) =>
    `Bus 001 Device ${String(n % 1000).padStart(3, "0")}: ID f1c7:${(n % 65536).toString(16).padStart(4, "0")} serial`,
).join("\n");
