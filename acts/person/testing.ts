// What the acts of this room are tried with.
import fc from "fast-check";
import { maybe, mostly, NOWHERE, type Some, type World, words } from "../trials/testing.ts";

export const personTrials = (world: World, { of }: Some) => {
  const person = fc.record({
    name: mostly(["Alder Quill", "Sedge Mallow"], ["", "x".repeat(101)]),
    role: fc.constantFrom("keeper", "bench", "member"),
    email: maybe(
      mostly(
        ["alder@lanternfen.example", "sedge@lanternfen.example"],
        ["WREN@lanternfen.example", "no address"],
      ),
    ),
    callSign: maybe(mostly(["GZ0AA"], ["x".repeat(21)])),
  });
  return {
    "change-password": fc.record({ hash: words, session: mostly(world.sessions, ["x"]) }),
    "end-sessions": fc.constantFrom(...world.sessions).map((id) => ({ which: { butFor: id } })),
    "make-link": fc.record({
      person: of,
      // Each is made once.
      tokenHash: fc
        .array(fc.constantFrom(..."0123456789abcdef"), { minLength: 64, maxLength: 64 })
        .map((all) => all.join("")),
    }),
    "set-theme": fc.record({ theme: fc.constantFrom("fern", "lamp", "dusk") }),
    "add-person": person,
    "change-person": fc.tuple(of, person).map(([id, rest]) => ({ person: id, ...rest })),
    "recover-person": fc.record({ person: mostly([world.people[0] ?? NOWHERE], [NOWHERE]) }),
    "shelve-person": fc.record({ person: of }),
  };
};
