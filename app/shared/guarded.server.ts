// Guarded facts (unlocking, service menus, a tool’s settings) leave the server through this file alone: to those who may see them, each showing noted; others get what they need, such as titles.
import { perform } from "#acts/define.ts";
import { type Guarded, showUnlocking } from "#acts/model/show-unlocking.ts";
import { may } from "#core/club/index.ts";
import { isGuarded, withoutSteps } from "#core/dossier/index.ts";
import type { ModeRow, ProcedureRow } from "#db/model/index.ts";
import { orAway } from "../away.server.ts";
import type { SignedIn } from "../context.ts";

const mayAll = (who: Pick<SignedIn, "role">) => may(who.role, "see-unlocking");

/** Whether its steps stay hidden from this person. */
export const isHidden = (who: Pick<SignedIn, "role">, procedure: Pick<ProcedureRow, "effect">): boolean =>
  isGuarded(procedure) && !mayAll(who);

/**
 * Whether guarded facts are handed to this person: they may see them, and that they are shown has been noted, once in an hour. What cannot be
 * noted is not shown.
 */
export async function isHandedOut(who: SignedIn, guarded: Guarded): Promise<boolean> {
  if (!mayAll(who)) return false;
  const key = `shown ${new Date().toISOString().slice(0, 13)}`;
  const noted = await orAway(perform(showUnlocking, who, { input: guarded, key }));
  return noted.ok;
}

/** Procedures as somebody may see them in passing: of what unlocks no more than what one must be warned of. */
export const inPassing = (procedures: readonly ProcedureRow[]): ProcedureRow[] =>
  procedures.map((one) => (isGuarded(one) ? withoutSteps(one) : one));

/** A mode as anybody may see it: whether a tool's setting is noted, and not which. */
export const modeInPassing = ({ facts, ...mode }: ModeRow): ModeRow & { readonly hasSetting: boolean } => ({
  ...mode,
  facts: { ...facts, setting: undefined },
  hasSetting: facts.setting !== undefined,
});

/** A procedure that is shown with its steps, if this person may see them. */
export async function shownTo(
  who: SignedIn,
  model: string,
  procedure: ProcedureRow,
): Promise<ProcedureRow & { readonly hidden: boolean }> {
  const hidden = isGuarded(procedure) && !(await isHandedOut(who, { model, procedure: procedure.id }));
  return hidden ? { ...procedure, steps: [], hidden } : { ...procedure, hidden };
}
