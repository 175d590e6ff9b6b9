// The simulated radio that stands in for a unit, with what its model's dossier says of it.
import { holdsFor } from "#core/run/index.ts";
import { placeReading } from "#core/unit/index.ts";
import { dossierHead, knownProcedure, proceduresOf } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { type LoadedSituation, simulatedState } from "#db/unit/index.ts";
import type { Radio, RadioKind } from "#simulators/radio/radio.ts";
import { radioShape } from "#simulators/radio/stored.ts";

/** Undefined: the unit is a real one. `lock`: nobody else changes it until the end of the transaction. */
export async function simulatedRadio(tx: Tx, unit: string, lock = false): Promise<Radio | undefined> {
  const state = await simulatedState(tx, unit, lock);
  return state && radioShape.parse(state);
}

/** What the radio is, as it runs now: of its model's procedures those that hold for its firmware. */
export async function kindOf(
  tx: Tx,
  { unit, catalogue }: LoadedSituation,
  name: string,
  radio: Radio,
): Promise<RadioKind> {
  const head = await dossierHead(tx, unit.model);
  const state = new Map(
    [...catalogue.values()].flatMap((prepared) => {
      const raw = radio.runs[prepared.component.name];
      const placed = raw === undefined ? undefined : placeReading(prepared, raw);
      return placed?.ok ? [[prepared.component.id, placed.value] as const] : [];
    }),
  );
  const procedures = (await proceduresOf(tx, unit.model)).map(knownProcedure);
  return {
    name,
    ways: procedures.filter((procedure) => holdsFor(procedure, { unit, catalogue, state })),
    reading: Object.fromEntries(head.parts.map((part) => [part.name, part.reading])),
  };
}
