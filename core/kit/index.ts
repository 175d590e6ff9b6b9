// Cables, programmers, computers and drivers: which chain reaches a radio, and what to get. This is the room’s door: others import from here alone.

export { benchLoad } from "./bench-load.ts";
export { type Bridge, identifyBridge, readUsbList, usbText } from "./bridge.ts";
export { type Chains, findChains, prepareKit } from "./chain/chain.ts";
export { type DriverVerdict, driverVerdict } from "./chain/driver.ts";
export { type ChainVerdict, type Evidence, type Level, VERDICTS } from "./chain/evidence.ts";
export type { Break, Change, PreparedKit } from "./chain/link.ts";
export { type Fault, readDeviceList } from "./device-list.ts";
export {
  type PairSetting,
  readKnows,
  readPairSetting,
  readPairStep,
  readRange,
  readRunsOn,
} from "./entry.ts";
export { demandSets } from "./get/demand.ts";
export { bestPurchase, type Demand, FREED_WEIGHT, type Purchase, purchaseOf, wholeCurve } from "./get/get.ts";
export type { Chain, NearChain } from "./get/nearest.ts";
export { ownedAlike } from "./get/owned.ts";
export {
  BATTERIES,
  type BatteryState,
  DEVICE_KINDS,
  type DeviceKind,
  isOutOfUse,
  movesKind,
} from "./kinds/devices.ts";
export { type Kind, type SupportFields, shownValue } from "./kinds/field.ts";
export {
  columnsOf,
  isFound,
  KIND_NAMES,
  KINDS,
  type KindName,
  type KitTable,
  kindOfTable,
  usesOf,
} from "./kinds/kinds.ts";
export { type Known, Reader, type Values } from "./kinds/reader.ts";
export { type ShownField, type ShownKind, shownKind } from "./kinds/shown.ts";
export { needsToDo } from "./needs.ts";
export { LINK_KINDS, type ReachOf, reachOf } from "./reach.ts";
export { runsOnShape } from "./runs-on.ts";
export {
  ADAPTER_KINDS,
  type Adapter,
  type AdapterKind,
  type Attempt,
  type Chip,
  COMPUTER_KINDS,
  CONDITIONS,
  type Computer,
  type DriverRule,
  GRADES,
  type Grade,
  type Job,
  type Kit,
  LEAD_KINDS,
  type Lead,
  type LeadKind,
  type Offer,
  OPERATIONS,
  type Operation,
  RULE_SAYS,
  SYSTEMS,
  type System,
  type Tool,
  WORD_SIZES,
} from "./shapes.ts";
export type { KitSituation } from "./situation.ts";
export {
  chainsFor,
  chainsOfModel,
  chainsOfUnit,
  isKitKnown,
  toolingOfNeed,
  toolingOfRoute,
  withOnly,
} from "./tooling.ts";
export { CONDITION_WORD, sayChip } from "./words.ts";
