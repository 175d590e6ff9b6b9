// What a cabinet needs, as a short ranked list: what to say first, and which units it is about.

import { groupBy, type PlainDate } from "../quantities/index.ts";
import type { Urgency } from "../release/index.ts";
import {
  type Action,
  kindOf,
  type NeedCause,
  type NeedKind,
  SUMMARY_KINDS,
  type SummaryKind,
} from "./kinds/index.ts";
import type { SummaryUnit } from "./kinds/kind.ts";
import { type Target, targetOn } from "./need.ts";

export type SummaryNeed = {
  readonly unit: string;
  readonly model: string;
  readonly component: string;
  readonly kind: NeedKind;
  readonly cause: NeedCause;
  readonly action: Action;
  readonly urgency: Urgency;
  readonly dueFrom: PlainDate;
  readonly targets: readonly Target[];
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
  | { readonly kind: SummaryKind; readonly units: readonly string[] };

/**
 * Safety fixes come first, one item for each model and component, the oldest first; then what the kinds of need name, in their order (`SUMMARY_KINDS`).
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
  const known = new Map(units.map((unit) => [unit.unit, unit]));
  const counted = new Map<string, Set<string>>();
  for (const need of needs) {
    const { itemsOf } = kindOf(need.kind);
    const lines = itemsOf ? itemsOf(need, known.get(need.unit)) : [need.action];
    for (const line of lines) counted.set(line, (counted.get(line) ?? new Set()).add(need.unit));
  }
  for (const kind of SUMMARY_KINDS) {
    const ids = counted.get(kind);
    if (ids) items.push({ kind, units: [...ids] });
  }
  return items;
}
