// The plan of a run that writes channels into a radio: the club's plan as its model has it, or a revision out of the line of a radio.
import { z } from "zod";
import { beyondMode, type CodeplugChannel, type CodeplugLists, writeDocument } from "#core/codeplug/index.ts";
import { chainsOfUnit } from "#core/kit/index.ts";
import { allowedOn } from "#core/modes/index.ts";
import { bad, good, type PlainDate, type Result } from "#core/quantities/index.ts";
import { composeProgram } from "#core/run/index.ts";
import { policyOn } from "#core/unit/index.ts";
import { codeplugById, planNow, tablesOf } from "#db/codeplug/index.ts";
import { bandPlan, knownMode, modelById, modesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { backupById } from "#db/run/index.ts";
import type { LoadedSituation } from "#db/unit/index.ts";
import { sumOfFile } from "../codeplug/codeplug-file.ts";
import { id } from "../shapes.ts";
import { defineErrand, type Known } from "./errand.ts";
import type { Planned, PlanProblem } from "./planned.ts";
import { chainKey, chosen, erasingIn, momentOf, workFacts } from "./work.ts";

type Wanted = {
  readonly title: string;
  /** What it is made from, in words; and whether that is another radio. */
  readonly base: string;
  readonly foreign: boolean;
  readonly sha256: string;
  readonly channels: readonly CodeplugChannel[] | undefined;
  /** Its file, if it is not kept yet: it is made from the table. */
  readonly text?: string;
};

const shape = z.object({ codeplug: id.optional(), chain: chainKey });

export const write = defineErrand({ shape, isWork: true, plan: writePlan });

/** Problems: `no-plan`; `no-codeplug`; `other-model`. */
async function writePlan(
  { tx, situation, procedures, today }: Known,
  asked: z.output<typeof shape>,
): Promise<Result<Planned, PlanProblem>> {
  const wanted =
    asked.codeplug === undefined
      ? await thePlan(tx, situation.unit.model)
      : await revision(tx, situation.unit, asked.codeplug);
  if (!wanted.ok) return wanted;
  const { title, base, foreign, sha256, channels, text } = wanted.value;
  const chains = chainsOfUnit(situation, "write");
  const chain = chosen(chains, asked.chain);
  const work = await workFacts(tx, situation, procedures, chain ? [chain] : []);
  return good({
    plan: composeProgram(work.facts, {
      sha256,
      base,
      foreign,
      prove: channels && proofOf(channels),
      warns: channels ? await warningsOf(tx, situation, channels, today) : [],
    }),
    title,
    things: work.things,
    ways: chains.chains.map(work.said),
    erasing: erasingIn(procedures, ["restore"], momentOf(situation)),
    ...(text !== undefined && { text }),
  });
}

async function thePlan(tx: Tx, model: string): Promise<Result<Wanted, PlanProblem>> {
  const plan = await planNow(tx);
  const [table] = plan ? await tablesOf(tx, plan.id, model) : [];
  if (!table) return bad({ kind: "no-plan" });
  return good({
    title: `Write plan ${table.number} into it`,
    foreign: false,
    sha256: table.sha256,
    base: `plan ${table.number} of the channels, as it is for a ${table.model}; it replaces what is in it`,
    channels: table.laid.channels,
  });
}

async function revision(
  tx: Tx,
  unit: { readonly id: string; readonly model: string },
  codeplug: string,
): Promise<Result<Wanted, PlanProblem>> {
  const row = await codeplugById(tx, codeplug);
  if (!row) return bad({ kind: "no-codeplug" });
  const model = await modelById(tx, row.model_id);
  if (row.model_id !== unit.model)
    return bad({ kind: "other-model", base: row.tag, model: model?.name ?? "" });
  const backup = row.backup_id === null ? undefined : await backupById(tx, row.backup_id);
  const text =
    backup === undefined && row.channels
      ? writeDocument(`${model?.maker ?? ""} ${model?.name ?? ""}`, row.channels, row.lists as CodeplugLists)
      : undefined;
  const sha256 = backup?.sha256 ?? (text === undefined ? undefined : sumOfFile(text));
  if (sha256 === undefined) return bad({ kind: "no-codeplug" });
  const foreign = row.unit_id !== unit.id;
  const day = row.at.toISOString().slice(0, 10);
  const isMade = row.source === "made";
  return good({
    foreign,
    sha256,
    title: (isMade && !foreign
      ? `Write it: ${row.name}`
      : `Write back what ${foreign ? row.tag : "it"} had on ${day}`
    ).slice(0, 120),
    base: foreign
      ? `${row.name || "this table"} is of ${row.tag}, not of this radio`
      : isMade
        ? "it was made from what is in this radio"
        : `${row.name || "this table"} was in this radio on ${day}`,
    channels: row.channels ?? undefined,
    ...(text !== undefined && { text }),
  });
}

/** The first channel that transmits, else the first: what is tried when it is in. */
function proofOf(channels: readonly CodeplugChannel[]): string | undefined {
  const one = channels.find(({ transmit }) => transmit !== undefined) ?? channels[0];
  if (!one) return undefined;
  const where = `channel ${one.position} ${one.name} (${one.receive / 1e6} MHz)`;
  return one.transmit === undefined
    ? `it starts, and shows ${where}: listen`
    : `it starts, and ${where} works: listen first; call only where you may`;
}

/** What would be wrong with it in this radio, as it is now: said before it is written. */
async function warningsOf(
  tx: Tx,
  { unit, policy }: LoadedSituation,
  channels: readonly CodeplugChannel[],
  today: PlainDate,
): Promise<string[]> {
  const modes = (await modesOf(tx, unit.model)).map(knownMode);
  const mode = modes.find(({ id }) => id === unit.mode?.now.id);
  const transmit = policyOn(policy, today).transmit ?? { rule: "as it is" as const };
  const plan = await bandPlan(tx);
  const allowed = allowedOn({ policy: transmit, plan, holder: unit.holder }, today);
  return beyondMode(channels, { mode, allowed });
}
