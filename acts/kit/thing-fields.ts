// A thing of the kit as acts take it: its kind, and its fields as texts, which the kind itself reads.
import { z } from "zod";
import { KIND_NAMES, KINDS, type KindName } from "#core/kit/index.ts";

const names = [...new Set(KIND_NAMES.flatMap((kind) => KINDS[kind].fields.map((field) => field.name)))];
const MOST_SIGNS = 20_000;

export const kindShape = z.enum(KIND_NAMES as readonly [KindName, ...KindName[]]);
export const valuesShape = z.object(
  Object.fromEntries(
    names.map((name) => [name, z.string().max(MOST_SIGNS, "At most 20,000 signs.").optional()]),
  ),
);
