// How a channel of the plan lies in the table of one model.
import type { StripFit } from "#core/codeplug/index.ts";

const WHY = {
  full: ["full", "left out for want of room"],
  name: ["name", "left out: its name cannot be told apart"],
  tone: ["tone", "left out: it does not make its tone"],
  deaf: ["–", "does not hear there"],
  digital: ["–", "is not digital"],
  "no-transmit": ["–", "may not transmit there"],
} as const;

export function FitCell({ fit, name }: { readonly fit: StripFit | undefined; readonly name: string }) {
  if (!fit) return <td />;
  if (fit.kind === "out") {
    const [short, long] = WHY[fit.why];
    const isBad = fit.why === "full" || fit.why === "name" || fit.why === "tone";
    return (
      <td className={isBad ? "hatch text-rust" : "text-quiet"} title={long}>
        <span aria-hidden="true">{short}</span>
        <span className="sr-only">{long}</span>
      </td>
    );
  }
  return (
    <td
      className="ver whitespace-nowrap"
      title={`${fit.listens ? "to listen only, " : ""}channel ${fit.position}, shown as ${fit.name}`}
    >
      <span className="text-quiet">{fit.position}</span> {fit.name !== name && <span>{fit.name}</span>}
      {fit.listens && <span className="block text-xs text-accent">listens</span>}
    </td>
  );
}
