// What a form tells of a spectrum: a meter's table or lines that were typed, which columns they are in, and what is found in it.
import { noteSpectrum } from "#acts/measurement/note-spectrum.ts";
import { strikeSpectrum } from "#acts/measurement/strike-spectrum.ts";
import {
  decodeTable,
  FREQUENCY_UNITS,
  type ReadSpectrum,
  readSpectrum,
  type SpectrumProblem,
} from "#core/import/index.ts";
import { type Line, linesOf } from "#core/measure/index.ts";
import { bad, good, type Result } from "#core/quantities/index.ts";
import type { SignedIn } from "../../context.ts";
import { fieldText, performForm } from "../../forms/perform.server.ts";
import { type ActAnswer, answer, textsOf } from "../../shared/act-answer.server.ts";
import { answerProblem, refusalOf, typedWrongly } from "../../shared/refusals.server.ts";
import { oddMhz, readMhz, sayHertz } from "../../ui/words/frequency.ts";

/** A sweep of ten thousand points is a third of that. */
const LARGEST = 1024 * 1024;

export type Found = {
  readonly text: string;
  readonly head: readonly string[];
  readonly columns: ReadSpectrum["columns"];
  readonly points: number;
  readonly odd: ReadSpectrum["odd"];
  readonly carrier: Line;
  readonly lines: readonly Line[];
};
export type SpectrumAnswer = ActAnswer & { readonly found?: Found };

type Unit = { readonly id: string; readonly tag: string };

export async function actOnSpectra(who: SignedIn, unit: Unit, form: FormData) {
  const intent = String(form.get("intent") ?? "");
  const refused = (status: number, says: string, found?: Found) =>
    answer(status, {
      ok: false,
      intent,
      says,
      kept: textsOf(form),
      ...(found && { found }),
    } satisfies SpectrumAnswer);
  if (intent === "strike") {
    const done = await performForm(strikeSpectrum, who, form, { unit: unit.id });
    if (done.ok) return answer(200, { ok: true, intent, says: "Struck: it counts no more." });
    return answerProblem(intent, form, done.problem, {}, { tag: unit.tag });
  }
  const read = await foundIn(form);
  if (!read.ok) return refused(400, read.problem.says);
  const found = read.value;
  if (intent !== "keep") {
    const says = "Look whether that is so, then keep it.";
    return answer(200, { ok: true, intent, says, kept: textsOf(form), found } as SpectrumAnswer);
  }
  const numbers: Record<string, number | undefined> = {};
  for (const [name, says] of NUMBERS) {
    const text = fieldText(form, name)?.trim().replace(",", ".");
    const value = text === undefined ? undefined : Number(text);
    if (value !== undefined && !Number.isFinite(value)) return refused(400, says, found);
    numbers[name] = value;
  }
  const done = await performForm(noteSpectrum, who, form, {
    unit: unit.id,
    carrier: found.carrier,
    lines: found.lines,
    attenuation: numbers.attenuation ?? 0,
    floor: numbers.floor,
    most: numbers.most,
  });
  if (done.ok) return answer(200, { ok: true, intent, says: "Written down." });
  const { status, says } = refusalOf(
    done.problem,
    {
      "no-limit": "That limit is not there any more: choose another.",
      "above-carrier": ({ frequency }) =>
        typedWrongly(
          `${sayHertz(frequency)} is stronger than what is called the carrier: is that the carrier, or was a filter in the way?`,
        ),
      "no-harmonic": ({ frequency }) => typedWrongly(`${sayHertz(frequency)} is no multiple of the carrier.`),
    },
    { tag: unit.tag },
  );
  return refused(status, says, found);
}

const NUMBERS = [
  ["attenuation", "The attenuation is in decibels, such as 40."],
  ["floor", "The meter's own noise is in dBm, such as -80."],
  ["most", "What overdrives the meter is in dBm, such as 10."],
] as const;

type Wrong = { readonly kind: "says"; readonly says: string };
const saying = (says: string) => bad<Wrong>({ kind: "says", says });

/** The carrier and the harmonics in what a form holds. Problem: what is wrong, in a sentence. */
async function foundIn(form: FormData): Promise<Result<Found, Wrong>> {
  const text = await textIn(form);
  if (!text.ok) return text;
  const near = fieldText(form, "carrier");
  const odd = near === undefined ? undefined : oddMhz(near, "145.5");
  if (odd) return saying(`The carrier: ${odd}`);
  const column = (name: string) => {
    const value = fieldText(form, name);
    return value !== undefined && /^\d{1,3}$/.test(value) ? Number(value) : undefined;
  };
  const unit = FREQUENCY_UNITS.find((one) => one === form.get("unit"));
  const [frequency, level] = [column("frequency"), column("level")];
  const read = readSpectrum(text.value, {
    ...(frequency !== undefined && { frequency }),
    ...(level !== undefined && { level }),
    ...(unit && { unit }),
  });
  if (!read.ok) return saying(sayProblem(read.problem));
  const lines = linesOf(read.value.points, near === undefined ? undefined : readMhz(near));
  if (!lines) return saying("There is nothing in it around that carrier.");
  return good({
    text: text.value,
    head: read.value.head,
    columns: read.value.columns,
    ...lines,
    points: read.value.points.length,
    odd: read.value.odd.slice(0, 5),
  });
}

/** The file if one was chosen, else what was typed or looked at before. */
async function textIn(form: FormData): Promise<Result<string, Wrong>> {
  const file = form.get("file");
  if (file instanceof File && file.size > 0) {
    if (file.size > LARGEST) return saying("A spectrum has 1 MB at most.");
    const decoded = decodeTable(new Uint8Array(await file.arrayBuffer()));
    return decoded.ok ? good(decoded.value.text) : saying("That is no table: a spectrum comes as CSV.");
  }
  const text = String(form.get("text") ?? "");
  if (text.length > LARGEST) return saying("A spectrum has 1 MB at most.");
  return text.trim() === "" ? saying("Choose the meter's table, or type its lines.") : good(text);
}

function sayProblem(problem: SpectrumProblem): string {
  switch (problem.kind) {
    case "no-frequency":
      return "No column of it could be frequencies.";
    case "no-level":
      return "No column of it could be levels: two columns are needed, frequency and level.";
    case "no-points":
      return "Not a single row of it has a frequency and a level.";
    case "no-rows":
      return "Two lines at least, each with a frequency and a level.";
    case "open-quote":
      return `A quote opens in row ${problem.row} and never closes.`;
    case "too-many-rows":
      return `It has ${problem.rows} rows; ${problem.limit} at most.`;
    case "too-many-columns":
      return `It has ${problem.columns} columns; ${problem.limit} at most.`;
  }
}
