// Dates, lists, results, facts and the other small things that every room is made of. This is the room’s door: others import from here alone.

export { type ClockReading, jumpBetween } from "./clock.ts";
export {
  addDays,
  dateInZone,
  dateOf,
  daysAfter,
  daysBetween,
  earlierOf,
  isPlainDate,
  laterOf,
  type PlainDate,
  plain,
} from "./date.ts";
export { plainDate } from "./date-shape.ts";
export {
  calledFact,
  type FactField,
  type Facts,
  fieldsOf,
  joinedFacts,
  shapeOf,
  shownFacts,
  toldFacts,
  typedFacts,
} from "./fact.ts";
export { groupBy } from "./group.ts";
export { id } from "./id.ts";
export { listed, onceEach, typedList, typedNames } from "./list.ts";
export { median } from "./median.ts";
export { kept, Memo } from "./memo.ts";
export { leavesAll, mergeTexts, mergeValues, sameValue, type Values } from "./merge.ts";
export { must, mustFind, mustGet } from "./must.ts";
export { bad, good, mapped, type Result } from "./result.ts";
export {
  DATE_ORDERS,
  type DateOrder,
  type DecimalSign,
  findDecimalSign,
  possibleDateOrders,
  readDate,
  withPoint,
} from "./signs.ts";
export { SOURCE_KINDS, SOURCE_WORD, type Source, type SourceKind, sourceShape } from "./source.ts";
export { typedNumber, type Units, VOLTS, WATTS } from "./typed-number.ts";
