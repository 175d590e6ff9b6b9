// The ladder upright, for a narrow screen: the newest rung on top, a rail for each track at the left, what is said of each beside it.
import type { PlainDate } from "#core/quantities/index.ts";
import type { Track } from "#core/release/index.ts";
import type { LadderRoute, Rung } from "./rung.ts";
import { sayDate } from "./words/time.ts";

const TRACK_WORD: Record<Track, string> = { factory: "", beta: "beta", community: "community" };
const RAIL: Record<Track, string> = {
  factory: "border-x-4 border-shelf w-4",
  beta: "border-l-4 border-dashed border-shelf w-0",
  community: "border-l-4 border-lichen w-0",
};
/** So many rungs are shown; the way and what radios run are among them always. */
const MOST = 12;

export function UprightLadder(props: {
  readonly rungs: readonly Rung[];
  readonly today: PlainDate;
  readonly locale: string;
  readonly name: string;
  readonly route: LadderRoute | undefined;
}) {
  const { rungs, route, locale, today } = props;
  const over = route?.over ?? [];
  const newest = [...rungs].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
  const shown = newest.filter(
    (rung, i) => i < MOST || rung.units.length > 0 || over.includes(rung.id) || rung.id === route?.from,
  );
  const tracks = (["factory", "beta", "community"] as const).filter((t) => rungs.some((r) => r.track === t));
  return (
    <ol
      aria-label={`Releases of ${props.name}, the newest first`}
      className="sheet px-3 py-1 md:hidden print:hidden"
    >
      {shown.map((rung) => {
        const step = over.indexOf(rung.id);
        return (
          <li key={rung.id} className="flex min-h-9 items-stretch gap-2">
            <span aria-hidden="true" className="flex gap-2">
              {tracks.map((track) => (
                <span key={track} className="relative flex w-5 justify-center">
                  <span className={RAIL[track]} />
                  {track === rung.track && (
                    <span
                      className={`absolute inset-x-0 top-1/2 h-1 -translate-y-1/2 ${rung.withdrawn ? "border-t-4 border-dotted border-rust" : "bg-base-content"} ${rung.erases ? "outline-2 outline-rust" : ""}`}
                    />
                  )}
                </span>
              ))}
            </span>
            <span className="min-w-0 grow self-center">
              <span className={`ver ${rung.withdrawn ? "text-rust line-through" : ""}`}>{rung.version}</span>{" "}
              <span className="text-xs text-quiet">
                {[
                  sayDate(rung.on, locale, today),
                  TRACK_WORD[rung.track],
                  rung.withdrawn && "withdrawn",
                  rung.erases && "erases",
                  rung.draft && "draft",
                ]
                  .filter(Boolean)
                  .join(", ")}
              </span>
            </span>
            <span className="flex shrink-0 items-center gap-1.5 text-sm">
              {step >= 0 && (
                <span className="border-2 border-primary px-1 font-semibold">
                  {over.length > 1 ? `step ${step + 1}` : "to here"}
                </span>
              )}
              {rung.units.length > 0 && (
                <span className="tag border-2 border-base-content px-1">
                  {rung.units.length === 1 ? rung.units[0] : `${rung.units.length} radios`}
                </span>
              )}
            </span>
          </li>
        );
      })}
      {shown.length < rungs.length && (
        <li className="py-1 text-sm text-quiet">and {rungs.length - shown.length} older ones</li>
      )}
    </ol>
  );
}
