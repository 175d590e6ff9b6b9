// The words for a need of kind loan.
import type { WordsOfNeed } from "./kind.ts";

export const loan: WordsOfNeed<"loan"> = {
  namesPart: false,
  causes: { "loan-overdue": () => "ask for it back; it is overdue" },
  reasons: {
    "due-back": ({ on }, { day }) => ({ text: `It was to be back by ${day(on)}.`, to: "history" }),
  },
  next: () => "whoever had it should bring it back",
  groups: { "get-back": { title: "Overdue", says: "lent, and the day for bringing them back is past" } },
  items: {
    overdue: ({ radios, tags }) => ({
      mark: "border-dashed border-quiet",
      head: `${radios} should be back by now`,
      text: tags,
      act: "See who has them",
      to: "/cabinet?lens=who",
    }),
  },
  press: { to: () => "#history", words: "Who has it" },
};
