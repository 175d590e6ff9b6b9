// A combination one key away that does something worse: said before the keys are held.
import { Link } from "react-router";
import { listed } from "#core/quantities/index.ts";
import type { ProcedureRow } from "#db/model/index.ts";
import { EFFECT_WORD } from "../ui/words/step.ts";

export function Beside({ other, model }: { readonly other: ProcedureRow; readonly model: string }) {
  const hold = other.steps.find((step) => step.kind === "hold");
  if (!hold) return null;
  return (
    <p className="hatch cut border-l-4 border-rust p-3">
      <strong className="text-rust">
        One key away: {listed(hold.keys, 9)}
        {hold.turn ? ` and turning it ${hold.turn}` : ""} {EFFECT_WORD[other.effect]}.
      </strong>{" "}
      That is{" "}
      <Link className="link" to={`/models/${model}/procedures/${other.id}`}>
        {other.title}
      </Link>
      .
    </p>
  );
}
