// Plans of channels, codeplugs, mappings, repeaters and IDs, as they are stored. This is the room’s door: others import from here alone.

export {
  addCodeplug,
  carried,
  carriersOf,
  codeplugBefore,
  codeplugById,
  codeplugNow,
  codeplugOfBackup,
  codeplugsOf,
  knownNow,
  MOST_TAGS,
  proveCodeplug,
  radiosWithout,
  sumOf,
} from "./codeplugs.ts";
export { identities, identityById, known, putIdentity, shelveIdentity } from "./identities.ts";
export { mappingById, mappings, putMapping, shelveMapping } from "./mappings.ts";
export {
  addPlan,
  addPlanTable,
  type CodeplugFactsRow,
  codeplugFactsOf,
  dropDraft,
  issueDraft,
  planDraft,
  planNow,
  plansIssued,
  putCodeplugFacts,
  putDraft,
  tableById,
  tablesOf,
} from "./plans.ts";
export {
  accessShape,
  listed,
  noteHeard,
  putRepeater,
  type RepeaterFacts,
  repeaterById,
  repeaters,
  shelveRepeater,
} from "./repeaters.ts";
