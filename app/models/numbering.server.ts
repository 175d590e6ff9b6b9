// A person confirms how a component's versions count.
import { z } from "zod";
import { DATE_PATTERNS } from "#core/firmware/schemes/dated.ts";
import { loadCatalogues } from "#db/facts.ts";
import { tell } from "#db/log.ts";
import { confirmNumbering } from "#db/models.ts";
import type { Tx } from "#db/pool.ts";
import { bringUpToDate } from "#db/work.ts";
import type { SignedIn } from "../context.ts";
import { sayNumbering } from "../ui/words/standing.ts";

const numberingShape = z.discriminatedUnion("kind", [
  z.object({ kind: z.enum(["dotted", "decimal", "lettered", "listed"]) }),
  z.object({ kind: z.literal("dated"), pattern: z.enum(DATE_PATTERNS) }),
]);

export async function confirm(
  tx: Tx,
  who: SignedIn,
  model: string,
  form: FormData,
): Promise<{ ok: boolean; says: string }> {
  const text = String(form.get("numbering") ?? "");
  const numbering = numberingShape.safeParse(parseJson(text));
  const catalogue = (await loadCatalogues(tx, [model])).get(model);
  const component = catalogue?.get(String(form.get("component")))?.component;
  if (!numbering.success || !component)
    return { ok: false, says: "This page does not know that way of counting." };
  await confirmNumbering(tx, component.id, numbering.data, who.person);
  const words = sayNumbering(numbering.data);
  await tell(tx, { kind: "numbering-confirmed", component: component.name, numbering: words }, { model });
  await bringUpToDate(tx, { of: "model", id: model }, `${component.name} counts ${words}`);
  return { ok: true, says: `Confirmed: ${component.name} counts ${words}.` };
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
