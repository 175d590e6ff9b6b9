// What was typed to find a channel by: a frequency in megahertz or kilohertz, else a part of its name.
import { frequencyIn, unitOfColumn } from "#core/import/index.ts";

export function askedChannel(
  typed: string,
): { readonly name?: string; readonly frequency?: number } | undefined {
  if (typed === "") return undefined;
  if (!/^[\d.,]+ ?(?:[gmk]?hz)?$/i.test(typed)) return { name: typed };
  const sign = typed.includes(",") ? "," : ".";
  const number = Number(typed.replace(",", ".").replace(/[^\d.]/g, ""));
  const frequency = frequencyIn(typed, unitOfColumn("", [number]), sign);
  return frequency === undefined ? { name: typed } : { frequency };
}
