// What pairs a radio with a device of ours: the presses on both sides in their order, the proof that it holds, and what is set then.
import type { PairPlan } from "../../bluetooth/index.ts";
import { deviceGates, stage } from "../blocks.ts";
import type { RunPlan, RunStep, Stage } from "../plan.ts";

/** What is told of two that are to be paired. */
export type PairFacts = {
  readonly tag: string;
  /** `floor`: the least charge it should have, in percent; absent: it has no battery. */
  readonly device: { readonly tag: string; readonly what: string; readonly floor?: number | undefined };
  readonly plan: PairPlan;
  /** It keys the radio: that is tried into a dummy load. */
  readonly keys: boolean;
};

const confirm = (what: string): RunStep => ({
  kind: "do",
  step: { kind: "confirm", what: what.slice(0, 300) },
  minutes: 1,
});

/** Pairing as a run of its own. */
export const composePair = (facts: PairFacts): RunPlan => ({
  purpose: "pair",
  stages: [...stage("gates", "Before it begins", charged(facts)), ...pairing(facts)],
});

const charged = ({ device }: PairFacts): RunStep[] =>
  deviceGates({
    sums: new Map(),
    devices: device.floor === undefined ? [] : [{ tag: device.tag, floor: device.floor }],
  });

/** Pairing as a part of any run. */
export function pairing({ tag, device, plan, keys }: PairFacts): Stage[] {
  const { advice, settings, forgets } = plan;
  const presses: RunStep[] = (advice?.steps ?? []).map((step) => ({ kind: "do", step, minutes: 0.5 }));
  return [
    ...stage("pair", `Pair ${device.tag} with ${tag}`.slice(0, 200), [
      ...forgets.map((other) => confirm(`${device.tag} has forgotten ${other}: it holds no more at once`)),
      ...(plan.turnOn ? [confirm("the radio's Bluetooth is on: a reset leaves it off")] : []),
      ...rightMenu(plan),
      ...(presses.length > 0
        ? presses
        : [
            {
              kind: "open" as const,
              wanted: `pair a ${device.what || "device like it"} with it`,
              minutes: 5,
            },
          ]),
      ...pin(plan),
    ]),
    ...stage("proof", "Does it hold?", [
      {
        kind: "paired",
        device: device.tag,
        minutes: 1,
        ...(advice !== undefined && advice.shows !== "" && { shows: advice.shows }),
      },
      keys
        ? {
            kind: "do",
            step: { kind: "key-up", what: `with ${device.tag}, for a second, into the dummy load` },
            minutes: 1,
          }
        : confirm(`sound comes through ${device.tag}`),
    ]),
    ...stage("settings", "What is set", settings.map(setting)),
  ];
}

/** The right menu, with the one that looks right named beside it. */
function rightMenu({ advice }: PairPlan): RunStep[] {
  if (advice === undefined || advice.menu === "") return [];
  return [
    {
      kind: "right-menu",
      menu: advice.menu,
      minutes: 1,
      ...(advice.wrongMenu !== "" && { wrong: advice.wrongMenu }),
      ...(advice.wrongShows !== "" && { wrongShows: advice.wrongShows }),
    },
  ];
}

function pin({ advice }: PairPlan): RunStep[] {
  if (advice === undefined || advice.pin === "") return [];
  return [
    {
      kind: "pin",
      pin: advice.pin,
      minutes: 1,
      ...(advice.pinSeconds !== undefined && { seconds: advice.pinSeconds }),
    },
  ];
}

/** What this pair has of its own counts before what is recommended. */
function setting({ name, value, why, own }: PairPlan["settings"][number]): RunStep {
  const because = (reason: string) => (reason === "" ? "" : `: ${reason}`);
  if (own === undefined || own.value === value) return confirm(`${name} is ${value}${because(why)}`);
  return confirm(`${name} is ${own.value}${because(own.why)} (recommended: ${value})`);
}
