// The forms of dossiers: what is stored comes back as the text that stores it again, and what is wrong is answered at its field.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { identityShape, partReadingShape } from "#core/dossier/identity.ts";
import { layoutShape } from "#core/dossier/layout.ts";
import { plain } from "#core/quantities/date.ts";
import { conditionsShape, ERASES, WAYS } from "#core/release/conditions.ts";
import type { ReleaseRow } from "#db/facts.ts";
import { identityValues, readIdentity } from "./identity-form.ts";
import { procedureValues, quirkValues, readProcedure, readQuirk } from "./procedure-form.ts";
import { conditionsOf, newReleaseValues, releaseShape, releaseValues } from "./release-form.ts";
import { moveLine } from "./step-editor.tsx";

const version = fc.tuple(fc.nat(9), fc.nat(99)).map(([a, b]) => `${a}.${b}`);
const word = fc.stringMatching(/^[a-z]{2,8}$/);
const range = fc.oneof(
  version.map((atLeast) => [{ atLeast }]),
  version.map((below) => [{ below }]),
  fc.tuple(version, version).map(([atLeast, atMost]) => [{ atLeast, atMost }]),
);
const conditions = fc
  .record(
    {
      from: range,
      fromTracks: fc.subarray(["factory", "beta", "community"] as const, { minLength: 1 }),
      requires: fc.array(fc.record({ component: word, range }), { maxLength: 3 }),
      rollbackFloor: version,
      erases: fc.constantFrom(...ERASES),
      ways: fc.subarray([...WAYS]),
      tool: fc.oneof(fc.record({ name: word }), fc.record({ name: word, range })),
      minutes: fc.integer({ min: 1, max: 1000 }),
      risk: fc.integer({ min: 1, max: 5 }),
      unchanged: word,
    },
    { requiredKeys: [] },
  )
  .map((told) => conditionsShape.parse(told));

const row = (told: ReleaseRow["conditions"]): ReleaseRow => ({
  id: "1",
  component_id: "2",
  version: "1.2",
  aliases: ["one", "two"],
  track: "beta",
  released_on: plain("2026-03-04"),
  withdrawn_on: null,
  withdrawn_why: null,
  hardware_revisions: ["7"],
  regions: ["north", "west"],
  fixes: [{ tag: "clock", urgency: "fix", text: "keeps time, at last" }],
  notes: "n",
  source: "s",
  source_kind: "bench",
  position: 0,
  conditions: told,
  draft: false,
  file_sha256: "a".repeat(64),
  file_size: "4096",
  file_name: "x.img",
});

describe("releases", () => {
  test("a release's conditions, shown in the form and read back, are the same", () => {
    fc.assert(
      fc.property(conditions, (told) => {
        const values = releaseValues(row(told), [{ id: "7", name: "B", how_to_tell: "", serials: [] }]);
        const read = releaseShape.parse(values);
        expect(conditionsOf(read)).toEqual(told);
        expect(read).toMatchObject({
          version: "1.2",
          aliases: ["one", "two"],
          revisions: ["B"],
          regions: ["north", "west"],
          fixes: [{ tag: "clock", urgency: "fix", text: "keeps time, at last" }],
          fileSize: 4096,
        });
      }),
    );
  });

  test("what is wrong is answered at its field, in words that say what was expected", () => {
    const trouble = (values: Record<string, string>) => {
      const read = releaseShape.safeParse({
        component: "1",
        version: "1",
        ...newReleaseValues(plain("2026-01-01")),
        ...values,
      });
      return read.success ? {} : Object.fromEntries(read.error.issues.map((i) => [i.path[0], i.message]));
    };
    expect(trouble({})).toEqual({});
    expect(trouble({ from: ">=" }).from).toContain("write for instance >= 1.06");
    expect(trouble({ requires: "dsp" }).requires).toContain("dsp >= 2.0");
    expect(trouble({ requires: "dsp >=" }).requires).toContain("is no range");
    expect(trouble({ ways: "cable, pigeon" }).ways).toContain("cable, bluetooth, card, phone");
    expect(trouble({ fromTracks: "beta, wild" }).fromTracks).toContain("factory, beta, community");
    expect(trouble({ minutes: "soon" }).minutes).toBe("A whole number.");
    expect(trouble({ minutes: "1.5" }).minutes).toBe("A whole number.");
    expect(trouble({ sha256: "abc" }).sha256).toContain("64");
    expect(trouble({ releasedOn: "2026-02-30" }).releasedOn).toContain("real date");
    expect(trouble({ fixes: "clock, urgent, x" }).fixes).toContain("tag, urgency, words");
  });
});

describe("procedures and quirks", () => {
  const layout = layoutShape.parse({ body: "handheld", left: ["talk"], rows: [["5", "6"]] });
  const known = {
    layout,
    parts: [{ id: "3", name: "main" }],
    revisions: [{ id: "7", name: "B", how_to_tell: "", serials: [] }],
  };
  const values = {
    purpose: "update-mode",
    title: "Enter it",
    effect: "harmless",
    steps: "turn off\nhold talk + 5, turn on; lamp amber",
    component: "3",
    firmware: ">= 1.06",
    revisions: "b",
    minutes: "2",
    sourceKind: "maker",
    sourceWhat: "page 3",
  };

  test("a procedure reads, and shown again reads the same", () => {
    const { errors, fields } = readProcedure(values, known, false);
    expect(errors).toEqual({});
    if (!fields) throw new Error("no fields");
    expect(fields).toMatchObject({
      component_id: "3",
      firmware: [{ atLeast: "1.06" }],
      hardware_revisions: ["7"],
      draft: false,
      source: { kind: "maker", what: "page 3" },
    });
    const again = readProcedure(procedureValues({ id: "1", ...fields }, known.revisions), known, false);
    expect(again.fields).toEqual(fields);
  });

  test("lines that are no steps stop it, but a draft keeps every one of them", () => {
    const odd = { ...values, steps: "hold talk + 9\nwiggle\n\nturn off" };
    const { errors } = readProcedure(odd, known, false);
    expect(errors.steps).toContain("no key “9”");
    expect(errors.steps).toContain("“wiggle” begins no step");
    expect(readProcedure(odd, known, true).fields).toMatchObject({
      draft: true,
      steps: [{ kind: "hold" }, { kind: "note", what: "wiggle" }, { kind: "turn", to: "off" }],
    });
    expect(readProcedure(values, known, true).fields?.draft).toBe(false);
    expect(readProcedure({ ...values, steps: " \n" }, known, true).errors.steps).toBe(
      "Write at least one step.",
    );
    expect(readProcedure({ ...values, firmware: "about 2 <" }, known, false).errors.firmware).toContain(
      "is no range",
    );
    expect(readProcedure({ ...values, component: "9" }, known, false).errors.component).toContain(
      "no such part",
    );
    expect(readProcedure({ ...values, revisions: "Z" }, known, false).errors.revisions).toContain(
      "no such hardware",
    );
  });

  test("a quirk reads, and shown again reads the same", () => {
    const { fields } = readQuirk(
      { symptom: "hums", cure: "wait", firmware: "", sourceKind: "hearsay" },
      known,
    );
    expect(fields).toMatchObject({ symptom: "hums", firmware: null, source: { kind: "hearsay", what: "" } });
    if (fields) expect(readQuirk(quirkValues({ id: "1", ...fields }), known).fields).toEqual(fields);
    expect(readQuirk({ symptom: " ", sourceKind: "maker" }, known).errors.symptom).toBe("Say what one sees.");
    expect(readQuirk({ symptom: "x", sourceKind: "dream" }, known).errors.sourceKind).toBe(
      "Say where it is from.",
    );
  });
});

test("moving a line keeps all the others in their order", () => {
  fc.assert(
    fc.property(fc.array(word, { minLength: 1, maxLength: 8 }), fc.nat(9), fc.nat(9), (lines, from, to) => {
      const moved = moveLine(lines.join("\n"), from, to).split("\n");
      expect([...moved].sort()).toEqual([...lines].sort());
      if (from >= lines.length || to >= lines.length) {
        expect(moved).toEqual(lines);
        return;
      }
      expect(moved[to]).toBe(lines[from]);
      const rest = (list: string[], at: number) => list.filter((_, i) => i !== at);
      expect(rest(moved, to)).toEqual(rest(lines, from));
    }),
  );
});

describe("what a model is known by", () => {
  const texts = fc.array(word, { maxLength: 3 });
  const source = fc.option(fc.record({ kind: fc.constantFrom("maker", "hearsay"), what: word }), {
    nil: undefined,
  });
  const head = fc
    .record({
      soldAs: texts,
      labels: texts,
      pickInTool: word,
      source,
      keys: fc.uniqueArray(word, { minLength: 1, maxLength: 6 }),
      where: fc.constantFrom("menu", "tool", undefined),
      how: word,
      read: source,
    })
    .map(({ keys, where, how, read, ...rest }) => ({
      identity: identityShape.parse({
        ...rest,
        layout: layoutShape.parse({ body: "handheld", rows: [keys] }),
      }),
      parts: [{ id: "5", name: "main", reading: partReadingShape.parse({ where, how, source: read }) }],
    }));

  test("shown in the form and read back, is the same", () => {
    fc.assert(
      fc.property(head, (told) => {
        expect(readIdentity(identityValues(told), "handheld", told.parts)).toEqual(told);
      }),
    );
  });

  test("parts of one name, nameless, or of two words; keys of one name; a source of no kind", () => {
    const parts = [{ id: "1" }, { id: "2" }, { id: "3" }];
    const read = readIdentity(
      {
        lamp: "top",
        "name-1": "main",
        "name-2": "Main",
        "name-3": "two words",
        rows: "a, b\na",
        sourceWhat: "somewhere",
        "2-sourceWhat": "elsewhere",
        "how-3": "x".repeat(501),
      },
      "handheld",
      parts,
    );
    if (!("errors" in read)) throw new Error("it was taken");
    expect(Object.keys(read.errors).sort()).toEqual(
      ["2-sourceKind", "how-3", "name-2", "name-3", "rows", "sourceKind"].sort(),
    );
    expect(readIdentity({ "name-1": "", lamp: "top" }, "base", [{ id: "1" }])).toMatchObject({
      errors: { "name-1": expect.stringContaining("a name") },
    });
  });
});
