// What was noted of a battery, in whatever order it was typed, as the story of its charge.
import type { Level, Since } from "./charge.ts";

export type Noted =
  | { readonly kind: "level" | "used"; readonly at: number; readonly percent: number }
  | { readonly kind: "plugged" | "unplugged"; readonly at: number };

export type Story = {
  /** The oldest first. */
  readonly levels: readonly Level[];
  readonly since: Required<Since>;
  /** Since when it is on a charger; absent: it is on none. */
  readonly pluggedAt?: number;
  /** What does not fit: taken from a charger on which it was not; put on one twice. Neither counts. */
  readonly odd: readonly { readonly kind: "not-plugged" | "plugged-already"; readonly at: number }[];
};

/** The story that notes tell, by their instants and not by the order in which they were written down. */
export function storyOf(notes: readonly Noted[]): Story {
  const inOrder = notes.map((note, i) => ({ note, i })).sort((a, b) => a.note.at - b.note.at || a.i - b.i);
  const levels: Level[] = [];
  const used: { at: number; percent: number }[] = [];
  const charged: { from: number; to?: number }[] = [];
  const odd: Story["odd"][number][] = [];
  let pluggedAt: number | undefined;
  for (const { note } of inOrder) {
    const { at } = note;
    if (note.kind === "level") levels.push({ at, percent: note.percent });
    else if (note.kind === "used") used.push({ at, percent: note.percent });
    else if (note.kind === "plugged") {
      if (pluggedAt === undefined) pluggedAt = at;
      else odd.push({ kind: "plugged-already", at });
    } else if (pluggedAt === undefined) odd.push({ kind: "not-plugged", at });
    else {
      charged.push({ from: pluggedAt, to: at });
      pluggedAt = undefined;
    }
  }
  if (pluggedAt !== undefined) charged.push({ from: pluggedAt });
  return { levels, since: { used, charged }, odd, ...(pluggedAt !== undefined && { pluggedAt }) };
}
