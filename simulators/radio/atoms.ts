// Procedures as a radio meets them: what a hand does, one deed after the other, each with what shows after it.
import type { Effect, Purpose, Signs, Step } from "#core/dossier/index.ts";

export type KnownWay = {
  readonly id: string;
  readonly purpose: Purpose;
  readonly title: string;
  readonly steps: readonly Step[];
  /** What following it to its end does to what is in it; absent: nothing. */
  readonly effect?: Effect;
};

type Bare =
  | {
      readonly kind: "hold";
      readonly keys: readonly string[];
      readonly turn?: "on" | "off";
      readonly seconds?: number;
    }
  | { readonly kind: "turn"; readonly to: "on" | "off" }
  | { readonly kind: "press"; readonly key: string }
  | { readonly kind: "menu"; readonly path: readonly string[] }
  | { readonly kind: "connect" }
  | { readonly kind: "wait"; readonly seconds: number }
  | { readonly kind: "tool" };
/** `step`: its place in the procedure. */
export type Atom = Bare & { readonly signs?: Signs; readonly step: number };

/** The deeds of a procedure. What is only watched, noted or confirmed is none; what is watched shows after the deed before it. */
export function atomsOf(steps: readonly Step[]): Atom[] {
  const atoms: Atom[] = [];
  for (const [step, one] of steps.entries()) {
    for (const bare of bareOf(one)) atoms.push({ ...bare, step });
    const signs = one.kind === "hold" || one.kind === "watch" ? one.signs : undefined;
    const last = atoms.pop();
    if (last) atoms.push(signs ? { ...last, signs: { ...last.signs, ...signs } } : last);
  }
  return atoms;
}

function bareOf(step: Step): Bare[] {
  switch (step.kind) {
    case "hold":
      return [
        {
          kind: "hold",
          keys: step.keys,
          ...(step.turn && { turn: step.turn }),
          ...(step.seconds !== undefined && { seconds: step.seconds }),
        },
      ];
    case "turn":
      return [{ kind: "turn", to: step.to }];
    case "press":
      return step.keys.map((key) => ({ kind: "press", key }));
    case "menu":
      return [{ kind: "menu", path: step.path }];
    case "connect":
      return [{ kind: "connect" }];
    case "wait":
      return [{ kind: "wait", seconds: step.seconds }];
    case "tool":
      return [{ kind: "tool" }];
    default:
      return [];
  }
}
