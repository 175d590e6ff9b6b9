// "Why?": opens the facts behind a verdict, each leading to its record. Works without scripts.
import type { Fact } from "#core/firmware/facts.ts";
import { Go } from "./go.tsx";
import { sayFact } from "./words/facts.ts";
import type { Names } from "./words/standing.ts";

export function Why(props: {
  readonly because: readonly Fact[];
  readonly names: Names;
  readonly links: Partial<Record<"readings" | "releases" | "group" | "history", string>>;
  readonly label?: string;
}) {
  return (
    <details className="open:w-full">
      <summary className="link w-fit cursor-pointer list-none text-sm">{props.label ?? "Why?"}</summary>
      <ul className="mt-1.5 mb-1 flex list-[square] flex-col gap-1 border-l-2 border-brass pl-6 text-sm">
        {props.because.map((fact) => {
          const said = sayFact(fact, props.names);
          const to = said.to && props.links[said.to];
          return (
            <li key={JSON.stringify(fact)}>
              {said.text}{" "}
              {to && (
                <Go className="link font-normal" to={to}>
                  look
                </Go>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}

/** Names from a plain table of release ids, as loaders send it. */
export const namesOf = (
  releases: Readonly<Record<string, string>>,
  locale: string,
  today: Names["today"],
): Names => ({
  release: (id) => releases[id] ?? "a release that was shelved",
  locale,
  today,
});
