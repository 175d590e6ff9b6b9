// What a thing of the kit means, before it is a form: what it reaches, how its tries went, who has it, what would be lost without it.
import { Link } from "react-router";
import { listed } from "#core/quantities/index.ts";
import { counted } from "../ui/words/count.ts";
import type { Reach } from "./reach.server.ts";
import type { ShownTry } from "./tries.tsx";

export function ReachPanel(props: {
  readonly reach: Reach;
  readonly name: string;
  readonly tries: readonly ShownTry[];
  readonly where: string;
}) {
  const { models } = props.reach;
  const counting = props.tries.filter((one) => !one.struck);
  const worked = counting.filter((one) => one.worked).length;
  const lost = models.filter(({ only }) => only.length > 0);
  return (
    <section aria-label={`What ${props.name} means`} className="sheet mb-6 max-w-4xl divide-y divide-line">
      <div className="px-4 py-2.5">
        <h2>
          {models.length === 0
            ? "It reaches nothing, as far as is noted"
            : `It reaches ${counted(models.length, "model")}`}
        </h2>
        <ul className="mt-1 flex flex-wrap gap-x-5 gap-y-1">
          {models.map(({ id, name, does }) => (
            <li key={id}>
              <Link className="link" to={`/kit?model=${id}`}>
                {name}
              </Link>{" "}
              <span className="text-sm text-quiet">{listed(does)}</span>
            </li>
          ))}
        </ul>
      </div>
      <p className="px-4 py-2.5">
        <strong>Without it:</strong>{" "}
        {lost.length === 0
          ? models.length === 0
            ? "nothing would be lost."
            : "all of that would still go, by something else."
          : `nothing of ours would ${listed(
              lost.map(({ name, only }) => `${listed(only)} a ${name}`),
              6,
            )}.`}
      </p>
      <p className="px-4 py-2.5">
        <strong>Tried:</strong>{" "}
        {counting.length === 0 ? (
          "never, as far as is noted."
        ) : (
          <>
            {worked} of {counting.length} worked
            {counting[0] && `; the last ${counting[0].worked ? "did" : "did not"}`}.{" "}
            <a className="link text-sm" href="#tries">
              All of them
            </a>
          </>
        )}
        {props.where && (
          <>
            {" "}
            <strong>Where:</strong> {props.where}.
          </>
        )}
      </p>
    </section>
  );
}
