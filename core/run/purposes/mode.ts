// A radio is brought into another mode.
import type { Erases } from "../../release/index.ts";
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
  written,
} from "../blocks.ts";
import type { RunPlan, RunStep } from "../plan.ts";
import type { KnownProcedure } from "../procedure.ts";

/** What is told of the mode that a radio is brought into. */
export type ModeFacts = {
  readonly name: string;
  readonly erases: Erases;
  /** The procedure that leads into it; else how it is set in a tool. */
  readonly enter?: KnownProcedure | undefined;
  readonly setting?: string | undefined;
  /** In it it transmits where its user may not. */
  readonly beyond: boolean;
  /** The test frequencies that tell it from the others, with what it does there. */
  readonly probes: readonly {
    readonly frequency: number;
    readonly transmits: boolean;
    readonly outside: boolean;
  }[];
};

/** A radio is brought into another mode: what that erases is backed up before and written back after; and it is proved that it is in it. */
export function composeMode(
  { procedures, gather, guards, ...moment }: WorkFacts,
  { name, erases, enter, setting, beyond, probes }: ModeFacts,
): RunPlan {
  const isErased = erases !== "nothing";
  const title = `Into the mode ${name}`;
  const how: RunStep[] =
    enter || setting === undefined
      ? written(enter, `bring it into the mode ${name}`)
      : [
          {
            kind: "do",
            step: { kind: "confirm", what: setting },
            // How it is set stands for the steps where there are none; whether it leads beyond is not always known.
            guarded: true,
            minutes: 3,
          },
        ];
  return {
    purpose: "mode",
    stages: [
      ...stage("gather", "What is needed", gathering(gather)),
      ...(isErased
        ? stage("gates", "Before it begins", [powerGate(guards), ...deviceGates(guards), chainGate(guards)])
        : []),
      ...(isErased ? backingUp(procedures, moment) : []),
      ...stage("enter", title, [
        ...how,
        {
          kind: "switched",
          mode: name,
          erases: isErased,
          ...(beyond && { beyond: true as const }),
          minutes: 0,
        },
      ]),
      ...stage(
        "probe",
        "Is it in that mode?",
        probes.map(({ outside, ...probe }) => ({
          kind: "probe" as const,
          ...probe,
          minutes: 1,
          ...(outside && { outside: true as const }),
        })),
      ),
      ...(isErased ? writingBack(procedures, moment) : []),
      ...stage("put-away", "Put away", puttingAway(gather)),
    ],
  };
}
