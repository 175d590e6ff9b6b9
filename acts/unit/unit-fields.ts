// Whether what somebody writes of a radio can be: its model is there, and has the revision.
import { bad, good, type Result } from "#core/quantities/index.ts";
import type { WrittenUnit } from "#core/unit/index.ts";
import { modelsToPick } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";

/** Problems: `no-model`; `no-revision`, with the model that has none such. */
export async function hasModel(
  tx: Tx,
  told: WrittenUnit,
): Promise<Result<WrittenUnit, { kind: "no-model" } | { kind: "no-revision"; model: string }>> {
  const model = (await modelsToPick(tx)).find((m) => m.id === told.model);
  if (!model) return bad({ kind: "no-model" });
  if (told.hardware && !model.revisions.some((r) => r.id === told.hardware))
    return bad({ kind: "no-revision", model: model.name });
  return good(told);
}
