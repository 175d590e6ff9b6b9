// For property tests: how many random cases a property tries, and random values of a shape.
import fc from "fast-check";
import type { z } from "zod";
import { addDays, plain } from "./date.ts";

/** Set by `npm run deep`: so many times as many cases as in ./check. */
const DEEP = Number(process.env.MOSSY_DEEP ?? 0);

/** `usual` in ./check, the least that still finds the mutants planted in what it tests; `deep` cases in `npm run deep`. */
export const cases = (usual: number, deep: number = usual * DEEP): number => (DEEP > 0 ? deep : usual);

const someDay = fc.nat(4000).map((days) => addDays(plain("2020-01-01"), days));
const someText = fc.string({ minLength: 1, maxLength: 20 });

/** A value of the shape; a text that only a date is let through as is a date. Throws for sorts of shapes that no test has needed yet. */
export function anyOf<Value>(shape: z.ZodType<Value>): fc.Arbitrary<Value> {
  return anyValue(shape as z.ZodType).filter(
    (value) => shape.safeParse(value).success,
  ) as fc.Arbitrary<Value>;
}

function anyValue(shape: z.ZodType): fc.Arbitrary<unknown> {
  const { def } = shape as unknown as { readonly def: Def };
  switch (def.type) {
    case "object":
      return anyObject(def.shape);
    case "array":
      return fc.array(anyValue(def.element), { maxLength: 3 });
    case "union":
      return fc.oneof(...def.options.map(anyValue));
    case "literal":
      return fc.constantFrom(...def.values);
    case "enum":
      return fc.constantFrom(...Object.values(def.entries));
    case "readonly":
    case "optional":
      return anyValue(def.innerType);
    case "string":
      return shape.safeParse("x").success ? someText : someDay;
    case "number":
      return shape.safeParse(0.5).success ? fc.float({ noNaN: true, min: 0, max: 1000 }) : fc.nat(365);
    case "boolean":
      return fc.boolean();
  }
  throw new Error(`no random values of the sort ${(def as { type: string }).type} yet`);
}

/** What may be missing is missing now and then. */
function anyObject(fields: Readonly<Record<string, z.ZodType>>): fc.Arbitrary<unknown> {
  const isOptional = (field: z.ZodType) => field.safeParse(undefined).success;
  const keys = Object.keys(fields);
  const values = Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, anyValue(field)]));
  return fc.record(values, {
    requiredKeys: keys.filter((key) => !isOptional(fields[key] as z.ZodType)),
    noNullPrototype: true,
  });
}

type Def =
  | { readonly type: "object"; readonly shape: Readonly<Record<string, z.ZodType>> }
  | { readonly type: "array"; readonly element: z.ZodType }
  | { readonly type: "union"; readonly options: readonly z.ZodType[] }
  | { readonly type: "literal"; readonly values: readonly unknown[] }
  | { readonly type: "enum"; readonly entries: Readonly<Record<string, string>> }
  | { readonly type: "readonly" | "optional"; readonly innerType: z.ZodType }
  | { readonly type: "string" | "number" | "boolean" };
