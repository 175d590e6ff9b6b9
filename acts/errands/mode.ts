// The plan that switches a radio into another mode, and shows that it is in it.
import { z } from "zod";
import { chainsOfUnit } from "#core/kit/index.ts";
import { allowedOn, excess, probesFor, RASTER, transmitOf } from "#core/modes/index.ts";
import { bad, good, type Result } from "#core/quantities/index.ts";
import { composeMode } from "#core/run/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { bandPlan, knownMode, modesOf } from "#db/model/index.ts";
import { id } from "../shapes.ts";
import { defineErrand, type Known } from "./errand.ts";
import type { Planned, PlanProblem } from "./planned.ts";
import { chainKey, chosen, modesHere, workFacts } from "./work.ts";

const shape = z.object({ mode: id, chain: chainKey });

export const mode = defineErrand({ shape, isWork: true, plan: modePlan });

/** Problems: `no-mode`. */
async function modePlan(
  { tx, situation, procedures, today }: Known,
  asked: z.output<typeof shape>,
): Promise<Result<Planned, PlanProblem>> {
  const { unit, policy } = situation;
  const modes = modesHere(situation, await modesOf(tx, unit.model));
  const row = modes.find(({ id }) => id === asked.mode);
  if (!row) return bad({ kind: "no-mode" });
  const all = modes.map(knownMode);
  const allowed =
    allowedOn(
      {
        policy: policyOn(policy, today).transmit ?? { rule: "as it is" },
        plan: await bandPlan(tx),
        holder: unit.holder,
      },
      today,
    ) ?? [];
  const { probes } = probesFor(
    all.map((mode) => ({ id: mode.id, transmit: transmitOf(mode) })),
    allowed,
    RASTER,
  );
  const isErased = row.facts.erases !== "nothing";
  const chains = chainsOfUnit(situation, "read");
  const chain = isErased ? chosen(chains, asked.chain) : undefined;
  const work = await workFacts(tx, situation, procedures, chain ? [chain] : []);
  const enter = procedures.find(({ id, draft }) => id === row.enter_id && !draft);
  const beyond = allowed.length > 0 && excess(row.facts, allowed).length > 0;
  return good({
    plan: composeMode(work.facts, {
      name: row.name,
      erases: row.facts.erases,
      enter,
      setting: row.facts.setting,
      beyond,
      probes: probes.map(({ frequency, outside, transmits }) => ({
        frequency,
        outside,
        transmits: transmits.includes(row.id),
      })),
    }),
    title: `Switch it to ${row.name}`,
    things: work.things,
    ways: isErased ? chains.chains.map(work.said) : [],
    erasing: enter?.effect === "erase" ? [{ id: enter.id, title: enter.title }] : [],
  });
}
