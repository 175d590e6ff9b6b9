// What came of a deed in practice, and what to do beside the radio's keys.
import type { Step } from "#core/dossier/index.ts";
import { listed } from "#core/quantities/index.ts";
import { isClean, type Practice, type PracticeDeed } from "#simulators/radio/practice.ts";
import { EFFECT_WORD, sayStep } from "../../ui/words/step.ts";

export function Verdict({ state }: { readonly state: Practice }) {
  const { verdict } = state;
  switch (verdict.kind) {
    case "ready":
      return <p className="text-lg">The radio is {state.radio.on ? "on" : "off"}. Begin.</p>;
    case "right":
      return (
        <p role="status" className="text-lg font-semibold text-primary">
          Right. Go on.
        </p>
      );
    case "finished":
      return (
        <p role="status" className="text-xl font-semibold text-primary">
          {isClean(state)
            ? "Done, and without a mistake."
            : "Done. Once more without a mistake, and it is a clean try."}
        </p>
      );
    case "stopped":
      return (
        <p role="alert" className="hatch border-l-4 border-rust p-3 text-lg font-semibold text-rust">
          {verdict.symptom}
        </p>
      );
    case "wrong":
      return (
        <div role="alert" className="hatch border-l-4 border-rust p-3">
          <p className="text-lg font-semibold text-rust">
            {verdict.because === "too-short"
              ? "Held too short."
              : `That was ${sayDeed(verdict.did)}; asked for is ${sayAtom(verdict.expected)}.`}
          </p>
          <p className="mt-1">
            {verdict.instead
              ? `On a real radio that ${verdict.instead.whole ? "is" : "is how one begins"}: ${verdict.instead.title}, which ${EFFECT_WORD[verdict.instead.effect]}.`
              : "On a real radio nothing would have come of it."}
          </p>
        </div>
      );
  }
}

const sayHold = (keys: readonly string[], turn: "on" | "off" | undefined) =>
  `${listed(keys, 9)}${turn ? ` while it is turned ${turn}` : ""}`;

function sayDeed(deed: PracticeDeed): string {
  switch (deed.kind) {
    case "hold":
      return sayHold(deed.keys, deed.turn);
    case "turn":
      return `turning it ${deed.to}`;
    case "press":
      return deed.key;
    case "menu":
      return deed.path.join(", ");
    case "connect":
      return "the lead";
    case "wait":
      return "waiting";
    case "tool":
      return "the tool";
  }
}

function sayAtom(atom: Extract<Practice["verdict"], { kind: "wrong" }>["expected"]): string {
  return sayDeed(atom.kind === "hold" ? { ...atom, seconds: 0 } : atom);
}

/** What is done beside the keys: leads, waiting, menus, the tool. */
export function Hands(props: {
  readonly steps: readonly Step[];
  readonly onDeed: (deed: PracticeDeed) => void;
}) {
  const { steps, onDeed } = props;
  return (
    <ul className="mt-3 flex flex-wrap gap-2 border-t border-line pt-3">
      {steps.flatMap((step, i) => {
        const deed = deedOf(step);
        return deed
          ? [
              // biome-ignore lint/suspicious/noArrayIndexKey: they never change their order
              <li key={i}>
                <button
                  type="button"
                  className="btn btn-outline btn-primary btn-sm"
                  onClick={() => onDeed(deed)}
                >
                  {sayStep(step)}
                </button>
              </li>,
            ]
          : [];
      })}
    </ul>
  );
}

function deedOf(step: Step): PracticeDeed | undefined {
  switch (step.kind) {
    case "connect":
      return { kind: "connect" };
    case "wait":
      // The clock of the practice radio is quick.
      return { kind: "wait", seconds: step.seconds };
    case "menu":
      return { kind: "menu", path: step.path };
    case "tool":
      return { kind: "tool" };
    default:
      return undefined;
  }
}
