// What a model's codeplug can hold: what a plan is laid out by, and what its tables are checked against.
import { z } from "zod";
import { type Bands, type Mode, transmitOf } from "../modes/index.ts";
import { type Facts, shapeOf } from "../quantities/index.ts";
import type { LayFacts } from "./plan/lay-out.ts";

const count = (most: number, needed?: string) =>
  z
    .number({ error: needed ?? "A whole number, or nothing." })
    .int("A whole number.")
    .min(1, "One at least.")
    .max(most, `At most ${most.toLocaleString("en-GB")}.`);
const text = (most: number) => z.string().trim().max(most, `At most ${most} signs.`);

/** Each fact of what a codeplug holds, once. */
export const CODEPLUG_FACTS = {
  capacity: {
    shape: count(100_000, "Say how many channels it holds."),
    label: "Channels",
    typed: "number",
  },
  nameSigns: {
    shape: count(60, "Say how many signs of a name it shows."),
    label: "Signs of a name that it shows",
    typed: "number",
  },
  zones: { shape: count(10_000).optional(), label: "Zones (may stay empty)", typed: "number" },
  perZone: {
    shape: count(100_000).optional(),
    label: "Channels in a zone (may stay empty)",
    typed: "number",
  },
  contacts: { shape: count(1_000_000).optional(), label: "Contacts (may stay empty)", typed: "number" },
  powers: {
    shape: z.array(text(20).min(1)).max(8, "At most 8 powers.").default([]),
    label: "Its powers by name, the highest first, with commas",
    typed: "list",
  },
  digital: { shape: z.boolean(), label: "It is digital too", typed: "tick" },
  everyTone: {
    // Else it makes those commonly built.
    shape: z.boolean().default(false),
    label: "It makes every tone",
    typed: "tick",
  },
  tonesFrom: {
    shape: text(120).default(""),
    label: "Else: where its list of tones is from",
    typed: "text",
  },
  plainSigns: {
    shape: z.boolean().default(false),
    label: "It shows capitals, digits and plain signs only",
    typed: "tick",
  },
  byPosition: {
    // References to talkgroups, contacts and scan lists; else they go by what they name.
    shape: z.boolean().default(false),
    label: "It refers to lists by position",
    typed: "tick",
  },
} as const satisfies Facts;

export const codeplugFacts = shapeOf(CODEPLUG_FACTS);
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
