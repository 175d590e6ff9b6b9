// How full a battery was, and what it will be if nobody does anything. The list beside it says the same.
import { CartesianGrid, ComposedChart, Line, ReferenceLine, Scatter, XAxis, YAxis } from "recharts";
import { AXIS, atLine, besideAxis, ChartFrame, dayAxis, GRID } from "../../ui/chart.tsx";
import { useClub } from "../../ui/club.ts";

type Point = { readonly at: number; readonly percent: number };

export function ChargeChart(props: { readonly levels: readonly Point[]; readonly ahead: readonly Point[] }) {
  const { locale } = useClub();
  const now = props.ahead[0]?.at;
  const data = [
    ...props.levels.map(({ at, percent }) => ({ at, seen: percent })),
    ...props.ahead.map(({ at, percent }) => ({ at, later: percent })),
  ];
  const chart = (
    <ComposedChart data={data} accessibilityLayer={false} margin={{ top: 8, right: 16, bottom: 8, left: 4 }}>
      <CartesianGrid {...GRID} />
      <XAxis {...dayAxis(locale, 12)} />
      <YAxis
        {...AXIS}
        type="number"
        domain={[0, 100]}
        ticks={[0, 25, 50, 75, 100]}
        width={52}
        label={besideAxis("percent")}
      />
      {now !== undefined && (
        <ReferenceLine
          x={now}
          stroke="var(--quiet)"
          strokeDasharray="2 4"
          label={atLine("now", "insideTopLeft")}
        />
      )}
      <Line
        dataKey="later"
        stroke="var(--color-primary)"
        strokeDasharray="5 4"
        dot={false}
        connectNulls
        isAnimationActive={false}
      />
      <Scatter dataKey="seen" fill="var(--color-primary)" isAnimationActive={false} />
    </ComposedChart>
  );
  return (
    <ChartFrame
      title="How full it was seen, and will be if nobody plugs it in"
      width={560}
      height={208}
      chart={chart}
    />
  );
}
