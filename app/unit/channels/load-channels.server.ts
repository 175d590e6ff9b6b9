// What is programmed into a radio: its line of revisions, the channels of one of them, and what is wrong with those.
import { codeplugCheck } from "#acts/codeplug/codeplug-check.ts";
import { type CodeplugChannel, checkCodeplug, strandedIn } from "#core/codeplug/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { codeplugById, codeplugNow, codeplugsOf, mappings, planNow, tablesOf } from "#db/codeplug/index.ts";
import { knownMode, modesOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { backupsOf } from "#db/run/index.ts";
import { leadToTag, loadUnit } from "../../shared/load-unit.server.ts";

/** So many channels are listed, which is as many as any radio has; what is wrong is listed whole. */
const MOST = 4000;
/** So many revisions and backups are told of. */
const MOST_LINE = 60;

export async function loadChannels(tx: Tx, tag: string | undefined, asked: string | null, today: PlainDate) {
  const { row, situation } = await loadUnit(tx, tag, today);
  leadToTag(row, tag ?? "", "/channels");
  const now = await codeplugNow(tx, row.id);
  const other = asked && /^\d{1,18}$/.test(asked) ? await codeplugById(tx, asked) : undefined;
  const shown = other?.unit_id === row.id ? other : now;
  const line = await codeplugsOf(tx, row.id, MOST_LINE);
  const backups = (await backupsOf(tx, row.id, MOST_LINE)).filter(
    ({ id }) => !line.some(({ backup_id }) => backup_id === id),
  );
  const channels: readonly CodeplugChannel[] = shown?.channels ?? [];
  const facts = situation && shown ? await codeplugCheck(tx, situation, shown.lists, today) : undefined;
  const modes = (await modesOf(tx, row.model_id)).map(knownMode);
  const plan = await planNow(tx);
  const [table] = plan ? await tablesOf(tx, plan.id, row.model_id) : [];
  return {
    unit: { id: row.id, tag: row.tag, model: row.model, gone: row.shelved_at !== null },
    shown: shown && {
      id: shown.id,
      name: shown.name,
      by: shown.by,
      at: shown.at.toISOString(),
      source: shown.source,
      plan: shown.plan,
      known: shown.channels !== null,
      isNow: shown.id === now?.id,
      lists: shown.lists,
    },
    now: now?.id,
    plan: table && { number: table.number, is: now?.sum === table.sum, count: table.laid.channels.length },
    line: [
      ...line.map((one) => ({ ...one, kind: "codeplug" as const, at: one.at.toISOString() })),
      ...backups.map(({ id, name, kept_at, kept_by }) => ({
        id,
        name,
        kind: "backup" as const,
        at: kept_at.toISOString(),
        by: kept_by,
      })),
    ].sort((a, b) => (a.at < b.at ? 1 : -1)),
    mode: facts?.mode?.name,
    class: facts?.class,
    compared: facts?.allowed !== undefined,
    holds: facts?.holds !== undefined,
    count: channels.length,
    channels: channels.slice(0, MOST),
    findings: facts ? checkCodeplug(channels, facts) : [],
    stranded: strandedIn(channels, modes).map((one) => ({
      name: one.mode.name,
      count: one.stranded.length,
      first: one.stranded.slice(0, 6).map(({ channel }) => channel.name),
    })),
    mappings: (await mappings(tx)).map(({ id, name }) => ({ id, name })),
  };
}

export type ChannelsData = Awaited<ReturnType<typeof loadChannels>>;
