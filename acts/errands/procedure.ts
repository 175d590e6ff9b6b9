// The plans that go through a procedure of the dossier, and that read a part's version.
import { bad, good, must } from "#core/quantities/index.ts";
import { composeProcedure, composeRead, holdsFor, needsGates } from "#core/run/index.ts";
import { id } from "../shapes.ts";
import { defineErrand } from "./errand.ts";
import { momentOf } from "./work.ts";

/** Problems: `no-procedure`; `other-radio`; `needs-gates`. */
export const procedure = defineErrand({
  shape: id,
  isWork: false,
  plan: async ({ situation, procedures }, asked) => {
    const one = procedures.find((p) => p.id === asked);
    if (!one) return bad({ kind: "no-procedure" });
    if (!holdsFor(one, momentOf(situation))) return bad({ kind: "other-radio" });
    if (needsGates(one)) return bad({ kind: "needs-gates" });
    return good({
      plan: composeProcedure(one),
      title: one.title,
      things: [],
      ways: [],
      erasing: [],
    });
  },
});

/** A part whose version is to be read. Problems: `no-component`. */
export const component = defineErrand({
  shape: id,
  isWork: false,
  plan: async ({ situation, procedures }, asked) => {
    if (!situation.catalogue.has(asked)) return bad({ kind: "no-component" });
    const plan = composeRead({ ...momentOf(situation), procedures, component: asked });
    return good({
      plan,
      title: must(plan.stages[0], "the stage that reads").title,
      things: [],
      ways: [],
      erasing: [],
    });
  },
});
