// What is wrong with a plan of channels, and how radios stand to it, in words.
import type { Trouble } from "#core/codeplug/index.ts";
import { listed } from "#core/quantities/index.ts";
import { counted } from "./count.ts";
import { sayHertz } from "./frequency.ts";

const WHY_LEFT = {
  full: "for want of room",
  name: "because their names cannot be told apart on its display",
  tone: "because it does not make their tones",
  deaf: "because it does not hear there",
  digital: "because they are digital",
  "no-transmit": "because it may not transmit there",
} as const;

/** A trouble as a sentence, of whom, and how bad it is. */
export function sayTrouble(trouble: Trouble): {
  who: string;
  text: string;
  level: "bad" | "doubt" | "quiet";
} {
  switch (trouble.kind) {
    case "stranded": {
      const more = trouble.units - trouble.tags.length;
      const who = `${listed(trouble.tags, 3)}${more > 0 && trouble.tags.length <= 3 ? ` and ${more} more` : ""}`;
      const some = `${trouble.channels.slice(0, 2).join(", ")}${trouble.count > 2 ? ` and ${trouble.count - 2} more` : ""}`;
      return {
        who,
        level: trouble.edge === undefined ? "doubt" : "bad",
        text:
          trouble.edge === undefined
            ? `${some}: in the mode ${trouble.mode} the radio refuses to transmit there. Its mode is wrong, not the channel.`
            : `${some}: in the mode ${trouble.mode} the radio would fall to ${sayHertz(trouble.edge)}. Its mode is wrong, not the channel.`,
      };
    }
    case "left-out":
      return {
        who: trouble.model,
        level:
          trouble.why === "full"
            ? "bad"
            : trouble.why === "tone" || trouble.why === "name"
              ? "doubt"
              : "quiet",
        text: `${counted(trouble.count, "channel")} of ${listed(trouble.blocks, 3)} ${trouble.count === 1 ? "is" : "are"} left out ${WHY_LEFT[trouble.why]}.`,
      };
    case "listens":
      return {
        who: trouble.model,
        level: "doubt",
        text: `It only listens on ${listed(trouble.channels, 3)}${trouble.count > trouble.channels.length ? ` and ${trouble.count - trouble.channels.length} more` : ""}: it may not transmit there.`,
      };
    case "cut":
      return {
        who: trouble.model,
        level: "quiet",
        text: `${counted(trouble.count, "name")} cut to fit its display: “${trouble.name}” shows as ${trouble.short}.`,
      };
  }
}

export const CARRIED_WORD = {
  plan: "this plan",
  older: "an older plan",
  other: "another table",
  unknown: "not read",
} as const;
export type CarriedState = keyof typeof CARRIED_WORD;

/** That no plan was issued; `drafted`: channels of the one that is being made. */
export const sayNoPlan = (drafted: number | undefined): string =>
  drafted === undefined
    ? "no plan of channels yet"
    : `no plan of channels issued yet; a draft of ${counted(drafted, "channel")} is there`;

/** How many zones its blocks take, a block a zone at least; `has`: of so many; those that take several by name. */
export function sayZones(
  blocks: readonly { readonly name: string; readonly zones: number }[],
  has: number | undefined,
): string {
  const total = blocks.reduce((sum, { zones }) => sum + zones, 0);
  const several = blocks.filter(({ zones }) => zones > 1).map(({ name, zones }) => `${name} takes ${zones}`);
  const of = has === undefined ? counted(total, "zone") : `${total} of its ${counted(has, "zone")}`;
  const tooMany = has !== undefined && total > has ? ": more than it has" : "";
  return `With a zone a block the plan takes ${of}${tooMany}${several.length > 0 ? `; ${listed(several)}` : ""}.`;
}
