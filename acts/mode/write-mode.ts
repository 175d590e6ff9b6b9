// A mode of a model is written down, or written anew: what its radios transmit on may be another question from then on.
import { bad, good, leavesAll } from "#core/quantities/index.ts";
import { isDuplicate } from "#db/errors.ts";
import {
  dossierHead,
  type ModeRow,
  modelById,
  modesOf,
  proceduresOf,
  putMode,
  revisionsOf,
} from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { type ModeInput, modeFields } from "./mode-fields.ts";

/** A stored mode in the shape of the input. */
export const modeStands = (row: ModeRow): ModeInput => ({
  name: row.name,
  ...row.facts,
  component: row.component_id,
  firmware: row.firmware,
  revisions: row.hardware_revisions,
  enter: row.enter_id,
  leave: row.leave_id,
  source: row.source,
});

async function stored(
  tx: Tx,
  { model, mode }: { readonly model: string; readonly mode?: string | undefined },
) {
  const row = (await modesOf(tx, model)).find((one) => one.id === mode);
  return row && modeStands(row);
}

/** Problems: `no-model`, `no-mode`, `no-part`, `no-revision`, `no-procedure`; `taken`, if another mode has that name. */
export const writeMode = defineAct({
  name: "write-mode",
  input: modeFields.extend({
    model: id,
    /** The one that is written anew. */
    mode: id.optional(),
  }),
  may: "write-procedure",
  corrects: { id: ({ mode }) => mode, stored },
  run: async (tx, input) => {
    const { model, mode, name, component, firmware, revisions, enter, leave, source, ...facts } = input;
    if (!(await modelById(tx, model))) return bad({ kind: "no-model" as const });
    const stands = await stored(tx, input);
    if (mode !== undefined && !stands) return bad({ kind: "no-mode" as const });
    if (stands && leavesAll(input, stands)) return good({ answer: { mode }, log: [] });
    const { parts } = await dossierHead(tx, model);
    if ((component === null) !== (firmware === null)) return bad({ kind: "no-part" as const });
    if (component !== null && !parts.some((p) => p.id === component))
      return bad({ kind: "no-part" as const });
    const known = (await revisionsOf(tx, model)).map((r) => r.id);
    if (revisions?.some((revision) => !known.includes(revision)))
      return bad({ kind: "no-revision" as const });
    const procedures = (await proceduresOf(tx, model)).map((p) => p.id);
    if ([enter, leave].some((one) => one !== null && !procedures.includes(one)))
      return bad({ kind: "no-procedure" as const });
    const fields = {
      name,
      facts,
      component_id: component,
      firmware,
      hardware_revisions: revisions,
      enter_id: enter,
      leave_id: leave,
      source,
    };
    try {
      const written = await putMode(tx, model, mode, fields);
      return good({
        answer: { mode: written },
        log: [{ entry: { kind: "mode-written" as const, name }, model }],
        touches: [{ scope: { of: "model" as const, id: model }, why: `the mode ${name}` }],
      });
    } catch (error) {
      if (isDuplicate(error)) return bad({ kind: "taken" as const });
      throw error;
    }
  },
});
