// Why a part or a hardware revision of a model stays.
import { listed } from "#core/quantities/index.ts";
import { counted } from "./count.ts";

const MANY = {
  reading: "readings",
  release: "releases",
  procedure: "procedures",
  oddity: "oddities",
  confirmation: "confirmations",
  condition: "conditions",
  radio: "radios",
} as const;
type Kind = keyof typeof MANY;

/** Nothing if nothing refers to it, so that it may go. */
export function sayPartUse({
  name,
  by,
}: {
  readonly name: string;
  readonly by: Readonly<Partial<Record<Kind, number>>>;
}): string | undefined {
  const there = (Object.keys(MANY) as Kind[]).flatMap((kind) =>
    by[kind] ? [{ kind, count: by[kind] }] : [],
  );
  if (there.length === 0) return undefined;
  const what = listed(
    there.map(({ kind, count }) => counted(count, kind, MANY[kind])),
    9,
  );
  const one = there.length === 1 && there[0]?.count === 1;
  return `${name} cannot go: ${what} ${one ? "refers" : "refer"} to it.`;
}
