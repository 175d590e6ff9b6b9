// The words for a need of kind backup.
import type { WordsOfNeed } from "./kind.ts";

export const backup: WordsOfNeed<"backup"> = {
  namesPart: false,
  causes: {
    "written-since-backup": () => "read it out and keep the file; it was written to since the last backup",
  },
  reasons: {
    "backed-up": ({ on }, { day }) => ({
      text: `It was last read out and kept on ${day(on)}.`,
      to: "history",
    }),
    "written-since": ({ on }, { day }) => ({
      text: `It was written to on ${day(on)}, after that.`,
      to: "readings",
    }),
  },
  next: () => "what is in it is to be read out and kept",
  groups: { "back-up": { title: "Back up", says: "here; written to since they were last read out" } },
  items: {
    "back-up": ({ radios, tags, one }) => ({
      mark: "border-t-4 border-primary",
      head: `${radios} to back up`,
      text: `${tags}: written to since ${one ? "it was" : "they were"} last read out.`,
      act: "Back them up",
      to: "/due?do=back-up",
    }),
  },
  press: { bench: "backup", words: "Back it up" },
};
