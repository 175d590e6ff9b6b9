// What is noted of a battery on a page, and what is answered.
import { noteCharge } from "#acts/bluetooth/note-charge.ts";
import { readSimulatedLevel } from "#acts/bluetooth/read-simulated-level.ts";
import { strikeCharge } from "#acts/bluetooth/strike-charge.ts";
import { tieDevice } from "#acts/bluetooth/tie-device.ts";
import type { SignedIn } from "../../context.ts";
import { fieldText, performForm } from "../../forms/perform.server.ts";
import { answer, textsOf } from "../../shared/act-answer.server.ts";
import { answerProblem, typedWrongly } from "../../shared/refusals.server.ts";

/** Intents `charge`, `read-level`, `strike-charge` and `tie`, of a device that the form names. */
export async function actOnCharge(who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) });
  const device = form.get("device");
  if (intent === "strike-charge") {
    const done = await performForm(strikeCharge, who, form, { device });
    if (done.ok) return answer(200, { ok: true, intent, says: "Struck: it counts no more." });
    return answerProblem(intent, form, done.problem, {});
  }
  if (intent === "tie") {
    const tag = String(form.get("tag") ?? "").trim();
    const done = await performForm(tieDevice, who, form, { device, tag });
    if (done.ok)
      return answer(200, {
        ok: true,
        intent,
        says:
          tag === "" ? "Its firmware is kept under no radio any more." : `Its firmware is kept under ${tag}.`,
      });
    return answerProblem(intent, form, done.problem, {
      "no-unit": typedWrongly(`Nothing has the tag ${tag}: add it like a radio, with its model, first.`),
      taken: ({ by }) => `${tag} is ${by} already.`,
      same: "It is so already.",
    });
  }
  if (intent === "read-level") {
    const done = await performForm(readSimulatedLevel, who, form, { device });
    if (done.ok) return answer(200, { ok: true, intent, says: `It says ${done.value.answer.percent} %.` });
    return answerProblem(intent, form, done.problem, {
      real: "No simulated device stands in for it: type what it shows.",
      "no-battery": "It has no battery in use.",
    });
  }
  const kind = String(form.get("kind") ?? "");
  const typed = (fieldText(form, "percent") ?? "").replace(",", ".").replace(/\s*%$/, "");
  const isLevel = kind === "level" || kind === "used";
  if (isLevel && (typed === "" || !Number.isFinite(Number(typed))))
    return refused(400, "Type a number from 0 to 100.");
  const done = await performForm(noteCharge, who, form, {
    device,
    what: isLevel ? { kind, percent: Number(typed) } : { kind },
    how: form.get("how") === "read" ? "read" : "typed",
  });
  if (done.ok) return answer(200, { ok: true, intent, says: "Noted." });
  return answerProblem(intent, form, done.problem, {
    "no-battery": ({ battery }) =>
      battery === "none"
        ? "It has no battery of its own."
        : `Its battery is ${battery}: it goes on no charger. Change that on its page, if it has another now.`,
    ahead: typedWrongly("That time has not come yet: a note may be dated back, not ahead."),
    "plugged-already": "It is on its charger already, at that time.",
    "not-plugged": "At that time it is on no charger, from which it could be taken.",
  });
}
