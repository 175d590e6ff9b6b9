// Written apart from the search, for its tests: tries every row of adapters, and every small set of acts to the kit. Versions are whole numbers here.
export type PlainRange = { readonly least: number; readonly most: number };
export type PlainThing = {
  readonly id: string;
  readonly holder: boolean;
  readonly sound: boolean;
  readonly data: boolean;
};
export type PlainLead = PlainThing & { readonly at: string; readonly to: string; readonly chip?: PlainChip };
export type PlainAdapter = PlainThing & {
  readonly a: string;
  readonly b: string;
  readonly otg: boolean;
  readonly chip?: PlainChip;
};
export type PlainChip = { readonly family: string; readonly grade: "genuine" | "clone" };
export type PlainRule = {
  readonly family: string;
  readonly grade?: "genuine" | "clone";
  readonly says: "built-in" | "needs" | "must-not" | "no-support";
  readonly driver: string;
  readonly range?: PlainRange;
  readonly trust: "bench" | "hearsay";
};
export type PlainComputer = {
  readonly id: string;
  readonly phone: boolean;
  readonly admin: boolean;
  readonly ports: readonly string[];
  readonly drivers: Readonly<Record<string, number>>;
  readonly tools: Readonly<Record<string, number>>;
};
export type PlainTool = { readonly id: string; readonly range?: PlainRange };
export type PlainKit = {
  readonly plug: string;
  readonly leads: readonly PlainLead[];
  readonly adapters: readonly PlainAdapter[];
  readonly computers: readonly PlainComputer[];
  readonly rules: readonly PlainRule[];
  readonly tools: readonly PlainTool[];
  readonly offers: readonly {
    readonly price: number;
    readonly lead?: PlainLead;
    readonly adapter?: PlainAdapter;
  }[];
};

const within = (version: number, range: PlainRange | undefined) =>
  range === undefined || (version >= range.least && version <= range.most);

function driverServes(
  chip: PlainChip | undefined,
  computer: PlainComputer,
  rules: readonly PlainRule[],
): boolean {
  if (!chip) return true;
  const about = rules.filter((r) => r.family === chip.family && (r.grade ?? chip.grade) === chip.grade);
  const order = (r: PlainRule) => (r.grade ? 0 : 2) + (r.trust === "bench" ? 0 : 1);
  const top = about.filter((r) => about.every((other) => order(r) <= order(other)));
  if (top.some((r) => r.says === "no-support")) return false;
  for (const r of top) {
    const has = computer.drivers[r.driver];
    if (r.says === "must-not" && has !== undefined && within(has, r.range)) return false;
  }
  const needs = top.filter((r) => r.says === "needs");
  if (needs.length === 0 || top.some((r) => r.says === "built-in")) return true;
  return needs.some((r) => {
    const has = computer.drivers[r.driver];
    return has !== undefined && within(has, r.range);
  });
}

/** Every row of at most two different adapters, in both directions each. */
function rows(adapters: readonly PlainAdapter[], from: string, to: string): PlainAdapter[][] {
  const found: PlainAdapter[][] = from === to ? [[]] : [];
  for (const x of adapters) {
    for (const [a, b] of [
      [x.a, x.b],
      [x.b, x.a],
    ] as const) {
      if (a !== from || b === from) continue;
      if (b === to) found.push([x]);
      if (b === to || from === to) continue;
      for (const y of adapters) {
        if (y === x) continue;
        const joins = (y.a === b && y.b === to) || (y.b === b && y.a === to);
        if (joins) found.push([x, y]);
      }
    }
  }
  return from === to ? [[]] : found;
}

/** What holds, as "lead computer tool". */
export function plainChains(kit: PlainKit): Set<string> {
  const held = new Set<string>();
  const fit = (x: PlainThing) => x.data && x.sound && !x.holder;
  const adapters = kit.adapters.filter(fit);
  for (const lead of kit.leads.filter(fit)) {
    for (const first of rows(adapters, kit.plug, lead.at)) {
      for (const computer of kit.computers) {
        const ways = computer.ports.flatMap((port) => rows(adapters, lead.to, port));
        const serves = ways.some(
          (way) =>
            !way.some((x) => first.includes(x)) &&
            (!computer.phone || way.some((x) => x.otg)) &&
            [lead.chip, ...way.map((x) => x.chip)].every((chip) => driverServes(chip, computer, kit.rules)),
        );
        if (!serves) continue;
        for (const tool of kit.tools) {
          const has = computer.tools[tool.id];
          if (has !== undefined && within(has, tool.range)) held.add(`${lead.id} ${computer.id} ${tool.id}`);
        }
      }
    }
  }
  return held;
}

type Act = {
  readonly money: number;
  readonly minutes: number;
  readonly on: string;
  readonly todo: (kit: PlainKit) => PlainKit;
};

/** All that can be done to a kit in one act; `on` is what it acts on: nobody acts on one thing twice. */
function acts(kit: PlainKit, versions: readonly number[], drivers: readonly string[]): Act[] {
  const found: Act[] = [];
  const free = <T extends PlainThing>(list: readonly T[], id: string): T[] =>
    list.map((x) => (x.id === id ? { ...x, holder: false } : x));
  for (const x of [...kit.leads, ...kit.adapters].filter((thing) => thing.holder)) {
    found.push({
      money: 0,
      minutes: 20,
      on: x.id,
      todo: (k) => ({ ...k, leads: free(k.leads, x.id), adapters: free(k.adapters, x.id) }),
    });
  }
  for (const [i, offer] of kit.offers.entries()) {
    const { lead, adapter, price } = offer;
    // What is owned and fit for use is not bought again.
    const asChip = (x: PlainChip | undefined) => `${x?.family} ${x?.grade}`;
    const has = kit.leads.some(
      (own) =>
        lead &&
        own.sound &&
        own.at === lead.at &&
        own.to === lead.to &&
        own.data === lead.data &&
        asChip(own.chip) === asChip(lead.chip),
    );
    const joins = kit.adapters.some(
      (own) =>
        adapter &&
        own.sound &&
        own.otg === adapter.otg &&
        own.data === adapter.data &&
        asChip(own.chip) === asChip(adapter.chip) &&
        ((own.a === adapter.a && own.b === adapter.b) || (own.a === adapter.b && own.b === adapter.a)),
    );
    if (has || joins) continue;
    found.push({
      money: price,
      minutes: 0,
      on: `offer ${i}`,
      todo: (k) => ({
        ...k,
        leads: lead ? [...k.leads, lead] : k.leads,
        adapters: adapter ? [...k.adapters, adapter] : k.adapters,
      }),
    });
  }
  for (const { id, admin, drivers: installed, tools } of kit.computers) {
    const change = (alter: (c: PlainComputer) => PlainComputer) => (k: PlainKit) => ({
      ...k,
      computers: k.computers.map((c) => (c.id === id ? alter(c) : c)),
    });
    if (admin) {
      for (const driver of drivers) {
        const has = installed[driver] !== undefined;
        for (const v of versions) {
          const todo = change((c) => ({ ...c, drivers: { ...c.drivers, [driver]: v } }));
          found.push({ money: 0, minutes: has ? 6 : 10, on: `${id} ${driver}`, todo });
        }
        const rest = ({ [driver]: _, ...others }: Readonly<Record<string, number>>) => others;
        if (has)
          found.push({
            money: 0,
            minutes: 5,
            on: `${id} ${driver}`,
            todo: change((c) => ({ ...c, drivers: rest(c.drivers) })),
          });
      }
    }
    for (const tool of kit.tools) {
      for (const v of versions) {
        const todo = change((c) => ({ ...c, tools: { ...c.tools, [tool.id]: v } }));
        found.push({
          money: 0,
          minutes: tools[tool.id] === undefined ? 15 : 8,
          on: `${id} ${tool.id}`,
          todo,
        });
      }
    }
  }
  return found;
}

/** The least money, then minutes, of at most `most` acts after which something holds; undefined if none do. */
export function cheapestRemedies(
  kit: PlainKit,
  versions: readonly number[],
  drivers: readonly string[],
  most: number,
): { money: number; minutes: number } | undefined {
  const all = acts(kit, versions, drivers);
  let best: { money: number; minutes: number } | undefined;
  const dearer = (money: number, minutes: number) =>
    best !== undefined && (money > best.money || (money === best.money && minutes >= best.minutes));
  const go = (
    from: number,
    state: PlainKit,
    money: number,
    minutes: number,
    left: number,
    done: readonly string[],
  ) => {
    if (dearer(money, minutes)) return;
    if (done.length > 0 && plainChains(state).size > 0) {
      best = { money, minutes };
      return;
    }
    if (left === 0) return;
    for (let i = from; i < all.length; i++) {
      const act = all[i];
      if (!act || done.includes(act.on)) continue;
      go(i + 1, act.todo(state), money + act.money, minutes + act.minutes, left - 1, [...done, act.on]);
    }
  };
  go(0, kit, 0, 0, most, []);
  return best;
}
