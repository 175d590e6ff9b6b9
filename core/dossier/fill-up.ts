// Another club's dossier, filled up with what only ours says: accepting a fact must take nothing away that it is silent about.
import { factKey, isSilent } from "./differences.ts";
import type { Dossier } from "./document.ts";

/**
 * Theirs, where each fact that ours has too keeps of ours what theirs leaves empty: a withdrawal, a note, a condition, the checksum
 * of a file. Facts of ours that theirs does not have are not in it. The model keeps the names we know it by.
 */
export function filledUp(ours: Dossier | undefined, theirs: Dossier): Dossier {
  if (!ours) return theirs;
  const byKey = <Value>(values: readonly Value[], key: (value: Value) => string) =>
    new Map(values.map((value) => [key(value), value]));
  const revisions = byKey(ours.model.hardwareRevisions, (r) => factKey.part(r.name));
  const parts = byKey(ours.components, (part) => factKey.part(part.name));
  const procedures = byKey(ours.procedures, factKey.procedure);
  const quirks = byKey(ours.quirks, factKey.quirk);
  const modes = byKey(ours.modes, factKey.mode);
  const settings = byKey(ours.settings, factKey.setting);
  const codes = byKey(ours.codes, factKey.code);
  return {
    ...theirs,
    model: {
      ...filled(ours.model, theirs.model),
      maker: ours.model.maker,
      name: ours.model.name,
      hardwareRevisions: theirs.model.hardwareRevisions.map((r) =>
        filled(revisions.get(factKey.part(r.name)), r),
      ),
      identity: filled(ours.model.identity, theirs.model.identity),
    },
    components: theirs.components.map((part) => {
      const own = parts.get(factKey.part(part.name));
      const releases = byKey(own?.releases ?? [], (r) => factKey.release("", r.version));
      return {
        ...filled(own, part),
        reading: filled(own?.reading, part.reading),
        releases: part.releases.map((release) => {
          const known = releases.get(factKey.release("", release.version));
          const conditions = release.conditions && filled(known?.conditions, release.conditions);
          return { ...filled(known, release), ...(conditions && { conditions }) };
        }),
      };
    }),
    procedures: theirs.procedures.map((p) => filled(procedures.get(factKey.procedure(p)), p)),
    modes: theirs.modes.map((m) => filled(modes.get(factKey.mode(m)), m)),
    settings: theirs.settings.map((s) => filled(settings.get(factKey.setting(s)), s)),
    codes: theirs.codes.map((c) => filled(codes.get(factKey.code(c)), c)),
    quirks: theirs.quirks.map((q) => filled(quirks.get(factKey.quirk(q)), q)),
  };
}

/** Each field as it is told, or as we have it where nothing is told. */
function filled<Fields extends object>(own: Fields | undefined, told: Fields): Fields {
  if (!own) return told;
  const kept = Object.entries(own).filter(([name]) => isSilent(told[name as keyof Fields]));
  return { ...told, ...Object.fromEntries(kept) };
}
