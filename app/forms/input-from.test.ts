// A form that holds the fields of an act under their names is read as what it was filled with.
import fc from "fast-check";
import { expect, test } from "vitest";
import { z } from "zod";
import { plainDate } from "#core/quantities/index.ts";
import { anyOf, cases } from "#core/quantities/testing.ts";
import { inputFrom } from "./input-from.ts";

const shape = z.object({
  what: z.string().min(1),
  note: z.string(),
  on: plainDate.optional(),
  kind: z.enum(["level", "used"]),
  how: z.literal(["typed", "read"]),
  watts: z.number().optional(),
  sure: z.boolean(),
  units: z.array(z.string()),
  of: z.object({ a: z.string() }).optional(),
});

test("whatever a form was filled with is read from it, but for what no field holds by itself", () => {
  fc.assert(
    fc.property(anyOf(shape), fc.boolean(), ({ of: _, ...value }, comma) => {
      const form = new FormData();
      for (const [name, one] of Object.entries(value)) {
        if (Array.isArray(one)) for (const text of one) form.append(name, text);
        else if (typeof one === "number")
          form.set(name, comma ? ` ${String(one).replace(".", ",")}` : String(one));
        else if (typeof one !== "boolean") form.set(name, one ?? "");
        else if (one) form.set(name, "on");
      }
      const read = inputFrom(form, shape);
      expect(read).not.toHaveProperty("of");
      expect(shape.parse(read)).toEqual(value);
    }),
    { numRuns: cases(200) },
  );
});

test("a field that is not there is empty, or missing where it may be; a number that is none is said to be none", () => {
  const read = inputFrom(new FormData(), shape);
  expect(read).toMatchObject({ what: "", note: "", on: undefined, watts: undefined, sure: false, units: [] });
  const form = new FormData();
  form.set("on", "");
  expect(inputFrom(form, shape).on).toBeUndefined();
  form.set("watts", "five");
  expect(
    shape.safeParse({ ...read, ...inputFrom(form, shape), what: "x", kind: "level", how: "read" }).error
      ?.issues,
  ).toMatchObject([{ path: ["watts"] }]);
});

test("what is not an object of fields is left to whoever asks", () => {
  expect(inputFrom(new FormData(), z.union([shape, z.string()]))).toEqual({});
});
