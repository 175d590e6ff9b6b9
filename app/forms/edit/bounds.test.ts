// How long a form's texts may be, read from what its act takes.
import { expect, it } from "vitest";
import { z } from "zod";
import { boundsOf } from "./bounds.server.ts";

it("tells of each text how long it may be, whether it may be missing or is cleaned first", () => {
  const input = z.object({
    name: z.string().trim().min(1).max(60),
    note: z.string().max(200).default(""),
    cause: z.string().max(500).optional(),
    class: z.string().max(40).nullable(),
    size: z.number().max(9),
    cleaned: z
      .string()
      .max(30)
      .transform((text) => text.toUpperCase()),
    list: z.array(z.string().max(5)).max(3),
  });
  expect(boundsOf({ input })).toEqual({ name: 60, note: 200, cause: 500, class: 40, cleaned: 30 });
  expect(boundsOf({ input: z.object({}) })).toEqual({});
});
