// What stands of a pairing, and the plan of one.
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { composePair, stepsOf } from "../run/index.ts";
import { type PairAdvice, pairingPlan, pairingState } from "./pairing.ts";

const advice = (more: Partial<PairAdvice> = {}): PairAdvice => ({
  what: "Thimble",
  menu: "Audio",
  wrongMenu: "Link",
  wrongShows: "it says paired",
  pin: "0000",
  pinSeconds: 60,
  shows: "a thimble",
  fails: "drops",
  source: { kind: "bench", what: "" },
  steps: [{ kind: "turn", to: "on" }],
  settings: [{ name: "hold time", value: "2 s", why: "or it lets go" }],
  ...more,
});
const device = { what: "thimble", fails: "", holds: 1 };

describe("what stands of a pairing", () => {
  it("is what happened last, in whatever order it is told; of one instant the later note", () => {
    const one = fc.record({
      kind: fc.constantFrom("proved" as const, "dropped" as const, "failed" as const, "lost" as const),
      at: fc.nat(1000),
    });
    fc.assert(
      fc.property(
        fc
          .uniqueArray(one, { selector: ({ at }) => at, maxLength: 8 })
          .chain((events) =>
            fc.tuple(
              fc.constant(events),
              fc.shuffledSubarray(events, { minLength: events.length, maxLength: events.length }),
            ),
          ),
        ([events, shuffled]) => {
          const last = [...events].sort((a, b) => a.at - b.at).at(-1);
          const state = pairingState(shuffled);
          if (!last) expect(state).toEqual({ kind: "unproved" });
          else if (last.kind === "proved") expect(state).toEqual({ kind: "holds", at: last.at });
          else expect(state).toEqual({ kind: "broken", why: last.kind, at: last.at });
        },
      ),
    );
    expect(
      pairingState([
        { kind: "failed", at: 5 },
        { kind: "proved", at: 5 },
      ]),
    ).toEqual({ kind: "holds", at: 5 });
  });
});

describe("the plan of a pairing", () => {
  it("takes what is known of this very model before what is known of any, and nothing of another", () => {
    const any = advice({ menu: "any" });
    const own = advice({ menu: "own", model: "7" });
    const plan = (all: readonly PairAdvice[], model = "7") =>
      pairingPlan({ model }, device, all, [], []).advice?.menu;
    expect(plan([any, own])).toBe("own");
    expect(plan([any, own], "8")).toBe("any");
    expect(plan([own], "8")).toBeUndefined();
    expect(pairingPlan({ model: "7" }, { ...device, what: "" }, [advice({ what: "" })], [], [])).toEqual({
      settings: [],
      fails: [],
      turnOn: false,
      forgets: [],
    });
  });

  it("a pair's own setting stands beside the recommended one, and what only it has comes after", () => {
    const own = [
      { name: "Hold time", value: "3 s", why: "gloves" },
      { name: "gain", value: "4", why: "" },
    ];
    expect(pairingPlan({ model: "7" }, device, [advice()], own, []).settings).toEqual([
      { name: "hold time", value: "2 s", why: "or it lets go", own: { value: "3 s", why: "gloves" } },
      { name: "gain", value: "4", why: "", own: { value: "4", why: "" } },
    ]);
  });

  it("forgets as many of the longest paired as it holds too few", () => {
    const forgets = (holds: number, paired: readonly string[]) =>
      pairingPlan({ model: "7" }, { ...device, holds }, [], [], paired).forgets;
    expect(forgets(1, [])).toEqual([]);
    expect(forgets(1, ["a"])).toEqual(["a"]);
    expect(forgets(2, ["a", "b", "c"])).toEqual(["a", "b"]);
    expect(forgets(4, ["a", "b", "c"])).toEqual([]);
  });

  it("as a run: charged first, what is forgotten and turned on, the right menu with the wrong one named, presses, PIN, proof, settings", () => {
    const facts = {
      tag: "H-03",
      device: { tag: "BT-2", what: "Thimble", floor: 10 },
      keys: true,
      plan: pairingPlan(
        { model: "7", offAfterReset: true },
        device,
        [advice()],
        [{ name: "hold time", value: "3 s", why: "gloves" }],
        ["H-02"],
      ),
    };
    const plan = composePair(facts);
    expect(plan.purpose).toBe("pair");
    expect(plan.stages.map(({ name }) => name)).toEqual(["gates", "pair", "proof", "settings"]);
    expect(stepsOf(plan).map(({ step }) => step)).toMatchObject([
      { kind: "gate", gate: "power", device: "BT-2", floor: 10 },
      { kind: "do", step: { kind: "confirm", what: "BT-2 has forgotten H-02: it holds no more at once" } },
      { kind: "do", step: { what: "the radio's Bluetooth is on: a reset leaves it off" } },
      { kind: "right-menu", menu: "Audio", wrong: "Link", wrongShows: "it says paired" },
      { kind: "do", step: { kind: "turn", to: "on" } },
      { kind: "pin", pin: "0000", seconds: 60 },
      { kind: "paired", device: "BT-2", shows: "a thimble" },
      { kind: "do", step: { kind: "key-up" } },
      { kind: "do", step: { what: "hold time is 3 s: gloves (recommended: 2 s)" } },
    ]);
    const unknown = composePair({
      ...facts,
      keys: false,
      device: { tag: "HS-1", what: "Burr" },
      plan: pairingPlan({ model: "7" }, { what: "Burr", fails: "", holds: 1 }, [advice()], [], []),
    });
    expect(stepsOf(unknown).map(({ step }) => step)).toMatchObject([
      { kind: "open", wanted: "pair a Burr with it" },
      { kind: "paired", device: "HS-1" },
      { kind: "do", step: { kind: "confirm", what: "sound comes through HS-1" } },
    ]);
  });
});
