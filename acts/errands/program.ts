// The plan that writes a profile which a programmer keeps into a radio. What is in the radio is read and kept first, always.
import { z } from "zod";
import { baseOf } from "#core/bluetooth/index.ts";
import { chainsOfUnit } from "#core/kit/index.ts";
import { bad, good, type Result } from "#core/quantities/index.ts";
import { composeProgram } from "#core/run/index.ts";
import { deviceById, profileById } from "#db/kit/index.ts";
import { id } from "../shapes.ts";
import { defineErrand, type Known } from "./errand.ts";
import type { Planned, PlanProblem } from "./planned.ts";
import { chainKey, erasingIn, momentOf, workFacts } from "./work.ts";

const shape = z.object({ profile: id, chain: chainKey });

export const program = defineErrand({ shape, isWork: true, plan: programPlan });

/** Problems: `no-profile`; `other-model`. The chain is the best that goes by the programmer that keeps it. */
async function programPlan(
  { tx, situation, procedures }: Known,
  asked: z.output<typeof shape>,
): Promise<Result<Planned, PlanProblem>> {
  const profile = await profileById(tx, asked.profile);
  const device = profile && (await deviceById(tx, profile.device_id));
  if (!profile || !device) return bad({ kind: "no-profile" });
  const { id: unit, model } = situation.unit;
  const base = baseOf({ unit: profile.base_unit, model: profile.base_model }, { unit, model });
  if (base === "other-model")
    return bad({ kind: "other-model", base: profile.base_tag, model: profile.base_model_name });
  const { chains } = chainsOfUnit(situation, "write");
  const chain =
    chains.find(({ key }) => key === asked.chain) ??
    chains.find(({ lead }) => lead?.id === device.lead_id) ??
    chains[0];
  const work = await workFacts(tx, situation, procedures, chain ? [chain] : []);
  const isForeign = base === "foreign";
  return good({
    plan: composeProgram(work.facts, {
      sha256: profile.sha256,
      foreign: isForeign,
      base: isForeign
        ? `${profile.name} was read from ${profile.base_tag}, not from this radio`
        : `${profile.name} was read from this radio`,
    }),
    title: `Write the profile ${profile.name}`.slice(0, 120),
    things: work.things,
    ways: chains.map(work.said),
    erasing: erasingIn(procedures, ["restore"], momentOf(situation)),
  });
}
