// The frequency ruler: lanes on a shared axis that folds the empty stretches; what is beyond is hatched, single channels are ticks, test
// frequencies are pins. It is a list to those who do not see it.
import { axisOf, type Bands, marksOf } from "#core/modes/index.ts";
import { listed } from "#core/quantities/index.ts";
import { sayHertz } from "./words/frequency.ts";

export type Lane = {
  readonly name: string;
  readonly bands: Bands;
  /** Of these, where it should not. */
  readonly beyond?: Bands;
  /** Listening, or allowed: drawn lighter than what is sent. */
  readonly light?: boolean;
  /** Single frequencies, in hertz. */
  readonly ticks?: readonly number[];
};
export type Pin = { readonly hertz: number; readonly outside?: boolean };

/** "144 to 146 and 430 to 440 MHz": a band's ends need no more places than they have. */
export const sayBands = (bands: Bands): string => {
  const mhz = (hertz: number) => String(Number((hertz / 1e6).toFixed(6)));
  const each = bands.map(({ from, to }) => (to - from <= 1 ? mhz(from) : `${mhz(from)} to ${mhz(to)}`));
  return each.length === 0 ? "nowhere" : `${listed(each, 8)} MHz`;
};

const percent = (share: number): string => `${(share * 100).toFixed(3)}%`;

export function Ruler(props: {
  readonly name: string;
  readonly lanes: readonly Lane[];
  readonly pins?: readonly Pin[];
}) {
  const { lanes, pins = [] } = props;
  const axis = axisOf(
    lanes.flatMap(({ bands, ticks }) => (ticks ? [] : bands)),
    [...lanes.flatMap(({ ticks = [] }) => ticks), ...pins.map(({ hertz }) => hertz)],
  );
  if (axis.stretches.length === 0) return null;
  const span = (bands: Bands, className: string) =>
    bands.map(({ from, to }) => {
      const [left, right] = [axis.place(from), axis.place(to)];
      return (
        <span
          key={`${from} ${to}`}
          className={`absolute inset-y-0 ${className}`}
          style={{ left: percent(left), width: percent(Math.max(right - left, 0.002)) }}
        />
      );
    });
  return (
    <figure className="ruler" aria-label={props.name}>
      <div aria-hidden="true" className="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-3 max-sm:grid-cols-1">
        {lanes.map(({ name, bands, beyond = [], light, ticks }) => (
          <div key={name} className="contents">
            <span className="self-center text-sm">{name}</span>
            <span className="relative my-0.5 h-5 overflow-hidden border-y border-line bg-base-100">
              {ticks ? (
                ticks.map((hertz) => (
                  <span
                    key={hertz}
                    className="absolute inset-y-0 w-0.5 bg-primary"
                    style={{ left: percent(axis.place(hertz)) }}
                  />
                ))
              ) : (
                <>
                  {span(bands, light ? "border-x border-primary/60 bg-primary/15" : "bg-primary/70")}
                  {span(beyond, "hatch border border-rust bg-base-100")}
                </>
              )}
            </span>
          </div>
        ))}
        {pins.length > 0 && (
          <div className="contents">
            <span className="self-center text-sm">test</span>
            <span className="relative my-0.5 h-5">
              {pins.map(({ hertz, outside }) => (
                <span
                  key={hertz}
                  className={`absolute top-0 h-5 border-l-2 ${outside ? "border-dashed border-rust" : "border-ink"}`}
                  style={{ left: percent(axis.place(hertz)) }}
                />
              ))}
            </span>
          </div>
        )}
        <span className="max-sm:hidden" />
        <span className="relative h-5 text-xs text-quiet">
          {axis.stretches.map((stretch, i) => (
            <span key={stretch.from}>
              <span
                className="absolute top-0 border-t border-quiet"
                style={{ left: percent(stretch.at), width: percent(stretch.width) }}
              />
              {i > 0 && (
                <span className="absolute -top-2" style={{ left: percent(stretch.at - 0.02) }}>
                  ≈
                </span>
              )}
              {marksIn(stretch).map((mark) => (
                <span
                  key={mark}
                  className="absolute top-0.5 -translate-x-1/2 whitespace-nowrap"
                  style={{ left: percent(axis.place(mark)) }}
                >
                  {Number((mark / 1e6).toFixed(4))}
                </span>
              ))}
            </span>
          ))}
          <span className="absolute right-0 -bottom-3">MHz</span>
        </span>
      </div>
      <ul className="sr-only">
        {lanes.map(({ name, bands, beyond = [] }) => (
          <li key={name}>
            {name}: {sayBands(bands)}
            {beyond.length > 0 && `; of that beyond what is allowed: ${sayBands(beyond)}`}
          </li>
        ))}
        {pins.map(({ hertz, outside }) => (
          <li key={hertz}>
            test at {sayHertz(hertz)}
            {outside && ", beyond what is allowed"}
          </li>
        ))}
      </ul>
    </figure>
  );
}

/** A narrow stretch has room for its two ends only. */
const marksIn = (stretch: Parameters<typeof marksOf>[0] & { readonly width: number }): number[] => {
  const marks = marksOf(stretch);
  if (stretch.width > 0.3 || marks.length < 3) return marks;
  return [marks[0] ?? 0, marks.at(-1) ?? 0];
};
