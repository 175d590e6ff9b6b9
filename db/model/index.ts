// Models, their parts, releases, modes and dossiers, as they are stored. This is the room’s door: others import from here alone.

export { keptCatalogues, loadCatalogues } from "./catalogues.ts";
export { oursFor, writeDossier } from "./document.ts";
export {
  addConfirmation,
  allIdentities,
  CONFIRMABLE,
  type Confirmable,
  type Confirmed,
  confirmationsOf,
  type DossierHead,
  dossierHead,
  knownProcedure,
  type ProcedureFields,
  type ProcedureRow,
  procedureById,
  proceduresOf,
  putIdentity,
  putPartReading,
  putProcedure,
  putQuirk,
  type QuirkRow,
  quirksOf,
  shelveProcedure,
  shelveQuirk,
} from "./dossier.ts";
export { becameOf, markMerged, radiosOf, speakOf } from "./merge.ts";
export {
  confirmNumbering,
  type ModelHead,
  modelById,
  models,
  modelsToPick,
  putModel,
  type RevisionRow,
  releasesOf,
  revisionsOf,
  type SomeTags,
  someTags,
} from "./models.ts";
export {
  addUnitMode,
  knownMode,
  type ModeRow,
  modeFacts,
  modesById,
  modesByModel,
  modesOf,
  putMode,
  shelveMode,
  unitModes,
} from "./modes.ts";
export {
  addParts,
  orderParts,
  othersInUse,
  type PartKind,
  type PartUse,
  type RevisionFields,
  renamePart,
  takeAway,
} from "./parts.ts";
export {
  addRelease,
  correctRelease,
  markDraft,
  type ReleaseOffers,
  releaseById,
  releaseOffers,
  withdrawRelease,
} from "./releases.ts";
export {
  addSegments,
  bandPlan,
  changeSegment,
  type KnownSegment,
  SEGMENTS,
  segmentOf,
  segmentRow,
  shelveSegment,
  shelveSegmentsOf,
} from "./segments.ts";
export {
  addUnitSetting,
  type CodeRow,
  codesIn,
  type ItemKind,
  type ItemRow,
  putServiceItem,
  type SettingRow,
  serviceItems,
  settingsIn,
  shelveServiceItem,
  unitSettings,
} from "./service.ts";
