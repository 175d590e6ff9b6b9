// What money would free, as steps: each point is a purchase that none beats for less. Beside it the same as a table.
import { CartesianGrid, Line, LineChart, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import type { Purchase } from "#core/kit/get.ts";
import { AXIS, belowAxis, besideAxis, ChartFrame, GRID } from "../ui/chart.tsx";
import { counted } from "../ui/words/count.ts";

export function Curve(props: {
  readonly points: readonly Purchase[];
  readonly chosen: Purchase | undefined;
  readonly money: (price: number) => string;
}) {
  const { points, money, chosen } = props;
  const data = points.map((p) => ({ money: p.money, weight: p.weight }));
  const chart = (
    <LineChart data={data} margin={{ top: 8, right: 12, bottom: 22, left: 4 }}>
      <CartesianGrid {...GRID} />
      <XAxis
        {...AXIS}
        dataKey="money"
        type="number"
        domain={[0, "dataMax"]}
        tickFormatter={(value: number) => money(value).replace(/[.,]00$/, "")}
        label={belowAxis("money")}
      />
      <YAxis {...AXIS} width={44} allowDecimals={false} label={besideAxis("weight freed")} />
      <Tooltip
        formatter={(value) => [String(value), "weight freed"]}
        labelFormatter={(value) => money(Number(value))}
        contentStyle={{ background: "var(--color-base-100)", border: "1px solid var(--line)" }}
      />
      {chosen && <ReferenceLine x={chosen.money} stroke="var(--color-primary)" strokeDasharray="4 3" />}
      <Line
        type="stepAfter"
        dataKey="weight"
        stroke="var(--color-primary)"
        strokeWidth={2.5}
        dot={{ r: 3 }}
        isAnimationActive={false}
      />
    </LineChart>
  );
  return (
    <ChartFrame title="What more money would free" {...{ width: 340, height: 224, chart }}>
      <details className="text-sm">
        <summary className="link w-fit cursor-pointer list-none">As a table</summary>
        <table className="table table-sm">
          <thead>
            <tr>
              <th className="text-right">Money</th>
              <th className="text-right">Weight</th>
              <th>Radios</th>
            </tr>
          </thead>
          <tbody>
            {points.map((p) => (
              <tr key={p.money}>
                <td className="text-right tabular-nums">{money(p.money)}</td>
                <td className="text-right tabular-nums">{p.weight}</td>
                <td>{counted(p.units.length, "radio")}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </ChartFrame>
  );
}
