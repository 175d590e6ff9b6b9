// The chain from radio to tool as links in a line: sound ones closed, untried ones dotted, broken ones open with the reason below. A list for screen readers; upright on a phone.
import type { ChainVerdict } from "#core/kit/index.ts";

export type LinkState = "sound" | "untried" | "broken";
export type ShownLink = {
  readonly kind: "radio" | "lead" | "adapter" | "chip" | "driver" | "computer" | "tool";
  readonly label: string;
  readonly under: string;
  readonly state: LinkState;
};

export type ShownChain = {
  readonly key: string;
  readonly links: readonly ShownLink[];
  readonly verdict: ChainVerdict;
  readonly evidence: string;
  /** What the record says against trying. */
  readonly parts: { readonly lead: string; readonly computer: string; readonly tool: string };
  /** In short: lead, computer, tool. */
  readonly short: string;
  /** What advice otherwise says about the driver. */
  readonly dissent: readonly string[];
  /** The verdict in a word or two. */
  readonly word: string;
};

const STATE_WORD: Record<LinkState, string> = { sound: "", untried: "untried", broken: "open" };

export function ChainLine({ chain, name }: { readonly chain: ShownChain; readonly name: string }) {
  return (
    <ol className="chain" aria-label={name}>
      {chain.links.map((link, i) => (
        <li key={`${link.kind}${link.label}`} className={`chain-link chain-${link.state}`}>
          {i > 0 && <Joint state={link.state} />}
          <span className="chain-pill">
            {link.state !== "sound" && <span className="sr-only">{STATE_WORD[link.state]}: </span>}
            {link.label}
          </span>
          <span className="chain-under">{link.under}</span>
        </li>
      ))}
    </ol>
  );
}

/** The piece of chain before a link: closed, dotted, or torn. */
function Joint({ state }: { readonly state: LinkState }) {
  return (
    <svg className="chain-joint" viewBox="0 0 28 10" aria-hidden="true" preserveAspectRatio="none">
      {state === "broken" ? (
        <path d="M0 5H8M20 5H28M9 1V9M19 1V9" stroke="var(--color-error)" strokeWidth="2.5" />
      ) : (
        <path
          d="M0 5H28"
          stroke="currentColor"
          strokeWidth="3"
          strokeDasharray={state === "untried" ? "2 4" : undefined}
        />
      )}
    </svg>
  );
}

const VERDICT_MARK = {
  proven: "border-2 border-primary bg-primary text-primary-content",
  likely: "border-2 border-primary text-primary",
  mixed: "border-2 border-brass",
  untried: "doubt",
  "known-bad": "hatch border-2 border-rust text-rust",
} as const;

/** A verdict as a small plate: filled, outlined, dotted or hatched, and always with its word. */
export function VerdictMark({ of, word }: { readonly of: keyof typeof VERDICT_MARK; readonly word: string }) {
  return <span className={`px-1.5 text-sm font-bold whitespace-nowrap ${VERDICT_MARK[of]}`}>{word}</span>;
}
