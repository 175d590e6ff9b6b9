// The words for a need of kind mode.
import { sayHertz, sayWidth } from "../frequency.ts";
import type { WordsOfNeed } from "./kind.ts";

export const mode: WordsOfNeed<"mode"> = {
  namesPart: false,
  causes: { "transmits-beyond": () => "switch its mode; it transmits where its user may not" },
  reasons: {
    "in-mode": ({ mode: name, on }, { day }) => ({
      text: `It is in the mode ${name} since ${day(on)}.`,
      to: "modes",
    }),
    "allowed-by": (reason) => ({
      text:
        reason.of === "approval"
          ? "Its group keeps old radios within what they were approved for."
          : `What ${reason.class ?? "its user"} may use counts: ${reason.of === "holder" ? "that is the class of who has it" : "nobody has it, and that is its group's"}.`,
      to: "group",
    }),
    beyond: ({ from, to, width }) => ({
      text: `It transmits beyond that: ${sayWidth(width)} in all, the first from ${sayHertz(from)} to ${sayHertz(to)}.`,
      to: "modes",
    }),
  },
  next: () => "its mode is to be changed",
  groups: { switch: { title: "Switch", says: "here; they transmit where their users may not" } },
  items: {
    switch: ({ radios, tags, one }) => ({
      mark: "hatch border-brass",
      head: `${radios} ${one ? "transmits" : "transmit"} too far`,
      text: `${tags}: in ${one ? "a mode" : "modes"} in which ${one ? "it sends" : "they send"} where ${one ? "its user" : "their users"} may not.`,
      act: "See where",
      to: "/due?do=switch",
    }),
  },
  press: { to: () => "#mode", words: "Its mode" },
};
