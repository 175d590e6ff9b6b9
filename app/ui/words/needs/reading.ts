// The words for a need of kind reading.
import { counted } from "../count.ts";
import type { WordsOfNeed } from "./kind.ts";

export const reading: WordsOfNeed<"reading"> = {
  namesPart: true,
  causes: {
    unread: () => "read it for the first time",
    unclear: () => "read it again; the last reading cannot be placed",
    stale: () => "read it again; the last reading is old",
    "back-from-custody": () => "read it; it came back and nobody has",
    "flash-unconfirmed": () => "read it to confirm the flash",
  },
  reasons: {
    stale: ({ afterDays, on }, { day }) => ({
      text: `Readings are good for ${counted(afterDays, "day")}; ${on ? `this one is from ${day(on)}` : "nobody knows the day of this one, so it counts as older"}.`,
      to: "group",
    }),
    "back-from-custody": ({ on }, { day }) => ({
      text: `It came back on ${day(on)} and has not been read since.`,
      to: "history",
    }),
    "flash-unconfirmed": ({ on }, { day }) => ({
      text: `The flash ${on ? `on ${day(on)}` : "on a day that nobody knows"} has not been confirmed by reading it off the radio.`,
      to: "readings",
    }),
  },
  next: (component) => `its ${component} is to be read`,
  groups: { read: { title: "Read", says: "here; nobody knows for sure what they run" } },
  items: {
    "never-read": ({ radios, tags }) => ({
      mark: "doubt",
      head: `${radios} we have never read`,
      text: tags,
      act: "Read them",
      to: "/due?do=read",
    }),
    "part-unread": ({ radios, tags }) => ({
      mark: "doubt",
      head: `${radios} with a part that we have never read`,
      text: tags,
      act: "Read it",
      to: "/due?do=read",
    }),
    "read-again": ({ radios, tags }) => ({
      mark: "doubt",
      head: `${radios} to read again`,
      text: tags,
      act: "Read them",
      to: "/due?do=read",
    }),
  },
  press: "by-standing",
};
