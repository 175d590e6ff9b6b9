// Filling up: nothing that ours says is lost where theirs is silent, and all that theirs says stands.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { plain } from "../quantities/index.ts";
import { differencesOf, factsOf, isSilent } from "./differences.ts";
import { type Dossier, readDossier } from "./document.ts";
import { filledUp } from "./fill-up.ts";

const TODAY = plain("2026-11-24");

const read = (value: unknown): Dossier => {
  const found = readDossier(JSON.stringify(value), TODAY);
  if (!found.ok) throw new Error(JSON.stringify(found.problem));
  return found.value.dossier;
};
const few = <Value>(...values: Value[]) => fc.option(fc.constantFrom(...values), { nil: undefined });

const release = fc.record({
  version: fc.constantFrom("1.0", "1.1", "1.2"),
  track: fc.constantFrom("factory", "beta"),
  releasedOn: fc.constant("2026-01-01"),
  withdrawn: few({ on: "2026-02-01", why: "bricks" }),
  notes: few("", "slow"),
  aliases: few([], ["one"], ["one", "uno"]),
  hardwareRevisions: few(["2"], ["2", "3"]),
  regions: few(["north"]),
  draft: few(true, false),
  fixes: few([], [{ tag: "squelch", urgency: "safety", text: "opens" }]),
  conditions: few({ erases: "everything" }, { erases: "settings", from: [{ atLeast: "1.0" }] }),
  file: few({ sha256: "a".repeat(64), size: 12, name: "f.bin" }),
});
const dossier = fc
  .record({
    note: few("", "quiet"),
    suffixes: few([], ["X"]),
    revisions: fc.uniqueArray(
      fc.record({ name: fc.constantFrom("2", "3"), howToTell: few("", "a dot under the cap") }),
      { selector: (r) => r.name },
    ),
    numbering: few({ kind: "dotted" }),
    releases: fc.uniqueArray(release, { selector: (r) => r.version }),
    cause: few("", "worn spring"),
    minutes: fc.constantFrom(5, 9),
    draft: few(true, false),
  })
  .map((d) =>
    read({
      format: "mossy-cabinet/dossier",
      version: 2,
      from: "Lanternfen Radio Circle",
      writtenOn: "2026-11-24",
      model: {
        maker: "Fenwright",
        name: "Wicket",
        kind: "handheld",
        note: d.note,
        suffixes: d.suffixes,
        hardwareRevisions: d.revisions,
        identity: {},
      },
      components: [{ name: "main", numbering: d.numbering, reading: {}, releases: d.releases }],
      procedures: [
        {
          purpose: "update-mode",
          title: "Enter update mode",
          steps: [{ kind: "hold", keys: ["talk"], turn: "on" }],
          minutes: d.minutes,
          draft: d.draft,
          source: { kind: "maker" },
        },
      ],
      quirks: [{ symptom: "LO MEM", cause: d.cause, source: { kind: "bench" } }],
    }),
  );

describe("filled up with ours", () => {
  test("each field is theirs where they say something, or else ours", () => {
    fc.assert(
      fc.property(dossier, dossier, (ours, theirs) => {
        const own = new Map(factsOf(ours).map((fact) => [fact.key, fact.fields]));
        const told = new Map(factsOf(theirs).map((fact) => [fact.key, fact.fields]));
        for (const { key, fields } of factsOf(filledUp(ours, theirs))) {
          for (const [name, value] of Object.entries(fields)) {
            const said = told.get(key)?.[name];
            if (name === "hardwareRevisions" && key === "identity") continue;
            expect([key, name, value]).toEqual([
              key,
              name,
              isSilent(said) ? (own.get(key)?.[name] ?? said) : said,
            ]);
          }
        }
      }),
    );
  });

  test("it has the facts of theirs and no other, and differs from ours just as theirs does", () => {
    fc.assert(
      fc.property(dossier, dossier, (ours, theirs) => {
        const filled = filledUp(ours, theirs);
        expect(factsOf(filled).map((f) => f.key)).toEqual(factsOf(theirs).map((f) => f.key));
        const where = (d: Dossier) =>
          differencesOf(ours, d).flatMap((x) =>
            x.fields.filter((f) => f.name !== "hardwareRevisions").map((f) => [x.key, f.name, f.theirs]),
          );
        expect(where(filled)).toEqual(where(theirs));
        expect(filledUp(ours, filled)).toEqual(filled);
        expect(filledUp(undefined, theirs)).toBe(theirs);
      }),
    );
  });

  test("a withdrawal, a draft and how to tell a revision are kept where theirs is silent; our names stay", () => {
    const [ours] = fc.sample(dossier, { numRuns: 1, seed: 1 });
    if (!ours) throw new Error("a sample");
    const [part] = ours.components;
    const mine: Dossier = read({
      ...ours,
      model: { ...ours.model, hardwareRevisions: [{ name: "2", howToTell: "a dot" }] },
      components: [
        {
          ...part,
          releases: [
            {
              version: "1.1",
              track: "factory",
              releasedOn: "2026-01-01",
              withdrawn: { on: "2026-02-01", why: "bricks" },
              draft: true,
            },
          ],
        },
      ],
    });
    const theirs = read({
      ...ours,
      model: {
        ...ours.model,
        maker: "FENWRIGHT",
        name: "wicket",
        hardwareRevisions: [{ name: "2" }, { name: "4" }],
      },
      components: [
        {
          ...part,
          releases: [{ version: "1.1", track: "factory", releasedOn: "2026-01-01", notes: "slow" }],
        },
      ],
    });
    const filled = filledUp(mine, theirs);
    expect(filled.components[0]?.releases[0]).toMatchObject({
      notes: "slow",
      draft: true,
      withdrawn: { on: "2026-02-01", why: "bricks" },
    });
    expect(filled.model).toMatchObject({ maker: "Fenwright", name: "Wicket" });
    expect(filled.model.hardwareRevisions.map((r) => [r.name, r.howToTell])).toEqual([
      ["2", "a dot"],
      ["4", ""],
    ]);
  });
});
