// Before a form is saved: what others have saved since it was drawn is kept, and where both changed the same, it is asked.
import { z } from "zod";
import { changesNothing, mergeTexts } from "#core/quantities/merge.ts";
import { oneAtATime, type Tx } from "#db/pool.ts";
import { clip } from "../ui/words/standing.ts";
import { BASELINE } from "./baseline.tsx";

type Drawn = Readonly<Record<string, string | readonly string[]>>;
export type Held = {
  readonly values: Record<string, string>;
  /** By field, for the fields that both changed. */
  readonly errors: Record<string, string>;
  /** Nothing of what stands would be changed: nothing happens then, and nothing is told. */
  readonly unchanged: boolean;
};

const shape = z.record(z.string(), z.union([z.string(), z.array(z.string())]));

/** Several choices as one text, the same for the same choices. */
const text = (value: string | readonly string[]): string =>
  typeof value === "string" ? value : [...value].sort().join("\n");
const texts = (drawn: Drawn) =>
  Object.fromEntries(Object.entries(drawn).map(([name, value]) => [name, text(value)]));

/** What a form says it was drawn from; undefined for what says nothing that can be read. */
export function baselineIn(told: unknown): Record<string, string> | undefined {
  if (typeof told !== "string" || !/^\{.*\}$/s.test(told)) return undefined;
  try {
    const read = shape.safeParse(JSON.parse(told));
    return read.success ? texts(read.data) : undefined;
  } catch {
    return undefined;
  }
}

const sayClash = (now: string): string =>
  now === ""
    ? "Somebody has emptied this meanwhile. Save again to put yours there."
    : `Somebody has made this “${clip(now)}” meanwhile. Save again to put yours in its place.`;

/**
 * Typed values against what stands now (`now` is absent for what is new). From here to the end of the transaction nobody else
 * saves the same `what`.
 */
export async function merge(
  tx: Tx,
  what: string,
  typed: Readonly<Record<string, string>>,
  now: () => Promise<Drawn | undefined>,
): Promise<Held> {
  await oneAtATime(tx, what);
  const stands = await now();
  const seen = baselineIn(typed[BASELINE]);
  if (!stands) return { values: { ...typed }, errors: {}, unchanged: false };
  if (!seen) return { values: { ...typed }, errors: {}, unchanged: changesNothing(typed, texts(stands)) };
  const { values, clashes } = mergeTexts(seen, typed, texts(stands));
  const errors = Object.fromEntries(Object.entries(clashes).map(([name, there]) => [name, sayClash(there)]));
  const changed = Object.entries(texts(stands)).some(([name, there]) => there !== (seen[name] ?? ""));
  return {
    values: { ...values, ...(changed && { [BASELINE]: JSON.stringify(stands) }) },
    errors,
    unchanged: changesNothing(values, texts(stands)),
  };
}

/** The same for a form as it was sent: answers it with what is to be saved. */
export async function mergeForm(
  tx: Tx,
  what: string,
  form: FormData,
  now: () => Promise<Drawn | undefined>,
): Promise<{
  readonly form: FormData;
  readonly errors: Record<string, string[]>;
  readonly unchanged: boolean;
}> {
  let stands: Drawn | undefined;
  const typed: Record<string, string> = {};
  for (const name of new Set(form.keys())) typed[name] = text(form.getAll(name).map(String));
  const held = await merge(tx, what, typed, async () => {
    stands = await now();
    return stands;
  });
  const saved = new FormData();
  for (const [name, value] of form) if (held.values[name] === typed[name]) saved.append(name, value);
  for (const [name, value] of Object.entries(held.values)) {
    if (value === typed[name]) continue;
    const whole = name === BASELINE ? value : (stands?.[name] ?? value);
    for (const one of typeof whole === "string" ? [whole] : whole) saved.append(name, one);
  }
  const errors = Object.fromEntries(Object.entries(held.errors).map(([name, says]) => [name, [says]]));
  return { form: saved, errors, unchanged: held.unchanged };
}
