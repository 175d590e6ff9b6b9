// Differences of dossiers, fact by fact; which of them remain once theirs is taken; and who may do what in a club.
import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { ACTS, may, type Permission, ROLES, readRole } from "../club/index.ts";
import { plain as day } from "../quantities/index.ts";
import { cases } from "../quantities/testing.ts";
import { differencesOf, factKey, factsOf } from "./differences.ts";
import { type Dossier, readDossier } from "./document.ts";

const TODAY = day("2026-11-24");

type Plain = {
  note: string;
  releases: { version: string; risk: number; track: string }[];
  quirks: { symptom: string; cure: string }[];
  procedures: { title: string; keys: string[] }[];
};

function dossier(plain: Plain, from = "Lanternfen Radio Circle"): Dossier {
  const read = readDossier(
    JSON.stringify({
      format: "mossy-cabinet/dossier",
      version: 2,
      from,
      writtenOn: "2026-11-24",
      model: { maker: "Fenwright", name: "Wicket", kind: "handheld", note: plain.note, identity: {} },
      components: [
        {
          name: "main",
          reading: {},
          releases: plain.releases.map(({ version, track, risk }) => ({
            version,
            track,
            releasedOn: "2026-01-01",
            conditions: { risk },
          })),
        },
      ],
      procedures: plain.procedures.map(({ title, keys }) => ({
        purpose: "update-mode",
        title,
        steps: [{ kind: "hold", keys, turn: "on" }],
        source: { kind: "maker" },
      })),
      quirks: plain.quirks.map((q) => ({ ...q, source: { kind: "bench" } })),
    }),
    TODAY,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value.dossier;
}

const word = fc.constantFrom("alder", "bramble", "fern", "moss", "sedge");
const plain: fc.Arbitrary<Plain> = fc.record({
  note: fc.oneof(fc.constant(""), word),
  releases: fc.uniqueArray(
    fc.record({
      version: fc.constantFrom("1.0", "1.1", "1.2", "1.3"),
      risk: fc.integer({ min: 1, max: 3 }),
      track: fc.constantFrom("factory", "beta"),
    }),
    { selector: (r) => r.version, maxLength: 4 },
  ),
  quirks: fc.uniqueArray(fc.record({ symptom: word, cure: word }), {
    selector: (q) => q.symptom,
    maxLength: 3,
  }),
  procedures: fc.uniqueArray(
    fc.record({ title: word, keys: fc.array(word, { minLength: 1, maxLength: 2 }) }),
    {
      selector: (p) => p.title,
      maxLength: 3,
    },
  ),
});

/** Theirs laid over ours, written apart: what theirs says counts, what only ours says stays. */
function over(ours: Plain, theirs: Plain): Plain {
  const merged = <Item>(a: readonly Item[], b: readonly Item[], name: (item: Item) => string): Item[] => [
    ...a.filter((item) => !b.some((other) => name(other) === name(item))),
    ...b,
  ];
  return {
    note: theirs.note || ours.note,
    releases: merged(ours.releases, theirs.releases, (r) => r.version),
    quirks: merged(ours.quirks, theirs.quirks, (q) => q.symptom),
    procedures: merged(ours.procedures, theirs.procedures, (p) => p.title),
  };
}

it("what a model is known by is told by what its definition calls it", () => {
  const theirs = dossier({ note: "", releases: [], quirks: [], procedures: [] });
  const told = differencesOf(undefined, {
    ...theirs,
    model: {
      ...theirs.model,
      identity: {
        ...theirs.model.identity,
        antennaSocket: "fine thread",
        pickInTool: "as Gorse",
        stability: 2.5,
      },
    },
  });
  const fields = told.find(({ kind }) => kind === "identity")?.fields ?? [];
  expect(fields.find(({ name }) => name === "antennaSocket")).toMatchObject({
    called: "Antenna socket",
    theirs: "fine thread",
  });
  expect(fields.find(({ name }) => name === "stability")?.called).toBe("Keeps its frequency within, ppm");
  expect(fields.find(({ name }) => name === "pickInTool")?.called).toBe("In the tool pick");
  expect(fields.find(({ name }) => name === "kind")).not.toHaveProperty("called");
});

describe("differences", () => {
  it("are none of a dossier to itself, and none are left once theirs is laid over ours", () => {
    fc.assert(
      fc.property(plain, plain, (ours, theirs) => {
        expect(differencesOf(dossier(ours), dossier(ours, "another club"))).toEqual([]);
        expect(differencesOf(dossier(over(ours, theirs)), dossier(theirs))).toEqual([]);
      }),
      { numRuns: cases(300) },
    );
  });

  it("are just the facts that theirs has otherwise or alone", () => {
    fc.assert(
      fc.property(plain, plain, (ours, theirs) => {
        const told = differencesOf(dossier(ours), dossier(theirs)).map((d) => d.key);
        const same = (list: readonly object[], item: object) =>
          list.some((other) => JSON.stringify(other) === JSON.stringify(item));
        const expected = [
          ...(theirs.note !== "" && theirs.note !== ours.note ? ["identity"] : []),
          ...theirs.releases
            .filter((r) => !same(ours.releases, r))
            .map((r) => factKey.release("main", r.version)),
          ...theirs.procedures
            .filter((p) => !same(ours.procedures, p))
            .map((p) => factKey.procedure({ purpose: "update-mode", title: p.title })),
          ...theirs.quirks.filter((q) => !same(ours.quirks, q)).map((q) => factKey.quirk(q)),
        ];
        expect([...told].sort()).toEqual(expected.sort());
      }),
      { numRuns: cases(300) },
    );
  });

  it("name the field and both sides; of what we do not have, theirs alone", () => {
    const ours = {
      note: "",
      releases: [{ version: "1.0", risk: 1, track: "factory" }],
      quirks: [],
      procedures: [],
    };
    const theirs = {
      ...ours,
      releases: [
        { version: "1.0", risk: 3, track: "factory" },
        { version: "1.1", risk: 1, track: "beta" },
      ],
    };
    const [changed, added] = differencesOf(dossier(ours), dossier(theirs));
    expect(changed).toMatchObject({ kind: "release", title: "main 1.0" });
    expect(changed?.fields).toEqual([{ name: "risk", ours: "1", theirs: "3" }]);
    expect(added?.fields.every((f) => f.ours === undefined)).toBe(true);
    expect(added?.fields).toContainEqual({ name: "track", ours: undefined, theirs: "beta" });
  });

  it("without a dossier of ours everything is new", () => {
    fc.assert(
      fc.property(plain, (theirs) => {
        const told = differencesOf(undefined, dossier(theirs));
        const saying = factsOf(dossier(theirs)).filter((f) => told.some((d) => d.key === f.key));
        expect(told).toHaveLength(saying.length);
        expect(told.length).toBeGreaterThanOrEqual(
          theirs.releases.length + theirs.quirks.length + theirs.procedures.length,
        );
      }),
      { numRuns: cases(100) },
    );
  });

  it("keys do not hang on letter case, width or blanks", () => {
    expect(factKey.release("Main ", "V1.0")).toBe(factKey.release("main", "ｖ1.0"));
    expect(factKey.quirk({ symptom: " LO MEM" })).toBe(factKey.quirk({ symptom: "lo mem" }));
    expect(factKey.part("DSP")).not.toBe(factKey.part("panel"));
  });
});

describe("who may do what", () => {
  it("a keeper everything, a bench hand nothing that the club's rules hang on, a member only look and practise", () => {
    const keepersOnly: Permission[] = [
      "edit-model",
      "edit-release",
      "import-units",
      "edit-club",
      "recover-shelved",
      "pass-backup",
    ];
    for (const act of ACTS) {
      expect([act, may("keeper", act)]).toEqual([act, true]);
      expect([act, may("bench", act)]).toEqual([act, !keepersOnly.includes(act)]);
      expect([act, may("member", act)]).toEqual([act, act === "look" || act === "practise"]);
    }
  });

  it("a member reads the radio that they have, and does nothing else to it", () => {
    for (const act of ACTS) {
      expect([act, may("member", act, { holdsUnit: true })]).toEqual([
        act,
        act === "look" || act === "practise" || act === "record-reading",
      ]);
    }
  });

  test.each([
    ...ROLES.map((role): [string, string] => [role, role]),
    ["owner", "member"],
    ["", "member"],
    ["KEEPER", "member"],
  ])("the role “%s” is read as %s", (text, role) => {
    expect(readRole(text)).toBe(role);
  });
});
