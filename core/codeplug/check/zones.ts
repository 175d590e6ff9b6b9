// How many zones channels take, where a model's zones hold so many channels each.
import type { CodeplugFacts } from "../facts.ts";

/** The most channels that stand in any zone; undefined: nobody has noted how many zones there are, or how many channels each holds. */
export const zoneRoom = ({ zones, perZone }: Pick<CodeplugFacts, "zones" | "perZone">): number | undefined =>
  zones === undefined || perZone === undefined ? undefined : zones * perZone;

/** A block a zone, and as many more as it needs: so many zones for each, blocks of which nothing is kept left out. */
export const zonesFor = (
  blocks: readonly { readonly name: string; readonly kept: number }[],
  perZone: number,
): { readonly name: string; readonly zones: number }[] =>
  blocks.flatMap(({ name, kept }) => (kept === 0 ? [] : [{ name, zones: Math.ceil(kept / perZone) }]));
