// What a channel's reference to a member of a list means in the radio, and whether that is what it says.
import { groupBy } from "../quantities/index.ts";
import type { CodeplugList } from "./document.ts";

export type Referred =
  | { readonly kind: "meant" }
  /** No member goes by it, or its position is empty. */
  | { readonly kind: "nothing" }
  /** By position it means another than it says; `means`: what that one is called. */
  | { readonly kind: "other"; readonly position: number; readonly says: string; readonly means: string };

/** A position with what should stand there: "3 99901", "3: Marshals". */
const WITH_POSITION = /^(\d{1,6})\s*[:.)\-/ ]\s*(\S.*)$/;
const POSITION = /^\d{1,6}$/;

/**
 * Reads references into a list. By content, a text means the member whose number or name it is. By position, it means the member there: a
 * number that is both a position and somebody else's own number may mean either and is told; so is a position beside which another's number or
 * name stands.
 */
export function referrer(list: CodeplugList): (text: string) => Referred {
  const at = (position: number) => list.members[position - 1] ?? undefined;
  const alike = (text: string) => text.trim().toLowerCase();
  const isIn = groupBy(
    list.members.flatMap((member, i) =>
      member
        ? [...new Set([alike(member.key), alike(member.name)])].map((text) => ({ text, position: i + 1 }))
        : [],
    ),
    ({ text }) => text,
  );
  const goesBy = (text: string): readonly number[] =>
    (isIn.get(alike(text)) ?? []).map(({ position }) => position);
  return (text) => {
    const named = goesBy(text);
    if (list.by === "content") return { kind: named.length > 0 ? "meant" : "nothing" };
    const parts = named.length > 0 ? null : WITH_POSITION.exec(text.trim());
    const position = Number(parts?.[1] ?? (POSITION.test(text.trim()) ? text.trim() : Number.NaN));
    const says = parts?.[2]?.trim() ?? text.trim();
    const there = at(position);
    if (!there) return { kind: named.length > 0 ? "meant" : "nothing" };
    // A bare position says nothing of what should stand there, unless it is somebody's number.
    const isBare = parts === null && named.length === 0;
    if (isBare || goesBy(says).includes(position)) return { kind: "meant" };
    return { kind: "other", position, says, means: there.name };
  };
}
