// A list as it is pasted: a member a line, its number or address first, then its name.
import Papa from "papaparse";
import type { Member } from "../lists.ts";

export type TypedList = {
  readonly members: readonly Member[];
  /** Lines that are none. */
  readonly odd: readonly { readonly line: number; readonly text: string }[];
};

/** With any delimiter, with a heading or without; empty lines are passed over. A name may be missing. */
export function typedList(text: string): TypedList {
  const lines = text.replace(/^\ufeff/, "").split(/\r\n?|\n/);
  // A first line whose key is no number, over lines whose keys are, is a heading.
  const keyOf = (line: string) => cellsOf(line)[0] ?? "";
  const filled = lines
    .map((line, i) => ({ line: i + 1, text: line.trim() }))
    .filter((one) => one.text !== "");
  const isHead =
    filled.length > 1 && !/\d/.test(keyOf(filled[0]?.text ?? "")) && /\d/.test(keyOf(filled[1]?.text ?? ""));
  const members: Member[] = [];
  const odd: { line: number; text: string }[] = [];
  for (const { line, text: one } of isHead ? filled.slice(1) : filled) {
    const [key = "", ...rest] = cellsOf(one);
    const name = rest.join(" ").trim();
    if (key === "" || key.length > 80 || name.length > 120) odd.push({ line, text: one });
    else members.push({ key, name: name === "" ? key : name });
  }
  return { members, odd };
}

function cellsOf(line: string): string[] {
  const delimiter = ["\t", ";", ",", "|"].find((one) => line.includes(one));
  const cells =
    delimiter === undefined
      ? [line.split(/\s/, 1)[0] ?? "", line.replace(/^\S+\s*/, "")]
      : (Papa.parse<string[]>(line, { delimiter }).data[0] ?? []);
  return cells.map((cell) => cell.trim());
}
