// A radio's power is measured.
import { type Measuring, measuring } from "../blocks.ts";
import type { RunPlan } from "../plan.ts";

/** Its power is measured; the dummy load for it comes with every plan that transmits. */
export const composeMeasure = (measure: Measuring): RunPlan => ({
  purpose: "measure",
  stages: measuring(measure),
});
