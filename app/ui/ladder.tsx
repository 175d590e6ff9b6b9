// The ladder: a component's releases as rungs by date, one rail for each track; units sit on the rung they run.

import { daysBetween, type PlainDate } from "#core/quantities/index.ts";
import type { Track } from "#core/release/index.ts";
import { UprightLadder } from "./ladder-upright.tsx";
import type { LadderRoute, Rung } from "./rung.ts";
import { sayDate } from "./words/time.ts";

const WIDTH = 780;
const LEFT = 84;
const RIGHT = 30;
const LANE = 92;
const LETTER = 7.6;

/** `up`: the row of its label under the rail, -1 for none: the rung alone is drawn, and speaks when pointed at. */
type Placed = Rung & { readonly x: number; readonly up: number };

const ROWS = 3;

/**
 * Rungs from left to right by date; labels that would touch are set on a second and third row. Where three rows are not
 * enough, the rungs that somebody runs or that the way steps on are named first, then the newest.
 */
export function layOut(
  rungs: readonly Rung[],
  from: PlainDate,
  to: PlainDate,
  named: ReadonlySet<string> = new Set(),
): Placed[] {
  const span = Math.max(1, daysBetween(from, to));
  const spots = [...rungs]
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
    .map((rung) => {
      const x = LEFT + (daysBetween(from, rung.on) / span) * (WIDTH - LEFT - RIGHT);
      const half = (rung.version.length * LETTER) / 2 + 3;
      return { rung, x, left: x - half, right: x + half };
    });
  const inOrder = rowsOf(spots);
  const matters = (rung: Rung) => rung.units.length > 0 || named.has(rung.id);
  const rows =
    Math.max(...inOrder.values()) < ROWS
      ? inOrder
      : rowsOf([...spots].reverse().sort((a, b) => Number(matters(b.rung)) - Number(matters(a.rung))));
  return spots.map(({ rung, x }) => {
    const row = rows.get(rung.id) ?? ROWS;
    return { ...rung, x, up: row < ROWS ? row : -1 };
  });
}

type Spot = { readonly rung: Rung; readonly left: number; readonly right: number };

/** The first row in which a label touches none that was set before it. */
function rowsOf(spots: readonly Spot[]): Map<string, number> {
  const rows: Spot[][] = [];
  return new Map(
    spots.map((spot) => {
      let row = rows.findIndex((set) => set.every((o) => o.right < spot.left || spot.right < o.left));
      if (row < 0) row = rows.push([]) - 1;
      rows[row]?.push(spot);
      return [spot.rung.id, row];
    }),
  );
}

export function Ladder(props: {
  readonly rungs: readonly Rung[];
  readonly today: PlainDate;
  readonly locale: string;
  readonly name: string;
  readonly route?: LadderRoute | undefined;
}) {
  const { rungs, today, locale } = props;
  const [first] = [...rungs].sort((a, b) => (a.on < b.on ? -1 : 1));
  if (!first) return null;
  const tracks = (["beta", "factory", "community"] as const).filter((track) =>
    rungs.some((r) => r.track === track),
  );
  const latest = rungs.reduce((day, r) => (r.on > day ? r.on : day), today);
  const onTheWay = new Set([props.route?.from ?? "", ...(props.route?.over ?? [])]);
  const lanes = tracks.map((track, lane) => ({
    track,
    y: lane * LANE + 58,
    rungs: layOut(
      rungs.filter((r) => r.track === track),
      first.on,
      latest,
      onTheWay,
    ),
  }));
  // A third row of labels in the lowest lane would lie on the dates.
  const low = lanes.at(-1)?.rungs.some((r) => r.up === 2) ? 12 : 0;
  const height = tracks.length * LANE + 30 + low;
  const ticks = yearTicks(first.on, latest);
  const span = Math.max(1, daysBetween(first.on, latest));
  return (
    <>
      <UprightLadder rungs={rungs} name={props.name} today={today} locale={locale} route={props.route} />
      <figure className="sheet hidden max-w-[62rem] p-2 md:block print:block">
        <svg viewBox={`0 0 ${WIDTH} ${height}`} className="w-full" role="img" aria-label={describe(props)}>
          {lanes.map((lane) => (
            <Lane key={lane.track} {...lane} />
          ))}
          {props.route && <Arcs lanes={lanes} route={props.route} />}
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
    </>
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
          <title>{rung.version}</title>
          <path
            d={
              rung.withdrawn
                ? `M${rung.x} ${y - 14}V${y - 4}M${rung.x - 5} ${y - 4}L${rung.x + 5} ${y + 4}M${rung.x} ${y + 4}V${y + 14}`
                : `M${rung.x} ${y - 14}V${y + 14}`
            }
            stroke={rung.withdrawn ? "var(--color-error)" : "currentColor"}
            strokeWidth={rung.up < 0 ? 1 : 3}
          />
          {rung.erases && (
            <path
              d={`M${rung.x - 8} ${y - 15}h16M${rung.x - 8} ${y + 15}h16`}
              stroke="var(--color-error)"
              strokeWidth="3"
            />
          )}
          {rung.up >= 0 && (
            <text
              x={rung.x}
              y={y + 28 + rung.up * 11}
              textAnchor="middle"
              className={`font-mono text-[12px] ${rung.draft ? "opacity-60" : ""} ${rung.withdrawn ? "fill-error line-through" : "fill-base-content"}`}
            >
              {rung.version}
            </text>
          )}
          {rung.units.length > 0 && <Sitting rung={rung} y={y} />}
        </g>
      ))}
    </g>
  );
}

/** The way from rung to rung as arcs above the rails; their feet are the stepping stones. */
function Arcs(props: {
  readonly lanes: readonly { readonly y: number; readonly rungs: readonly Placed[] }[];
  readonly route: LadderRoute;
}) {
  const spots = new Map(
    props.lanes.flatMap(({ y, rungs }) => rungs.map((r) => [r.id, { x: r.x, y }] as const)),
  );
  const first = spots.get(props.route.over[0] ?? "");
  let at = spots.get(props.route.from ?? "") ?? (first && { x: LEFT - 20, y: first.y });
  return (
    <g fill="none" stroke="var(--color-primary)" strokeWidth="2.5">
      {props.route.over.map((id, i) => {
        const from = at;
        const to = spots.get(id);
        if (!from || !to) return null;
        at = to;
        const sits = i === 0 && spots.has(props.route.from ?? "");
        const [y1, y2] = [from.y - (sits ? 38 : 18), to.y - 18];
        // Halfway the curve is at an eighth of each foot and three quarters of the lift: that stays on the paper.
        const lift = Math.max(
          Math.min(y1, y2) - 12 - Math.min(22, Math.abs(to.x - from.x) / 12),
          (4 - (y1 + y2) / 8) / 0.75,
        );
        const [c1, c2] = [from.x + (to.x - from.x) * 0.15, from.x + (to.x - from.x) * 0.85];
        return (
          <g key={id}>
            <path d={`M${from.x} ${y1}C${c1} ${lift} ${c2} ${lift} ${to.x} ${y2}`} />
            <path d={`M${to.x - 5} ${y2 - 8}L${to.x} ${y2}L${to.x + 6} ${y2 - 7}`} />
          </g>
        );
      })}
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
        y={y - 36 - (Math.max(0, rung.up) % 2) * 19}
        width={width}
        height={20}
        rx="2"
        className="fill-base-100 stroke-primary"
        strokeWidth="2"
      />
      <text
        x={rung.x}
        y={y - 22 - (Math.max(0, rung.up) % 2) * 19}
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

function describe(props: {
  readonly rungs: readonly Rung[];
  readonly name: string;
  readonly route?: LadderRoute | undefined;
}): string {
  const { rungs, name, route } = props;
  const said = rungs.map(
    (r) =>
      `${r.version} (${TRACK_WORD[r.track]}${r.withdrawn ? ", withdrawn" : ""}${r.erases ? ", erases" : ""}${r.units.length > 0 ? `, ${r.units.join(" ")}` : ""})`,
  );
  const over = (route?.over ?? []).map((id) => rungs.find((r) => r.id === id)?.version);
  return `Releases of ${name} by date: ${said.join(", ")}${over.length > 0 ? `. The way goes over ${over.join(", then ")}` : ""}`;
}
