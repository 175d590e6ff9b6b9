// Channels: the plan, each radio’s own table, repeaters, IDs, and what is wrong between them. This is the room’s door: others import from here alone.

export { type ChannelField, type CodeplugChannel, codeplugChannel, type Tone, toneShape } from "./channel.ts";
export { changesOf } from "./check/changes.ts";
export { beyondMode, strandedIn } from "./check/check.ts";
export {
  CODEPLUG_WORST,
  type CodeplugCheck,
  type CodeplugFinding,
  CURES,
  type Cure,
  checkCodeplug,
  habitsOf,
} from "./check/check-codeplug.ts";
export { type Compared, compareCodeplugs, leftToAlign } from "./check/compare.ts";
export { mended } from "./check/mend.ts";
export { zonesFor } from "./check/zones.ts";
export {
  type CodeplugDocument,
  type CodeplugLists,
  canonical,
  codeplugDocument,
  codeplugLists,
  LIST_KINDS,
  type ListKind,
  readDocument,
  writeDocument,
} from "./document.ts";
export { CODEPLUG_FACTS, type CodeplugFacts, codeplugFacts, layFactsOf } from "./facts.ts";
export {
  digitsOf,
  type Identity,
  type IdentityFinding,
  identityFindings,
  identityState,
} from "./identity.ts";
export { compareLists, mergeList } from "./lists.ts";
export { type Coordinates, distance } from "./plan/geo.ts";
export { type LaidOut, type LeftOut, layOut, type PlanBlock, type PlanMember } from "./plan/lay-out.ts";
export {
  type BlockRule,
  changePlan,
  type ListedRepeater,
  MOST_BLOCKS,
  MOST_MEMBERS,
  memberOf,
  type PlanChange,
  planChange,
  planMember,
  resolved,
  type StoredBlock,
  type StoredPlan,
  storedPlan,
} from "./plan/plan.ts";
export { readRepeaterTable } from "./plan/repeater-table.ts";
export { repeatersNear } from "./plan/repeaters.ts";
export { chanceToMeet, type Scan, scanPlan } from "./plan/scan.ts";
export { fitOfBlock, planTroubles, type Strip, type StripFit, stripsOf, type Trouble } from "./strips.ts";
export {
  type ChannelProblem,
  MOST_CHANNELS,
  type ReadChannels,
  readChannelTable,
} from "./table/channel-table.ts";
export { CHANNEL_MEANINGS, type ChannelMeaning } from "./table/columns.ts";
export {
  CHANNEL_FORM,
  type ChannelForm,
  type ChannelFormField,
  formOf,
  typedChannel,
  typedFrequency,
} from "./table/typed.ts";
export { typedList } from "./table/typed-list.ts";
export {
  type ChannelMapping,
  channelMapping,
  PLAIN_MAPPING,
  writeChannelTable,
} from "./table/write-table.ts";
export { toneText } from "./tone.ts";
