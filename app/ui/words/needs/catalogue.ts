// The words for a need of kind catalogue.
import type { WordsOfNeed } from "./kind.ts";

const MARK = "border-brass bg-plate";

export const catalogue: WordsOfNeed<"catalogue"> = {
  namesPart: true,
  causes: {
    ahead: () => "add what it runs to our list of releases",
    unlisted: () => "find out which releases there are for it; we know of none",
    uncounted: () => "say how this model numbers its releases; what it shows can stand in two places",
  },
  reasons: {},
  next: (component) => `what its ${component} should run is to be looked up`,
  groups: {
    "look-up": {
      title: "Look up",
      says: "what they run is not in our list, or could stand in two places of it",
    },
  },
  items: {
    "say-how": ({ radios, tags, one }) => ({
      mark: MARK,
      head: `${radios} that may stand in two places`,
      text: `${tags}: say how ${one ? "its model numbers its" : "their models number their"} releases.`,
      act: "Say how",
      to: "/due?do=look-up",
    }),
    "look-up": ({ radios, tags, one }) => ({
      mark: MARK,
      head: `${radios} ${one ? "runs" : "run"} what we do not know`,
      text: `${tags}: not in our list of releases.`,
      act: "Look it up",
      to: "/due?do=look-up",
    }),
  },
  press: "by-standing",
};
