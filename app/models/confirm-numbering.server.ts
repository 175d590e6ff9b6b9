// How a component's versions count: first shown is which units another way of counting touches, then a person confirms it.
import { isDeepStrictEqual } from "node:util";
import { confirmNumbering } from "#acts/model/confirm-numbering.ts";
import { effectOf } from "#core/needs/index.ts";
import { prepareComponent } from "#core/release/index.ts";
import { type Numbering, numberingShape } from "#core/version/index.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituations } from "#db/unit/index.ts";
import type { SignedIn } from "../context.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { type Touched, touchedBy } from "../shared/load-touched.server.ts";
import { sayNumbering } from "../ui/words/unit/standing.ts";

export type NumberingAnswer = {
  readonly ok: boolean;
  readonly says: string;
  /** What was pressed first and is not done yet. */
  readonly asked?: {
    readonly component: string;
    readonly numbering: Numbering | null;
    readonly touched: Touched;
  };
};

/** The form has `component` (its id), `numbering` (as JSON, or `null`), and `intent` "count-so" once it was looked at. */
export async function confirm(
  tx: Tx,
  who: SignedIn,
  model: string,
  form: FormData,
): Promise<NumberingAnswer> {
  const numbering = numberingShape.nullable().safeParse(parseJson(String(form.get("numbering") ?? "")));
  const { all, catalogues } = await loadSituations(tx, { of: "model", id: model }, who.today);
  const catalogue = catalogues.get(model);
  const component = catalogue?.get(String(form.get("component")))?.component;
  if (!numbering.success || !catalogue || !component)
    return { ok: false, says: "This page does not know that way of counting." };
  const asked = numbering.data;
  const words = asked === null ? "as its releases tell" : sayNumbering(asked);
  if (isDeepStrictEqual(component.numbering ?? null, asked)) {
    return { ok: true, says: `${component.name} counts ${words} already.` };
  }
  if (form.get("intent") !== "count-so") {
    const { numbering: _, ...rest } = component;
    const counted = prepareComponent(asked === null ? rest : { ...rest, numbering: asked });
    const effect = effectOf(all, catalogue, new Map([...catalogue, [component.id, counted]]));
    return {
      ok: true,
      says: `Not done yet: ${component.name} would count ${words}.`,
      asked: { component: component.id, numbering: asked, touched: await touchedBy(tx, effect) },
    };
  }
  const done = await performForm(confirmNumbering, who, form, {
    model,
    component: component.id,
    numbering: asked,
    words,
  });
  if (!done.ok) return { ok: false, says: NOT_WHOLE };
  return {
    ok: true,
    says: `${asked === null ? "Taken back" : "Confirmed"}: ${component.name} counts ${words}.`,
  };
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
