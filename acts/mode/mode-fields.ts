// What a mode is, as its act takes it: its own facts, for which firmware and hardware it holds, which procedures lead in and out.
import { z } from "zod";
import { modeShape } from "#core/modes/index.ts";
import { sourceShape } from "#core/quantities/index.ts";
import { rangeShape } from "#core/version/index.ts";
import { id } from "../shapes.ts";

export const modeFields = modeShape.omit({ firmware: true, hardwareRevisions: true }).extend({
  component: id.nullable(),
  firmware: rangeShape.nullable(),
  revisions: z.array(id).min(1).max(200).nullable(),
  /** The procedures that lead into it, and out of it. */
  enter: id.nullable(),
  leave: id.nullable(),
  source: sourceShape,
});
export type ModeInput = z.output<typeof modeFields>;
