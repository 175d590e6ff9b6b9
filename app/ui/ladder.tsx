// The ladder: a component's releases as rungs by date, one rail for each track; units sit on the rung they run.

import type { Track } from "#core/firmware/catalogue.ts";
import { daysBetween, type PlainDate } from "#core/quantities/date.ts";
import { sayDate } from "./words/time.ts";

export type Rung = {
  readonly id: string;
  readonly version: string;
  readonly track: Track;
  readonly on: PlainDate;
  readonly withdrawn: boolean;
  readonly units: readonly string[];
};

const WIDTH = 780;
const LEFT = 84;
const RIGHT = 30;
const LANE = 92;
const LETTER = 7.6;

type Placed = Rung & { readonly x: number; readonly up: number };

/** Rungs from left to right by date; labels that would touch are set on a second and third row. */
export function layOut(rungs: readonly Rung[], from: PlainDate, to: PlainDate): Placed[] {
  const span = Math.max(1, daysBetween(from, to));
  const ends: number[] = [];
  return [...rungs]
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
    .map((rung) => {
      const x = LEFT + (daysBetween(from, rung.on) / span) * (WIDTH - LEFT - RIGHT);
      const half = (rung.version.length * LETTER) / 2 + 3;
      let up = ends.findIndex((end) => end < x - half);
      if (up < 0) up = ends.length;
      ends[up] = x + half;
      return { ...rung, x, up };
    });
}

export function Ladder(props: {
  readonly rungs: readonly Rung[];
  readonly today: PlainDate;
  readonly locale: string;
  readonly name: string;
}) {
  const { rungs, today, locale } = props;
  const [first] = [...rungs].sort((a, b) => (a.on < b.on ? -1 : 1));
  if (!first) return null;
  const tracks = (["beta", "factory", "community"] as const).filter((track) =>
    rungs.some((r) => r.track === track),
  );
  const latest = rungs.reduce((day, r) => (r.on > day ? r.on : day), today);
  const height = tracks.length * LANE + 30;
  const ticks = yearTicks(first.on, latest);
  const span = Math.max(1, daysBetween(first.on, latest));
  return (
    <figure className="sheet overflow-x-auto p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="w-full min-w-[38rem]"
        role="img"
        aria-label={describe(props)}
      >
        {tracks.map((track, lane) => (
          <Lane
            key={track}
            track={track}
            y={lane * LANE + 58}
            rungs={layOut(
              rungs.filter((r) => r.track === track),
              first.on,
              latest,
            )}
          />
        ))}
        {ticks.map((tick) => (
          <text
            key={tick}
            x={LEFT + (daysBetween(first.on, tick) / span) * (WIDTH - LEFT - RIGHT)}
            y={height - 6}
            className="fill-(--quiet) text-[11px]"
            textAnchor="middle"
          >
            {sayDate(tick, locale).replace(/^\d+ /, "")}
          </text>
        ))}
      </svg>
    </figure>
  );
}

const TRACK_WORD: Record<Track, string> = { factory: "maker", beta: "beta", community: "community" };

function Lane({
  track,
  y,
  rungs,
}: {
  readonly track: Track;
  readonly y: number;
  readonly rungs: readonly Placed[];
}) {
  const start = track === "factory" ? LEFT - 10 : Math.min(...rungs.map((r) => r.x)) - 30;
  return (
    <g>
      <text
        x={Math.max(4, start - 8)}
        y={y + 4}
        textAnchor={track === "factory" ? "end" : "end"}
        className="fill-base-content font-serif text-[12px]"
      >
        {TRACK_WORD[track]}
      </text>
      {track === "factory" && (
        <>
          <path d={`M${start} ${y - 9}H${WIDTH - 8}`} stroke="var(--shelf)" strokeWidth="4" />
          <path d={`M${start} ${y + 9}H${WIDTH - 8}`} stroke="var(--shelf)" strokeWidth="4" />
        </>
      )}
      {track === "beta" && (
        <path d={`M${start} ${y}H${WIDTH - 8}`} stroke="var(--shelf)" strokeWidth="4" strokeDasharray="8 5" />
      )}
      {track === "community" && (
        <path d={`M${start} ${y}H${WIDTH - 8}`} stroke="var(--lichen)" strokeWidth="4" />
      )}
      {rungs.map((rung) => (
        <g key={rung.id}>
          <path
            d={
              rung.withdrawn
                ? `M${rung.x} ${y - 14}V${y - 4}M${rung.x - 5} ${y - 4}L${rung.x + 5} ${y + 4}M${rung.x} ${y + 4}V${y + 14}`
                : `M${rung.x} ${y - 14}V${y + 14}`
            }
            stroke={rung.withdrawn ? "var(--color-error)" : "currentColor"}
            strokeWidth="3"
          />
          <text
            x={rung.x}
            y={y + 26 + rung.up * 11}
            textAnchor="middle"
            className={`font-mono text-[12px] ${rung.withdrawn ? "fill-error line-through" : "fill-base-content"}`}
          >
            {rung.version}
          </text>
          {rung.units.length > 0 && <Sitting rung={rung} y={y} />}
        </g>
      ))}
    </g>
  );
}

function Sitting({ rung, y }: { readonly rung: Placed; readonly y: number }) {
  const text = rung.units.length === 1 ? (rung.units[0] ?? "") : String(rung.units.length);
  const width = text.length * 8 + 12;
  return (
    <g>
      <rect
        x={rung.x - width / 2}
        y={y - 36 - (rung.up % 2) * 19}
        width={width}
        height={20}
        rx="2"
        className="fill-base-100 stroke-primary"
        strokeWidth="2"
      />
      <text
        x={rung.x}
        y={y - 22 - (rung.up % 2) * 19}
        textAnchor="middle"
        className="fill-base-content font-mono text-[12px] font-bold"
      >
        {text}
      </text>
    </g>
  );
}

function yearTicks(from: PlainDate, to: PlainDate): PlainDate[] {
  const ticks: PlainDate[] = [];
  const months = Math.max(1, Math.round(daysBetween(from, to) / 30.44 / 6));
  let [year, month] = [Number(from.slice(0, 4)), Number(from.slice(5, 7))];
  for (;;) {
    month += months;
    year += Math.floor((month - 1) / 12);
    month = ((month - 1) % 12) + 1;
    const tick = `${String(year).padStart(4, "0")}-${String(month).padStart(2, "0")}-01` as PlainDate;
    if (tick > to) return ticks;
    ticks.push(tick);
  }
}

function describe({ rungs, name }: { readonly rungs: readonly Rung[]; readonly name: string }): string {
  const said = rungs.map(
    (r) =>
      `${r.version} (${TRACK_WORD[r.track]}${r.withdrawn ? ", withdrawn" : ""}${r.units.length > 0 ? `, ${r.units.join(" ")}` : ""})`,
  );
  return `Releases of ${name} by date: ${said.join(", ")}`;
}
