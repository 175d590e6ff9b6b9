// A band plan out of a file: a table of any dialect with our headings, or our own JSON.
import Papa from "papaparse";
import { readPlanDocument, readPlanRows } from "#core/modes/index.ts";

/** A kilobyte a line is plenty. */
export const LARGEST_PLAN = 2 * 1024 * 1024;

export function readPlan(text: string) {
  if (/^\s*[{[]/.test(text)) return readPlanDocument(text);
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (heading) => heading.trim(),
  });
  return readPlanRows(meta.fields ?? [], data);
}

type Problem = Extract<ReturnType<typeof readPlan>, { ok: false }>["problem"];

export function sayPlanProblem(problem: Problem): string {
  switch (problem.kind) {
    case "no-plan":
      return "That is no band plan: a table with the columns class, from MHz and to MHz, or our own JSON.";
    case "empty":
      return "The table has headings, and no line under them.";
    case "too-many":
      return `A band plan has ${problem.most.toLocaleString("en-GB")} lines at most.`;
    case "wrong":
      return `Line ${problem.line}, ${problem.at}: ${problem.says}`;
  }
}
