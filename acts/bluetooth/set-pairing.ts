// What is set in one pair otherwise than recommended.
import { z } from "zod";
import { readPairSetting } from "#core/kit/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { setPairing as set } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id } from "../shapes.ts";
import { unitHere } from "../unit/unit-here.ts";
import { pairingHere } from "./pairing-here.ts";

/** Problems: those of a unit; `no-pairing`; `unreadable`, with the line; `same`, if it stands so. */
export const setPairing = defineAct({
  name: "set-pairing",
  input: z.object({
    unit: id,
    pairing: id,
    /** A line each: name = value: why. */
    settings: z.string().trim().max(500, "At most 500 signs."),
  }),
  may: "work-at-bench",
  corrects: {
    id: ({ pairing }) => pairing,
    stored: async (tx, { unit, pairing }) => {
      const found = await pairingHere(tx, unit, pairing);
      return found.ok ? { settings: found.value.settings } : undefined;
    },
  },
  run: async (tx, { unit, pairing, settings }) => {
    const here = await unitHere(tx, unit);
    if (!here.ok) return here;
    const found = await pairingHere(tx, unit, pairing);
    if (!found.ok) return found;
    const lines = settings.split(/\r\n?|\n/).filter((line) => line.trim() !== "");
    const wrong = lines.find((line) => !readPairSetting(line).ok);
    if (wrong !== undefined) return bad({ kind: "unreadable" as const, line: wrong.slice(0, 80) });
    if (!(await set(tx, pairing, lines.join("\n")))) return bad({ kind: "same" as const });
    return good({
      answer: {},
      log: [
        {
          entry: {
            kind: "pairing-set" as const,
            device: found.value.device,
            settings: lines.join("; "),
          },
          unit,
        },
      ],
    });
  },
});
