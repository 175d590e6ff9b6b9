// Minutes against radios, a line for each way. The table beside it says the same for what was asked.
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from "recharts";
import { AXIS, atLine, belowAxis, besideAxis, ChartFrame, GRID } from "../ui/chart.tsx";
import { WAY_WORD } from "../ui/words/kit/ways.ts";

const LOOK = {
  keypad: { stroke: "var(--quiet)", strokeDasharray: "2 4" },
  bluetooth: { stroke: "var(--color-primary)", strokeDasharray: undefined },
  cable: { stroke: "var(--lichen)", strokeDasharray: "8 4" },
} as const;
const WAYS = ["keypad", "bluetooth", "cable"] as const;

export function WaysChart(props: {
  readonly curve: readonly Readonly<Record<string, number>>[];
  readonly radios: number;
  readonly breaks: readonly number[];
}) {
  const title = (
    <>
      How long it takes, by how many radios
      {WAYS.map((way) => (
        <span key={way} className="inline-flex items-center gap-2 font-sans text-sm font-normal">
          <svg width="28" height="4" aria-hidden="true">
            <line x1="0" y1="2" x2="28" y2="2" strokeWidth="2.5" {...LOOK[way]} />
          </svg>
          {WAY_WORD[way]}
        </span>
      ))}
    </>
  );
  const chart = (
    <LineChart
      data={[...props.curve]}
      accessibilityLayer={false}
      margin={{ top: 14, right: 16, bottom: 22, left: 4 }}
    >
      <CartesianGrid {...GRID} />
      <XAxis {...AXIS} dataKey="radios" type="number" domain={[1, "dataMax"]} label={belowAxis("radios")} />
      <YAxis {...AXIS} width={52} label={besideAxis("minutes")} />
      <ReferenceLine x={props.radios} stroke="var(--quiet)" label={atLine("asked", "insideTopRight")} />
      {[...new Set(props.breaks)].map((at) => (
        <ReferenceLine
          key={at}
          x={at}
          stroke="var(--quiet)"
          strokeDasharray="3 3"
          label={atLine(`from ${at}`, "insideTopLeft")}
        />
      ))}
      {WAYS.map((way) => (
        <Line
          key={way}
          dataKey={way}
          dot={false}
          strokeWidth={2.5}
          isAnimationActive={false}
          {...LOOK[way]}
        />
      ))}
    </LineChart>
  );
  return <ChartFrame title={title} width={640} height={256} chart={chart} />;
}
