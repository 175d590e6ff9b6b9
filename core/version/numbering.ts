// How the versions of a component count, as a person confirms it or a dossier tells it.
import { z } from "zod";
import { DATE_PATTERNS } from "./schemes/dated.ts";

export const numberingShape = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.enum(["dotted", "decimal", "lettered", "listed"]) }),
  z.strictObject({ kind: z.literal("dated"), pattern: z.enum(DATE_PATTERNS) }),
]);
