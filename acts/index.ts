// All acts there are. What is here is in the property that holds for all of them (acts.db.test.ts).

import { addBattery } from "./add-battery.ts";
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
import { changePlan } from "./change-plan.ts";
import { changeUnit } from "./change-unit.ts";
import { confirmFact } from "./confirm-fact.ts";
import { confirmNumbering } from "./confirm-numbering.ts";
import { dropPlan } from "./drop-plan.ts";
import { endPairing } from "./end-pairing.ts";
import { endSessions } from "./end-sessions.ts";
import { faultRadio } from "./fault-radio.ts";
import { fillUsbIds } from "./fill-usb-ids.ts";
import { holdUnits } from "./hold-units.ts";
import { importBandPlan } from "./import-band-plan.ts";
import { importRepeaters } from "./import-repeaters.ts";
import { importUnits } from "./import-units.ts";
import { issuePlan } from "./issue-plan.ts";
import { keepBackup } from "./keep-backup.ts";
import { keepChannels } from "./keep-channels.ts";
import { keepFilePart } from "./keep-file-part.ts";
import { keepMapping } from "./keep-mapping.ts";
import { keepProfile } from "./keep-profile.ts";
import { lendUnit } from "./lend-unit.ts";
import { liftHold } from "./lift-hold.ts";
import { makeLink } from "./make-link.ts";
import { mendCodeplug } from "./mend-codeplug.ts";
import { mergeList } from "./merge-list.ts";
import { mergeModels } from "./merge-models.ts";
import { moveReading } from "./move-reading.ts";
import { nameUsbId } from "./name-usb-id.ts";
import { noteCharge } from "./note-charge.ts";
import { noteHardware } from "./note-hardware.ts";
import { noteHeard } from "./note-heard.ts";
import { noteIdentity } from "./note-identity.ts";
import { noteMeasurement } from "./note-measurement.ts";
import { noteMode } from "./note-mode.ts";
import { notePairing } from "./note-pairing.ts";
import { notePractice } from "./note-practice.ts";
import { noteSetting } from "./note-setting.ts";
import { noteSpectrum } from "./note-spectrum.ts";
import { noteTry } from "./note-try.ts";
import { pairDevice } from "./pair-device.ts";
import { readSimulatedLevel } from "./read-simulated-level.ts";
import { recordReading } from "./record-reading.ts";
import { recoverPerson } from "./recover-person.ts";
import { recoverUnit } from "./recover-unit.ts";
import { rememberSheet } from "./remember-sheet.ts";
import { setBenchRules } from "./set-bench-rules.ts";
import { setCurrency } from "./set-currency.ts";
import { setFirstStep } from "./set-first-step.ts";
import { setPairing } from "./set-pairing.ts";
import { setTheme } from "./set-theme.ts";
import { shelveIdentity } from "./shelve-identity.ts";
import { shelveLimit } from "./shelve-limit.ts";
import { shelveMapping } from "./shelve-mapping.ts";
import { shelveMode } from "./shelve-mode.ts";
import { shelvePerson } from "./shelve-person.ts";
import { shelveProcedure } from "./shelve-procedure.ts";
import { shelveProfile } from "./shelve-profile.ts";
import { shelveQuirk } from "./shelve-quirk.ts";
import { shelveRepeater } from "./shelve-repeater.ts";
import { shelveSegment } from "./shelve-segment.ts";
import { shelveServiceItem } from "./shelve-service-item.ts";
import { shelveThing } from "./shelve-thing.ts";
import { shelveUnit } from "./shelve-unit.ts";
import { showUnlocking } from "./show-unlocking.ts";
import { standInRadio } from "./stand-in-radio.ts";
import { strikeCharge } from "./strike-charge.ts";
import { strikeMeasurement } from "./strike-measurement.ts";
import { strikeReading } from "./strike-reading.ts";
import { strikeSpectrum } from "./strike-spectrum.ts";
import { strikeTry } from "./strike-try.ts";
import { takeBackUnit } from "./take-back-unit.ts";
import { takeOverRun } from "./take-over-run.ts";
import { tieDevice } from "./tie-device.ts";
import { workMachine } from "./work-machine.ts";
import { writeCodeplugFacts } from "./write-codeplug-facts.ts";
import { writeDown } from "./write-down.ts";
import { writeIdentity } from "./write-identity.ts";
import { writeLimit } from "./write-limit.ts";
import { writeMode } from "./write-mode.ts";
import { writeModel } from "./write-model.ts";
import { writeProcedure } from "./write-procedure.ts";
import { writeQuirk } from "./write-quirk.ts";
import { writeRelease } from "./write-release.ts";
import { writeReleases } from "./write-releases.ts";
import { writeRepeater } from "./write-repeater.ts";
import { writeSegment } from "./write-segment.ts";
import { writeServiceItem } from "./write-service-item.ts";
import { writeThing } from "./write-thing.ts";

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
