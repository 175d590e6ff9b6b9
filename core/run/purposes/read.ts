// The version of a part is read and written down.
import { stage, written } from "../blocks.ts";
import type { RunPlan } from "../plan.ts";
import { type KnownProcedure, type Moment, procedureFor } from "../procedure.ts";

/** How the version of a component is read, and what is then written down. */
export function composeRead(
  facts: Moment & { readonly procedures: readonly KnownProcedure[]; readonly component: string },
): RunPlan {
  const { component, catalogue } = facts;
  const name = catalogue.get(component)?.component.name ?? "it";
  const how = procedureFor("read-version", facts.procedures, facts);
  return {
    purpose: "read",
    stages: [
      ...stage("do", `How ${name} shows its version`, written(how, "read its version")),
      ...stage("read-back", "What it shows", [{ kind: "read-back", component: name, minutes: 1 }]),
    ],
  };
}
