// Ways from one connector to another through adapters, at most two of them.
import { compareText } from "../../version/index.ts";
import type { Adapter, Offer } from "../shapes.ts";

/** An adapter of the club's, or one that could be bought. */
export type Joint = Adapter & { readonly offer?: string; readonly price?: number };
/** What joins two connectors, as far as ways are found by it. */
type Joining = Pick<Joint, "ends" | "price" | "holder">;
export type Path<J = Joint> = readonly J[];

export const MOST_ADAPTERS = 2;

export type Paths<J = Joint> = (from: string, to: string) => readonly Path<J>[];

/** Adapters through which data passes; those that are broken or lost are none. */
export function jointsOf(adapters: readonly Adapter[], offers: readonly Offer[]): Joint[] {
  const offered = offers.flatMap((offer): Joint[] =>
    offer.gives === "adapter"
      ? [
          {
            ...offer.adapter,
            id: `offer ${offer.id}`,
            tag: offer.name,
            condition: "sound",
            offer: offer.id,
            price: offer.price,
          },
        ]
      : [],
  );
  return oneOfEach(
    [...adapters, ...offered].filter(
      (a) => a.carriesData && a.condition !== "broken" && a.condition !== "lost",
    ),
  );
}

/** Adapters that differ in nothing but their tags: two at the radio and two at the computer are as many as a chain can have. */
const MOST_ALIKE = 2 * MOST_ADAPTERS;

function oneOfEach(joints: readonly Joint[]): Joint[] {
  const counts = new Map<string, number>();
  return joints.filter(({ id: _id, tag: _tag, ...joint }) => {
    const kind = JSON.stringify(
      Object.entries({ ...joint, ends: [...joint.ends].sort() }).sort(([a], [b]) => compareText(a, b)),
    );
    const count = (counts.get(kind) ?? 0) + 1;
    counts.set(kind, count);
    return count <= MOST_ALIKE;
  });
}

const weight = (path: Path<Joining>): number =>
  path.reduce((sum, joint) => sum + 1 + (joint.price ?? 0) * 1000 + (joint.holder === undefined ? 0 : 10), 0);

/** All ways between two connectors, what is at hand and short first; each adapter once, no connector twice. */
export function pathsOver<J extends Joining>(joints: readonly J[]): Paths<J> {
  const at = new Map<string, J[]>();
  for (const joint of joints) {
    for (const end of new Set(joint.ends)) at.set(end, [...(at.get(end) ?? []), joint]);
  }
  const known = new Map<string, readonly Path<J>[]>();
  const find = (from: string, to: string): readonly Path<J>[] => {
    const found: Path<J>[] = [];
    const walk = (here: string, path: readonly J[], seen: readonly string[]) => {
      if (here === to) {
        found.push(path);
        return;
      }
      if (path.length === MOST_ADAPTERS) return;
      for (const joint of at.get(here) ?? []) {
        const there = joint.ends[0] === here ? joint.ends[1] : joint.ends[0];
        if (path.includes(joint) || seen.includes(there)) continue;
        walk(there, [...path, joint], [...seen, there]);
      }
    };
    walk(from, [], [from]);
    return found.sort((a, b) => weight(a) - weight(b));
  };
  return (from, to) => {
    const key = `${from}\n${to}`;
    let paths = known.get(key);
    if (!paths) {
      paths = find(from, to);
      known.set(key, paths);
    }
    return paths;
  };
}
