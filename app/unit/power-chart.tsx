// A radio's power over time, each reading with what its meter may be off by. The table beside it says the same.
import {
  CartesianGrid,
  ErrorBar,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from "recharts";
import type { PlainDate } from "#core/quantities/date.ts";
import { useClub } from "../ui/club.ts";
import { sayDate } from "../ui/words/time.ts";

export function PowerChart(props: {
  readonly points: readonly {
    readonly day: PlainDate;
    readonly value: number;
    readonly interval?: { readonly low: number; readonly high: number } | undefined;
  }[];
  readonly rated: number | undefined;
}) {
  const { locale } = useClub();
  const data = props.points.map(({ day, value, interval }) => ({
    at: Date.parse(day),
    watts: value,
    off: interval ? [value - interval.low, interval.high - value] : [0, 0],
  }));
  const most = Math.max(props.rated ?? 0, ...data.map(({ watts, off }) => watts + (off[1] ?? 0)));
  return (
    <figure className="sheet p-3">
      <figcaption className="mb-2 font-serif font-bold">
        Its power over time, with what the meter may be off by
      </figcaption>
      <div className="h-56" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 700, height: 224 }}>
          <ScatterChart accessibilityLayer={false} margin={{ top: 8, right: 16, bottom: 20, left: 4 }}>
            <CartesianGrid stroke="var(--line)" vertical={false} />
            <XAxis
              dataKey="at"
              type="number"
              domain={["dataMin", "dataMax"]}
              padding={{ left: 16, right: 16 }}
              tickFormatter={(at: number) =>
                sayDate(new Date(at).toISOString().slice(0, 10) as PlainDate, locale)
              }
              stroke="var(--quiet)"
              fontSize={12}
            />
            <YAxis
              dataKey="watts"
              type="number"
              domain={[0, Math.ceil(most * 1.1)]}
              stroke="var(--quiet)"
              fontSize={12}
              width={48}
              label={{
                value: "watts",
                angle: -90,
                position: "insideLeft",
                fill: "var(--quiet)",
                fontSize: 12,
              }}
            />
            {props.rated !== undefined && (
              <ReferenceLine
                y={props.rated}
                stroke="var(--color-primary)"
                strokeDasharray="4 4"
                label={{ value: "rated", position: "insideTopRight", fill: "var(--quiet)", fontSize: 12 }}
              />
            )}
            <Scatter data={data} fill="var(--color-primary)" isAnimationActive={false}>
              <ErrorBar dataKey="off" direction="y" width={6} stroke="var(--quiet)" />
            </Scatter>
          </ScatterChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
