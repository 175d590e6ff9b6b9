// Channels are written into a radio: a profile, the plan, or a revision.
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
import type { RunPlan, RunStep } from "../plan.ts";

/**
 * A profile is written into a radio: read first, kept, written, read again and compared. `base`: in words, from which radio it was read;
 * `foreign`: from another than this one, so that it would replace what is in it.
 */
export const composeProgram = (
  { procedures, gather, guards, ...moment }: WorkFacts,
  profile: {
    readonly sha256: string;
    readonly base: string;
    readonly foreign: boolean;
    /** What is tried when it is in; absent: any channel. */
    readonly prove?: string | undefined;
    /** What is known to be wrong with it in this radio. */
    readonly warns?: readonly string[];
  },
): RunPlan => ({
  purpose: "program",
  stages: [
    ...stage("gather", "What is needed", gathering(gather)),
    ...stage("gates", "Before it begins", [
      { kind: "gate", gate: "base", what: profile.base.slice(0, 200), bad: profile.foreign, minutes: 1 },
      ...(profile.warns ?? []).map(
        (what): RunStep => ({
          kind: "do",
          step: { kind: "confirm", what: what.slice(0, 300) },
          minutes: 1,
        }),
      ),
      powerGate(guards),
      ...deviceGates(guards),
      chainGate(guards),
    ]),
    ...backingUp(procedures, moment),
    ...writingBack(procedures, moment, profile.sha256, "Write it in", profile.prove?.slice(0, 300)),
    ...stage("put-away", "Put away", puttingAway(gather)),
  ],
});
