// Two models that are one: what is gained and what is told otherwise, against a reading of its own.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { factsOf } from "./differences.ts";
import { type Dossier, dossierDocument, FORMAT, FORMAT_VERSION } from "./document.ts";
import { mergeEffect, toldOf } from "./merged.ts";

const words = fc.constantFrom("Gorse", "Sedge", "gorse", "rig 1", "rig 2");
const list = fc.uniqueArray(words, { maxLength: 3 });
const dossier = (name: string): fc.Arbitrary<Dossier> =>
  fc
    .record({
      note: fc.constantFrom("", "by the door", "green"),
      suffixes: list,
      soldAs: list,
      plugs: list,
      labels: list,
      pickInTool: fc.constantFrom("", "as Gorse"),
      revisions: list,
      quirks: fc.uniqueArray(
        fc.record({
          symptom: fc.constantFrom("hums", "Hums", "clicks"),
          cure: fc.constantFrom("", "wait", "restart"),
        }),
        { maxLength: 3, selector: (q) => q.symptom.toLowerCase() },
      ),
    })
    .map((told) =>
      dossierDocument.parse({
        format: FORMAT,
        version: FORMAT_VERSION,
        from: "ours",
        writtenOn: "2027-05-01",
        model: {
          maker: "Tarn",
          name,
          kind: "handheld",
          note: told.note,
          suffixes: told.suffixes,
          hardwareRevisions: told.revisions.map((one) => ({ name: one, howToTell: "", serials: [] })),
          identity: {
            soldAs: told.soldAs,
            plugs: told.plugs,
            labels: told.labels,
            pickInTool: told.pickInTool,
            screens: [],
          },
        },
        components: [{ name: "main", reading: {}, releases: [] }],
        procedures: [],
        modes: [],
        settings: [],
        codes: [],
        quirks: told.quirks.map((q) => ({ ...q, cause: "", source: { kind: "bench", what: "" } })),
      }),
    );

const low = (all: readonly string[]) => new Set(all.map((one) => one.toLowerCase()));

describe("two models that are one", () => {
  test("lists of the model hold what both said, each once; its name is one of those it is sold under", () => {
    fc.assert(
      fc.property(dossier("Gorse"), dossier("Gorse 2"), (into, gone) => {
        const told = toldOf(into, gone).model;
        expect([told.maker, told.name]).toEqual(["Tarn", "Gorse"]);
        for (const field of ["plugs", "labels"] as const)
          expect(low(told.identity[field])).toEqual(
            low([...into.model.identity[field], ...gone.model.identity[field]]),
          );
        expect(low(told.suffixes)).toEqual(low([...into.model.suffixes, ...gone.model.suffixes]));
        expect(told.identity.soldAs.some((name) => name.toLowerCase() === "gorse")).toBe(false);
        expect(low(told.identity.soldAs).has("gorse 2")).toBe(true);
        for (const names of [told.suffixes, told.identity.soldAs, told.identity.plugs])
          expect(low(names).size).toBe(names.length);
        expect(told.identity.pickInTool).toBe(
          into.model.identity.pickInTool || gone.model.identity.pickInTool,
        );
      }),
    );
  });

  test("what only the one that goes knows is gained; what both know otherwise is told apart; the rest is silent", () => {
    fc.assert(
      fc.property(dossier("Gorse"), dossier("Gorse 2"), (into, gone) => {
        const effect = mergeEffect(into, gone);
        const cures = (d: Dossier) => new Map(d.quirks.map((q) => [q.symptom.toLowerCase(), q]));
        const [ours, theirs] = [cures(into), cures(gone)];
        const expected = { gains: [] as string[], differs: [] as string[] };
        for (const [symptom, q] of theirs) {
          const own = ours.get(symptom);
          if (!own) expected.gains.push(symptom);
          // The words differ by their case, or the cure by what it says; one that says nothing takes nothing away.
          else if (q.symptom !== own.symptom) expected.differs.push(symptom);
          else if (q.cure !== "" && q.cure !== own.cure)
            (own.cure === "" ? expected.gains : expected.differs).push(symptom);
        }
        const quirks = (list: typeof effect.gains) =>
          list.filter(({ kind }) => kind === "quirk").map(({ key }) => key.replace("quirk ", ""));
        expect(quirks(effect.gains).sort()).toEqual(expected.gains.sort());
        expect(quirks(effect.differs).sort()).toEqual(expected.differs.sort());
        const keys = new Set(factsOf(gone).map(({ key }) => key));
        for (const one of [...effect.gains, ...effect.differs]) expect(keys.has(one.key)).toBe(true);
        expect(effect.gains.some(({ kind }) => kind === "identity")).toBe(true);
      }),
    );
  });
});
