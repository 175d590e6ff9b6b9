// Every text and every list that an act takes has a bound: seen in the shape itself, so that a new act cannot come without.
import { expect, test } from "vitest";
import { z } from "zod";
import { ALL_ACTS } from "./index.ts";

type Schema = {
  readonly type?: string;
  readonly maxLength?: number;
  readonly pattern?: string;
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly maxItems?: number;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly items?: Schema;
  readonly additionalProperties?: boolean | Schema;
  readonly maxProperties?: number;
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
};

/** Where in a shape something may be as long as anybody likes. */
function unbounded(of: Schema, at: string): string[] {
  const text =
    of.type === "string" && [of.maxLength, of.pattern, of.enum, of.const].every((b) => b === undefined);
  const list = of.type === "array" && of.maxItems === undefined;
  const rest = typeof of.additionalProperties === "object" ? of.additionalProperties : undefined;
  const open = rest !== undefined && of.maxProperties === undefined;
  return [
    ...(text || list || open ? [at] : []),
    ...Object.entries(of.properties ?? {}).flatMap(([name, one]) => unbounded(one, `${at}.${name}`)),
    ...(rest ? unbounded(rest, `${at}{}`) : []),
    ...(of.items ? unbounded(of.items, `${at}[]`) : []),
    ...[of.anyOf, of.oneOf, of.allOf].flatMap((all) => (all ?? []).flatMap((one) => unbounded(one, at))),
  ];
}

const schemaOf = (shape: z.ZodType): Schema =>
  z.toJSONSchema(shape, { io: "input", unrepresentable: "any", reused: "inline" }) as Schema;

test("what has no bound is found, wherever it stands", () => {
  const shape = z.object({
    a: z.string(),
    b: z.array(z.string().max(3)),
    c: z.array(z.object({ d: z.string().optional() })).max(2),
    e: z.union([z.literal("x"), z.string()]),
    f: z.record(z.string().max(3), z.number()),
    g: z.string().max(3),
    h: z.enum(["x"]),
    i: z.number(),
  });
  expect(unbounded(schemaOf(shape), "").sort()).toEqual([".a", ".b", ".c[].d", ".e", ".f"]);
});

test.each(ALL_ACTS.map((act) => [act.name, act] as const))("%s bounds all that it takes", (name, act) => {
  expect(unbounded(schemaOf(act.input as z.ZodType), name)).toEqual([]);
});
