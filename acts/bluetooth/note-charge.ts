// What was seen of a battery, or done to it: how full it is, that it went on a charger or came off, what programming took. Now or before, never ahead.
import { z } from "zod";
import { storyOf } from "#core/bluetooth/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { localInstant, now } from "#db/clock.ts";
import { addCharge, chargesOf, deviceById } from "#db/kit/index.ts";
import { defineAct } from "../define.ts";
import { id, localTime } from "../shapes.ts";
import { notedOf } from "./charge-notes.ts";

/**
 * Problems: `no-device`; `ahead`; `no-battery`, if it has none, or one that is out; `plugged-already` and `not-plugged`, if the note does not
 * fit what stands.
 */
export const noteCharge = defineAct({
  name: "note-charge",
  input: z.object({
    device: id,
    what: z.discriminatedUnion("kind", [
      z.object({
        kind: z.enum(["level", "used"]),
        percent: z
          .number("A number from 0 to 100.")
          .min(0, "A battery is from 0 to 100 percent full.")
          .max(100, "A battery is from 0 to 100 percent full."),
      }),
      z.object({ kind: z.enum(["plugged", "unplugged"]) }),
    ]),
    how: z.enum(["typed", "read"]),
    at: localTime.optional(),
  }),
  may: "work-at-bench",
  run: async (tx, { device, what, how, at }, who) => {
    const here = await deviceById(tx, device);
    if (!here) return bad({ kind: "no-device" as const });
    if (here.battery !== "sound") return bad({ kind: "no-battery" as const, battery: here.battery });
    const present = await now(tx);
    const instant = at === undefined ? present : await localInstant(tx, at);
    if (instant.getTime() > present.getTime()) return bad({ kind: "ahead" as const });
    const notes = (await chargesOf(tx, device)).flatMap(notedOf);
    const before = storyOf(notes).odd.length;
    const with_ = storyOf([...notes, { ...what, at: instant.getTime() }]);
    const odd = with_.odd.find((one) => one.at === instant.getTime()) ?? with_.odd.at(-1);
    if (what.kind !== "level" && what.kind !== "used" && odd && with_.odd.length > before)
      return bad({ kind: odd.kind });
    const percent = "percent" in what ? what.percent : undefined;
    await addCharge(tx, who.person, {
      device,
      kind: what.kind,
      how,
      percent,
      at: at === undefined ? undefined : instant.toISOString(),
    });
    return good({
      answer: {},
      log: [
        {
          entry: {
            kind: "charge-noted" as const,
            device: here.tag,
            how: what.kind,
            ...(percent !== undefined && { percent }),
          },
          ...(here.kind === "radio" && here.unit_id && { unit: here.unit_id }),
        },
      ],
    });
  },
});
