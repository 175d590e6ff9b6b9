// With what a radio can be reached: the best chain for each install on its way, or why there is none and what would close
// it; and the two presses that note how it went.
import { listed } from "#core/quantities/index.ts";
import { ChainLine, type ShownChain, VerdictMark } from "../../ui/chain.tsx";
import type { ShownChains, ShownNear } from "./shown-chains.ts";
import { Tried, TriedFold } from "./tried.tsx";

/** One stretch of the way that goes with the same kit. */
export type ShownTooling = {
  readonly releases: readonly string[];
  readonly ready: boolean;
  readonly found: ShownChains;
};

export function Tooling(props: {
  readonly tooling: readonly ShownTooling[];
  readonly unit: string;
  readonly kitKnown: boolean;
}) {
  const { tooling } = props;
  if (tooling.length === 0) return null;
  if (!props.kitKnown) {
    return (
      <section id="tooling">
        <h2 className="mb-1.5">With what</h2>
        <p className="doubt w-fit p-3">
          No leads, computers and tools are noted yet, so nobody can say.{" "}
          <a className="link" href="/kit/own">
            Note what the club has
          </a>
        </p>
      </section>
    );
  }
  return (
    <section id="tooling" className="flex flex-col gap-4">
      {tooling.map((one) => (
        <One key={one.releases.join()} one={one} several={tooling.length > 1} unit={props.unit} />
      ))}
    </section>
  );
}

function One(props: { readonly one: ShownTooling; readonly several: boolean; readonly unit: string }) {
  const { one, several } = props;
  const { chains, near } = one.found;
  const [best, ...others] = chains;
  return (
    <div>
      <h2 className="mb-1.5 flex flex-wrap items-baseline gap-x-3">
        With what{several && `, for ${listed(one.releases)}`}
        <Verdict best={one.ready ? best : undefined} near={near[0]} none={one.found.none} />
      </h2>
      {best && (one.ready || near.length === 0) && (
        <>
          <ChainLine chain={best} name={`The best chain: ${best.short}`} />
          <Tried chain={best} operation="flash" unit={props.unit} />
          {best.dissent.length > 0 && (
            <p className="mt-1 text-sm font-semibold">
              The advice contradicts itself; until our own tries settle it, this is untried.
            </p>
          )}
          {best.dissent.map((text) => (
            <p key={text} className="text-sm text-quiet">
              {text}.
            </p>
          ))}
        </>
      )}
      {!one.ready && near[0] && <ChainLine chain={near[0]} name={`The nearest chain: ${near[0].short}`} />}
      {!one.ready && !near[0] && one.found.stopped && (
        <ChainLine chain={one.found.stopped} name={`What comes nearest: ${one.found.stopped.short}`} />
      )}
      {!one.ready && near.length > 1 && (
        <ul className="mt-2 list-[square] pl-5 text-sm">
          {near.slice(1).map((n) => (
            <li key={n.changes.join()}>
              Or {listed(n.changes)}
              {n.cost && `: ${n.cost}`} <span className="text-quiet">({n.short})</span>
            </li>
          ))}
        </ul>
      )}
      {one.ready && others.length > 0 && (
        <details className="mt-1 text-sm">
          <summary className="link w-fit cursor-pointer list-none">
            {others.length} more {others.length === 1 ? "chain holds" : "chains hold"}
          </summary>
          <ul className="mt-1 flex flex-col gap-1.5">
            {others.map((chain) => (
              <li key={chain.key} className="flex flex-wrap items-baseline gap-x-3">
                <VerdictMark of={chain.verdict} word={chain.word} />
                {chain.short} <span className="text-quiet">{chain.evidence}</span>
                <TriedFold chain={chain} operation="flash" unit={props.unit} />
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function Verdict(props: {
  readonly best: ShownChain | undefined;
  readonly near: ShownNear | undefined;
  readonly none: string | undefined;
}) {
  const { best, near, none } = props;
  if (best) {
    return (
      <span className="flex flex-wrap items-baseline gap-x-2 font-sans text-sm font-normal text-quiet">
        <VerdictMark of={best.verdict} word={best.word} /> {best.evidence}
      </span>
    );
  }
  return (
    <span className="font-sans text-sm font-normal text-quiet">
      {near ? (
        <strong className="text-rust">
          {listed(near.changes)}
          {near.cost && `: ${near.cost}`}
        </strong>
      ) : (
        <strong className="text-rust">{none ?? "what holds is known to fail"}</strong>
      )}
    </span>
  );
}
