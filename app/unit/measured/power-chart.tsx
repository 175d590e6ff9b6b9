// A radio's power over time, each reading with what its meter may be off by. The table beside it says the same.
import { CartesianGrid, ErrorBar, ReferenceLine, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import type { PlainDate } from "#core/quantities/index.ts";
import { AXIS, atLine, besideAxis, ChartFrame, dayAxis, GRID } from "../../ui/chart.tsx";
import { useClub } from "../../ui/club.ts";

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
  const chart = (
    <ScatterChart accessibilityLayer={false} margin={{ top: 8, right: 16, bottom: 20, left: 4 }}>
      <CartesianGrid {...GRID} />
      <XAxis {...dayAxis(locale, 16)} />
      <YAxis
        {...AXIS}
        dataKey="watts"
        type="number"
        domain={[0, Math.ceil(most * 1.1)]}
        width={48}
        label={besideAxis("watts")}
      />
      {props.rated !== undefined && (
        <ReferenceLine
          y={props.rated}
          stroke="var(--color-primary)"
          strokeDasharray="4 4"
          label={atLine("rated", "insideTopRight")}
        />
      )}
      <Scatter data={data} fill="var(--color-primary)" isAnimationActive={false}>
        <ErrorBar dataKey="off" direction="y" width={6} stroke="var(--quiet)" isAnimationActive={false} />
      </Scatter>
    </ScatterChart>
  );
  return (
    <ChartFrame
      title="Its power over time, with what the meter may be off by"
      width={700}
      height={224}
      chart={chart}
    />
  );
}
