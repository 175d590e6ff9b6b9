// What a form of a run's page says, as what happened in the run.
import { typedNumber, WATTS } from "#core/quantities/index.ts";
import { GATES, type Happening } from "#core/run/index.ts";

/** The name of an event: of the form it came with, and which of that form's it is. */
export const eventId = (key: string, i: number): string => `${key.slice(0, 50)} ${i}`;

/** Nothing, for what is no answer to a step. */
export function happeningsOf(intent: string, form: FormData): Happening[] {
  const text = (name: string) => String(form.get(name) ?? "").trim();
  const isLast = form.get("last") === "yes";
  // With the last step a run is finished: nobody has to say so besides.
  const onward: Happening[] = isLast ? [{ kind: "seen" }, { kind: "finished" }] : [{ kind: "seen" }];
  const gate = GATES.find((one) => one === text("gate"));
  switch (intent) {
    case "begin":
      return [{ kind: "started" }];
    case "seen":
      return onward;
    case "finish":
      return [{ kind: "finished" }];
    case "hold": {
      if (!gate) return [];
      const charge =
        text("charge") === "" ? undefined : Number(text("charge").replace("%", "").replace(",", "."));
      const supply = form.get("supply") === "on";
      const revision = text("revision").slice(0, 200);
      return [
        {
          kind: "held",
          gate,
          ...(charge !== undefined && { charge }),
          ...(supply && { supply }),
          ...(revision !== "" && { revision }),
        },
        ...(isLast ? [{ kind: "finished" as const }] : []),
      ];
    }
    case "override":
      return gate ? [{ kind: "overrode", gate, reason: text("reason") }] : [];
    case "probed":
      return [
        { kind: "probed", transmits: text("transmits") === "yes" },
        ...(isLast ? [{ kind: "finished" as const }] : []),
      ];
    case "measured": {
      const watts = typedNumber(text("watts"), WATTS);
      if (watts === undefined || !(watts > 0 && watts <= 10_000)) return [];
      return [
        {
          kind: "measured",
          watts,
          ...(text("meter") !== "" && { meter: text("meter") }),
          ...(form.get("sure") === "on" && { sure: true as const }),
        },
        ...(isLast ? [{ kind: "finished" as const }] : []),
      ];
    }
    case "note":
      return [{ kind: "noted", text: text("note") }, ...(isLast ? [{ kind: "finished" as const }] : [])];
    case "odd":
      return [{ kind: "odd", symptom: text("symptom") || text("quirk") }];
    case "cured":
      return [{ kind: "cured", cause: text("cause"), cure: text("cure") }];
    case "back":
      return [{ kind: "went-back", to: Math.max(0, Number(form.get("place")) - 1) }];
    case "pause":
      return [{ kind: "paused" }];
    case "resume":
      return [{ kind: "resumed" }];
    case "stop":
      return [{ kind: "stopped", reason: text("reason") }];
    case "reading":
      return [{ kind: "reading", component: text("component"), raw: text("typed") }, ...onward];
    default:
      return [];
  }
}
