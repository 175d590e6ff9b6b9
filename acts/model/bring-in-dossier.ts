// What another club knows of a model is taken over, fact by fact as it was picked; its source is kept.
import { z } from "zod";
import { LONGEST_DOSSIER, readDossier } from "#core/dossier/index.ts";
import { good } from "#core/quantities/index.ts";
import { defineAct } from "../define.ts";
import { MOST_FACTS, takeFacts } from "./take-facts.ts";

/** Facts by their keys, as many as are taken over at once. */
export const factKeys = z
  .array(z.string().max(1000))
  .max(
    MOST_FACTS,
    `At most ${MOST_FACTS} facts are taken over at once: pick fewer, and the rest after that.`,
  );

/** Problems: those of `readDossier`. */
export const bringInDossier = defineAct({
  name: "bring-in-dossier",
  input: z.object({
    text: z.string().max(LONGEST_DOSSIER),
    accepted: factKeys.min(1),
  }),
  may: "edit-model",
  pace: "work",
  run: async (tx, { text, accepted }, who) => {
    const read = readDossier(text, who.today);
    if (!read.ok) return read;
    const { model, name, from, taken } = await takeFacts(
      tx,
      who,
      read.value.dossier,
      new Set(accepted),
      (source, dossier) => ({
        kind: "club",
        what: [dossier.from, source?.what].filter(Boolean).join(": ").slice(0, 300),
      }),
    );
    if (taken === 0) return good({ answer: { model, taken }, log: [] });
    return good({
      answer: { model, taken },
      log: [{ entry: { kind: "dossier-brought-in" as const, accepted: taken, from }, model }],
      touches: [{ scope: { of: "model" as const, id: model }, why: `the dossier of the ${name}` }],
    });
  },
});
