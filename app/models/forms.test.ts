// The forms of dossiers: what is stored comes back as the text that stores it again, and what is wrong is answered at its field.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { identityShape, layoutShape, partReadingShape } from "#core/dossier/index.ts";
import { plain, type Result } from "#core/quantities/index.ts";
import {
  conditionsShape,
  ERASES,
  findReleases,
  newReleaseValues,
  PLAIN_CONDITIONS,
  type ReleaseRow,
  type ReleaseValues,
  readRelease,
  releaseValues,
  WAYS,
  withEmptyRows,
  writtenOf,
} from "#core/release/index.ts";
import { type ModeRow, modeFacts } from "#db/model/index.ts";
import { identityValues, readIdentity } from "./identity-form.ts";
import { modeValues, pairName, readMode } from "./procedure/mode-form.ts";
import { procedureValues, quirkValues, readProcedure, readQuirk } from "./procedure/procedure-form.ts";
import { moveLine } from "./procedure/step-editor.tsx";
import { fieldName, readShown, sentShown, shownOf } from "./release/notes-form.ts";

const version = fc.tuple(fc.nat(9), fc.nat(99)).map(([a, b]) => `${a}.${b}`);
const word = fc.stringMatching(/^[a-z]{2,8}$/);
const range = fc.oneof(
  version.map((atLeast) => [{ atLeast }]),
  version.map((below) => [{ below }]),
  fc.tuple(version, version).map(([atLeast, atMost]) => [{ atLeast, atMost }]),
  fc.tuple(version, version).map(([above, below]) => [{ above }, { below }, { atLeast: above, below }]),
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

type Answered<Value> = Result<Value, { kind: "fields"; errors: Record<string, string> }>;
const taken = <Value>(read: Answered<Value>): Value => {
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value;
};
const wrong = (read: Answered<unknown>): Record<string, string> => (read.ok ? {} : read.problem.errors);

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
        const written = writtenOf(row(told), () => "B");
        const revisions = [
          { id: "7", name: "B" },
          { id: "8", name: "C" },
        ];
        const read = readRelease(releaseValues("2", written, revisions), revisions);
        if (!read.ok) throw new Error(JSON.stringify(read.problem));
        expect(read.value).toEqual({ component: "2", release: written });
        expect(read.value.release.conditions ?? PLAIN_CONDITIONS).toEqual(told);
        expect(read.value.release).toMatchObject({
          version: "1.2",
          aliases: ["one", "two"],
          hardwareRevisions: ["B"],
          regions: ["north", "west"],
          fixes: [{ tag: "clock", urgency: "fix", text: "keeps time, at last" }],
        });
      }),
    );
  });

  test("what stands in the choices of empty rows is no change: it is drawn with the form, and reads as nothing", () => {
    fc.assert(
      fc.property(conditions, (told) => {
        const values = releaseValues(
          "2",
          writtenOf(row(told), () => "B"),
        );
        const drawn = withEmptyRows(values);
        expect(drawn).toMatchObject(values);
        expect(readRelease(drawn)).toEqual(readRelease(values));
        const more = Object.keys(drawn).filter((name) => !(name in values));
        expect(more.filter((name) => !/-(urgency|lowSign|highSign)$/.test(name))).toEqual([]);
        const rows = told.requires.length;
        for (const name of ["fix-1-urgency", "fix-10-urgency", `requires-${rows + 8}-1-highSign`])
          expect(more).toContain(name);
        for (const [name, range] of [
          ["from", told.from],
          ["tool", told.tool?.range],
        ] as const)
          expect(more).toContain(`${name}-${Math.max(1, range?.length ?? 0)}-lowSign`);
      }),
    );
  });

  test("what is wrong is answered at its field, in words that say what was expected", () => {
    const trouble = (values: Record<string, string>) => {
      const read = readRelease({
        component: "1",
        version: "1",
        ...newReleaseValues(plain("2026-01-01")),
        ...values,
      });
      return read.ok ? {} : read.problem.errors;
    };
    expect(trouble({})).toEqual({});
    expect(trouble({ "from-0-low": ">= 1.06" })["from-0-low"]).toContain("its sign is picked beside it");
    expect(trouble({ "from-1-high": "9".repeat(201) })["from-1-high"]).toContain("At most 200");
    expect(trouble({ "requires-0-part": "dsp" })["requires-0-0-low"]).toContain("which version");
    expect(trouble({ "requires-3-0-high": "2.0" })["requires-3-part"]).toContain("which part");
    expect(trouble({ "tool-0-low": "2.0" }).tool).toContain("which software");
    expect(trouble({ tool: "t".repeat(81) }).tool).toContain("80");
    // Nothing is wrong with an end whose version was left open, nor with a row that says how urgent nothing is.
    expect(trouble({ "from-0-lowSign": "above", "fix-0-urgency": "safety" })).toEqual({});
    expect(trouble({ minutes: "soon" }).minutes).toBe("A whole number.");
    expect(trouble({ minutes: "1.5" }).minutes).toBe("A whole number.");
    expect(trouble({ sha256: "abc" }).sha256).toContain("64");
    expect(trouble({ releasedOn: "2026-02-30" }).releasedOn).toContain("real date");
    expect(trouble({ "fix-2-words": "x" })["fix-2-tag"]).toContain("A word to watch for");
    expect(trouble({ "fix-0-tag": "c".repeat(101) })["fix-0-tag"]).toContain("At most 100");
    expect(trouble({ "fix-0-tag": "c", "fix-0-words": "w".repeat(501) })["fix-0-words"]).toContain("500");
    const many = (rows: number, name: string) =>
      Object.fromEntries(Array.from({ length: rows }, (_, at) => [name.replace("N", String(at)), `r${at}`]));
    expect(trouble(many(201, "fix-N-tag")).fixes).toContain("At most 200");
    expect(trouble(many(200, "fix-N-tag"))).toEqual({});
    expect(trouble(many(51, "region-N-name")).regions).toContain("At most 50");
    expect(trouble(many(51, "alias-N-name")).aliases).toContain("At most 50");
    expect(trouble({ ...many(51, "requires-N-part"), ...many(51, "requires-N-0-low") }).requires).toContain(
      "At most 50",
    );
    // All that is wrong is told at once.
    expect(
      Object.keys(
        trouble({ version: " ", "fix-0-words": "x", "requires-0-part": "dsp", minutes: "0" }),
      ).sort(),
    ).toEqual(["fix-0-tag", "minutes", "requires-0-0-low", "version"]);
    expect(trouble({ withdrawnOn: "2026-01-02" }).withdrawnWhy).toContain("Say why");
    expect(trouble({ sourceWhat: "leaflet" }).sourceKind).toContain("what kind");
  });
});

describe("release notes", () => {
  const values = (told: object): ReleaseValues => ({ version: "1.2", releasedOn: "2026-03-04", ...told });
  const sent = (...blocks: ReleaseValues[]): FormData => {
    const form = new FormData();
    form.set("count", String(blocks.length));
    for (const [i, block] of blocks.entries())
      for (const [name, value] of Object.entries(block)) form.append(fieldName(i, name), value);
    return form;
  };

  test("what is found is shown in the fields of a release, and comes back as it was shown", () => {
    const text = "Version 1.18, 12 October 2026\n- fixes the clock\n- Requires version 1.10 or newer";
    const [found] = findReleases(text, ["1.10"], []).proposals;
    if (!found) throw new Error("nothing was found");
    const shown = shownOf(found, false);
    expect(shown.picked).toBe(true);
    expect(shownOf(found, true).picked).toBe(false);
    expect(shown.values).toMatchObject({
      version: "1.18",
      "from-0-low": "1.10",
      "from-0-lowSign": "atLeast",
    });
    expect(shown.values["fix-0-words"]).toContain("clock");
    expect(shown.lines).toEqual([2]);
    const form = sent({
      ...shown.values,
      pick: "on",
      "fix-0-line": "2",
      "fix-1-words": "",
      "fix-1-line": "",
    });
    expect(sentShown(form)).toEqual([
      {
        ...shown,
        lines: [2, undefined],
        values: { ...shown.values, "fix-0-line": "2", "fix-1-words": "", "fix-1-line": "" },
      },
    ]);
    const read = readShown(sentShown(form), "the leaflet");
    expect(read.wrong.size).toBe(0);
    expect(read.releases).toMatchObject([
      {
        version: "1.18",
        conditions: { from: [{ atLeast: "1.10" }], minutes: 5, risk: 2 },
        source: { kind: "maker", what: "the leaflet" },
      },
    ]);
  });

  test("what is not picked is not read; what is wrong is told of its own release; more releases than there are count for nothing", () => {
    const form = sent(
      values({}),
      values({ pick: "on", releasedOn: "" }),
      values({ pick: "on", "fix-0-words": "x" }),
    );
    form.append("r7-version", "9");
    const { releases, wrong } = readShown(sentShown(form), "");
    expect(releases).toEqual([]);
    expect([...wrong.keys()]).toEqual([1, 2]);
    expect(wrong.get(1)?.releasedOn).toContain("real date");
    expect(wrong.get(2)?.["fix-0-tag"]).toContain("word to watch for");
    form.set("count", "999999");
    expect(sentShown(form)).toHaveLength(60);
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
    const fields = taken(readProcedure(values, known, false));
    expect(fields).toMatchObject({
      component: "3",
      firmware: [{ atLeast: "1.06" }],
      revisions: ["7"],
      draft: false,
      source: { kind: "maker", what: "page 3" },
    });
    const { component: component_id, revisions, ...rest } = fields;
    const row = { id: "1", ...rest, component_id, hardware_revisions: revisions ? [...revisions] : null };
    const again = readProcedure(procedureValues(row, known.revisions), known, false);
    expect(taken(again)).toEqual(fields);
  });

  test("lines that are no steps stop it, but a draft keeps every one of them", () => {
    const odd = { ...values, steps: "hold talk + 9\nwiggle\n\nturn off" };
    const errors = wrong(readProcedure(odd, known, false));
    expect(errors.steps).toContain("no key “9”");
    expect(errors.steps).toContain("“wiggle” begins no step");
    expect(taken(readProcedure(odd, known, true))).toMatchObject({
      draft: true,
      steps: [{ kind: "hold" }, { kind: "note", what: "wiggle" }, { kind: "turn", to: "off" }],
    });
    expect(taken(readProcedure(values, known, true)).draft).toBe(false);
    expect(wrong(readProcedure({ ...values, steps: " \n" }, known, true)).steps).toBe(
      "Write at least one step.",
    );
    expect(wrong(readProcedure({ ...values, firmware: "about 2 <" }, known, false)).firmware).toContain(
      "is no range",
    );
    expect(wrong(readProcedure({ ...values, component: "9" }, known, false)).component).toContain(
      "no such part",
    );
    expect(wrong(readProcedure({ ...values, revisions: "Z" }, known, false)).revisions).toContain(
      "no such hardware",
    );
  });

  test("a quirk reads, and shown again reads the same", () => {
    const fields = taken(
      readQuirk({ symptom: "hums", cure: "wait", firmware: "", sourceKind: "hearsay" }, known),
    );
    expect(fields).toMatchObject({ symptom: "hums", firmware: null, source: { kind: "hearsay", what: "" } });
    const { component: component_id, ...rest } = fields;
    expect(taken(readQuirk(quirkValues({ id: "1", ...rest, component_id }), known))).toEqual(fields);
    expect(wrong(readQuirk({ symptom: " ", sourceKind: "maker" }, known)).symptom).toBe("Say what one sees.");
    expect(wrong(readQuirk({ symptom: "x", sourceKind: "dream" }, known)).sourceKind).toBe(
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
        expect(readIdentity(identityValues(told), "handheld", told.parts)).toEqual({ ok: true, value: told });
      }),
    );
  });

  test("parts of one name, nameless, or with a comma; keys of one name; a source of no kind", () => {
    const parts = [{ id: "1" }, { id: "2" }, { id: "3" }];
    const read = readIdentity(
      {
        lamp: "top",
        "name-1": "main",
        "name-2": "Main",
        "name-3": "two, words",
        rows: "a, b\na",
        sourceWhat: "somewhere",
        "2-sourceWhat": "elsewhere",
        "how-3": "x".repeat(501),
      },
      "handheld",
      parts,
    );
    expect(Object.keys(wrong(read)).sort()).toEqual(
      ["2-sourceKind", "how-3", "name-2", "name-3", "rows", "sourceKind"].sort(),
    );
    expect(readIdentity({ "name-1": "", lamp: "top" }, "base", [{ id: "1" }])).toMatchObject({
      problem: { errors: { "name-1": expect.stringContaining("a name") } },
    });
  });
});

describe("a mode", () => {
  const known = {
    layout: undefined,
    parts: [{ id: "2", name: "main" }],
    revisions: [{ id: "7", name: "B" }] as never,
  };
  const hertz = fc.integer({ min: 1_000_000, max: 2_000_000_000 });
  const band = fc.tuple(hertz, hertz).map(([from, width]) => ({ from, to: from + width }));
  const stored = fc.record({
    transmit: fc.array(band, { maxLength: 4 }),
    receive: fc.array(band, { maxLength: 4 }),
    fixed: fc.array(
      fc.record(
        { frequency: hertz, watts: fc.constantFrom(0.5, 2, 25), receiveOnly: fc.constant(true as const) },
        { requiredKeys: ["frequency"] },
      ),
      { minLength: 1, maxLength: 5 },
    ),
    revised: fc.boolean(),
  });

  test("comes back from its form as it was stored", () => {
    fc.assert(
      fc.property(stored, ({ revised, fixed, ...bands }) => {
        // What only listens has no power.
        const channels = fixed.map((one) =>
          one.receiveOnly ? { frequency: one.frequency, receiveOnly: true as const } : one,
        );
        const facts = modeFacts.parse({ ...bands, fixed: channels, watts: 5, bandwidths: [12_500] });
        const written: ModeRow = {
          id: "1",
          name: "wide",
          facts,
          component_id: "2",
          firmware: [{ atLeast: "1.2" }],
          hardware_revisions: revised ? ["7"] : null,
          enter_id: "3",
          leave_id: null,
          source: { kind: "bench", what: "" },
        };
        expect(taken(readMode(modeValues(written, known.revisions), known))).toEqual({
          name: "wide",
          ...facts,
          component: "2",
          firmware: [{ atLeast: "1.2" }],
          revisions: revised ? ["7"] : null,
          enter: "3",
          leave: null,
          source: { kind: "bench", what: "" },
        });
      }),
    );
  });

  test("is answered at the field that is wrong", () => {
    const plainly = { name: "wide", outside: "refuses", erases: "nothing", sourceKind: "bench" };
    const errors = (more: Record<string, string>) => wrong(readMode({ ...plainly, ...more }, known));
    const pair = (from: string, to: string) => ({
      [pairName("transmit", "from", 0)]: from,
      [pairName("transmit", "to", 0)]: to,
    });
    expect(errors(pair("144000", "146000"))).toEqual({
      "transmit-from-0": "That would be 144 GHz. If it was meant in kilohertz, write 144.",
      "transmit-to-0": "That would be 146 GHz. If it was meant in kilohertz, write 146.",
    });
    expect(errors(pair("146", "144"))).toEqual({ "transmit-to-0": "It ends above where it begins." });
    expect(errors(pair("144", ""))).toEqual({ "transmit-to-0": "In megahertz, such as 146." });
    expect(errors({ watts: "0" })).toHaveProperty("watts");
    expect(errors({ revisions: "B, C" })).toEqual({ revisions: "This model has no such hardware revision." });
    expect(errors({ firmware: ">= 1.2", component: "9" })).toEqual({
      component: "This model has no such part.",
    });
    for (const line of ["446.1 two watts", "446.1, 0 W", "446100000", "listen only"])
      expect(errors({ fixed: `446.1\n${line}` }).fixed).toContain(line);
    expect(errors({ fixed: "446.1\n446,2, 2 W; 446.3 listen only" })).toEqual({});
  });
});
