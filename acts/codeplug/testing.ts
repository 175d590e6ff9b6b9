// What the acts of this room are tried with.
import fc from "fast-check";
import { CURES } from "#core/codeplug/index.ts";
import { mostly, NOWHERE, type Some, type World, words } from "../trials/testing.ts";

export const codeplugTrials = (world: World, { unit }: Some) => {
  const spot = fc.constantFrom(0, 1, 8, 900);
  const listedRepeater = fc.record({
    name: fc.constantFrom("Mirkhithe", "Ours", "Another"),
    receive: fc.constantFrom(145_600_000, 438_650_000),
    transmit: fc.constant(145_000_000),
    digital: fc.boolean(),
    open: fc.boolean(),
    access: fc.constant({}),
    note: words,
  });
  const planHead = fc.record({
    name: fc.constantFrom("Huts", "Calling", "Of its own", "Another"),
    purpose: words,
    priority: fc.integer({ min: 1, max: 9 }),
    listens: fc.boolean(),
  });
  const planned = fc.constantFrom(
    { name: "One", receive: 145_500_000, transmit: 145_500_000, digital: false },
    { name: "Two", receive: 433_500_000, digital: true },
  );
  return {
    "change-plan": fc.record({
      version: fc.constantFrom(0, 1, 2),
      change: fc.oneof(
        fc.record({ do: fc.constant("add-block"), head: planHead }),
        fc.record({ do: fc.constant("change-block"), block: spot, head: planHead }),
        fc.record({ do: fc.constantFrom("remove-block"), block: spot }),
        fc.record({ do: fc.constant("move-block"), block: spot, to: spot }),
        fc.record({ do: fc.constant("add-members"), block: spot, members: fc.tuple(planned) }),
        fc.record({ do: fc.constant("change-member"), block: spot, member: spot, channel: planned }),
        fc.record({ do: fc.constant("remove-member"), block: spot, member: spot }),
        fc.record({ do: fc.constant("move-member"), block: spot, member: spot, toBlock: spot, to: spot }),
      ),
    }),
    "mend-codeplug": fc
      .tuple(fc.constantFrom(...world.codeplugs), fc.constantFrom(...CURES))
      .map(([one, cure]) => ({ ...one, cure })),
    "merge-list": fc
      .tuple(
        fc.constantFrom(...world.codeplugs),
        fc.constantFrom("talkgroups", "contacts"),
        fc.array(fc.record({ key: fc.constantFrom("1", "2", "3"), name: fc.constantFrom("A", "B") }), {
          minLength: 1,
          maxLength: 3,
        }),
      )
      .map(([one, list, incoming]) => ({ ...one, list, incoming })),
    "keep-mapping": fc.record({
      name: fc.constantFrom("Reeds", "reeds", "Other"),
      mapping: fc.record({
        delimiter: fc.constantFrom(",", ";"),
        sign: fc.constant("."),
        unit: fc.constantFrom("MHz", "kHz"),
        columns: fc.constant([{ head: "RX", meaning: "receive" }]),
      }),
    }),
    "shelve-mapping": fc.record({ mapping: fc.constantFrom(...world.mappings, NOWHERE) }),
    "note-identity": fc.oneof(
      fc.record({
        unit: mostly(world.units, ["x"]),
        kind: fc.constantFrom("digital", "call"),
        note: words,
        value: fc.option(fc.constantFrom("9990017", "QZ1AB"), { nil: undefined }),
      }),
      fc.record({
        identity: fc.constantFrom(...world.identified, NOWHERE),
        kind: fc.constant("digital"),
        note: words,
        askedOn: fc.option(fc.constant("2026-05-02"), { nil: undefined }),
        usuallyDays: fc.constantFrom(3, 20),
      }),
    ),
    "shelve-identity": fc.record({ identity: fc.constantFrom(...world.identified, NOWHERE) }),
    "write-repeater": fc.record({
      repeater: fc.option(fc.constantFrom(...world.repeaters, NOWHERE), { nil: undefined }),
      fields: listedRepeater,
    }),
    "note-heard": fc.record({
      repeater: fc.constantFrom(...world.repeaters, NOWHERE),
      how: fc.constantFrom("heard", "confirmed"),
    }),
    "shelve-repeater": fc.record({ repeater: fc.constantFrom(...world.repeaters, NOWHERE) }),
    "import-repeaters": fc.record({ name: words, list: fc.tuple(listedRepeater) }),
    "drop-plan": fc.record({ version: fc.constantFrom(1, 2) }),
    "issue-plan": fc.record({ version: fc.constantFrom(1, 2), note: words }),
    "write-codeplug-facts": fc.record({
      model: fc.constantFrom(...world.models, NOWHERE),
      facts: fc.record({
        capacity: fc.constantFrom(4, 128),
        nameSigns: fc.constantFrom(6, 10),
        digital: fc.boolean(),
        plainSigns: fc.boolean(),
        everyTone: fc.boolean(),
        byPosition: fc.boolean(),
        tonesFrom: fc.constant(""),
        powers: fc.constant([]),
      }),
    }),
    "keep-channels": fc
      .tuple(unit, fc.constantFrom(145_500_000, 446_100_000), words)
      .map(([one, receive, name]) => ({
        unit: one,
        name,
        channels: [{ position: 1, digital: false, name: "A", receive }],
      })),
  };
};
