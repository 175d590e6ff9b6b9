// What is noted of a battery on a page, and what is answered.
import { noteCharge } from "#acts/bluetooth/note-charge.ts";
import { readSimulatedLevel } from "#acts/bluetooth/read-simulated-level.ts";
import { strikeCharge } from "#acts/bluetooth/strike-charge.ts";
import { tieDevice } from "#acts/bluetooth/tie-device.ts";
import type { SignedIn } from "../../context.ts";
import { fieldText, firstIssue, NOT_WHOLE, performForm, unsaid } from "../../forms/perform.server.ts";
import { answer, textsOf } from "../../shared/act-answer.server.ts";

/** Intents `charge`, `read-level`, `strike-charge` and `tie`, of a device that the form names. */
export async function actOnCharge(who: SignedIn, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) });
  const device = form.get("device");
  if (intent === "strike-charge") {
    const done = await performForm(strikeCharge, who, form, { device });
    if (done.ok) return answer(200, { ok: true, intent, says: "Struck: it counts no more." });
    if (done.problem.kind === "struck" || done.problem.kind === "no-device")
      return refused(409, "That is struck already, or not of this device.");
    return refused(400, done.problem.kind === "input" ? firstIssue(done.problem, NOT_WHOLE) : NOT_WHOLE);
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
    switch (done.problem.kind) {
      case "no-unit":
        return refused(400, `Nothing has the tag ${tag}: add it like a radio, with its model, first.`);
      case "taken":
        return refused(409, `${tag} is ${done.problem.by} already.`);
      case "same":
        return refused(409, "It is so already.");
      case "no-device":
      case "not-programmer":
        return refused(409, "Only a programmer's firmware is kept like that.");
      case "input":
        return refused(400, firstIssue(done.problem, NOT_WHOLE));
      case "no-key":
        return refused(400, NOT_WHOLE);
      default:
        return refused(400, unsaid(done.problem));
    }
  }
  if (intent === "read-level") {
    const done = await performForm(readSimulatedLevel, who, form, { device });
    if (done.ok) return answer(200, { ok: true, intent, says: `It says ${done.value.answer.percent} %.` });
    return refused(409, done.problem.kind === "no-key" ? NOT_WHOLE : "No simulated device stands in for it.");
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
  switch (done.problem.kind) {
    case "ahead":
      return refused(400, "That time has not come yet: a note may be dated back, not ahead.");
    case "no-battery":
      return refused(
        409,
        done.problem.battery === "none"
          ? "It has no battery of its own."
          : `Its battery is ${done.problem.battery}: it goes on no charger. Change that on its page, if it has another now.`,
      );
    case "plugged-already":
      return refused(409, "It is on its charger already, at that time.");
    case "not-plugged":
      return refused(409, "At that time it is on no charger, from which it could be taken.");
    case "no-device":
      return refused(409, "That device is on the shelf, or was never here.");
    case "input":
      return refused(400, firstIssue(done.problem, NOT_WHOLE));
    case "no-key":
      return refused(400, NOT_WHOLE);
    default:
      return refused(400, unsaid(done.problem));
  }
}
