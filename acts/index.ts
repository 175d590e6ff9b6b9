// All acts there are. What is here is in the property that holds for all of them (acts.db.test.ts).

import { addBattery } from "./bluetooth/add-battery.ts";
import { endPairing } from "./bluetooth/end-pairing.ts";
import { keepProfile } from "./bluetooth/keep-profile.ts";
import { noteCharge } from "./bluetooth/note-charge.ts";
import { notePairing } from "./bluetooth/note-pairing.ts";
import { pairDevice } from "./bluetooth/pair-device.ts";
import { readSimulatedLevel } from "./bluetooth/read-simulated-level.ts";
import { setPairing } from "./bluetooth/set-pairing.ts";
import { shelveProfile } from "./bluetooth/shelve-profile.ts";
import { strikeCharge } from "./bluetooth/strike-charge.ts";
import { tieDevice } from "./bluetooth/tie-device.ts";
import { addGroup } from "./club/add-group.ts";
import { addPlace } from "./club/add-place.ts";
import { bringClubBack } from "./club/bring-club-back.ts";
import { changeGroup } from "./club/change-group.ts";
import { changePlace } from "./club/change-place.ts";
import { setFirstStep } from "./club/set-first-step.ts";
import { changePlan } from "./codeplug/change-plan.ts";
import { dropPlan } from "./codeplug/drop-plan.ts";
import { importRepeaters } from "./codeplug/import-repeaters.ts";
import { issuePlan } from "./codeplug/issue-plan.ts";
import { keepChannels } from "./codeplug/keep-channels.ts";
import { keepMapping } from "./codeplug/keep-mapping.ts";
import { mendCodeplug } from "./codeplug/mend-codeplug.ts";
import { mergeList } from "./codeplug/merge-list.ts";
import { noteHeard } from "./codeplug/note-heard.ts";
import { noteIdentity } from "./codeplug/note-identity.ts";
import { shelveIdentity } from "./codeplug/shelve-identity.ts";
import { shelveMapping } from "./codeplug/shelve-mapping.ts";
import { shelveRepeater } from "./codeplug/shelve-repeater.ts";
import { writeCodeplugFacts } from "./codeplug/write-codeplug-facts.ts";
import { writeRepeater } from "./codeplug/write-repeater.ts";
import { fillUsbIds } from "./kit/fill-usb-ids.ts";
import { nameUsbId } from "./kit/name-usb-id.ts";
import { noteTry } from "./kit/note-try.ts";
import { setCurrency } from "./kit/set-currency.ts";
import { shelveThing } from "./kit/shelve-thing.ts";
import { strikeTry } from "./kit/strike-try.ts";
import { writeThing } from "./kit/write-thing.ts";
import { noteMeasurement } from "./measurement/note-measurement.ts";
import { noteSpectrum } from "./measurement/note-spectrum.ts";
import { shelveLimit } from "./measurement/shelve-limit.ts";
import { strikeMeasurement } from "./measurement/strike-measurement.ts";
import { strikeSpectrum } from "./measurement/strike-spectrum.ts";
import { writeLimit } from "./measurement/write-limit.ts";
import { importBandPlan } from "./mode/import-band-plan.ts";
import { noteMode } from "./mode/note-mode.ts";
import { shelveMode } from "./mode/shelve-mode.ts";
import { shelveSegment } from "./mode/shelve-segment.ts";
import { writeMode } from "./mode/write-mode.ts";
import { writeSegment } from "./mode/write-segment.ts";
import { bringInDossier } from "./model/bring-in-dossier.ts";
import { confirmFact } from "./model/confirm-fact.ts";
import { confirmNumbering } from "./model/confirm-numbering.ts";
import { mergeModels } from "./model/merge-models.ts";
import { noteSetting } from "./model/note-setting.ts";
import { shelveProcedure } from "./model/shelve-procedure.ts";
import { shelveQuirk } from "./model/shelve-quirk.ts";
import { shelveServiceItem } from "./model/shelve-service-item.ts";
import { showUnlocking } from "./model/show-unlocking.ts";
import { writeIdentity } from "./model/write-identity.ts";
import { writeModel } from "./model/write-model.ts";
import { writeProcedure } from "./model/write-procedure.ts";
import { writeQuirk } from "./model/write-quirk.ts";
import { writeRelease } from "./model/write-release.ts";
import { writeReleases } from "./model/write-releases.ts";
import { writeServiceItem } from "./model/write-service-item.ts";
import { addPerson } from "./person/add-person.ts";
import { changePassword } from "./person/change-password.ts";
import { changePerson } from "./person/change-person.ts";
import { endSessions } from "./person/end-sessions.ts";
import { makeLink } from "./person/make-link.ts";
import { recoverPerson } from "./person/recover-person.ts";
import { setTheme } from "./person/set-theme.ts";
import { shelvePerson } from "./person/shelve-person.ts";
import { moveReading } from "./reading/move-reading.ts";
import { recordReading } from "./reading/record-reading.ts";
import { strikeReading } from "./reading/strike-reading.ts";
import { answerRun } from "./run/answer-run.ts";
import { beginAnew } from "./run/begin-anew.ts";
import { beginRun } from "./run/begin-run.ts";
import { keepBackup } from "./run/keep-backup.ts";
import { keepFilePart } from "./run/keep-file-part.ts";
import { notePractice } from "./run/note-practice.ts";
import { setBenchRules } from "./run/set-bench-rules.ts";
import { takeOverRun } from "./run/take-over-run.ts";
import { workMachine } from "./run/work-machine.ts";
import { addUnit } from "./unit/add-unit.ts";
import { changeUnit } from "./unit/change-unit.ts";
import { faultRadio } from "./unit/fault-radio.ts";
import { holdUnits } from "./unit/hold-units.ts";
import { importUnits } from "./unit/import-units.ts";
import { lendUnit } from "./unit/lend-unit.ts";
import { liftHold } from "./unit/lift-hold.ts";
import { noteHardware } from "./unit/note-hardware.ts";
import { recoverUnit } from "./unit/recover-unit.ts";
import { rememberSheet } from "./unit/remember-sheet.ts";
import { shelveUnit } from "./unit/shelve-unit.ts";
import { standInRadio } from "./unit/stand-in-radio.ts";
import { takeBackUnit } from "./unit/take-back-unit.ts";
import { writeDown } from "./unit/write-down.ts";

export const ALL_ACTS = [
  shelveMapping,
  keepMapping,
  mergeList,
  mendCodeplug,
  importRepeaters,
  shelveRepeater,
  noteHeard,
  writeRepeater,
  shelveIdentity,
  noteIdentity,
  writeCodeplugFacts,
  dropPlan,
  issuePlan,
  changePlan,
  readSimulatedLevel,
  shelveProfile,
  keepProfile,
  endPairing,
  setPairing,
  notePairing,
  pairDevice,
  tieDevice,
  strikeCharge,
  noteCharge,
  addBattery,
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
  moveReading,
  writeDown,
  setFirstStep,
  shelveSegment,
  shelveThing,
  writeSegment,
  writeThing,
  bringInDossier,
  mergeModels,
  confirmNumbering,
  writeIdentity,
  writeMode,
  writeModel,
  writeRelease,
  writeReleases,
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
