// What a cabinet needs, as a short ranked list: what to say first, and which units it is about.

import type { PlainDate } from "../quantities/date.ts";
import { groupBy } from "../quantities/group.ts";
import type { Urgency } from "../release/words.ts";
import type { Action } from "./action.ts";
import { type NeedCause, type Target, targetOn } from "./need.ts";

export type SummaryNeed = {
  readonly unit: string;
  readonly model: string;
  readonly component: string;
  readonly cause: NeedCause;
  readonly action: Action;
  readonly urgency: Urgency;
  readonly dueFrom: PlainDate;
  readonly targets: readonly Target[];
};

export type SummaryUnit = {
  readonly unit: string;
  readonly away: boolean;
  readonly dueBack?: PlainDate;
  /** Of some part of it a reading counts. */
  readonly read?: boolean;
  /** A run of it is lined up or goes on. */
  readonly atBench?: boolean;
};

export type SummaryItem =
  | {
      readonly kind: "safety";
      readonly model: string;
      readonly component: string;
      readonly since: PlainDate;
      readonly release: string | undefined;
      readonly units: readonly string[];
    }
  | { readonly kind: Exclude<Action, "read">; readonly units: readonly string[] }
  | {
      readonly kind: "never-read" | "part-unread" | "read-again" | "say-how" | "at-bench";
      readonly units: readonly string[];
    }
  | { readonly kind: "overdue"; readonly units: readonly string[] };

/**
 * Safety fixes come first, one item for each model and component, the oldest first; then what can be installed and what is at the bench for it already, whom
 * to ask back (the overdue before the rest), what was never read, in whole or in part, what must be read again, what to back up, what to switch, what to measure, what to pair, what to program, what to ask for, of which models to say how they count, what to look up.
 */
export function summarise(
  needs: readonly SummaryNeed[],
  units: readonly SummaryUnit[],
  today: PlainDate,
): SummaryItem[] {
  const distinct = (list: readonly SummaryNeed[]) => [...new Set(list.map((n) => n.unit))];
  const safety = needs.filter((n) => n.urgency === "safety");
  const items: SummaryItem[] = [...groupBy(safety, (n) => `${n.model} ${n.component}`).values()]
    .flatMap((group) => {
      const [first] = group;
      if (!first) return [];
      const since = group.reduce((day, n) => (n.dueFrom < day ? n.dueFrom : day), first.dueFrom);
      const release = targetOn(first, today);
      return [
        {
          kind: "safety" as const,
          model: first.model,
          component: first.component,
          since,
          release,
          units: distinct(group),
        },
      ];
    })
    .sort((a, b) => (a.since < b.since ? -1 : 1));
  const overdue = units
    .filter((u) => u.away && u.dueBack !== undefined && u.dueBack < today)
    .map((u) => u.unit);
  const add = (kind: Exclude<SummaryItem["kind"], "safety">, ids: readonly string[]) => {
    if (ids.length > 0) items.push({ kind, units: ids });
  };
  const atBench = new Set(units.filter((u) => u.atBench).map((u) => u.unit));
  const read = new Set(units.filter((u) => u.read).map((u) => u.unit));
  const unread = distinct(needs.filter((n) => n.cause === "unread"));
  const install = distinct(needs.filter((n) => n.action === "install"));
  add(
    "install",
    install.filter((unit) => !atBench.has(unit)),
  );
  add(
    "at-bench",
    install.filter((unit) => atBench.has(unit)),
  );
  add("kit", distinct(needs.filter((n) => n.action === "kit")));
  add("overdue", overdue);
  add(
    "never-read",
    unread.filter((unit) => !read.has(unit)),
  );
  add(
    "part-unread",
    unread.filter((unit) => read.has(unit)),
  );
  add("read-again", distinct(needs.filter((n) => n.action === "read" && n.cause !== "unread")));
  add("back-up", distinct(needs.filter((n) => n.action === "back-up")));
  add("switch", distinct(needs.filter((n) => n.action === "switch")));
  add("measure", distinct(needs.filter((n) => n.action === "measure")));
  add("pair", distinct(needs.filter((n) => n.action === "pair")));
  add("program", distinct(needs.filter((n) => n.action === "program")));
  add("ask-for", distinct(needs.filter((n) => n.action === "ask-for")));
  add("no-route", distinct(needs.filter((n) => n.action === "no-route")));
  add("say-how", distinct(needs.filter((n) => n.action === "look-up" && n.cause === "uncounted")));
  add("look-up", distinct(needs.filter((n) => n.action === "look-up" && n.cause !== "uncounted")));
  add("ask-back", distinct(needs.filter((n) => n.action === "ask-back")));
  return items;
}
