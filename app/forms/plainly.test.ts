import { expect, test } from "vitest";
import { z } from "zod";
import { plainly } from "./save.server.ts";

const first = (shape: z.ZodType, value: unknown): string => {
  const read = shape.safeParse(value);
  return plainly(read.error?.issues[0]?.message ?? "");
};

test.each<[z.ZodType, unknown, string]>([
  [z.string().max(16), "x".repeat(17), "At most 16 characters."],
  [z.string().min(1), "", "This cannot be empty."],
  [z.string().min(12), "short", "At least 12 characters."],
  [z.number().max(9), 10, "At most 9."],
  [z.number().min(5), 1, "At least 5."],
  [z.array(z.string()).max(2), ["a", "b", "c"], "At most 2."],
  [z.enum(["a", "b"]), "c", "Choose one of those that are offered."],
  [z.string(), 7, "That cannot be read."],
  [z.string().max(2, "Two signs, as on the label."), "abc", "Two signs, as on the label."],
])("what a shape says by itself is put plainly (%#)", (shape, value, says) => {
  expect(first(shape, value)).toBe(says);
});
