// Takes what was pasted or uploaded, with what the person has said of it so far, and plans it. Saves only when told to.
import { redirect } from "react-router";
import { z } from "zod";
import { guessColumns, isReading, type Meaning, toMeaning } from "#core/import/columns.ts";
import { decodeTable, type Encoding } from "#core/import/decode.ts";
import { folded } from "#core/import/names.ts";
import { type KnownClub, type Plan, planImport } from "#core/import/plan.ts";
import { DATE_ORDERS, type DateOrder, findDecimalSign, possibleDateOrders } from "#core/import/signs.ts";
import { DELIMITERS, readTable, type Table } from "#core/import/table.ts";
import { bringIn, knownClub } from "#db/import.ts";
import type { Tx } from "#db/pool.ts";
import type { SignedIn } from "../context.ts";
import { sayMeaning, sayTrouble } from "./words.ts";

export type Preview = {
  readonly text: string;
  readonly file: string;
  readonly encoding: Encoding | "pasted";
  readonly delimiter: Table["delimiter"];
  readonly decimal: "." | ",";
  readonly dates: DateOrder;
  readonly datesAsk: boolean;
  readonly head: readonly string[];
  readonly sample: readonly string[];
  readonly meanings: readonly Meaning[];
  /** Names of the components that the club's models have. */
  readonly components: readonly string[];
  readonly shown: Plan["rows"];
  readonly counts: Record<"add" | "change" | "same" | "problem", number> & { readings: number };
  readonly newModels: Plan["newModels"];
  readonly trouble?: string;
};

export type Reply = { readonly trouble: string; readonly text?: string } | { readonly preview: Preview };

const kindShape = z.enum(["handheld", "mobile", "base", "module"]).catch("handheld");
const SHOWN = 150;

export async function readImport(tx: Tx, who: SignedIn, form: FormData): Promise<Reply | Response> {
  const source = await sourceOf(form);
  if ("trouble" in source) return source;
  const said = (name: string) => String(form.get(name) ?? "");
  const again = form.get("intent") !== "open";
  const table = readTable(source.text, again ? DELIMITERS.find((d) => d === said("delimiter")) : undefined);
  if (!table.ok) return { trouble: sayTrouble(table.problem), text: source.text };
  const { head, rows, delimiter } = table.value;
  const club = await knownClub(tx);
  const components = componentsIn(club.models);
  const sameShape = again && said("columns") === String(head.length);
  const meanings = sameShape
    ? head.map((_, i) => toMeaning(said(`column-${i}`)) ?? "ignore")
    : guessColumns(head, components);
  const cells = (is: (meaning: Meaning) => boolean) =>
    meanings.flatMap((meaning, i) => (is(meaning) ? rows.map((r) => r.cells[i] ?? "") : []));
  const orders = possibleDateOrders(cells((meaning) => meaning === "readOn"));
  const decimal =
    again && /^[.,]$/.test(said("decimal"))
      ? (said("decimal") as "." | ",")
      : findDecimalSign(cells(isReading));
  const dates = (again && DATE_ORDERS.find((o) => o === said("dates"))) || orders[0] || "ymd";
  const plan = planImport(table.value, { meanings, decimal, dates, today: who.today }, club);
  const twice = meanings.find((m, i) => m !== "ignore" && meanings.indexOf(m) !== i);
  const trouble = twice
    ? `Two columns are matched to “${sayMeaning(twice)}”; choose one.`
    : meanings.includes("tag")
      ? undefined
      : "Choose the column that holds the tag.";
  const counts = { add: 0, change: 0, same: 0, problem: 0, readings: 0 };
  for (const row of plan.rows) {
    counts[row.act]++;
    if (row.act !== "problem") counts.readings += row.readings.length;
  }
  const leaveOut = form.get("leaveOut") === "on";
  if (form.get("intent") === "save" && !trouble && (counts.problem === 0 || leaveOut)) {
    await bringIn(tx, plan.rows, {
      file: source.file,
      today: who.today,
      by: who.person,
      newModels: plan.newModels.map((m, i) => ({ ...m, kind: kindShape.parse(form.get(`kind-${i}`)) })),
    });
    return redirect("/cabinet");
  }
  const problems = plan.rows.filter((row) => row.act === "problem");
  const others = plan.rows.filter((row) => row.act !== "problem");
  const shown = [...problems.slice(0, SHOWN), ...others.slice(0, SHOWN)].sort((a, b) => a.line - b.line);
  const preview: Preview = {
    ...source,
    delimiter,
    decimal,
    dates,
    datesAsk: orders.length > 1 && meanings.includes("readOn"),
    head,
    sample: head.map((_, i) => rows.find((r) => r.cells[i])?.cells[i]?.slice(0, 40) ?? ""),
    meanings,
    components,
    shown,
    counts,
    newModels: plan.newModels,
    ...(form.get("intent") === "save" && (trouble || counts.problem > 0)
      ? { trouble: trouble ?? "Some rows have problems. Mend them in the sheet, or leave them out." }
      : trouble && { trouble }),
  };
  return { preview };
}

/** Each name once, however the models write it. */
const componentsIn = (models: KnownClub["models"]): string[] => {
  const names = models.flatMap((model) => model.components);
  return [...new Map(names.map((name) => [folded(name), name])).values()].sort((a, b) => a.localeCompare(b));
};

async function sourceOf(
  form: FormData,
): Promise<{ text: string; file: string; encoding: Encoding | "pasted" } | { trouble: string }> {
  const file = form.get("file");
  if (file instanceof File && file.size > 0) {
    const decoded = decodeTable(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) return { trouble: sayTrouble(decoded.problem) };
    return { text: decoded.value.text, file: file.name.slice(0, 200), encoding: decoded.value.encoding };
  }
  const text = String(form.get("text") ?? "");
  const decoded = decodeTable(new TextEncoder().encode(text));
  if (!decoded.ok) return { trouble: sayTrouble(decoded.problem) };
  const encoding = (["utf-8", "utf-8 with mark", "utf-16", "latin-1"] as const).find(
    (e) => e === form.get("encoding"),
  );
  return {
    text,
    file: String(form.get("name") || "pasted rows").slice(0, 200),
    encoding: encoding ?? "pasted",
  };
}
