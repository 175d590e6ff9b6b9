// The words for a need of kind measurement.
import { counted } from "../count.ts";
import type { WordsOfNeed } from "./kind.ts";

export const measurement: WordsOfNeed<"measurement"> = {
  namesPart: false,
  causes: { unmeasured: () => "measure its power; its group asks for that" },
  reasons: {
    measured: ({ on, everyDays }, { day }) => ({
      text: `${on ? `Its power was last measured on ${day(on)}` : "Its power was never measured"}; ${everyDays === undefined ? "its group asks for that after a flash" : `its group asks for that every ${counted(everyDays, "day")}`}.`,
      to: "group",
    }),
    "flashed-since": ({ on }, { day }) => ({
      text: `It was flashed on ${day(on)}, after that.`,
      to: "readings",
    }),
  },
  next: () => "its power is to be measured",
  groups: {
    measure: { title: "Measure", says: "here; their groups ask for their power every so often" },
  },
  items: {
    measure: ({ radios, tags, one }) => ({
      mark: "border-dotted border-brass",
      head: `${radios} to measure`,
      text: `${tags}: ${one ? "its group asks" : "their groups ask"} for the power every so often.`,
      act: "See which",
      to: "/due?do=measure",
    }),
  },
  press: { bench: "measure", words: "Measure its power" },
};
