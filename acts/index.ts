// All acts there are. What is here is in the property that holds for all of them (acts.db.test.ts).

import { addGroup } from "./add-group.ts";
import { addPerson } from "./add-person.ts";
import { addPlace } from "./add-place.ts";
import { addUnit } from "./add-unit.ts";
import { answerRun } from "./answer-run.ts";
import { beginAnew } from "./begin-anew.ts";
import { beginRun } from "./begin-run.ts";
import { bringClubBack } from "./bring-club-back.ts";
import { bringInDossier } from "./bring-in-dossier.ts";
import { changeGroup } from "./change-group.ts";
import { changePassword } from "./change-password.ts";
import { changePerson } from "./change-person.ts";
import { changePlace } from "./change-place.ts";
import { changeUnit } from "./change-unit.ts";
import { confirmFact } from "./confirm-fact.ts";
import { confirmNumbering } from "./confirm-numbering.ts";
import { endSessions } from "./end-sessions.ts";
import { faultRadio } from "./fault-radio.ts";
import { fillUsbIds } from "./fill-usb-ids.ts";
import { holdUnits } from "./hold-units.ts";
import { importBandPlan } from "./import-band-plan.ts";
import { importUnits } from "./import-units.ts";
import { keepBackup } from "./keep-backup.ts";
import { keepChannels } from "./keep-channels.ts";
import { keepFilePart } from "./keep-file-part.ts";
import { lendUnit } from "./lend-unit.ts";
import { liftHold } from "./lift-hold.ts";
import { makeLink } from "./make-link.ts";
import { nameUsbId } from "./name-usb-id.ts";
import { noteHardware } from "./note-hardware.ts";
import { noteMeasurement } from "./note-measurement.ts";
import { noteMode } from "./note-mode.ts";
import { notePractice } from "./note-practice.ts";
import { noteSetting } from "./note-setting.ts";
import { noteSpectrum } from "./note-spectrum.ts";
import { noteTry } from "./note-try.ts";
import { recordReading } from "./record-reading.ts";
import { recoverPerson } from "./recover-person.ts";
import { recoverUnit } from "./recover-unit.ts";
import { rememberSheet } from "./remember-sheet.ts";
import { setBenchRules } from "./set-bench-rules.ts";
import { setCurrency } from "./set-currency.ts";
import { setTheme } from "./set-theme.ts";
import { shelveLimit } from "./shelve-limit.ts";
import { shelveMode } from "./shelve-mode.ts";
import { shelvePerson } from "./shelve-person.ts";
import { shelveProcedure } from "./shelve-procedure.ts";
import { shelveQuirk } from "./shelve-quirk.ts";
import { shelveSegment } from "./shelve-segment.ts";
import { shelveServiceItem } from "./shelve-service-item.ts";
import { shelveThing } from "./shelve-thing.ts";
import { shelveUnit } from "./shelve-unit.ts";
import { showUnlocking } from "./show-unlocking.ts";
import { standInRadio } from "./stand-in-radio.ts";
import { strikeMeasurement } from "./strike-measurement.ts";
import { strikeReading } from "./strike-reading.ts";
import { strikeSpectrum } from "./strike-spectrum.ts";
import { strikeTry } from "./strike-try.ts";
import { takeBackUnit } from "./take-back-unit.ts";
import { takeOverRun } from "./take-over-run.ts";
import { workMachine } from "./work-machine.ts";
import { writeIdentity } from "./write-identity.ts";
import { writeLimit } from "./write-limit.ts";
import { writeMode } from "./write-mode.ts";
import { writeModel } from "./write-model.ts";
import { writeProcedure } from "./write-procedure.ts";
import { writeQuirk } from "./write-quirk.ts";
import { writeRelease } from "./write-release.ts";
import { writeSegment } from "./write-segment.ts";
import { writeServiceItem } from "./write-service-item.ts";
import { writeThing } from "./write-thing.ts";

export const ALL_ACTS = [
  answerRun,
  beginAnew,
  beginRun,
  faultRadio,
  keepBackup,
  keepFilePart,
  noteMeasurement,
  noteMode,
  noteSetting,
  shelveServiceItem,
  writeServiceItem,
  notePractice,
  setBenchRules,
  standInRadio,
  takeOverRun,
  workMachine,
  bringClubBack,
  rememberSheet,
  importBandPlan,
  importUnits,
  setTheme,
  endSessions,
  changePassword,
  makeLink,
  fillUsbIds,
  nameUsbId,
  setCurrency,
  shelveSegment,
  shelveThing,
  writeSegment,
  writeThing,
  bringInDossier,
  confirmNumbering,
  writeIdentity,
  writeMode,
  writeModel,
  writeRelease,
  writeProcedure,
  shelveProcedure,
  writeQuirk,
  shelveQuirk,
  confirmFact,
  changePlace,
  changeGroup,
  addPlace,
  addGroup,
  shelveUnit,
  shelveMode,
  shelvePerson,
  recoverUnit,
  recoverPerson,
  changeUnit,
  changePerson,
  addUnit,
  addPerson,
  holdUnits,
  lendUnit,
  liftHold,
  noteHardware,
  noteTry,
  recordReading,
  noteSpectrum,
  shelveLimit,
  strikeSpectrum,
  writeLimit,
  keepChannels,
  showUnlocking,
  strikeMeasurement,
  strikeReading,
  strikeTry,
  takeBackUnit,
] as const;
export type ActName = (typeof ALL_ACTS)[number]["name"];
