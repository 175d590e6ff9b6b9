// All acts there are. What is here is in the property that holds for all of them (acts.db.test.ts).
import { holdUnits } from "./hold-units.ts";
import { lendUnit } from "./lend-unit.ts";
import { liftHold } from "./lift-hold.ts";
import { noteHardware } from "./note-hardware.ts";
import { noteTry } from "./note-try.ts";
import { recordReading } from "./record-reading.ts";
import { strikeReading } from "./strike-reading.ts";
import { strikeTry } from "./strike-try.ts";
import { takeBackUnit } from "./take-back-unit.ts";

export const ALL_ACTS = [
  holdUnits,
  lendUnit,
  liftHold,
  noteHardware,
  noteTry,
  recordReading,
  strikeReading,
  strikeTry,
  takeBackUnit,
] as const;
export type ActName = (typeof ALL_ACTS)[number]["name"];
