// What the cabinet needs, in ranked sentences that lead on.
import { listed } from "#core/quantities/list.ts";
import { useClub } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";
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
      <Mark kind={item.kind} />
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

function Mark({ kind }: { readonly kind: SaidItem["kind"] }) {
  const shape = "mt-1 size-4 shrink-0 border ";
  switch (kind) {
    case "safety":
      return <span aria-hidden="true" className={`${shape} hatch border-rust`} />;
    case "install":
      return (
        <span
          aria-hidden="true"
          className={`${shape} border-line bg-gradient-to-t from-[var(--moss-3)] from-50% to-transparent to-50%`}
        />
      );
    case "kit":
      return <span aria-hidden="true" className={`${shape} border-b-4 border-brass`} />;
    case "no-route":
      return <span aria-hidden="true" className={`${shape} border-rust`} />;
    case "at-bench":
      return <span aria-hidden="true" className={`${shape} border-t-4 border-line bg-plate`} />;
    case "overdue":
    case "ask-back":
      return <span aria-hidden="true" className={`${shape} border-dashed border-quiet`} />;
    case "never-read":
    case "part-unread":
    case "read-again":
      return <span aria-hidden="true" className={`${shape} doubt`} />;
    case "back-up":
      return <span aria-hidden="true" className={`${shape} border-t-4 border-primary`} />;
    case "switch":
      return <span aria-hidden="true" className={`${shape} hatch border-brass`} />;
    case "measure":
      return <span aria-hidden="true" className={`${shape} border-dotted border-brass`} />;
    case "pair":
      return <span aria-hidden="true" className={`${shape} rounded-full border-brass`} />;
    case "program":
      return <span aria-hidden="true" className={`${shape} border-b-4 border-brass`} />;
    case "ask-for":
      return <span aria-hidden="true" className={`${shape} rounded-full border-dashed border-quiet`} />;
    case "say-how":
    case "look-up":
      return <span aria-hidden="true" className={`${shape} border-brass bg-plate`} />;
  }
}

type Words = { readonly head: string; readonly text: string; readonly act: string; readonly to: string };

function wordsOf(
  item: SaidItem,
  day: (date: Extract<SaidItem, { kind: "safety" }>["since"]) => string,
): Words {
  const radios = counted(item.units.length, "radio");
  const tags = listed(item.tags);
  const one = item.units.length === 1;
  switch (item.kind) {
    case "safety":
      return {
        head: `${counted(item.units.length, item.modelName ?? "")} ${one ? "lacks" : "lack"} a safety fix`,
        text: `${tags}${item.releaseName ? `; ${item.releaseName} mends it` : ""}. Waiting since ${day(item.since)}.`,
        act: one ? "See it" : "See them",
        to: `/due?urgency=safety&model=${item.model}`,
      };
    case "install":
      return { head: `${radios} can be updated now`, text: tags, act: "Line them up", to: "/due?do=install" };
    case "kit":
      return {
        head: `${radios} ${one ? "waits" : "wait"} for kit`,
        text: `${tags}: there is a release, but no chain of ours reaches in.`,
        act: "See what is missing",
        to: "/due?do=kit",
      };
    case "no-route":
      return {
        head: `${radios} ${one ? "has" : "have"} no route`,
        text: `${tags}: nothing leads to the release ${one ? "it" : "they"} should run.`,
        act: "See what stops them",
        to: "/due?do=no-route",
      };
    case "overdue":
      return {
        head: `${radios} should be back by now`,
        text: tags,
        act: "See who has them",
        to: "/cabinet?lens=who",
      };
    case "never-read":
      return { head: `${radios} we have never read`, text: tags, act: "Read them", to: "/due?do=read" };
    case "part-unread":
      return {
        head: `${radios} with a part that we have never read`,
        ...{ text: tags, act: "Read it", to: "/due?do=read" },
      };
    case "at-bench":
      return {
        head: `${radios} to update ${one ? "is" : "are"} at the bench already`,
        ...{ text: tags, act: "Go on there", to: "/bench" },
      };
    case "read-again":
      return { head: `${radios} to read again`, text: tags, act: "Read them", to: "/due?do=read" };
    case "say-how":
      return {
        head: `${radios} that may stand in two places`,
        text: `${tags}: say how ${one ? "its model numbers its" : "their models number their"} releases.`,
        act: "Say how",
        to: "/due?do=look-up",
      };
    case "look-up":
      return {
        head: `${radios} ${one ? "runs" : "run"} what we do not know`,
        text: `${tags}: not in our list of releases.`,
        act: "Look it up",
        to: "/due?do=look-up",
      };
    case "back-up":
      return {
        head: `${radios} to back up`,
        text: `${tags}: written to since ${one ? "it was" : "they were"} last read out.`,
        act: "Back them up",
        to: "/due?do=back-up",
      };
    case "measure":
      return {
        head: `${radios} to measure`,
        text: `${tags}: ${one ? "its group asks" : "their groups ask"} for the power every so often.`,
        act: "See which",
        to: "/due?do=measure",
      };
    case "pair":
      return {
        head: `${radios} to pair again`,
        text: `${tags}: what ${one ? "it was" : "they were"} paired with does not hold any more.`,
        act: "See with what",
        to: "/due?do=pair",
      };
    case "program":
      return {
        head: `${radios} ${one ? "lacks" : "lack"} the plan of channels`,
        text: `${tags}: ${one ? "it carries" : "they carry"} an older plan, another table, or what nobody has read.`,
        act: "See which",
        to: "/due?do=program",
      };
    case "ask-for":
      return {
        head: `${radios} ${one ? "waits" : "wait"} for an ID`,
        text: `${tags}: a digital ID or a call sign was not asked for, or has not come.`,
        act: "See which",
        to: "/codeplugs/identities",
      };
    case "switch":
      return {
        head: `${radios} ${one ? "transmits" : "transmit"} too far`,
        text: `${tags}: in ${one ? "a mode" : "modes"} in which ${one ? "it sends" : "they send"} where ${one ? "its user" : "their users"} may not.`,
        act: "See where",
        to: "/due?do=switch",
      };
    case "ask-back":
      return { head: `${radios} needed, but away`, text: tags, act: "Ask for them", to: "/due?do=ask-back" };
  }
}
