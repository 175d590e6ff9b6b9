// The words for a need of kind codeplug.
import type { WordsOfNeed } from "./kind.ts";

const CARRIES = {
  older: "carries an older one",
  other: "carries another table",
  unknown: "may carry it or not: nobody has read it since",
} as const;

export const codeplug: WordsOfNeed<"codeplug"> = {
  namesPart: false,
  causes: { "not-the-plan": () => "write the plan of channels into it; its group carries that" },
  reasons: {
    codeplug: ({ plan, since, has, on }, { day }) => ({
      text: `Plan ${plan} of the channels counts since ${day(since)}; the radio ${CARRIES[has]}${on ? `, by what was known on ${day(on)}` : ""}.`,
      to: "channels",
    }),
  },
  next: () => "the plan of channels is to be written into it",
  groups: { program: { title: "Program", says: "here; they do not carry the plan of channels" } },
  items: {
    program: ({ radios, tags, one }) => ({
      mark: "border-b-4 border-brass",
      head: `${radios} ${one ? "lacks" : "lack"} the plan of channels`,
      text: `${tags}: ${one ? "it carries" : "they carry"} an older plan, another table, or what nobody has read.`,
      act: "See which",
      to: "/due?do=program",
    }),
  },
  press: { to: (page) => `${page}/channels`, words: "See what it carries" },
};
