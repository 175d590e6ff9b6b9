// Lays the demo's service menus and codes, and what some radios are set to.
import { codeShape, settingShape } from "#core/dossier/index.ts";
import { addDays, mustGet, type PlainDate } from "#core/quantities/index.ts";
import { addUnitSetting, putServiceItem } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { CODES, SET, SETTINGS } from "./data/service.ts";
import type { LaidForDossier } from "./dossiers.ts";

/** The settings' ids, by model and name. */
export async function layService(
  tx: Tx,
  models: ReadonlyMap<string, LaidForDossier>,
): Promise<ReadonlyMap<string, string>> {
  const laid = new Map<string, string>();
  const modelOf = (name: string) => {
    const model = models.get(name);
    if (!model) throw new Error(`the demo has no model ${name}`);
    return model.id;
  };
  for (const [model, settings] of Object.entries(SETTINGS))
    for (const { source, ...setting } of settings) {
      const { name, ...facts } = settingShape.parse(setting);
      const from = { kind: source[0], what: source[1] };
      laid.set(
        `${model} ${name}`,
        await putServiceItem(tx, modelOf(model), undefined, { kind: "setting", name, facts, source: from }),
      );
    }
  for (const [model, codes] of Object.entries(CODES))
    for (const { source, ...code } of codes) {
      const { name, ...facts } = codeShape.parse(code);
      const from = { kind: source[0], what: source[1] };
      await putServiceItem(tx, modelOf(model), undefined, { kind: "code", name, facts, source: from });
    }
  return laid;
}

export async function layUnitSettings(
  tx: Tx,
  known: {
    readonly units: ReadonlyMap<string, string>;
    readonly people: ReadonlyMap<string, string>;
    readonly settings: ReadonlyMap<string, string>;
  },
  today: PlainDate,
): Promise<void> {
  for (const [ago, tag, setting, value, who, changed, why] of SET) {
    const item = [...known.settings].find(([name]) => name.endsWith(` ${setting}`))?.[1];
    if (item === undefined) throw new Error(`the demo has no setting ${setting}`);
    await addUnitSetting(
      tx,
      { unit: mustGet(known.units, tag), item, value, changed, why, by: mustGet(known.people, who) },
      addDays(today, -ago),
    );
  }
}
