// In which currency the club's prices are.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { putCurrency } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";

/** The club counts its money in another currency; no sum is converted. */
export const setCurrency = defineAct({
  name: "set-currency",
  input: z.object({
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/)
      .refine((text) => Intl.supportedValuesOf("currency").includes(text)),
  }),
  may: "edit-kit",
  run: async (tx, { currency }) => {
    const changed = await putCurrency(tx, currency);
    const entry = { kind: "club-changed" as const, what: `prices are in ${currency}` };
    return good({ answer: { changed }, log: changed ? [{ entry }] : [] });
  },
});
