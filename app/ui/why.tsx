// "Why?" opens the facts behind a verdict, each with its record. Works without scripts. Drawn from as few elements as possible, since a board has hundreds.
import type { Reason } from "#core/needs/index.ts";
import { sayFact } from "./words/facts.ts";
import type { Names } from "./words/unit/standing.ts";

/** The sentence, and the address of the record it speaks of. A pair: a board has hundreds of them. */
export type ShownFact = readonly [text: string, to?: string];
type Links = Readonly<
  Record<"readings" | "releases" | "group" | "history" | "modes" | "pairings" | "channels", string>
>;

/** `why` is missing if the need is no more: it may have been met since the page that asks was drawn. */
export type WhyAnswer = { readonly why?: readonly ShownFact[] };

/** Where the records stand that a radio's reasons speak of; `page` is the radio's own page, or "" on that page. */
export const recordsOf = (
  unit: { readonly id: string; readonly tag: string; readonly model_id: string },
  page = "",
): Links => ({
  readings: `${page}#readings`,
  releases: `/models/${unit.model_id}`,
  group: "/club",
  history: `/log?unit=${unit.id}`,
  modes: `${page}#mode`,
  pairings: `${page}#pairings`,
  channels: `/units/${encodeURIComponent(unit.tag)}/channels`,
});

/** The facts as sentences, with the addresses of the records that they speak of. */
export const shownFacts = (because: readonly Reason[], names: Names, links: Links): ShownFact[] =>
  because.map((fact): ShownFact => {
    const { text, to } = sayFact(fact, names);
    const address = to && links[to];
    return address ? [text, address] : [text];
  });

export function Why({ facts }: { readonly facts: readonly ShownFact[] }) {
  return (
    <details className="why">
      <summary>Why?</summary>
      <Reasons facts={facts} />
    </details>
  );
}

export function Reasons({ facts }: { readonly facts: readonly ShownFact[] }) {
  return (
    <ul data-go className="reasons">
      {facts.map(([text, to]) => (
        <li key={text}>{to ? <a href={to}>{text}</a> : text}</li>
      ))}
    </ul>
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
