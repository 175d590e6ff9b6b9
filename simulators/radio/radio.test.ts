// Simulated radios against the dossiers of the demo: what is followed exactly leads where it says, what is nearly so does not.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSteps } from "#core/dossier/index.ts";
import { cases } from "#core/quantities/testing.ts";
import { DOSSIERS } from "#demo/data/dossiers.ts";
import { type Atom, atomsOf, type KnownWay } from "./atoms.ts";
import { type Deed, doDeed, newRadio, type Radio, type RadioKind, shown } from "./radio.ts";
import { beginWork, FAULTS, mended, ownBytes, settle, workAt } from "./work.ts";

type Told = { readonly model: string; readonly kind: RadioKind; readonly way: KnownWay };
const all: Told[] = Object.entries(DOSSIERS).flatMap(([model, dossier]) => {
  const ways = dossier.procedures.map(
    (p, i): KnownWay => ({
      id: String(i),
      purpose: p.purpose,
      title: p.title,
      steps: readSteps(p.steps, undefined).steps.map(({ step }) => step),
    }),
  );
  return ways.map((way) => ({
    model,
    way,
    // Beside it, what holds at the same time: of two procedures for one purpose the radio obeys one.
    kind: {
      name: model,
      ways: ways.filter((other) => other === way || other.purpose !== way.purpose),
      reading: dossier.reading,
    },
  }));
});
const runsOf = (kind: RadioKind) =>
  Object.fromEntries(Object.keys(kind.reading).map((name) => [name, "9.87"]));

const deedFor = (atom: Exclude<Atom, { kind: "tool" }>): Deed => {
  if (atom.kind === "hold")
    return {
      kind: "hold",
      keys: atom.keys,
      ...(atom.turn && { turn: atom.turn }),
      seconds: atom.seconds ?? 1,
    };
  if (atom.kind === "wait") return { kind: "wait", seconds: atom.seconds };
  return atom;
};
const NOW = 1_000_000;
/** Follows a procedure, its machine work included; `flash` is what a tool does where the procedure does not say. */
function followed({ kind, way }: Told, radio: Radio) {
  const ended: string[] = [];
  let at = radio;
  // As the plan of a run has it: a computer is answered only while it is on.
  const isTurned = atomsOf(way.steps).some((atom) => "turn" in atom || atom.kind === "turn");
  if (!isTurned && atomsOf(way.steps).some((atom) => atom.kind === "tool") && !at.on && at.place !== "dead")
    at = doDeed(kind, at, { kind: "turn", to: "on" }).radio;
  for (const atom of atomsOf(way.steps)) {
    if (atom.kind === "tool") {
      const errand =
        way.purpose === "back-up"
          ? ({ kind: "read" } as const)
          : way.purpose === "restore"
            ? ({ kind: "write", content: { kind: "file", sha256: "f".repeat(64) } } as const)
            : ({
                kind: "flash",
                component: Object.keys(kind.reading)[0] ?? "main",
                version: "9.99",
                erases: "settings",
              } as const);
      at = settle(beginWork(kind, at, errand, NOW, 60_000), NOW + 60_000);
      continue;
    }
    const done = doDeed(kind, at, deedFor(atom));
    at = done.radio;
    ended.push(...done.ended);
    // While it is being flashed it shows what the tool makes of it.
    if (atom.signs && !atomsOf(way.steps).some((a) => a.kind === "tool"))
      expect(at.signs).toMatchObject(atom.signs.screen && way.purpose === "read-version" ? {} : atom.signs);
  }
  return { radio: at, ended };
}
const startOf = (told: Told): Radio => {
  const fresh = newRadio(7, runsOf(told.kind));
  // What says "recover" is for a radio whose flash has stopped half way; a flash is begun in update mode where there is one.
  if (told.way.purpose === "recover") return { ...fresh, place: "dead" };
  const entry = told.kind.ways.find((way) => way.purpose === "update-mode");
  return told.way.purpose === "flash" && entry ? followed({ ...told, way: entry }, fresh).radio : fresh;
};

describe.each(all)("$model: $way.title ($way.purpose)", (told) => {
  it("followed exactly, it leads where it says", () => {
    const { radio, ended } = followed(told, startOf(told));
    const isByHand = !atomsOf(told.way.steps).some((atom) => atom.kind === "tool");
    if (isByHand && atomsOf(told.way.steps).length > 0) expect(ended).toContain(told.way.id);
    switch (told.way.purpose) {
      case "update-mode":
        expect(radio).toMatchObject({ on: true, place: "update" });
        break;
      case "service-menu":
        expect(radio).toMatchObject({ on: true, place: "service" });
        break;
      case "factory-reset":
        expect(radio.content).toEqual({ kind: "blank" });
        break;
      case "change-mode":
        expect(radio.wide).toBe(true);
        break;
      case "restore":
        if (!isByHand) expect(radio.content).toEqual({ kind: "file", sha256: "f".repeat(64) });
        break;
      case "flash":
      case "recover":
        if (!isByHand) expect(Object.values(radio.runs)).toContain("9.99");
        expect(radio.place).not.toBe("dead");
        break;
      case "read-version":
        if (isByHand)
          for (const name of Object.keys(radio.runs))
            expect(radio.signs.screen).toContain(shown(told.kind, radio, name));
        break;
      case "back-up":
        expect(radio.content).toEqual({ kind: "own" });
    }
  });

  const atoms = atomsOf(told.way.steps);
  const holds = atoms.filter((atom) => atom.kind === "hold");
  it.skipIf(holds.length === 0)(
    "with another key, or held for less than it asks, it does not lead there",
    () => {
      for (const wrong of holds)
        for (const instead of [
          { keys: [...wrong.keys.slice(1), "no such key"] },
          ...(wrong.seconds ? [{ seconds: wrong.seconds - 1 }] : []),
        ]) {
          let radio = startOf(told);
          const ended: string[] = [];
          for (const atom of atoms) {
            if (atom.kind === "tool") continue;
            const deed = deedFor(atom);
            const done = doDeed(
              told.kind,
              radio,
              atom === wrong && deed.kind === "hold" ? { ...deed, ...instead } : deed,
            );
            radio = done.radio;
            ended.push(...done.ended);
          }
          expect(ended).not.toContain(told.way.id);
        }
    },
  );
});

const wicket = all.find(({ model }) => model === "Wicket") as Told;
const inUpdateMode = () => {
  const way = wicket.kind.ways.find(({ purpose }) => purpose === "update-mode") as KnownWay;
  return followed({ ...wicket, way }, newRadio(3, { main: "1.08" })).radio;
};
const flash = { kind: "flash", component: "main", version: "1.14", erases: "settings" } as const;

describe("machine work", () => {
  it("is as far as the clock says, and brings in the version when it is through", () => {
    const begun = beginWork(wicket.kind, inUpdateMode(), flash, NOW, 1000);
    expect(workAt(begun, NOW + 400)).toEqual({
      part: 0.4,
      state: "working",
      until: NOW + 1000,
      left: 600,
      lasts: 1000,
      end: 1,
    });
    expect(settle(begun, NOW + 999)).toBe(begun);
    expect(workAt(begun, NOW - 50)?.part).toBe(0);
    const after = settle(begun, NOW + 1000);
    expect(after).toMatchObject({ runs: { main: "1.14" }, content: { kind: "blank" }, fresh: true });
    expect(after.work).toBeUndefined();
  });

  it("does not reach a radio that is not in update mode", () => {
    const begun = beginWork(wicket.kind, newRadio(3, { main: "1.08" }), flash, NOW, 1000);
    expect(workAt(begun, NOW)).toMatchObject({ state: "stopped", part: 0, fault: "no-answer" });
    expect(settle(begun, NOW)).toMatchObject({ runs: { main: "1.08" }, place: "normal" });
  });

  it("with a loose plug stops half way; the radio is dead until update mode wakes it, and the same file goes in then", () => {
    const loose = { ...inUpdateMode(), faults: [{ kind: "loose-plug", at: 0.4 } as const] };
    const begun = beginWork(wicket.kind, loose, flash, NOW, 1000);
    expect(workAt(begun, NOW + 400)).toMatchObject({ state: "stopped", part: 0.4, until: NOW + 400 });
    const dead = settle(begun, NOW + 400);
    expect(dead).toMatchObject({ place: "dead", runs: { main: "1.08" } });
    const turned = doDeed(wicket.kind, dead, { kind: "turn", to: "on" }).radio;
    expect(turned).toMatchObject({ place: "dead", signs: { screen: "dark" } });
    const way = wicket.kind.ways.find(({ purpose }) => purpose === "update-mode") as KnownWay;
    const woken = followed({ ...wicket, way }, mended(turned, "loose-plug")).radio;
    expect(woken.place).toBe("update");
    expect(settle(beginWork(wicket.kind, woken, flash, NOW, 1000), NOW + 1000).runs).toEqual({
      main: "1.14",
    });
  });

  it.each(FAULTS)("%s stops it, and nothing does once it is mended", (fault) => {
    const faulty = { ...inUpdateMode(), faults: [{ kind: fault }] };
    const stopped = workAt(beginWork(wicket.kind, faulty, flash, NOW, 1000), NOW + 1000);
    expect(stopped).toMatchObject({ state: "stopped", fault });
    const well = workAt(beginWork(wicket.kind, mended(faulty, fault), flash, NOW, 1000), NOW + 1000);
    expect(well?.state).toBe("done");
  });

  it("reads the same out of one radio every time, and something else out of another", () => {
    const one = ownBytes(newRadio(3, {}), "W-03");
    expect(ownBytes(newRadio(3, {}), "W-03")).toEqual(one);
    expect(ownBytes(newRadio(4, {}), "W-04")).not.toEqual(one);
    expect(ownBytes({ ...newRadio(3, {}), content: { kind: "blank" } }, "W-03")).not.toEqual(one);
  });
});

const anyDeed: fc.Arbitrary<Deed> = fc.oneof(
  fc.constantFrom("on" as const, "off" as const).map((to) => ({ kind: "turn" as const, to })),
  fc.constantFrom("talk", "5", "6", "*", "2", "#").map((key) => ({ kind: "press" as const, key })),
  fc.record({
    kind: fc.constant("hold" as const),
    keys: fc.subarray(["talk", "5", "6", "s1"], { minLength: 1 }),
    turn: fc.constantFrom("on" as const, "off" as const),
    seconds: fc.nat({ max: 6 }),
  }),
  fc.constant<Deed>({ kind: "connect" }),
  fc.nat({ max: 20 }).map((seconds) => ({ kind: "wait" as const, seconds })),
);

it("whatever a hand does, it is erased only by its whole procedure, and an off radio is dark", () => {
  const reset = wicket.kind.ways.find(({ purpose }) => purpose === "factory-reset") as KnownWay;
  fc.assert(
    fc.property(fc.array(anyDeed, { maxLength: 30 }), (deeds) => {
      let radio = newRadio(3, { main: "1.08" });
      const resets: boolean[] = [];
      for (const deed of deeds) {
        const done = doDeed(wicket.kind, radio, deed);
        radio = done.radio;
        resets.push(done.ended.includes(reset.id));
        if (!radio.on) expect(radio.signs.screen).toBe("dark");
      }
      expect(radio.content.kind === "blank").toBe(resets.includes(true));
      // The combination that begins it must be among what was done, and then the # that confirms it.
      const asked = deeds.findIndex(
        (d) => d.kind === "hold" && [...d.keys].sort().join() === "6,talk" && d.turn === "on",
      );
      const confirmed = deeds.findLastIndex((d) => d.kind === "press" && d.key === "#");
      if (radio.content.kind === "blank") expect(asked >= 0 && confirmed > asked).toBe(true);
    }),
    { numRuns: cases(400) },
  );
});

it("shows a version in the form of the sample, with no letter twice", () => {
  const kind = (sample: string): RadioKind => ({
    name: "M",
    ways: [],
    reading: { main: { how: "", sample } },
  });
  const of = (version: string) => newRadio(1, { main: version });
  expect(shown(kind("FW:R03.01.06"), of("R03.01.07"), "main")).toBe("FW:R03.01.07");
  expect(shown(kind("VER 1.10"), of("1.14"), "main")).toBe("VER 1.14");
  expect(shown(kind("V2.2.0"), of("2.3.0"), "main")).toBe("V2.3.0");
  expect(shown(kind(""), of("B12"), "main")).toBe("B12");
});

it("answers no computer while it is off, and a recovery that erases leaves nothing in it", () => {
  const kind: RadioKind = {
    name: "M",
    reading: {},
    ways: [
      { id: "r", purpose: "recover", title: "r", steps: [{ kind: "press", keys: ["*"] }], effect: "erase" },
    ],
  };
  const off = newRadio(1, { main: "1.0" });
  const errand = { kind: "read" } as const;
  expect(workAt(beginWork(kind, off, errand, NOW, 1000), NOW)).toMatchObject({
    state: "stopped",
    fault: "no-answer",
  });
  const on = doDeed(kind, off, { kind: "turn", to: "on" }).radio;
  expect(workAt(beginWork(kind, on, errand, NOW, 1000), NOW)).toMatchObject({ state: "working" });
  const dead: Radio = { ...on, place: "dead" };
  expect(doDeed(kind, dead, { kind: "press", key: "*" }).radio.content).toEqual({ kind: "blank" });
  const harmless = { ...kind, ways: kind.ways.map(({ effect: _, ...way }) => way) };
  expect(doDeed(harmless, dead, { kind: "press", key: "*" }).radio.content).toEqual({ kind: "own" });
});
