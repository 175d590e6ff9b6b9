// The plan that measures a radio's power.
import { z } from "zod";
import { good } from "#core/quantities/index.ts";
import { composeMeasure } from "#core/run/index.ts";
import { defineErrand } from "./errand.ts";
import { ratedOf } from "./work.ts";

export const measure = defineErrand({
  shape: z.object({}),
  isWork: false,
  plan: async ({ tx, situation: { unit } }) =>
    good({
      plan: composeMeasure(await ratedOf(tx, unit)),
      title: "Measure its power",
      things: [],
      ways: [],
      erasing: [],
    }),
});
