// The plans that read out what is in a radio and keep it, and that write one of its own backups back.
import { z } from "zod";
import { chainsOfUnit } from "#core/kit/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { composeBackup, composeRestore } from "#core/run/index.ts";
import { backupById } from "#db/run/index.ts";
import { id } from "../shapes.ts";
import { defineErrand } from "./errand.ts";
import { chainKey, chosen, erasingIn, momentOf, workFacts } from "./work.ts";

export const backup = defineErrand({
  shape: z.object({ chain: chainKey }),
  isWork: true,
  plan: async ({ tx, situation, procedures }, asked) => {
    const chains = chainsOfUnit(situation, "read");
    const chain = chosen(chains, asked.chain);
    const work = await workFacts(tx, situation, procedures, chain ? [chain] : []);
    return good({
      plan: composeBackup(work.facts),
      title: "Back it up",
      things: work.things,
      ways: chains.chains.map(work.said),
      erasing: [],
    });
  },
});

/** Problems: `no-backup`. */
export const restore = defineErrand({
  shape: z.object({ backup: id, chain: chainKey }),
  isWork: true,
  plan: async ({ tx, situation, procedures }, asked) => {
    const kept = await backupById(tx, asked.backup);
    if (kept?.unit_id !== situation.unit.id) return bad({ kind: "no-backup" });
    const chains = chainsOfUnit(situation, "write");
    const chain = chosen(chains, asked.chain);
    const work = await workFacts(tx, situation, procedures, chain ? [chain] : []);
    return good({
      plan: composeRestore(work.facts, kept.sha256),
      title: "Write a backup back",
      things: work.things,
      ways: chains.chains.map(work.said),
      erasing: erasingIn(procedures, ["restore"], momentOf(situation)),
    });
  },
});
