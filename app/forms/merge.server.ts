// What a form was drawn from, and how it is drawn again where somebody else has saved something meanwhile.
import { z } from "zod";
import { mergeTexts } from "#core/quantities/index.ts";
import { clip } from "../ui/words/unit/standing.ts";
import { BASELINE, type DrawnFrom } from "./baseline.tsx";

export type Drawn = DrawnFrom;
const shape = z.record(z.string(), z.union([z.string(), z.array(z.string())]));

/** Several choices as one text, the same for the same choices. */
const text = (value: string | readonly string[]): string =>
  typeof value === "string" ? value : [...value].sort().join("\n");
const texts = (drawn: Drawn) =>
  Object.fromEntries(Object.entries(drawn).map(([name, value]) => [name, text(value)]));

/** What a form says it was drawn from; undefined for what says nothing that can be read. */
export function baselineIn(told: unknown): Record<string, string> | undefined {
  if (typeof told !== "string" || !/^\{.*\}$/s.test(told)) return undefined;
  const read = shape.safeParse(parsed(told));
  return read.success ? texts(read.data) : undefined;
}

const sayClash = (now: string): string =>
  now === ""
    ? "Somebody has emptied this meanwhile. Save again to put yours there."
    : `Somebody has made this “${clip(now)}” meanwhile. Save again to put yours in its place.`;

/** The texts of a form; several under one name are one text, the same in any order. */
export function textsIn(form: FormData): Record<string, string> {
  const typed: Record<string, string> = {};
  for (const name of new Set(form.keys())) typed[name] = text(form.getAll(name).map(String));
  return typed;
}

/** A form as it was drawn, to be read as the typed one is; undefined for what says nothing that can be read. */
export function baselineForm(told: unknown): FormData | undefined {
  if (typeof told !== "string" || !/^\{.*\}$/s.test(told)) return undefined;
  const read = shape.safeParse(parsed(told));
  if (!read.success) return undefined;
  const form = new FormData();
  for (const [name, value] of Object.entries(read.data))
    for (const one of typeof value === "string" ? [value] : value) form.append(name, one);
  return form;
}

/**
 * A form that could not be saved since both changed the same: with what the other saved where only they changed something, what is
 * wrong beside the fields that both changed, and drawn from what stands now.
 */
export function redraw(
  form: FormData,
  stands: Drawn | undefined,
): { readonly form: FormData; readonly errors: Record<string, string[]> } {
  const typed = textsIn(form);
  const seen = baselineIn(typed[BASELINE]);
  if (!stands || !seen) return { form, errors: {} };
  const { values, clashes } = mergeTexts(seen, typed, texts(stands));
  const again = new FormData();
  for (const [name, value] of form)
    if (name !== BASELINE && values[name] === typed[name]) again.append(name, value);
  for (const [name, value] of Object.entries(values)) {
    if (value === typed[name]) continue;
    const whole = stands[name] ?? value;
    for (const one of typeof whole === "string" ? [whole] : whole) again.append(name, one);
  }
  again.set(BASELINE, JSON.stringify(stands));
  const errors: Record<string, string[]> = {};
  for (const [name, there] of Object.entries(clashes)) errors[name] = [sayClash(there)];
  return { form: again, errors };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
