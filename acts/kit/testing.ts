// What the acts of this room are tried with.
import fc from "fast-check";
import { KINDS, type KindName } from "#core/kit/kinds/kinds.ts";
import type { Values } from "#core/kit/kinds/reader.ts";
import { maybe, type Some, type World, words } from "../trials/testing.ts";

/** Whether a thing has a field that is its own: what a lead or a radio is as well keeps that there. */
const has = (kind: KindName, values: Values, field: string): boolean =>
  field in values && !(KINDS[kind].skips?.(values) ?? []).includes(field);

export const kitTrials = (world: World, { unit }: Some) => {
  const thing = fc.constantFrom(...world.things);
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
      .tuple(
        fc.constantFrom(...leads, ...leads, ...world.things),
        fc.constantFrom("note", "broken", "chip"),
        words,
      )
      .map(([{ kind, thing: id, values }, how, note]) => ({
        kind,
        thing: id,
        values: {
          ...values,
          ...(how === "note" && { note }),
          ...(how === "broken" && has(kind, values, "condition") && { condition: "broken" }),
          ...(how === "chip" && has(kind, values, "carries_data") && { carries_data: "no" }),
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
