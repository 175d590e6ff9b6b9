// The words for a need of kind pairing.
import { clip } from "../unit/standing.ts";
import type { WordsOfNeed } from "./kind.ts";

const WHY = {
  dropped: "it dropped",
  failed: "it failed when somebody looked",
  lost: "the pairing was lost",
} as const;

export const pairing: WordsOfNeed<"pairing"> = {
  namesPart: false,
  causes: { unpaired: () => "pair it again; what it was paired with does not hold any more" },
  reasons: {
    pairing: ({ device, why, on }, { day }) => ({
      text: `${clip(device)}: ${WHY[why]} on ${day(on)}.`,
      to: "pairings",
    }),
  },
  next: () => "it is to be paired again",
  groups: {
    pair: { title: "Pair", says: "here; what they were paired with does not hold any more" },
  },
  items: {
    pair: ({ radios, tags, one }) => ({
      mark: "rounded-full border-brass",
      head: `${radios} to pair again`,
      text: `${tags}: what ${one ? "it was" : "they were"} paired with does not hold any more.`,
      act: "See with what",
      to: "/due?do=pair",
    }),
  },
  press: { to: (page) => `${page}/pairing`, words: "Pair it" },
};
