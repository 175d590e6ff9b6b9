// A sheet of radios comes in as it was looked at: new ones, changes, readings, who has them. All of it, or nothing.

import { z } from "zod";
import { BODIES } from "#core/dossier/index.ts";
import {
  DELIMITERS,
  folded,
  LARGEST_FILE,
  LONGEST_NOTHING,
  type Meaning,
  MOST_COLUMNS,
  MOST_NOTHING,
  MOST_ROWS,
  planImport,
  readTable,
  toMeaning,
} from "#core/import/index.ts";
import { bad, DATE_ORDERS, good, plainDate } from "#core/quantities/index.ts";
import { bringIn, knownClub } from "#db/unit/index.ts";
import { defineAct } from "../define.ts";

/** What was said of a sheet: how it is written, what its columns mean, and what is nearly a model. */
export const sheetShape = z.object({
  delimiter: z.enum(DELIMITERS),
  columns: z.array(z.string().max(100)).max(MOST_COLUMNS),
  decimal: z.enum([".", ","]),
  dates: z.enum(DATE_ORDERS),
  /** The day said for readings without one. */
  undated: plainDate.optional(),
  nothing: z.array(z.string().max(LONGEST_NOTHING)).max(MOST_NOTHING),
  answers: z
    .array(z.object({ key: z.string().max(300), answer: z.string().regex(/^(new|\d{1,18})$/) }))
    .max(60),
});

/** Problems: those of reading the table; `ahead`, for an undated day to come; `problems`, in so many rows that were not left out. */
export const importUnits = defineAct({
  name: "import-units",
  input: sheetShape.extend({
    text: z.string().max(LARGEST_FILE),
    file: z.string().max(200),
    /** What kind each new model is of, in their order. */
    kinds: z.array(z.enum(BODIES)).max(MOST_ROWS),
    /** Rows with problems stay out. */
    leaveOut: z.boolean(),
    /** Whoever has a radio and is not in the club comes in with it, as a member. */
    makePeople: z.boolean().default(false),
  }),
  may: "import-units",
  pace: "work",
  run: async (tx, input, who) => {
    const table = readTable(input.text, input.delimiter);
    if (!table.ok) return table;
    const meanings = input.columns.map((text): Meaning => toMeaning(text) ?? "ignore");
    if (input.undated !== undefined && input.undated > who.today) return bad({ kind: "ahead" as const });
    const column = meanings.indexOf("tag");
    if (column < 0) return bad({ kind: "no-tag-column" as const });
    const tags = table.value.rows.map(({ cells }) => (cells[column] ?? "").replace(/^'(?=[=+\-@])/, ""));
    const club = await knownClub(tx, new Set(tags.map(folded)));
    const { decimal, dates, undated, nothing } = input;
    const plan = planImport(
      table.value,
      { meanings, decimal, dates, today: who.today, undated, nothing, makePeople: input.makePeople },
      club,
      new Map(input.answers.map(({ key, answer }) => [key, answer])),
    );
    const wrong = plan.rows.filter((row) => row.act === "problem").length;
    if (wrong > 0 && !input.leaveOut) return bad({ kind: "problems" as const, rows: wrong });
    const { log, units, ...brought } = await bringIn(tx, plan.rows, {
      file: input.file,
      today: who.today,
      by: who.person,
      newPeople: plan.newPeople,
      newModels: plan.newModels.map((model, i) => ({ ...model, kind: input.kinds[i] ?? "handheld" })),
    });
    return good({
      answer: brought,
      log,
      touches: units.length > 0 ? [{ scope: { of: "units" as const, ids: units }, why: input.file }] : [],
    });
  },
});
