// A pasted table: its columns, what its cells say, and what would change. This is the room’s door: others import from here alone.

export {
  COLUMN_MEANINGS,
  columnsAsBefore,
  componentOf,
  guessColumns,
  headKey,
  isReading,
  MAY_REPEAT,
  type Meaning,
  readingOf,
  toMeaning,
} from "./columns.ts";
export { type CellCorrection, corrected, newsAmong } from "./correct.ts";
export { csvOf } from "./csv.ts";
export { type DecodeProblem, decodeTable, type Encoding, LARGEST_FILE } from "./decode.ts";
export type { NewModel } from "./models.ts";
export { folded, modelKey } from "./names.ts";
export { LONGEST_NOTHING, MOST_NOTHING, readNothing, USUAL_NOTHING } from "./nothing.ts";
export {
  FREQUENCY_UNITS,
  type FrequencyUnit,
  frequencyIn,
  numberIn,
  unitIn,
  unitOfColumn,
} from "./numbers.ts";
export { personKey } from "./people.ts";
export { nearlyModels, planImport, readingKey, unusedCells } from "./plan.ts";
export type {
  KnownClub,
  KnownReadings,
  KnownRow,
  NearAnswers,
  Plan,
  PlannedRow,
  RowProblem,
} from "./plan-types.ts";
export type { ImportSettings } from "./radios.ts";
export { type ReadSpectrum, readSpectrum, type SpectrumProblem } from "./spectrum.ts";
export {
  DELIMITERS,
  type Delimiter,
  MOST_COLUMNS,
  MOST_ROWS,
  readTable,
  type Table,
  type TableProblem,
} from "./table.ts";
export { textCell } from "./text-cell.ts";
