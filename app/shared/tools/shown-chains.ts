// Chains as they are drawn: links with their words and state, ready to be sent to a page.

import {
  type Break,
  type Chain,
  type Chains,
  type Chip,
  type DriverRule,
  type NearChain,
  sayChip,
} from "#core/kit/index.ts";
import { SOURCE_WORD } from "#core/quantities/index.ts";
import type { KnownKit } from "#db/kit/index.ts";
import type { ShownChain, ShownLink } from "../../ui/chain.tsx";
import { counted } from "../../ui/words/count.ts";
import {
  type KitNames,
  moneyIn,
  sayBreak,
  sayChange,
  sayCost,
  sayEvidence,
  sayVerdict,
} from "../../ui/words/kit/kit.ts";
import { sayRange } from "../../ui/words/route.ts";

export type ShownNear = ShownChain & { readonly changes: readonly string[]; readonly cost: string };

export type ShownChains = {
  readonly chains: readonly ShownChain[];
  readonly near: readonly ShownNear[];
  readonly stopped: ShownChain | undefined;
  /** In a sentence, why there is none. */
  readonly none: string | undefined;
};

export function kitNames(kit: KnownKit, locale: string): KitNames {
  const { tools, computers } = kit.prepared.kit;
  const of = (list: readonly { id: string; name: string }[]) => {
    const names = new Map(list.map((row) => [row.id, row.name]));
    return (id: string) => names.get(id) ?? "something shelved";
  };
  return {
    connector: of(kit.connectors),
    driver: of(kit.drivers),
    tool: of(tools),
    computer: of(computers),
    money: moneyIn(kit.currency, locale),
  };
}

const AT: Record<Break["kind"], ShownLink["kind"]> = {
  "charge-only": "lead",
  "lead-condition": "lead",
  "with-somebody": "lead",
  "to-buy": "lead",
  way: "lead",
  "computer-condition": "computer",
  "no-port": "computer",
  "no-on-the-go": "computer",
  "no-bluetooth": "computer",
  "driver-missing": "driver",
  "driver-other": "driver",
  "driver-must-not": "driver",
  "no-support": "driver",
  "tool-missing": "tool",
  "tool-other": "tool",
  "tool-system": "tool",
  "tool-firmware": "tool",
};

/** An adapter on the way; broken where it is to be bought, or somebody else has it. */
function jointLink(chain: Chain, joint: Chain["atRadio"][number], names: KitNames): ShownLink {
  const away = chain.breaks.find(
    (b) =>
      (b.kind === "to-buy" && b.offer === joint.offer) || (b.kind === "with-somebody" && b.tag === joint.tag),
  );
  return {
    kind: "adapter",
    label: joint.tag,
    under: away ? sayBreak(away, names) : "adapter",
    state: away ? "broken" : "sound",
  };
}

/** The driver's box: its version where one is installed, else what stands in its place. */
function driverLabel({ driver, computer, breaks }: Chain): string {
  if (driver?.driver !== undefined) return `driver ${computer.drivers.get(driver.driver) ?? ""}`;
  const asked = breaks.find(
    (b) => b.kind === "driver-missing" || b.kind === "driver-other" || b.kind === "driver-must-not",
  );
  if (asked) return "has" in asked ? `driver ${asked.has}` : "no driver";
  return driver?.state === "sound" ? "built in" : "driver";
}

function driverUnder({ driver }: Chain, names: KitNames): string {
  if (driver?.state === "untried") return "nobody has noted one";
  return driver?.driver === undefined ? "in the system" : names.driver(driver.driver);
}

function leadUnder(lead: NonNullable<Chain["lead"]>): string {
  if (lead.kind !== "cable") return lead.kind;
  return lead.condition === "worn" ? "data lead, worn" : "data lead";
}

export function shownChain(chain: Chain, radio: string, names: KitNames): ShownChain {
  const { lead, computer, tool, chip, driver } = chain;
  const brokenAt = (kind: ShownLink["kind"]) =>
    chain.breaks.filter(
      (b) =>
        AT[b.kind] === kind &&
        !("tag" in b && b.tag !== lead?.tag) &&
        !("offer" in b && b.offer !== lead?.offer),
    );
  const link = (kind: ShownLink["kind"], label: string, under: string, untried = false): ShownLink => {
    const broken = brokenAt(kind);
    return broken.length > 0
      ? { kind, label, under: broken.map((b) => sayBreak(b, names)).join("; "), state: "broken" }
      : { kind, label, under, state: untried ? "untried" : "sound" };
  };
  const joints = (path: Chain["atRadio"]) => path.map((joint) => jointLink(chain, joint, names));
  const links: ShownLink[] = [
    { kind: "radio", label: radio, under: names.connector(chain.plug), state: "sound" },
    ...joints(chain.atRadio),
    ...(lead ? [link("lead", lead.tag, leadUnder(lead))] : []),
    ...joints(chain.atComputer),
    ...(chip
      ? [
          link(
            "chip",
            chip.family || "some chip",
            chip.family === "" ? "nobody knows which" : chip.grade,
            chain.untried.includes("chip"),
          ),
          link("driver", driverLabel(chain), driverUnder(chain, names), chain.untried.includes("driver")),
        ]
      : []),
    link("computer", computer.name, `${computer.system} ${computer.version}`),
    ...(tool
      ? [
          link(
            "tool",
            `${names.tool(tool.tool)}${tool.version ? ` ${tool.version}` : ""}`,
            tool.state === "untried" ? "nobody has noted whether it matches" : "tool",
            chain.untried.includes("tool"),
          ),
        ]
      : []),
  ];
  return {
    key: `${lead?.id ?? ""}|${computer.id}|${tool?.tool ?? ""}`,
    links,
    verdict: chain.evidence.verdict,
    word: sayVerdict(chain.evidence),
    evidence: sayEvidence(chain.evidence),
    parts: {
      lead: lead?.offer === undefined ? (lead?.id ?? "") : "",
      computer: computer.id,
      tool: tool?.tool ?? "",
    },
    short: [lead?.tag ?? "straight in", computer.name, tool && names.tool(tool.tool)]
      .filter(Boolean)
      .join(", "),
    // Where advice contradicts itself both sides are heard.
    dissent: (driver && driver.dissent.length > 0 ? [...driver.rules, ...driver.dissent] : []).map((rule) =>
      sayAdvice(rule, chip, names),
    ),
  };
}

/** "Our bench (Tuesday at the hut): Bramble 220, clone needs Bramble port driver 2.0 or newer." */
function sayAdvice(rule: DriverRule, chip: Chip | undefined, names: KitNames): string {
  const driver = rule.driver === undefined ? "a driver" : names.driver(rule.driver);
  const range = rule.range ? ` ${sayRange(rule.range)}` : "";
  const says = {
    "built-in": "is served by the system itself",
    needs: `needs ${driver}${range}`,
    "must-not": `must not meet ${driver}${range}`,
    "no-support": "is not served at all",
  }[rule.says];
  const source = rule.source.what
    ? `${SOURCE_WORD[rule.source.kind]} (${rule.source.what})`
    : SOURCE_WORD[rule.source.kind];
  return `${source}: ${chip ? sayChip(chip) : "it"} ${says}`;
}

const shownNear = (near: NearChain, radio: string, names: KitNames): ShownNear => ({
  ...shownChain(near, radio, names),
  changes: near.changes.map((change) => sayChange(change, names)),
  cost: sayCost(near, names),
});

export function shownChains(found: Chains, radio: string, names: KitNames, most = 12): ShownChains {
  const { chains, near, stopped } = found;
  return {
    chains: chains.slice(0, most).map((chain) => shownChain(chain, radio, names)),
    near: near.map((one) => shownNear(one, radio, names)),
    stopped: stopped && shownChain(stopped, radio, names),
    none: chains.length > 0 ? undefined : whyNone(found, names),
  };
}

/** Why nothing holds, in one sentence. */
export function whyNone({ near, stopped, noLead, noTool }: Chains, names: KitNames): string {
  if (noTool) return "No tool that we have noted knows this model for this.";
  if (noLead) return "No lead of ours, nor any on offer, has a plug that meets this radio.";
  const closest = near[0] ?? stopped;
  if (!closest) return "There is no computer to plug it into.";
  const parts = closest.breaks.map((b) => sayBreak(b, names));
  return `No chain holds; the nearest has ${counted(parts.length, "open link")}: ${parts.join("; ")}.`;
}
