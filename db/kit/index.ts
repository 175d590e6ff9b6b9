// Things, devices, pairings and drivers, as they are stored. This is the room’s door: others import from here alone.

export {
  addCharge,
  type ChargeRow,
  chargesOf,
  type DeviceRow,
  deviceById,
  deviceOf,
  deviceRows,
  type PairAdviceRow,
  pairAdviceRows,
  putProgrammer,
  putRadio,
  strikeCharge,
  tieDevice,
} from "./devices.ts";
export {
  addAttempt,
  type KnownKit,
  kitNames,
  kitOf,
  loadKit,
  plugsIn,
  plugsOf,
  putCurrency,
  strikeTry,
  triesWith,
} from "./kit.ts";
export {
  addPairing,
  addPairingEvent,
  endPairing,
  PAIRING_EVENTS,
  type PairingRow,
  pairingsOf,
  setPairing,
} from "./pairings.ts";
export { addProfile, addProfileUse, profileById, profilesOf, shelveProfile } from "./profiles.ts";
export { gearRows, putInstalled, putSupports, putThing, shelveThing, usersOf } from "./put.ts";
export { antennaAdapters, leadRows } from "./rows.ts";
export { type OfferRow, offerRows } from "./tool-rows.ts";
export { addUsbIds, putUsbId, usbIds } from "./usb.ts";
export { loadKnown, valuesOf } from "./values.ts";
