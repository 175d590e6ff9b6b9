// Lays the demo's dossiers: identities, procedures, quirks, and who confirmed them.
import { identityShape, readSteps } from "#core/dossier/index.ts";
import { addDays, mustGet, type PlainDate, type Source } from "#core/quantities/index.ts";
import { parseRange } from "#core/version/index.ts";
import { addConfirmation, putIdentity, putPartReading, putProcedure, putQuirk } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { DOSSIERS } from "./data/dossiers.ts";

export type LaidForDossier = {
  readonly id: string;
  readonly revisions: ReadonlyMap<string, string>;
  readonly components: ReadonlyMap<string, { readonly id: string }>;
};

export async function layDossiers(
  tx: Tx,
  models: ReadonlyMap<string, LaidForDossier>,
  people: ReadonlyMap<string, string>,
  today: PlainDate,
): Promise<void> {
  for (const [name, dossier] of Object.entries(DOSSIERS)) {
    const model = models.get(name);
    if (!model) throw new Error(`the demo has no model ${name}`);
    const known: Source = { kind: dossier.known[0], what: dossier.known[1] };
    const identity = identityShape.parse({ ...dossier.identity, source: known });
    await putIdentity(tx, model.id, identity);
    for (const [part, reading] of Object.entries(dossier.reading)) {
      await putPartReading(tx, model.components.get(part)?.id ?? "", { ...reading, source: known });
    }
    const firmwareOf = (told: readonly [string, string] | undefined) => {
      if (!told) return { component_id: null, firmware: null };
      const range = parseRange(told[1]);
      const component = model.components.get(told[0]);
      if (!range.ok || !component) throw new Error(`${name}: ${told.join(" ")} cannot be read`);
      return { component_id: component.id, firmware: range.value };
    };
    const confirm = async (
      kind: "procedure" | "quirk",
      subject: string,
      seen: readonly (readonly [number, string, string])[] = [],
    ) => {
      for (const [ago, who, firmware] of seen) {
        const at = `${addDays(today, -ago)}T19:50:00Z`;
        await addConfirmation(tx, {
          model: model.id,
          kind,
          subject,
          firmware,
          by: mustGet(people, who),
          at,
        });
      }
    };
    for (const { steps, firmware, revisions, source, seen, ...rest } of dossier.procedures) {
      const read = readSteps(steps, identity.layout);
      if (read.problems.length > 0)
        throw new Error(`${name}, ${rest.title}: ${JSON.stringify(read.problems)}`);
      const id = await putProcedure(tx, model.id, undefined, {
        purpose: rest.purpose,
        title: rest.title,
        effect: rest.effect ?? "harmless",
        minutes: rest.minutes ?? 5,
        steps: read.steps.map((s) => s.step),
        ...firmwareOf(firmware),
        hardware_revisions: revisions?.map((r) => mustGet(model.revisions, r)) ?? null,
        source: { kind: source[0], what: source[1] },
        draft: false,
      });
      await confirm("procedure", id, seen);
    }
    for (const { symptom, cause = "", cure = "", firmware, source, seen } of dossier.quirks) {
      const id = await putQuirk(tx, model.id, undefined, {
        symptom,
        cause,
        cure,
        ...firmwareOf(firmware),
        source: { kind: source[0], what: source[1] },
      });
      await confirm("quirk", id, seen);
    }
  }
}
