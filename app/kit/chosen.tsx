// A model or a radio on the kit page with its chains: the best drawn, the others named, and what would make more.

import { Link } from "react-router";
import type { Operation } from "#core/kit/index.ts";
import { listed } from "#core/quantities/index.ts";
import { Tooling } from "../shared/tools/tooling.tsx";
import { TriedFold } from "../shared/tools/tried.tsx";
import { ChainLine, type ShownChain, VerdictMark } from "../ui/chain.tsx";
import { counted } from "../ui/words/count.ts";
import type { ChosenRadio } from "./load-chosen.server.ts";

const DRAWN = 4;

export function Chosen(props: { readonly chosen: ChosenRadio; readonly operation: Operation }) {
  const { chosen, operation } = props;
  const { toGet, tag } = chosen;
  return (
    <section aria-label={`Chains of ${chosen.name}`} className="flex flex-col gap-3">
      <h2>
        {tag ? (
          <Link className="tag underline underline-offset-2" to={`/units/${encodeURIComponent(tag)}`}>
            {tag}
          </Link>
        ) : (
          chosen.name
        )}{" "}
        <span className="font-sans text-sm font-normal text-quiet">
          {toGet
            ? `is to get ${listed(toGet.releases)}`
            : chosen.all > 0
              ? `${counted(chosen.all, "chain")} to ${operation} it`
              : chosen.found.none}
        </span>
      </h2>
      {chosen.stop && <p className="doubt-thin w-fit px-2 py-1">{chosen.stop}</p>}
      {toGet ? (
        <Tooling tooling={toGet.tooling} unit={tag ?? ""} kitKnown />
      ) : (
        <AllChains chosen={chosen} operation={operation} />
      )}
    </section>
  );
}

function AllChains(props: { readonly chosen: ChosenRadio; readonly operation: Operation }) {
  const { chains, near, stopped } = props.chosen.found;
  const nearest = near[0] ?? stopped;
  const tried = (chain: ShownChain) => (
    <TriedFold chain={chain} operation={props.operation} unit={props.chosen.tag} />
  );
  return (
    <>
      {chains.slice(0, DRAWN).map((chain) => (
        <div key={chain.key}>
          <p className="mb-1 flex items-baseline gap-2 text-sm text-quiet">
            <VerdictMark of={chain.verdict} word={chain.word} /> {chain.evidence}
          </p>
          <ChainLine chain={chain} name={chain.short} />
          {tried(chain)}
        </div>
      ))}
      {chains.length > DRAWN && (
        <ul className="flex flex-col gap-1.5 text-sm">
          {chains.slice(DRAWN).map((chain) => (
            <li key={chain.key} className="flex flex-wrap items-baseline gap-x-3">
              <span className="inline-flex flex-wrap items-baseline gap-x-2">
                <VerdictMark of={chain.verdict} word={chain.word} />
                {chain.short}
                <span className="text-quiet">{chain.evidence}</span>
              </span>
              {tried(chain)}
            </li>
          ))}
        </ul>
      )}
      {chains.length === 0 && nearest && <ChainLine chain={nearest} name="What comes nearest" />}
      {near.length > 0 && (
        <div className="text-sm">
          <h3 className="font-semibold">
            {chains.length === 0 ? "What would close one" : "What would make more"}
          </h3>
          <ul className="list-[square] pl-5">
            {near.map((n) => (
              <li key={n.changes.join()}>
                {listed(n.changes)}
                {n.cost && `: ${n.cost}`} <span className="text-quiet">({n.short})</span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}
