// Documents in and out: read strictly, unknown fields named, differences found and only those.
import { expect, test } from "vitest";
import { modeShape } from "../modes/index.ts";
import { plain } from "../quantities/index.ts";
import { differencesOf } from "./differences.ts";
import { type Dossier, readDossier, withoutGuarded } from "./document.ts";

const TODAY = plain("2026-11-24");

const document = (): Record<string, unknown> => ({
  format: "mossy-cabinet/dossier",
  version: 1,
  from: "Lanternfen Radio Circle",
  writtenOn: "2026-11-24",
  model: { maker: "Fenwright", name: "Wicket", kind: "handheld", identity: {} },
  components: [
    {
      name: "main",
      reading: {},
      releases: [
        { version: "1.06", track: "factory", releasedOn: "2026-01-01" },
        {
          version: "1.10",
          track: "factory",
          releasedOn: "2026-03-01",
          conditions: { from: [{ atLeast: "1.06" }] },
        },
      ],
    },
  ],
  procedures: [
    {
      purpose: "update-mode",
      title: "Enter update mode",
      steps: [{ kind: "hold", keys: ["talk", "5"], turn: "on" }],
      source: { kind: "maker" },
    },
  ],
  quirks: [{ symptom: "LO MEM", cure: "wait", source: { kind: "bench" } }],
});

const read = (value: unknown): Dossier => {
  const found = readDossier(JSON.stringify(value), TODAY);
  if (!found.ok) throw new Error(JSON.stringify(found.problem));
  return found.value.dossier;
};

test("a document reads, and written again it reads the same", () => {
  const dossier = read(document());
  expect(read(dossier)).toEqual(dossier);
  expect(differencesOf(dossier, dossier)).toEqual([]);
});

test("a document of version 1 knew no modes, and is read; one of today brings them", () => {
  const old = readDossier(JSON.stringify(document()), TODAY);
  expect(old).toMatchObject({
    ok: true,
    value: { dossier: { version: 4, modes: [], settings: [], codes: [] } },
  });
  const mode = {
    name: "wide",
    transmit: [{ from: 136_000_000, to: 174_000_000 }],
    receive: [],
    enter: "Switch it",
    source: { kind: "bench", what: "" },
  };
  const now = readDossier(JSON.stringify({ ...document(), version: 4, modes: [mode] }), TODAY);
  expect(now).toMatchObject({ ok: true, value: { dossier: { modes: [{ ...mode, erases: "nothing" }] } } });
  const bent = { ...mode, transmit: [{ from: 2, to: 1 }] };
  expect(readDossier(JSON.stringify({ ...document(), version: 4, modes: [bent] }), TODAY)).toMatchObject({
    ok: false,
    problem: { kind: "wrong", at: "modes.0.transmit.0" },
  });
});

test("a document of version 2 knew modes, but no service menu and no codes; one of today brings them", () => {
  const source = { kind: "bench", what: "" };
  const mode = { name: "wide", transmit: [], receive: [], setting: "range: open", source };
  const old = readDossier(JSON.stringify({ ...document(), version: 2, modes: [mode], codes: "?" }), TODAY);
  expect(old).toMatchObject({
    ok: true,
    value: { dossier: { modes: [{ name: "wide" }], settings: [], codes: [] } },
  });
  const setting = { name: "04 TOT", meaning: "stops by itself", usual: "180", source };
  const code = { name: "E2", tool: "region E", source };
  const now = read({ ...document(), version: 4, settings: [setting], codes: [code] } as never);
  expect(now).toMatchObject({ settings: [{ ...setting, never: "" }], codes: [{ ...code, cure: "" }] });
  expect(differencesOf(undefined, now).map(({ key }) => key)).toEqual(
    expect.arrayContaining(["setting 04 tot", "code e2"]),
  );
});

test("for those who may not see how it is unlocked, that and the service menu are left out", () => {
  const source = { kind: "bench", what: "" } as const;
  const dossier = read(document());
  const step = { kind: "hold", keys: ["A"], seconds: 2 } as const;
  const known = {
    ...dossier,
    settings: [{ name: "S", where: "", meaning: "m", usual: "", never: "", source }],
    procedures: (["unlock", "erase"] as const).map((effect) => ({
      purpose: "change-mode" as const,
      title: effect,
      effect,
      steps: [step],
      minutes: 1,
      source,
      draft: false,
    })),
    modes: [
      { ...modeShape.parse({ name: "wide", transmit: [], receive: [], setting: "range: open" }), source },
    ],
  };
  const left = withoutGuarded(known as never);
  expect(left.procedures.map(({ title }) => title)).toEqual(["erase"]);
  expect(left.modes[0]).not.toHaveProperty("setting");
  expect(left.settings).toEqual([]);
});

test("what is no document, of another format or version, or wrong, is answered", () => {
  expect(readDossier("{", TODAY)).toMatchObject({ problem: { kind: "not-json" } });
  expect(readDossier("12", TODAY)).toMatchObject({ problem: { kind: "not-json" } });
  expect(readDossier("{}", TODAY)).toMatchObject({ problem: { kind: "other-format" } });
  expect(readDossier(JSON.stringify({ ...document(), version: 9 }), TODAY)).toMatchObject({
    problem: { kind: "other-version", version: "9" },
  });
  expect(readDossier(JSON.stringify({ ...document(), components: [] }), TODAY)).toMatchObject({
    problem: { kind: "wrong", at: "components" },
  });
  expect(readDossier(JSON.stringify({ ...document(), writtenOn: "2026-02-30" }), TODAY)).toMatchObject({
    problem: { kind: "wrong", at: "writtenOn" },
  });
});

test("unknown fields are left out and named, wherever they stand", () => {
  const odd = document() as { components: { releases: Record<string, unknown>[] }[] } & Record<
    string,
    unknown
  >;
  odd.colour = "green";
  const release = odd.components[0]?.releases[0];
  if (release) release.mood = "fair";
  const found = readDossier(JSON.stringify(odd), TODAY);
  expect(found.ok && [...found.value.unknown].sort()).toEqual(["colour", "components.0.releases.0.mood"]);
});

test("differences: what is new, what is otherwise, and nothing that only ours has", () => {
  const ours = read(document());
  const other = document() as unknown as Dossier & { quirks: { cure: string }[] };
  const theirs = read({
    ...other,
    from: "Another club",
    quirks: [{ symptom: "lo mem", cure: "wait ten seconds", source: { kind: "club" } }],
    procedures: [],
    components: [
      {
        ...other.components[0],
        releases: [
          { version: "1.06", track: "factory", releasedOn: "2026-01-01" },
          { version: "1.14", track: "factory", releasedOn: "2026-05-01" },
        ],
      },
    ],
  });
  const found = differencesOf(ours, theirs);
  expect(found.map((d) => d.key)).toEqual(["release main 1.14", "quirk lo mem"]);
  expect(found[0]?.fields).toContainEqual({ name: "version", ours: undefined, theirs: "1.14" });
  expect(found[1]?.fields).toContainEqual({ name: "cure", ours: "wait", theirs: "wait ten seconds" });
  expect(differencesOf(undefined, theirs).length).toBeGreaterThan(found.length);
});

test("refuses a withdrawal that lies ahead of today, and says of what; one of today is read", () => {
  const withdrawn = (on: string) => {
    const value = document() as { components: { name: string; releases: object[] }[] };
    const [part] = value.components;
    if (part) part.releases = part.releases.map((r) => ({ ...r, withdrawn: { on, why: "it bricks" } }));
    return readDossier(JSON.stringify(value), TODAY);
  };
  const ahead = withdrawn("2026-11-25");
  expect(ahead).toMatchObject({ ok: false, problem: { kind: "withdrawn-ahead" } });
  if (!ahead.ok && ahead.problem.kind === "withdrawn-ahead") {
    expect(ahead.problem.releases.length).toBeGreaterThan(0);
  }
  expect(withdrawn("2026-11-24").ok).toBe(true);
});
