// What the acts of this room are tried with.
import fc from "fast-check";
import { addDays } from "#core/quantities/index.ts";
import { maybe, mostly, NOWHERE, type Some, type World, words } from "../trials/testing.ts";

export const unitTrials = (world: World, { day, unit, of }: Some) => {
  const fields = fc.record({
    tag: mostly(["Q-1", "Q-2"], ["new", "", "W-01"]),
    model: mostly(world.models, [NOWHERE]),
    hardware: mostly(
      [undefined],
      world.revisions.map((r) => r.revision),
    ),
    region: maybe(mostly(["EU"], ["x".repeat(50)])),
    serial: maybe(fc.constantFrom("A1", "A2")),
    note: maybe(mostly(["from the loft"], ["x".repeat(501)])),
  });
  return {
    "import-units": fc.record({
      text: fc.constantFrom(
        "tag,model,main\nN-1,Sorrel,1.02\nN-2,Sorrel,\n",
        "tag,model,main\nW-01,Wicket,0.1\n",
        "tag,model,main\n,,\n",
      ),
      file: fc.constant("a sheet"),
      delimiter: fc.constant(","),
      columns: fc.constantFrom(["tag", "model", "reading:main"], ["ignore", "model", "tag"]),
      decimal: fc.constant("."),
      dates: fc.constant("ymd"),
      nothing: fc.constant([]),
      answers: fc.constant([]),
      kinds: fc.constant([]),
      leaveOut: fc.boolean(),
    }),
    "remember-sheet": fc.record({
      heads: fc.constantFrom([{ head: "tag", meaning: "tag" }], [{ head: "tag", meaning: "note" }]),
      nothing: fc.constantFrom([], ["none"]),
    }),
    "stand-in-radio": fc.record({ unit }),
    "fault-radio": fc.record({
      unit: mostly(world.simulated, world.units.slice(-1)),
      fault: maybe(fc.constantFrom("loose-plug", "no-port")),
    }),
    "add-unit": fields,
    "change-unit": fc.tuple(unit, fields).map(([id, rest]) => ({ unit: id, ...rest })),
    "recover-unit": fc.record({ unit: mostly([world.units[3] ?? NOWHERE], [NOWHERE]) }),
    "shelve-unit": fc.record({ unit, why: words }),
    "hold-units": fc.record({ units: fc.array(unit, { maxLength: 3 }), until: day, why: words }),
    "lend-unit": fc.record({ unit, person: of, dueBack: maybe(day) }),
    "lift-hold": fc.record({ unit: fc.constantFrom(world.units[5] ?? NOWHERE, world.units[0] ?? NOWHERE) }),
    "note-hardware": fc.constantFrom(...world.revisions),
    "write-down": fc.record({
      unit,
      did: fc.constantFrom("flash", "repair", "note"),
      to: fc.constantFrom("", "1.14", "1.2"),
      on: fc.constantFrom(undefined, addDays(world.who.today, -30), addDays(world.who.today, 3)),
      worked: fc.constant(true),
      text: words,
      sure: fc.constant(true),
    }),
    // One in three is out.
    "take-back-unit": fc.record({
      unit: fc.constantFrom(world.units[4] ?? NOWHERE, world.units[0] ?? NOWHERE, NOWHERE),
    }),
  };
};
