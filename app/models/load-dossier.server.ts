// What the pages of a dossier have in common: the model, its facts with their confirmations, and the warnings.

import { redirect } from "react-router";
import { confirmFact as confirm } from "#acts/model/confirm-fact.ts";
import { confusable } from "#core/dossier/index.ts";
import { becameOf, confirmationsOf, modelById, type ProcedureRow } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { notFound, type SignedIn } from "../context.ts";
import { fieldText, performForm } from "../forms/perform.server.ts";
import { shownConfirmed } from "../shared/confirmed.server.ts";
import { combinationsOf } from "../shared/load-beside.server.ts";
import { refusalOf } from "../shared/refusals.server.ts";

export const modelIdOf = (text: string | undefined): string => (text && /^\d{1,18}$/.test(text) ? text : "0");

export async function mustHaveModel(tx: Tx, id: string | undefined) {
  const model = await modelById(tx, modelIdOf(id));
  if (model) return model;
  // What it was merged into has its address.
  const became = await becameOf(tx, modelIdOf(id));
  throw became ? redirect(`/models/${became}`) : notFound("This model");
}

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

/** One press after doing: notes that a fact held, on which firmware, and who saw it. */
export async function confirmFact(_tx: Tx, who: SignedIn, model: string, form: FormData) {
  // The presses of a list name their fact in one word and a number.
  const [listedKind, listedSubject] = String(form.get("fact") ?? "").split(" ");
  const named = form.has("fact")
    ? { kind: listedKind, subject: listedSubject }
    : { kind: form.get("kind"), subject: form.get("subject") };
  const firmware = fieldText(form, "firmware") ?? "";
  const done = await performForm(confirm, who, form, { model, ...named, firmware });
  if (done.ok) {
    const { what } = done.value.answer;
    return { ok: true, says: `Noted: ${what}${firmware ? `, on ${firmware}` : ""}.` };
  }
  const { says } = refusalOf(done.problem, {
    gone: "What was to be confirmed is not there any more.",
    input: "This page does not know what was to be confirmed.",
  });
  return { ok: false, says };
}

export const loadConfirmed = async (tx: Tx, who: SignedIn, model: string) =>
  shownConfirmed(await confirmationsOf(tx, model), who.timeZone);
