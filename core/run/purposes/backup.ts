// What is in a radio is read out and kept.
import {
  backingUp,
  chainGate,
  deviceGates,
  gathering,
  puttingAway,
  stage,
  type WorkFacts,
} from "../blocks.ts";
import type { RunPlan } from "../plan.ts";

/** What is in it is read out and kept. */
export const composeBackup = ({ procedures, gather, guards, ...moment }: WorkFacts): RunPlan => ({
  purpose: "backup",
  stages: [
    ...stage("gather", "What is needed", gathering(gather)),
    ...stage("gates", "Before it begins", [...deviceGates(guards), chainGate(guards)]),
    ...backingUp(procedures, moment),
    ...stage("put-away", "Put away", puttingAway(gather)),
  ],
});
