// What usually goes wrong between two that speak Bluetooth, and what helps. No manual tells it; where it comes from: docs/rules.md.

export type Trouble = { readonly symptom: string; readonly cause: string; readonly cure: string };

export const TROUBLES = [
  {
    symptom: "It is not found",
    cause: "its button was pressed too late, or not long enough: it shows itself for half a minute only",
    cure: "press it first, until its lamp says so, and search then",
  },
  {
    symptom: "The PIN is refused, though it is the right one",
    cause: "it has expired",
    cure: "begin anew, and type it at once",
  },
  {
    symptom: "It says that it is paired, and nothing comes of it",
    cause: "it was paired in the wrong menu",
    cure: "delete it there, and pair it in its own menu",
  },
  {
    symptom: "It is found, and never connects",
    cause: "another radio or a phone nearby holds it still",
    cure: "turn that off, or delete the pairing there",
  },
  {
    symptom: "It does not come back after a write",
    cause: "the write has reset the Bluetooth of the radio, and nothing tells the device",
    cure: "turn the device off and on",
  },
  {
    symptom: "It goes off half-way",
    cause: "its battery is flat",
    cure: "charge it, or leave it on its charger while it works",
  },
] as const satisfies readonly Trouble[];
