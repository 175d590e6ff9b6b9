// Somebody has seen that a fact of a dossier holds, and on which firmware.
import { z } from "zod";
import { bad, good } from "#core/quantities/index.ts";
import {
  addConfirmation,
  CONFIRMABLE,
  dossierHead,
  modelById,
  modesOf,
  proceduresOf,
  quirksOf,
  releasesOf,
} from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";

/** Problem: `gone`. */
export const confirmFact = defineAct({
  name: "confirm-fact",
  input: z.object({
    model: id,
    kind: z.enum(CONFIRMABLE),
    subject: id,
    firmware: z.string().trim().max(200),
  }),
  may: "confirm-fact",
  run: async (tx, { model, kind, subject, firmware }, who) => {
    const what = await nameOf(tx, model, kind, subject);
    if (what === undefined) return bad({ kind: "gone" as const });
    await addConfirmation(tx, { model, kind, subject, firmware, by: who.person });
    return good({
      answer: { what },
      log: [{ entry: { kind: "fact-confirmed" as const, what, firmware }, model }],
    });
  },
});

async function nameOf(tx: Tx, model: string, kind: (typeof CONFIRMABLE)[number], id: string) {
  switch (kind) {
    case "procedure":
      return (await proceduresOf(tx, model)).find((p) => p.id === id)?.title;
    case "quirk":
      return (await quirksOf(tx, model)).find((q) => q.id === id)?.symptom;
    case "release":
      return (await releasesOf(tx, model)).find((r) => r.id === id)?.version;
    case "part": {
      const part = (await dossierHead(tx, model)).parts.find((p) => p.id === id);
      return part && `how ${part.name} is read`;
    }
    case "mode": {
      const mode = (await modesOf(tx, model)).find((m) => m.id === id);
      return mode && `the mode ${mode.name}`;
    }
    case "identity":
      return id === model && (await modelById(tx, model)) ? "what it is known by" : undefined;
  }
}
