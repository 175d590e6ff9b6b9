// Reads the demo's lines of units.
import { READING_SOURCES, type ReadingSource } from "#core/unit/index.ts";

export type DemoUnit = {
  readonly tag: string;
  readonly model: string;
  readonly variant: string;
  readonly place: string;
  readonly group: string;
  readonly readings: readonly {
    readonly component: string;
    readonly what: string;
    readonly ago: number;
    readonly source: ReadingSource;
    readonly by: string;
  }[];
  readonly loans: readonly {
    readonly who: string;
    readonly outAgo: number;
    readonly backAgo?: number;
    readonly dueAgo?: number;
  }[];
};

export function parseUnits(text: string): DemoUnit[] {
  return text
    .trim()
    .split("\n")
    .map((line) => {
      const [tag = "", model = "", variant = "", place = "", group = "", readings = "", loans = ""] = line
        .split("|")
        .map((cell) => cell.trim());
      return {
        tag,
        model,
        variant,
        place,
        group,
        readings: parseReadings(readings),
        loans: parseLoans(loans),
      };
    });
}

const READING = /(?:([a-z]+):)?(\S+(?: [IVX]+)?)@(\d+)((?:\/[\w-]+)*)/g;

function parseReadings(text: string): DemoUnit["readings"] {
  return [...text.matchAll(READING)].map(([, component = "main", what = "", ago = "", rest = ""]) => {
    const words = rest.split("/").filter(Boolean);
    const source = READING_SOURCES.find((s) => words.includes(s)) ?? "screen";
    const by = words.find((w) => /^[A-Z]$/.test(w)) ?? "JTB"[Number(ago) % 3] ?? "J";
    return { component, what, ago: Number(ago), source, by };
  });
}

const LOAN = /(\w+)@(\d+)\.\.(?:(\d+)|due([+-]\d+))/g;

/** `due-10` is due in ten days, `due+6` was due six days ago; both are still out. */
function parseLoans(text: string): DemoUnit["loans"] {
  return [...text.matchAll(LOAN)].map(([, who = "", out = "", back, due]) => ({
    who,
    outAgo: Number(out),
    ...(back !== undefined && { backAgo: Number(back) }),
    ...(due !== undefined && { dueAgo: Number(due) }),
  }));
}
