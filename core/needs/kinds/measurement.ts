// A radio whose group asks for its power every so often, or after a flash.
import { z } from "zod";
import { daysAfter, plainDate } from "../../quantities/index.ts";
import { fact } from "../../unit/index.ts";
import { pastHolds } from "../holds.ts";
import { defineNeed, type NeedOf, NONE, type Radio } from "./kind.ts";

const REASONS = [
  fact("measured", { on: plainDate.optional(), everyDays: z.number().optional() }),
  fact("flashed-since", { on: plainDate }),
] as const;
type MeasurementNeed = NeedOf<"measurement", "unmeasured", z.output<(typeof REASONS)[number]>>;

export const measurement = defineNeed({
  kind: "measurement",
  causes: ["unmeasured"],
  followsStanding: false,
  reasons: REASONS,
  doings: { measure: { due: 50, bench: "measure" } },
  here: "measure",
  away: "ask-back",
  forHolder: "when-you-come",
  items: { measure: 80 },
});

/** Once the last is so old, or a flash lies behind it; at once for what was never measured. */
export function measurementNeeds({ unit, policy, component }: Radio): MeasurementNeed[] {
  const { measured } = unit;
  if (!policy.measure) return [];
  const { everyDays, afterFlash } = policy.measure;
  const old = measured && everyDays !== undefined ? daysAfter(measured.on, everyDays) : undefined;
  const flashed =
    afterFlash && measured?.flashedOn !== undefined && measured.flashedOn > measured.on
      ? measured.flashedOn
      : undefined;
  const days = [...(old?.ok ? [old.value] : []), ...(flashed ? [flashed] : [])].sort();
  const dueFrom = measured ? days[0] : unit.addedOn;
  if (dueFrom === undefined) return [];
  const need: MeasurementNeed = {
    unit: unit.id,
    kind: "measurement",
    component,
    cause: "unmeasured",
    urgency: "routine",
    dueFrom,
    targets: NONE,
    because: [
      {
        kind: "measured",
        ...(measured && { on: measured.on }),
        ...(everyDays !== undefined && { everyDays }),
      },
      ...(flashed ? [{ kind: "flashed-since" as const, on: flashed }] : []),
    ],
  };
  return [pastHolds(need, unit, policy)];
}
