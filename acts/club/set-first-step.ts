// A new club says that it does not want to be offered a step, or that it does again.
import { z } from "zod";
import { OFFERS } from "#core/club/index.ts";
import { good } from "#core/quantities/index.ts";
import { putUnwanted } from "#db/club/index.ts";
import { defineAct } from "../define.ts";

export const setFirstStep = defineAct({
  name: "set-first-step",
  input: z.object({ step: z.enum(OFFERS), wanted: z.boolean() }),
  may: "edit-club",
  untold: "it is about what a page offers, not about the club",
  run: async (tx, { step, wanted }) => {
    const changed = await putUnwanted(tx, step, wanted);
    return good({ answer: { changed }, log: [] });
  },
});
