// Steps that unlock a radio: shown to those who may see them, and that is noted; to others their title alone.

import { perform } from "#acts/define.ts";
import { showUnlocking } from "#acts/show-unlocking.ts";
import { may } from "#core/club/acts.ts";
import { isGuarded, withoutSteps } from "#core/dossier/procedure.ts";
import type { ProcedureRow } from "#db/dossier.ts";
import { orAway } from "../away.server.ts";
import type { SignedIn } from "../context.ts";

const mayAll = (who: Pick<SignedIn, "role">) => may(who.role, "see-unlocking");

/** Whether its steps stay hidden from this person. */
export const isHidden = (who: Pick<SignedIn, "role">, procedure: Pick<ProcedureRow, "effect">): boolean =>
  isGuarded(procedure) && !mayAll(who);

/** Procedures as somebody may see them in passing: of what unlocks no more than what one must be warned of. */
export const inPassing = (procedures: readonly ProcedureRow[]): ProcedureRow[] =>
  procedures.map((one) => (isGuarded(one) ? withoutSteps(one) : one));

/** A procedure that is shown with its steps, if this person may see them; what unlocks is noted as shown, once in an hour. */
export async function shownTo(
  who: SignedIn,
  model: string,
  procedure: ProcedureRow,
): Promise<ProcedureRow & { readonly hidden: boolean }> {
  if (isHidden(who, procedure)) return { ...procedure, steps: [], hidden: true };
  if (isGuarded(procedure)) {
    const key = `shown ${new Date().toISOString().slice(0, 13)}`;
    const noted = await orAway(
      perform(showUnlocking, who, { input: { model, procedure: procedure.id }, key }),
    );
    // What cannot be noted is not shown.
    if (!noted.ok) return { ...procedure, steps: [], hidden: true };
  }
  return { ...procedure, hidden: false };
}
