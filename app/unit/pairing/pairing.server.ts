// What is done with a pairing from its page, and what is answered.
import { redirect } from "react-router";
import { addBattery } from "#acts/bluetooth/add-battery.ts";
import { endPairing } from "#acts/bluetooth/end-pairing.ts";
import { notePairing } from "#acts/bluetooth/note-pairing.ts";
import { pairDevice } from "#acts/bluetooth/pair-device.ts";
import { setPairing } from "#acts/bluetooth/set-pairing.ts";
import { good, listed } from "#core/quantities/index.ts";
import { pairingsOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../../context.ts";
import { performForm } from "../../forms/perform.server.ts";
import { saveForm } from "../../forms/save.server.ts";
import { answer, answerRefused, textsOf } from "../../shared/act-answer.server.ts";
import { beginByForm } from "../../shared/begin-run.server.ts";
import { answerProblem, answerRefusal, typedWrongly } from "../../shared/refusals.server.ts";
import { PAIRING_WORD } from "../../ui/words/kit/pairing.ts";

type Unit = { readonly id: string; readonly tag: string };

export async function actOnPairing(tx: Tx, who: SignedIn, unit: Unit, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string) =>
    answer(status, { ok: false, intent, says, kept: textsOf(form) });
  const done = (says: string) => answer(200, { ok: true, intent, says });
  const pairing = form.get("pairing");
  const text = (name: string) => String(form.get(name) ?? "");
  const on = { tag: unit.tag };
  switch (intent) {
    case "bench": {
      const begun = await beginByForm(who, unit, form);
      if (begun.ok) throw redirect(`/bench/${begun.run}`);
      return answerRefusal(intent, form, begun);
    }
    case "pair": {
      const made = await performForm(pairDevice, who, form, { unit: unit.id });
      if (made.ok) return done("Noted: they are paired.");
      return answerProblem(
        intent,
        form,
        made.problem,
        {
          full: ({ holds, with: others }) =>
            `It holds ${holds === 1 ? "one radio" : `${holds} radios`} at a time, and is paired with ${listed(others)}. Tick that it forgets ${others.length === 1 ? "that one" : "those"}, if it does.`,
          "paired-already": "They are paired already: say below how it went.",
          itself: "That is this radio itself.",
          out: "Its battery is out of use.",
        },
        on,
      );
    }
    case "event": {
      const what = text("what") as keyof typeof PAIRING_WORD;
      const noted = await performForm(notePairing, who, form, { unit: unit.id, pairing, what });
      return noted.ok
        ? done(`Noted: it ${PAIRING_WORD[what]}.`)
        : answerProblem(intent, form, noted.problem, {}, on);
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
      return answerProblem(
        intent,
        form,
        set.problem,
        {
          unreadable: ({ line }) =>
            typedWrongly(`“${line}” wants a name, a value and why: hold time = 2 s: or it drops.`),
          same: "It stands so already.",
        },
        on,
      );
    }
    case "end": {
      const ended = await performForm(endPairing, who, form, { unit: unit.id, pairing });
      return ended.ok ? done("They are paired no more.") : answerProblem(intent, form, ended.problem, {}, on);
    }
    case "battery": {
      const added = await performForm(addBattery, who, form, { unit: unit.id });
      if (added.ok) throw redirect(`/kit/devices/${added.value.answer.device}`);
      const own = { "there-already": "Its battery is looked after already." };
      return answerProblem(intent, form, added.problem, own, on);
    }
    default:
      return refused(400, "This page does not know that act.");
  }
}
