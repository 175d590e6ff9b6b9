// What the page of a Bluetooth device tells beside its form: its battery over time, and under which radio its own firmware is kept.
import { chargedOf } from "#acts/bluetooth/charge-notes.ts";
import { chargeAt, chargeNow, idleDrain } from "#core/bluetooth/index.ts";
import type { KindName } from "#core/kit/index.ts";
import { now as nowIn } from "#db/clock.ts";
import { chargesOf, deviceById, deviceOf, pairingsOf, profilesOf } from "#db/kit/index.ts";
import type { Tx } from "#db/pool.ts";
import { backupsOf } from "#db/run/index.ts";
import { stateOf } from "../../shared/pairing-state.ts";

const MOST_BACKUPS = 50;
const DAY = 86_400_000;
/** So far ahead the line is drawn: what it will be if nobody does anything. */
const AHEAD_DAYS = 14;

/** Undefined: the thing is no device. */
export async function loadDevice(tx: Tx, kind: KindName, id: string) {
  const row =
    kind === "devices"
      ? await deviceById(tx, id)
      : kind === "leads"
        ? await deviceOf(tx, "lead", id)
        : undefined;
  if (!row) return undefined;
  const at = (await nowIn(tx)).getTime();
  const notes = await chargesOf(tx, row.id, { struck: true });
  const thing = chargedOf(row, notes);
  const { levels, since } = thing.story;
  const drain = idleDrain(levels, since, thing.idlePerDay ?? 0);
  const battery = { fullMinutes: thing.fullMinutes ?? Number.POSITIVE_INFINITY, idlePerDay: drain.perDay };
  const known = chargeNow(thing, at);
  const ahead =
    known.kind === "known" && known.drain
      ? [0, AHEAD_DAYS].map((days) => ({
          at: at + days * DAY,
          percent: chargeAt(levels, battery, since, at + days * DAY) ?? 0,
        }))
      : [];
  return {
    id: row.id,
    tag: row.tag,
    kind: row.kind,
    lead: row.lead_id,
    lamp: row.lamp,
    fails: row.fails,
    app: row.app,
    app_version: row.app_version,
    app_needs: row.app_needs,
    serves: row.serves,
    simulated: row.simulated,
    shows: row.shows,
    unit: row.unit_tag,
    now: known,
    levels,
    ahead,
    pluggedAt: thing.story.pluggedAt,
    pairings: (await pairingsOf(tx, { device: row.id })).map((one) => ({
      id: one.id,
      tag: one.tag,
      model: one.model,
      drops: one.drops,
      state: stateOf(one),
    })),
    profiles:
      row.kind === "programmer"
        ? (await profilesOf(tx, row.id)).map((one) => ({
            id: one.id,
            name: one.name,
            base: one.base_tag,
            model: one.base_model_name,
            readAt: one.read_at.toISOString(),
            uses: one.uses.map((use) => ({ tag: use.tag, at: use.at, by: use.by })),
          }))
        : [],
    /** What could be kept as a profile: the last that was read out of radios. */
    backups:
      row.kind === "programmer"
        ? (await backupsOf(tx, undefined, MOST_BACKUPS)).map(
            (one) => [one.id, `${one.tag}, ${one.name}`] as const,
          )
        : [],
    notes: notes
      .map(({ id: charge, kind: what, percent, how, at: when, by, struck_why }) => ({
        id: charge,
        what,
        percent,
        how,
        at: when.toISOString(),
        by,
        struck: struck_why,
      }))
      .reverse()
      .slice(0, 30),
  };
}
export type ShownDevice = NonNullable<Awaited<ReturnType<typeof loadDevice>>>;
