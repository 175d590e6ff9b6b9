// Puts several radios on hold at once.
import { holdUnits } from "#acts/unit/hold-units.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { firstIssue, type InputProblem, performForm } from "../forms/perform.server.ts";
import { refusalOf } from "../shared/refusals.server.ts";
import { weighHold } from "../shared/weigh-hold.server.ts";
import { counted } from "../ui/words/count.ts";
import { type HoldAnswer, keptOf } from "./hold-answer.ts";

export async function holdSeveral(tx: Tx, who: SignedIn, form: FormData): Promise<HoldAnswer> {
  const refused = (says: string): HoldAnswer => ({ ok: false, says, kept: keptOf(form) });
  if (form.has("look")) {
    const units = form.getAll("unit").map(String);
    const says = await weighHold(tx, who, { units, until: form.get("until") });
    return says === undefined
      ? refused("Pick radios, and say until which day to come, such as 2027-05-02.")
      : { ok: true, says, kept: keptOf(form) };
  }
  const done = await performForm(holdUnits, who, form, { units: [...new Set(form.getAll("unit"))] });
  if (!done.ok) {
    const own = {
      input: (problem: InputProblem) =>
        problem.issues[0]?.field === "until"
          ? "Say until which day, such as 2027-05-02."
          : firstIssue(problem),
    };
    return refused(refusalOf(done.problem, own).says);
  }
  const { held } = done.value.answer;
  const says =
    held.length > 0
      ? `${counted(held.length, "radio")} on hold.`
      : "Nothing was changed: they are on hold like that already, or not in the cabinet any more.";
  return { ok: true, says, done: crypto.randomUUID() };
}
