// What the pages of a dossier have in common: the model, its facts with their confirmations, and the warnings.
import { z } from "zod";
import { type Combination, confusable } from "#core/modes/confusable.ts";
import { dateInZone } from "#core/quantities/date.ts";
import {
  addConfirmation,
  CONFIRMABLE,
  type Confirmed,
  confirmationsOf,
  dossierHead,
  type ProcedureRow,
  proceduresOf,
  quirksOf,
} from "#db/dossier.ts";
import { tell } from "#db/log.ts";
import { modelById, releasesOf } from "#db/models.ts";
import type { Tx } from "#db/pool.ts";
import { notFound, type SignedIn } from "../context.ts";
import type { ShownConfirmed } from "./known-from.tsx";

export const modelIdOf = (text: string | undefined): string => (text && /^\d{1,18}$/.test(text) ? text : "0");

export async function mustHaveModel(tx: Tx, id: string | undefined) {
  const model = await modelById(tx, modelIdOf(id));
  if (!model) throw notFound("This model");
  return model;
}

export const shownConfirmed = (rows: readonly Confirmed[], timeZone: string): ShownConfirmed[] =>
  rows.map(({ at, ...rest }) => ({ ...rest, date: dateInZone(at, timeZone) }));

/** What a model's procedures hold down at once, those that begin with a combination. */
export const combinationsOf = (procedures: readonly ProcedureRow[]): Combination[] =>
  procedures.flatMap((p) => {
    const hold = p.steps.find((step) => step.kind === "hold");
    if (!hold || p.draft) return [];
    return [{ id: p.id, purpose: p.purpose, effect: p.effect, keys: hold.keys, turn: hold.turn }];
  });

/** For each procedure, the others that are one key away, the worst first; of several with the same keys one is enough. */
export function warningsOf(procedures: readonly ProcedureRow[]) {
  const combinations = combinationsOf(procedures);
  const keysOf = (id: string) => {
    const found = combinations.find((c) => c.id === id);
    return `${[...(found?.keys ?? [])].sort().join("+")} ${found?.turn ?? ""}`.toLowerCase();
  };
  const said = new Set<string>();
  return confusable(combinations)
    .flatMap((pair) => [
      { of: pair.a, other: pair.b },
      { of: pair.b, other: pair.a },
    ])
    .filter(({ of, other }) => {
      const key = `${of} ${keysOf(other)}`;
      if (said.has(key)) return false;
      said.add(key);
      return true;
    });
}

const confirmShape = z.object({
  kind: z.enum(CONFIRMABLE),
  subject: z.string().regex(/^\d{1,18}$/),
  firmware: z.string().trim().max(200).default(""),
});

/** One press after doing: notes that a fact held, on which firmware, and who saw it. */
export async function confirmFact(tx: Tx, who: SignedIn, model: string, form: FormData) {
  // The presses of a list name their fact in one word and a number.
  const [listedKind, listedSubject] = String(form.get("fact") ?? "").split(" ");
  const named = form.has("fact") ? { kind: listedKind, subject: listedSubject } : {};
  const parsed = confirmShape.safeParse({ ...Object.fromEntries(form), ...named });
  if (!parsed.success) return { ok: false, says: "This page does not know what was to be confirmed." };
  const { kind, subject, firmware } = parsed.data;
  const what = await nameOf(tx, model, kind, subject);
  if (what === undefined) return { ok: false, says: "What was to be confirmed is not there any more." };
  await addConfirmation(tx, { model, kind, subject, firmware, by: who.person });
  await tell(tx, { kind: "fact-confirmed", what, firmware }, { model });
  return { ok: true, says: `Noted: ${what}${firmware ? `, on ${firmware}` : ""}.` };
}

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
    case "identity":
      return id === model ? "what it is known by" : undefined;
  }
}

export const loadConfirmed = async (tx: Tx, who: SignedIn, model: string) =>
  shownConfirmed(await confirmationsOf(tx, model), who.timeZone);
