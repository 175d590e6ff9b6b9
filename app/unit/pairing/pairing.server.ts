// What is done with a pairing from its page, and what is answered.
import { redirect } from "react-router";
import { addBattery } from "#acts/bluetooth/add-battery.ts";
import { endPairing } from "#acts/bluetooth/end-pairing.ts";
import { notePairing } from "#acts/bluetooth/note-pairing.ts";
import { pairDevice } from "#acts/bluetooth/pair-device.ts";
import { setPairing } from "#acts/bluetooth/set-pairing.ts";
import { listed } from "#core/quantities/list.ts";
import { good } from "#core/quantities/result.ts";
import { pairingsOf } from "#db/kit/pairings.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../../context.ts";
import { firstIssue, NOT_WHOLE, type ProblemsOf, performForm } from "../../forms/perform.server.ts";
import { saveForm } from "../../forms/save.server.ts";
import { answer, answerRefused, textsOf } from "../../shared/act-answer.server.ts";
import { beginByForm } from "../../shared/begin-run.server.ts";
import { PAIRING_WORD } from "../../ui/words/kit/pairing.ts";

/** What several of these acts may answer. */
type CommonProblem = Extract<
  ProblemsOf<typeof endPairing> | ProblemsOf<typeof addBattery>,
  { kind: "no-pairing" | "shelved" | "no-unit" | "input" | "no-key" }
>;

type Unit = { readonly id: string; readonly tag: string };

export async function actOnPairing(tx: Tx, who: SignedIn, unit: Unit, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) });
  const done = (says: string) => answer(200, { ok: true, intent, says });
  const pairing = form.get("pairing");
  const text = (name: string) => String(form.get(name) ?? "");
  const common = (problem: CommonProblem) => {
    switch (problem.kind) {
      case "no-pairing":
        return refused(409, "That pairing has ended already, or is not of this radio.");
      case "shelved":
        return refused(409, "This radio is shelved; recover it first.");
      case "no-unit":
        return refused(404, "That radio is not in the cabinet.");
      case "input":
        return refused(400, firstIssue(problem, NOT_WHOLE));
      case "no-key":
        return refused(400, NOT_WHOLE);
    }
  };
  switch (intent) {
    case "bench": {
      const begun = await beginByForm(who, unit, form);
      if (begun.ok) throw redirect(`/bench/${begun.run}`);
      return refused(begun.status, begun.says);
    }
    case "pair": {
      const made = await performForm(pairDevice, who, form, { unit: unit.id });
      if (made.ok) return done("Noted: they are paired.");
      switch (made.problem.kind) {
        case "full": {
          const { holds, with: others } = made.problem;
          return refused(
            409,
            `It holds ${holds === 1 ? "one radio" : `${holds} radios`} at a time, and is paired with ${listed(others)}. Tick that it forgets ${others.length === 1 ? "that one" : "those"}, if it does.`,
          );
        }
        case "paired-already":
          return refused(409, "They are paired already: say below how it went.");
        case "itself":
          return refused(409, "That is this radio itself.");
        case "out":
          return refused(409, "Its battery is out of use.");
        case "no-device":
          return refused(409, "That device is on the shelf, or was never here.");
        default:
          return common(made.problem);
      }
    }
    case "event": {
      const what = text("what") as keyof typeof PAIRING_WORD;
      const noted = await performForm(notePairing, who, form, { unit: unit.id, pairing, what });
      return noted.ok ? done(`Noted: it ${PAIRING_WORD[what]}.`) : common(noted.problem);
    }
    case "settings": {
      const set = await saveForm(setPairing, who, form, {
        read: (typed) => good({ unit: unit.id, pairing, settings: String(typed.get("settings") ?? "") }),
        drawn: async () => {
          const own = (await pairingsOf(tx, { unit: unit.id })).find(({ id }) => id === pairing);
          return own && { settings: own.settings };
        },
      });
      if (set.ok) return done("Noted: these are its own.");
      if (set.problem.kind === "refused") return answerRefused(intent, set.problem.refused);
      if (set.problem.kind === "unreadable")
        return refused(
          400,
          `“${set.problem.line}” wants a name, a value and why: hold time = 2 s: or it drops.`,
        );
      return set.problem.kind === "same" ? refused(409, "It stands so already.") : common(set.problem);
    }
    case "end": {
      const ended = await performForm(endPairing, who, form, { unit: unit.id, pairing });
      return ended.ok ? done("They are paired no more.") : common(ended.problem);
    }
    case "battery": {
      const added = await performForm(addBattery, who, form, { unit: unit.id });
      if (added.ok) throw redirect(`/kit/devices/${added.value.answer.device}`);
      return added.problem.kind === "there-already"
        ? refused(409, "Its battery is looked after already.")
        : common(added.problem);
    }
    default:
      return refused(400, "This page does not know that act.");
  }
}
