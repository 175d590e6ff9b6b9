// Facts of a thing, each said once: its shape, what it is called, how it is typed. Forms, rows, documents, checks and joins derive from them.
import { z } from "zod";
import { listed, onceEach, typedList } from "./list.ts";

export type Fact = {
  readonly shape: z.ZodType;
  /** What it is called where it is typed. */
  readonly label: string;
  /** What it is called where it is told; absent: as where it is typed. */
  readonly told?: string;
  /** A number, a box to tick, a text, or several texts in one field. */
  readonly typed: "number" | "tick" | "text" | "list";
  /** What parts the texts of a list; absent: commas. */
  readonly by?: ";";
  readonly mono?: true;
  /** What its number counts, where it is told. */
  readonly unit?: string;
};
export type Facts = Readonly<Record<string, Fact>>;

/** The shape of them all. */
export const shapeOf = <F extends Facts>(facts: F) =>
  z.object(mapped(facts, ({ shape }) => shape) as { [Name in keyof F]: F[Name]["shape"] });

/** What a form needs to draw their fields: plain data, which a page can be sent. */
export type FactField = Pick<Fact, "label" | "typed" | "mono"> & {
  readonly name: string;
  /** So many signs at most, of a text. */
  readonly most?: number;
};
export const fieldsOf = (facts: Facts): FactField[] =>
  Object.entries(facts).map(([name, { label, typed, mono, shape }]) => {
    const most = typed === "text" ? mostSigns(shape) : undefined;
    return { name, label, typed, ...(mono && { mono }), ...(most !== undefined && { most }) };
  });

/** Facts as their fields show them: a box that is not ticked is an empty list, which no form holds. */
export const shownFacts = (facts: Facts, of: Readonly<Record<string, unknown>> | undefined) =>
  mapped(facts, ({ typed, by }, name): string | readonly string[] => {
    const value = of?.[name];
    if (typed === "tick") return value === true ? "on" : [];
    if (Array.isArray(value)) return value.join(`${by ?? ","} `);
    return value === undefined || value === null ? "" : String(value);
  });

/** Facts as their fields hold them, for their shape to read; what cannot be read as a number comes as it was typed, so that the shape refuses it. */
export const typedFacts = (
  facts: Facts,
  field: (name: string) => string | undefined,
): Record<string, unknown> =>
  mapped(facts, ({ typed, by }, name) => {
    const text = (field(name) ?? "").trim();
    switch (typed) {
      case "tick":
        return text === "on";
      case "list":
        return typedList(text, by);
      case "number":
        return text === ""
          ? undefined
          : /^-?\d+(?:[.,]\d+)?$/.test(text)
            ? Number(text.replace(",", "."))
            : text;
      case "text":
        return text;
    }
  });

/** What a fact is called where it is told; undefined of what is none of them. */
export function calledFact(facts: Facts, name: string): string | undefined {
  const fact = Object.hasOwn(facts, name) ? facts[name] : undefined;
  const called = fact?.told ?? fact?.label;
  return called !== undefined && fact?.unit !== undefined ? `${called}, ${fact.unit}` : called;
}

/** What is known, each with what it is called; what nobody knows is left out. */
export const toldFacts = (
  facts: Facts,
  of: Readonly<Record<string, unknown>>,
): (readonly [label: string, text: string])[] =>
  Object.entries(facts).flatMap(([name, { label, told, typed, unit }]) => {
    const value = of[name];
    if (value === undefined || value === "" || value === false) return [];
    const text = typed === "tick" ? "yes" : Array.isArray(value) ? listed(value, 9) : String(value);
    return text === "" ? [] : [[told ?? label, unit ? `${text} ${unit}` : text] as const];
  });

/** Two sets of them as one: lists have what both have, of all else the first counts where it says something. */
export const joinedFacts = (
  facts: Facts,
  first: Readonly<Record<string, unknown>>,
  second: Readonly<Record<string, unknown>>,
): Record<string, unknown> =>
  mapped(facts, ({ typed, shape }, name) => {
    const [a, b] = [first[name], second[name]];
    if (typed === "list" && Array.isArray(a) && Array.isArray(b))
      return onceEach([...a, ...b]).slice(0, mostOf(shape));
    return a === undefined || a === "" ? b : a;
  });

function mapped<K extends string, V, W>(
  of: Readonly<Record<K, V>>,
  to: (value: V, name: K) => W,
): Record<K, W> {
  return Object.fromEntries(
    Object.entries<V>(of).map(([name, value]) => [name, to(value, name as K)]),
  ) as Record<K, W>;
}

/** So many at most, as a shape of a list says. */
const mostOf = (shape: z.ZodType): number | undefined =>
  (z.toJSONSchema(shape, { io: "input" }) as { maxItems?: number }).maxItems;
const mostSigns = (shape: z.ZodType): number | undefined =>
  (z.toJSONSchema(shape, { io: "input" }) as { maxLength?: number }).maxLength;
