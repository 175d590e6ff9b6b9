// What can be done about a need, and whether the radio may be with somebody then.
import { expect, test } from "vitest";
import { ACTIONS, actionOf, firstAtBench, mayBeAway, NEED_KINDS } from "./kinds/index.ts";

const ways = ["ready", "kit", "no-route"] as const;
const found = (away: boolean) =>
  new Set(NEED_KINDS.flatMap((kind) => ways.map((way) => actionOf({ kind }, away, () => way))));

test("everything that can be done comes of some need, and nothing else", () => {
  expect(new Set([...found(true), ...found(false)])).toEqual(new Set(ACTIONS));
});

test("a radio that is away has only what may be done of one that is away, and only it can be asked back", () => {
  expect([...found(true)].sort()).toEqual(ACTIONS.filter(mayBeAway).sort());
  expect(found(false).has("ask-back")).toBe(false);
});

test("whether an install stands ready is not asked of a radio that is away, nor of a reading", () => {
  const never = () => {
    throw new Error("asked");
  };
  expect(actionOf({ kind: "firmware" }, true, never)).toBe("ask-back");
  expect(actionOf({ kind: "reading" }, false, never)).toBe("read");
  expect(actionOf({ kind: "catalogue" }, true, never)).toBe("look-up");
});

test("the first that is done at the bench is firmware, then what is read, kept, measured; what asks a question first is none", () => {
  const of = (...actions: (typeof ACTIONS)[number][]) => {
    const first = firstAtBench(actions.map((action) => ({ action })));
    return first && [first.need.action, first.work];
  };
  expect(of("measure", "back-up", "read", "install")).toEqual(["install", "update"]);
  expect(of("measure", "back-up", "read")).toEqual(["read", "read"]);
  expect(of("measure", "back-up")).toEqual(["back-up", "backup"]);
  expect(of("pair", "measure")).toEqual(["measure", "measure"]);
  expect(
    of("kit", "no-route", "look-up", "ask-back", "switch", "pair", "program", "ask-for"),
  ).toBeUndefined();
});
