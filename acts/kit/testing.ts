// What the acts of this room are tried with.
import fc from "fast-check";
import { KINDS } from "#core/kit/index.ts";
import { maybe, type Some, type World, words } from "../trials/testing.ts";

export const kitTrials = (world: World, { unit }: Some) => {
  const thing = fc.constantFrom(...world.things);
  // What is a lead or a radio as well keeps some of its fields there: it is left out.
  const whole = world.things.filter(({ kind, values }) => !KINDS[kind].skips?.(values).length);
  const leads = world.things.filter(({ kind }) => kind === "leads" || kind === "computers");
  return {
    "fill-usb-ids": fc.constantFrom(1, 2, 3).map((product) => ({
      ids: [{ vendor: 4660, product, family: "", name: "a bridge" }],
    })),
    "name-usb-id": fc.record({
      vendor: fc.constantFrom(4660, 70_000),
      product: fc.constantFrom(1, 2),
      family: fc.constantFrom("hare", "stoat"),
      name: words,
    }),
    "set-currency": fc.record({ currency: fc.constantFrom("SEK", "NOK", "XX") }),
    "shelve-thing": thing.map(({ kind, thing: id }) => ({ kind, thing: id })),
    "write-thing": fc
      .tuple(fc.constantFrom(...leads, ...leads, ...whole), fc.constantFrom("note", "broken", "chip"), words)
      .map(([{ kind, thing: id, values }, how, note]) => ({
        kind,
        thing: id,
        values: {
          ...values,
          ...(how === "note" && { note }),
          ...(how === "broken" && "condition" in values && { condition: "broken" }),
          ...(how === "chip" && "carries_data" in values && { carries_data: "no" }),
        },
      })),
    "note-try": fc
      .record({
        unit: maybe(unit),
        chain: fc.constantFrom(...world.chains),
        worked: fc.constantFrom(false, false, true),
        symptom: words,
        settled: fc.constantFrom(true, true, false),
      })
      .map(({ chain: { lead, tool, ...chain }, ...rest }) => ({
        ...rest,
        ...chain,
        ...(lead && { lead }),
        ...(tool && { tool }),
      })),
    "strike-try": fc.record({
      try: fc.constantFrom(...world.tries),
      with: fc.constant("a lead"),
      why: words,
    }),
  };
};
