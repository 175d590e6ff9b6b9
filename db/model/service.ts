// Statements about service settings and region codes: what a dossier knows of them, and what each radio is set to.
import { z } from "zod";
import { codeShape, settingShape } from "#core/dossier/index.ts";
import { type Source, sourceShape } from "#core/quantities/index.ts";
import { ask, idRow } from "../ask.ts";
import type { Tx } from "../pool.ts";

export const ITEM_KINDS = ["setting", "code"] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

export const settingFacts = settingShape.omit({ name: true });
export const codeFacts = codeShape.omit({ name: true });

const told = { id: z.string(), name: z.string(), source: sourceShape };
const itemRow = z.discriminatedUnion("kind", [
  z.object({ ...told, kind: z.literal("setting"), facts: settingFacts }),
  z.object({ ...told, kind: z.literal("code"), facts: codeFacts }),
]);
export type ItemRow = z.output<typeof itemRow>;
export type SettingRow = Extract<ItemRow, { kind: "setting" }>;
export type CodeRow = Extract<ItemRow, { kind: "code" }>;

export async function serviceItems(tx: Tx, model: string): Promise<ItemRow[]> {
  const { rows } = await ask(
    tx,
    itemRow,
    `select id, kind, name, facts, source from service_item
     where model_id = $1 and shelved_at is null order by kind desc, position, id`,
    [model],
  );
  return rows;
}

export const settingsIn = (rows: readonly ItemRow[]): SettingRow[] =>
  rows.filter((row) => row.kind === "setting");
/** A model's codes as the computations take them. */
export const codesIn = (rows: readonly ItemRow[]) =>
  rows.flatMap((row) => (row.kind === "code" ? [{ name: row.name, ...row.facts }] : []));

export function putServiceItem(
  tx: Tx,
  model: string,
  id: undefined,
  item: { readonly kind: ItemKind; readonly name: string; readonly facts: object; readonly source: Source },
): Promise<string>;
export function putServiceItem(
  tx: Tx,
  model: string,
  id: string | undefined,
  item: { readonly kind: ItemKind; readonly name: string; readonly facts: object; readonly source: Source },
): Promise<string | undefined>;
export async function putServiceItem(
  tx: Tx,
  model: string,
  id: string | undefined,
  item: { readonly kind: ItemKind; readonly name: string; readonly facts: object; readonly source: Source },
): Promise<string | undefined> {
  const values = [model, item.kind, item.name, item.facts, item.source];
  const { rows } = id
    ? await ask(
        tx,
        idRow,
        `update service_item set name = $3, facts = $4, source = $5
         where model_id = $1 and kind = $2 and id = $6 returning id`,
        [...values, id],
      )
    : await ask(
        tx,
        idRow,
        `insert into service_item (club_id, model_id, kind, name, facts, source, position)
         values (current_club(), $1, $2, $3, $4, $5,
           coalesce((select max(position) + 1 from service_item where model_id = $1), 0)) returning id`,
        values,
      );
  return rows[0]?.id;
}

export const shelveServiceItem = (tx: Tx, model: string, id: string) =>
  tx.query("update service_item set shelved_at = now() where model_id = $1 and id = $2", [model, id]);

const unitSettingRow = z.object({
  item_id: z.string(),
  value: z.string(),
  changed: z.boolean(),
  why: z.string(),
  at: z.date(),
  by: z.string(),
});
export type UnitSettingRow = z.output<typeof unitSettingRow>;

/** What a radio's settings were noted as, the newest first; `most` of each. */
export async function unitSettings(tx: Tx, unit: string, most: number): Promise<UnitSettingRow[]> {
  const { rows } = await ask(
    tx,
    unitSettingRow,
    `select s.item_id, s.value, s.changed, s.why, s.at, s.by from (
       select s.*, p.name by, row_number() over (partition by s.item_id order by s.at desc, s.id desc) place
       from unit_setting s join person p on p.club_id = s.club_id and p.id = s.person_id where s.unit_id = $1) s
     where s.place <= $2 order by s.at desc, s.id desc`,
    [unit, most],
  );
  return rows;
}

export const addUnitSetting = (
  tx: Tx,
  one: {
    readonly unit: string;
    readonly item: string;
    readonly value: string;
    readonly changed: boolean;
    readonly why: string;
    readonly by: string;
  },
  /** Absent: now. */
  at?: string,
) =>
  tx.query(
    `insert into unit_setting (club_id, unit_id, item_id, value, changed, why, person_id, at)
     values (current_club(), $1, $2, $3, $4, $5, $6, coalesce($7::timestamptz, now()))`,
    [one.unit, one.item, one.value, one.changed, one.why, one.by, at ?? null],
  );
