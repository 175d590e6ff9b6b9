// Reads what is typed about the kit field by field; what is wrong is said where it stands.

import { type Result, typedList, typedNames } from "../../quantities/index.ts";
import type { Range } from "../../version/index.ts";
import { type LineProblem, readRange } from "../entry.ts";
import { SYSTEMS } from "../shapes.ts";

export type Values = Record<string, string>;
export type Named = readonly { readonly id: string; readonly name: string }[];

/** What a form's choices and names refer to. */
export type Known = {
  readonly connectors: Named;
  readonly people: Named;
  readonly places: Named;
  readonly drivers: Named;
  readonly tools: Named;
  readonly models: Named;
  readonly chargers: Named;
};

const LINE_TROUBLE: Record<LineProblem["kind"], string> = {
  "no-system": `begins with none of ${SYSTEMS.join(", ")}`,
  "no-range": "is no range; write for instance >= 1.4, or 2.0 to 3.3",
  "empty-range": "is a range that no version meets",
  "no-operation": "is none of read, write, flash",
  "no-version": "wants a name and a version, such as Hedgewriter 1.8",
  "no-model": "wants a model, a colon, and what for: Wicket: read, flash",
  "no-step": "is no step; write for instance press menu, ok",
  "no-setting": "wants a name, a value and why: hold time = 2 s: or it drops",
  "too-long": "is too long",
};

/** Reads a form's values field by field; what is wrong stands under the field's name. */
export class Reader {
  readonly errors: Values = {};
  constructor(
    private readonly values: Values,
    readonly known: Known,
  ) {}

  text(name: string, most = 300): string {
    const text = (this.values[name] ?? "").trim();
    if (text.length > most) this.errors[name] ??= `At most ${most} characters.`;
    return text;
  }

  needed(name: string, most: number, otherwise: string): string {
    const text = this.text(name, most);
    if (text === "") this.errors[name] ??= otherwise;
    return text;
  }

  choice<Word extends string>(name: string, options: readonly Word[], otherwise: Word): Word {
    return options.find((option) => option === this.values[name]) ?? otherwise;
  }

  yes(name: string, otherwise: boolean): boolean {
    const value = this.values[name];
    return value === undefined ? otherwise : value === "yes";
  }

  /** An id of a list; null where nothing is chosen. */
  ref(name: string, list: Named, needed?: string): string | null {
    const id = list.find((row) => row.id === this.values[name])?.id ?? null;
    if (id === null && needed !== undefined) this.errors[name] ??= needed;
    return id;
  }

  read<Value>(name: string, result: Result<Value, LineProblem>): Value | undefined {
    if (result.ok) return result.value;
    this.errors[name] ??= `“${result.problem.text.slice(0, 60)}” ${LINE_TROUBLE[result.problem.kind]}.`;
    return undefined;
  }

  range(name: string): Range | null {
    return this.read(name, readRange(this.text(name))) ?? null;
  }

  lines<Value>(name: string, read: (line: string) => Result<Value, LineProblem>): Value[] {
    return typedList(this.values[name], "\n").flatMap((line) => this.read(name, read(line)) ?? []);
  }

  /** Ids for names that people typed. */
  byName(name: string, typed: string, list: Named, what: string): string | undefined {
    const id = list.find((row) => row.name.toLowerCase() === typed.toLowerCase())?.id;
    if (id === undefined) this.errors[name] ??= `We know no ${what} called “${typed.slice(0, 60)}”.`;
    return id;
  }

  /** A number of some size; null where nothing is typed. */
  number(
    name: string,
    { least, most, whole, such }: { least: number; most: number; whole?: boolean; such: string },
  ): number | null {
    const text = this.text(name, 20).replace(",", ".");
    if (text === "") return null;
    const value = Number(text);
    if (!/^\d*\.?\d+$/.test(text) || value < least || value > most || (whole && !Number.isInteger(value))) {
      this.errors[name] ??=
        `A ${whole ? "whole number" : "number"} from ${least} to ${most}, such as ${such}.`;
      return null;
    }
    return value;
  }

  /** A Bluetooth address: twelve hexadecimal digits, however they are parted; null where nothing is typed. */
  address(name: string): string | null {
    const digits = this.text(name, 40)
      .replace(/[\s:.-]/g, "")
      .toUpperCase();
    if (digits === "") return null;
    if (!/^[0-9A-F]{12}$/.test(digits)) {
      this.errors[name] ??= "Twelve hexadecimal digits, such as 02:00:5E:10:00:01.";
      return null;
    }
    return digits.match(/../g)?.join(":") ?? null;
  }

  hex(name: string): number | null {
    const text = this.text(name, 10).replace(/^0x/i, "");
    if (text === "") return null;
    if (!/^[0-9a-f]{1,4}$/i.test(text)) {
      this.errors[name] ??= "Four hexadecimal digits, such as f1c7.";
      return null;
    }
    return Number.parseInt(text, 16);
  }

  /** Ids for several names in one line. */
  names(name: string, list: Named, what: string): string[] {
    const known = (typed: string) => list.some((row) => row.name.toLowerCase() === typed.toLowerCase());
    return typedNames(this.text(name, 500), known).flatMap(
      (typed) => this.byName(name, typed, list, what) ?? [],
    );
  }
}
