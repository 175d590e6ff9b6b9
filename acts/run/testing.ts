// What the acts of this room are tried with.
import fc from "fast-check";
import { A_FILE, mostly, NOWHERE, type Some, type World, words } from "../trials/testing.ts";

export const runTrials = (world: World, { unit, procedure }: Some) => {
  return {
    "begin-run": fc.constantFrom(...world.errands),
    "begin-anew": mostly(
      world.runs.filter(({ anew }) => anew),
      world.runs,
    ).map(({ run }) => ({ run })),
    "take-over-run": fc.record({
      run: fc.constantFrom(...world.runs.map(({ run }) => run)),
      sure: fc.option(fc.boolean(), { nil: undefined }),
    }),
    "work-machine": fc.record({
      // The last one is of a simulated radio.
      run: mostly(
        world.runs.slice(-2, -1).map(({ run }) => run),
        [NOWHERE],
      ),
      number: mostly([2], [0]),
      event: fc.uuid(),
    }),
    "note-practice": procedure.chain((of) =>
      fc.record({ clean: fc.boolean(), ms: fc.constantFrom(10, -1) }).map((one) => ({ ...of, ...one })),
    ),
    "set-bench-rules": fc.record({ silence: mostly([10, 20, 30], [1]), clean: fc.constantFrom(0, 2) }),
    "keep-file-part": fc.record({
      sha256: fc.constant(A_FILE.sha256),
      number: fc.constantFrom(0, 1),
      content: fc.constant(A_FILE.content),
    }),
    "keep-backup": fc.record({
      unit,
      sha256: mostly([A_FILE.sha256], ["0".repeat(64)]),
      size: mostly([A_FILE.content.length], [0, 9]),
      name: words,
      confirmed: fc.boolean(),
      run: mostly(
        [undefined],
        world.runs.map(({ run }) => run),
      ),
    }),
    "answer-run": fc
      .record({
        of: mostly(world.runs.slice(0, -1), world.runs.slice(-1)),
        ids: fc.tuple(fc.uuid(), fc.uuid()),
        next: fc.constantFrom("reading", "reading", "stopped", "seen", "finished"),
        raw: fc.constantFrom("1.02", "1.14", "9.9", "?"),
      })
      .map(({ of: { run, component }, ids: [first, second], next, raw }) => ({
        run,
        events: [
          { id: first, number: 1, what: { kind: "started" } },
          {
            id: second,
            number: 2,
            what:
              next === "reading"
                ? { kind: next, component, raw }
                : next === "stopped"
                  ? { kind: next, reason: "it is late" }
                  : { kind: next },
          },
        ],
      })),
  };
};
