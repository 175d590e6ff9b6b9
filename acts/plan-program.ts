// The plan that writes a profile which a programmer keeps into a radio. What is in the radio is read and kept first, always.
import { baseOf } from "#core/bluetooth/profile.ts";
import { chainsOfUnit } from "#core/kit/tooling.ts";
import { bad, good, type Result } from "#core/quantities/result.ts";
import { composeProgram } from "#core/run/compose.ts";
import type { KnownProcedure } from "#core/run/procedure.ts";
import { deviceById } from "#db/devices.ts";
import type { Tx } from "#db/pool.ts";
import { profileById } from "#db/profiles.ts";
import type { LoadedSituation } from "#db/situation.ts";
import { erasingIn, momentOf, workFacts } from "./plan-work.ts";
import type { Planned, PlanProblem } from "./planned.ts";

/** Problems: `no-profile`; `other-model`. The chain is the best that goes by the programmer that keeps it. */
export async function programPlan(
  tx: Tx,
  situation: LoadedSituation,
  known: readonly KnownProcedure[],
  asked: { readonly profile: string; readonly chain?: string | undefined },
): Promise<Result<Planned, PlanProblem>> {
  const profile = await profileById(tx, asked.profile);
  const device = profile && (await deviceById(tx, profile.device_id));
  if (!profile || !device) return bad({ kind: "no-profile" });
  const { id, model } = situation.unit;
  const base = baseOf({ unit: profile.base_unit, model: profile.base_model }, { unit: id, model });
  if (base === "other-model")
    return bad({ kind: "other-model", base: profile.base_tag, model: profile.base_model_name });
  const { chains } = chainsOfUnit(situation, "write");
  const chain =
    chains.find(({ key }) => key === asked.chain) ??
    chains.find(({ lead }) => lead?.id === device.lead_id) ??
    chains[0];
  const work = await workFacts(tx, situation, known, chain ? [chain] : []);
  const isForeign = base === "foreign";
  return good({
    plan: composeProgram(work.facts, {
      ...{ sha256: profile.sha256, foreign: isForeign },
      base: isForeign
        ? `${profile.name} was read from ${profile.base_tag}, not from this radio`
        : `${profile.name} was read from this radio`,
    }),
    title: `Write the profile ${profile.name}`.slice(0, 120),
    things: work.things,
    ways: chains.map(work.said),
    erasing: erasingIn(known, ["restore"], momentOf(situation)),
  });
}
