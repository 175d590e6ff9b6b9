// What a model's codeplug can hold: what a plan is laid out by, and what its tables are checked against.
import { z } from "zod";
import type { Bands } from "../modes/band.ts";
import { type Mode, transmitOf } from "../modes/mode.ts";
import type { LayFacts } from "./lay-out.ts";

const count = (most: number) => z.number().int().min(1).max(most);

export const codeplugFacts = z.object({
  /** Channels that fit. */
  capacity: count(100_000),
  /** Signs that its display shows of a name. */
  nameSigns: count(60),
  /** Its display shows capitals, digits and plain signs only. */
  plainSigns: z.boolean().default(false),
  digital: z.boolean(),
  /** It makes every tone; else those commonly built. */
  everyTone: z.boolean().default(false),
  /** Where its list of tones is from. */
  tonesFrom: z.string().trim().max(120).default(""),
  /** Its levels of power by name, the highest first. */
  powers: z.array(z.string().trim().min(1).max(20)).max(8).default([]),
  zones: count(10_000).optional(),
  contacts: count(1_000_000).optional(),
  /** References to talkgroups, contacts and scan lists go by position; else by what they name. */
  byPosition: z.boolean().default(false),
});
export type CodeplugFacts = Readonly<z.output<typeof codeplugFacts>>;

/** All that a radio could be tuned to. */
const ANYWHERE: Bands = [{ from: 1, to: 1_000_000_000_000 }];

/** What `layOut` goes by: the facts in a mode. Where nobody has noted where the model hears or transmits, nothing is left out for it. */
export const layFactsOf = (
  facts: CodeplugFacts,
  mode: Pick<Mode, "transmit" | "receive" | "fixed"> | undefined,
): LayFacts => ({
  capacity: facts.capacity,
  nameSigns: facts.nameSigns,
  digital: facts.digital,
  everyTone: facts.everyTone,
  powers: facts.powers,
  receive: mode && mode.receive.length > 0 ? mode.receive : ANYWHERE,
  transmit: mode ? transmitOf(mode) : ANYWHERE,
});
