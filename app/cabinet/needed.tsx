// What the cabinet needs, in ranked sentences that lead on.
import { listed } from "#core/quantities/index.ts";
import { useClub } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";
import { ITEM_WORDS } from "../ui/words/needs/index.ts";
import type { ItemWords } from "../ui/words/needs/kind.ts";
import { sayDate } from "../ui/words/time.ts";
import type { SaidItem } from "./load.server.ts";

/** `untold`: radios of which nothing is due and nothing is known either. */
export function Needed({ items, untold }: { readonly items: readonly SaidItem[]; readonly untold: number }) {
  return (
    <section>
      <h2>What the cabinet needs</h2>
      {items.length === 0 && (
        <p className="mt-3 text-quiet">
          {untold === 0
            ? "Nothing. Every radio is as it should be."
            : `Nothing, as far as is known: of ${counted(untold, "radio")} there is nothing to compare with yet.`}
        </p>
      )}
      <ul data-go className="divide-y divide-line">
        {items.map((item) => (
          <li key={item.kind + item.tags.join()} className="py-3">
            <Sentence item={item} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Sentence({ item }: { readonly item: SaidItem }) {
  const { locale, today } = useClub();
  const said = wordsOf(item, (day) => sayDate(day, locale, today));
  return (
    <div className="flex gap-3">
      <span aria-hidden="true" className={`mt-1 size-4 shrink-0 border ${said.mark}`} />
      <div className="min-w-0">
        <h3 className="font-sans text-[0.95rem]">{said.head}</h3>
        <p className="text-sm text-quiet">{said.text}</p>
        <a href={said.to} className="link text-sm">
          {said.act}
        </a>
      </div>
    </div>
  );
}

function wordsOf(
  item: SaidItem,
  day: (date: Extract<SaidItem, { kind: "safety" }>["since"]) => string,
): ItemWords {
  const tags = listed(item.tags);
  const one = item.units.length === 1;
  if (item.kind !== "safety")
    return ITEM_WORDS[item.kind]({ radios: counted(item.units.length, "radio"), tags, one });
  return {
    mark: "hatch border-rust",
    head: `${counted(item.units.length, item.modelName ?? "")} ${one ? "lacks" : "lack"} a safety fix`,
    text: `${tags}${item.releaseName ? `; ${item.releaseName} mends it` : ""}. Waiting since ${day(item.since)}.`,
    act: one ? "See it" : "See them",
    to: `/due?urgency=safety&model=${item.model}`,
  };
}
