// What the person has said of a sheet so far: names that are nearly a model, and cells put right.
import {
  type CellCorrection,
  type KnownClub,
  MOST_COLUMNS,
  type NearAnswers,
  nearlyModels,
  type Plan,
  type Table,
} from "#core/import/index.ts";
import type { Preview } from "./sheet-preview.ts";

/** At most so many names are asked about at once. */
const MOST_ASKED = 60;

/** What was said of names that are nearly a model's: the field holds the name's key, its answer stands beside it. */
export function answersIn(form: FormData): NearAnswers {
  const answers = new Map<string, string>();
  for (let i = 0; i < MOST_ASKED; i++) {
    const key = form.get(`near-name-${i}`);
    const answer = String(form.get(`near-${i}`) ?? "");
    // A form sends every line end as two signs, and a key has one between maker and model.
    if (typeof key === "string" && /^(new|\d{1,18})$/.test(answer)) {
      answers.set(key.replaceAll("\r\n", "\n"), answer);
    }
  }
  return answers;
}

export function nearOf(plan: Plan, club: KnownClub, answers: NearAnswers): Preview["near"] {
  const asked = nearlyModels(plan.rows);
  const titleOf = (id: string) => {
    const model = club.models.find((one) => one.id === id);
    return model ? `${model.maker} ${model.name}`.trim() : id;
  };
  const open = asked.map(({ key, maker, name, near }) => ({
    key,
    name: `${maker} ${name}`.trim(),
    options: [
      ["", "say which"] as const,
      ...near.map((id) => [id, `it is the ${titleOf(id)}`] as const),
      ["new", "a new model"] as const,
    ],
    said: "",
  }));
  const answered = [...answers].map(([key, said]) => {
    const name = key.split("\n").join(" ").trim();
    const what = said === "new" ? [] : [[said, `it is the ${titleOf(said)}`] as const];
    return {
      key,
      name,
      options: [["", "say which"] as const, ...what, ["new", "a new model"] as const],
      said,
    };
  });
  return [...open, ...answered].slice(0, MOST_ASKED);
}

/** So many rows with a problem can be corrected at once; their columns that mean something. */
const MOST_CORRECTED = 40;

export function cellsOf(plan: Plan, table: Table): Preview["cells"] {
  const cells = new Map(table.rows.map((row) => [row.line, row.cells]));
  return plan.rows
    .filter(({ act }) => act === "problem")
    .slice(0, MOST_CORRECTED)
    .map(({ line }) => [line, cells.get(line) ?? []] as const);
}

export function correctionsIn(form: FormData): CellCorrection[] {
  const found: CellCorrection[] = [];
  for (const [name, value] of form) {
    const at = /^cell-(\d{1,6})-(\d{1,3})$/.exec(name);
    if (at && typeof value === "string" && found.length < MOST_CORRECTED * MOST_COLUMNS)
      found.push({ line: Number(at[1]), column: Number(at[2]), text: value.slice(0, 1000) });
  }
  return found;
}
