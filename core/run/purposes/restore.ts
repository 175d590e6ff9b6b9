// One of a radio's own backups is written back.
import {
  backingUp,
  chainGate,
  deviceGates,
  gathering,
  powerGate,
  puttingAway,
  stage,
  type WorkFacts,
  writingBack,
} from "../blocks.ts";
import type { RunPlan } from "../plan.ts";

/** A file that was read from this very radio is written into it; what is in it now is kept first. `sha256`: of that file. */
export const composeRestore = (
  { procedures, gather, guards, ...moment }: WorkFacts,
  sha256: string,
): RunPlan => ({
  purpose: "restore",
  stages: [
    ...stage("gather", "What is needed", gathering(gather)),
    ...stage("gates", "Before it begins", [powerGate(guards), ...deviceGates(guards), chainGate(guards)]),
    ...backingUp(procedures, moment),
    ...writingBack(procedures, moment, sha256),
    ...stage("put-away", "Put away", puttingAway(gather)),
  ],
});
