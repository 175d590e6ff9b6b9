// Moss: a living edge that grows from the foot of a drawer, level 0 to 4. Drawn once a page, used by every drawer.
import type { MossLevel } from "#core/needs/index.ts";

const WIDTH = 84;
const HEIGHT = 28;
const VARIANTS = [0, 1, 2] as const;
const TOP: Record<MossLevel, number> = { 0: 0, 1: 6, 2: 11, 3: 15, 4: 20 };

/** A small repeatable random sequence: the drawing must be the same on the server and in the browser. */
function sequence(seed: number): () => number {
  let state = seed * 2_654_435_761;
  return () => {
    state = (Math.imul(state ^ (state >>> 15), 2_246_822_519) + 0x9e3779b9) >>> 0;
    return state / 2 ** 32;
  };
}

/** Hummocks from left to right, at most `high` tall, closed along the foot. */
function hummocks(random: () => number, high: number): string {
  let path = `M0 ${HEIGHT}V${(HEIGHT - high * 0.6).toFixed(1)}`;
  for (let x = 0; x < WIDTH; ) {
    const width = 5 + random() * 9;
    const top = HEIGHT - high * (0.55 + random() * 0.45);
    const end = Math.min(WIDTH, x + width);
    const foot = HEIGHT - high * (0.35 + random() * 0.3);
    path += `Q${((x + end) / 2).toFixed(1)} ${(top - high * 0.25).toFixed(1)} ${end.toFixed(1)} ${foot.toFixed(1)}`;
    x = end;
  }
  return `${path}V${HEIGHT}Z`;
}

function stalks(random: () => number, high: number, count: number): string {
  let path = "";
  for (let i = 0; i < count; i++) {
    const x = 4 + random() * (WIDTH - 8);
    const top = HEIGHT - high * 0.85 - random() * 4;
    path += `M${x.toFixed(1)} ${HEIGHT - high * 0.4}V${top.toFixed(1)}`;
  }
  return path;
}

const LEVELS = [1, 2, 3, 4] as const;

const layersOf = (level: (typeof LEVELS)[number], variant: number) => {
  const random = sequence(level * 31 + variant * 7 + 3);
  const high = TOP[level];
  return {
    level,
    variant,
    fourth: level >= 3 ? hummocks(random, high) : undefined,
    third: level >= 2 ? hummocks(random, high * 0.8) : undefined,
    second: hummocks(random, high * 0.62),
    first: hummocks(random, high * 0.36),
    stalks: level >= 3 ? stalks(random, high, level * 2) : undefined,
  };
};
const DRAWN = LEVELS.flatMap((level) => VARIANTS.map((variant) => layersOf(level, variant)));

/** Put once on a page that shows moss. */
export function MossSymbols() {
  return (
    <svg className="absolute size-0" aria-hidden="true">
      {DRAWN.map(({ level, variant, fourth, third, second, first, stalks: stalk }) => (
        <symbol
          key={`${level}-${variant}`}
          id={`moss-${level}-${variant}`}
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          preserveAspectRatio="none"
        >
          {fourth && <path d={fourth} fill="var(--moss-4)" />}
          {third && <path d={third} fill="var(--moss-3)" />}
          <path d={second} fill="var(--moss-2)" />
          <path d={first} fill="var(--moss-1)" />
          {stalk && <path d={stalk} stroke="var(--lichen)" strokeWidth="1.2" strokeLinecap="round" />}
        </symbol>
      ))}
    </svg>
  );
}

export const MOSS_WORD: Record<MossLevel, string> = {
  0: "no moss",
  1: "a little moss",
  2: "some moss",
  3: "much moss",
  4: "deep in moss",
};

/** The edge at the foot of its parent, which must be positioned. */
export function Moss({ level, seed }: { readonly level: MossLevel; readonly seed: string }) {
  if (level === 0) return null;
  const variant = [...seed].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % VARIANTS.length;
  return (
    <svg className="moss" aria-hidden="true">
      <use href={`#moss-${level}-${variant}`} />
    </svg>
  );
}
