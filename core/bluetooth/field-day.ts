// Which programmer serves which radios in which order, until its charge is used up.

export type FieldProgrammer = {
  readonly id: string;
  /** The models that it serves, by id. */
  readonly serves: ReadonlySet<string>;
  /** So many radios until its charge is down to what is left in it; absent: it does not run out. */
  readonly lasts?: number;
};

export type FieldRadio = { readonly id: string; readonly model: string };

export type FieldDay = {
  /** By programmer: its radios, in order. Those of one model follow one another. */
  readonly queues: ReadonlyMap<string, readonly string[]>;
  readonly left: readonly { readonly id: string; readonly why: "no-programmer" | "charge" }[];
};

/**
 * As many radios as can be are served; among those plans the longest queue is as short as can be. Exact: radios of one model are alike, so
 * that it is a flow from models to programmers.
 */
export function fieldDay(programmers: readonly FieldProgrammer[], radios: readonly FieldRadio[]): FieldDay {
  const models = [...new Set(radios.map(({ model }) => model))];
  const wanted = models.map((model) => radios.filter((radio) => radio.model === model).length);
  const most = flow(programmers, models, wanted, radios.length).served;
  let low = 0;
  let high = radios.length;
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (flow(programmers, models, wanted, middle).served === most) high = middle;
    else low = middle + 1;
  }
  const { given } = flow(programmers, models, wanted, high);
  const waiting = new Map(models.map((model) => [model, radios.filter((radio) => radio.model === model)]));
  const queues = new Map(
    programmers.map(({ id }, p) => [
      id,
      models.flatMap((model, m) =>
        (waiting.get(model)?.splice(0, given[m]?.[p] ?? 0) ?? []).map((radio) => radio.id),
      ),
    ]),
  );
  const isServed = (model: string) => programmers.some(({ serves }) => serves.has(model));
  const left = radios
    .filter((radio) => waiting.get(radio.model)?.includes(radio))
    .map(({ id, model }) => ({
      id,
      why: isServed(model) ? ("charge" as const) : ("no-programmer" as const),
    }));
  return { queues, left };
}

/** How many radios of each model each programmer takes, none more than `cap`: the greatest flow, by paths that give back what was given. */
function flow(
  programmers: readonly FieldProgrammer[],
  models: readonly string[],
  wanted: readonly number[],
  cap: number,
): { readonly served: number; readonly given: readonly (readonly number[])[] } {
  const given = models.map(() => programmers.map(() => 0));
  const room = programmers.map(({ lasts }) => Math.min(cap, lasts ?? cap));
  const load = programmers.map(() => 0);
  let served = 0;
  /** Finds room for one more radio of a model: at a programmer that has some, or at one that can pass a radio of another model on. */
  const place = (m: number, seen: Set<number>): boolean => {
    for (const [p, { serves }] of programmers.entries()) {
      if (seen.has(p) || !serves.has(models[m] ?? "")) continue;
      seen.add(p);
      const other = (load[p] ?? 0) < (room[p] ?? 0) ? -1 : passOn(p, seen);
      if (other === undefined) continue;
      const row = given[m];
      if (row) row[p] = (row[p] ?? 0) + 1;
      if (other < 0) load[p] = (load[p] ?? 0) + 1;
      return true;
    }
    return false;
  };
  /** A model of which the programmer passed one on; undefined: none can go elsewhere. */
  const passOn = (p: number, seen: Set<number>): number | undefined => {
    if ((room[p] ?? 0) === 0) return undefined;
    for (const [m, row] of given.entries()) {
      if ((row[p] ?? 0) === 0) continue;
      if (!place(m, seen)) continue;
      row[p] = (row[p] ?? 0) - 1;
      return m;
    }
    return undefined;
  };
  for (const [m, count] of wanted.entries())
    for (let n = 0; n < count; n++) if (place(m, new Set())) served++;
  return { served, given };
}
