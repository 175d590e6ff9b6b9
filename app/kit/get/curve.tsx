// What money would free, as steps: each point is a purchase that none beats for less; radios, by how urgent it is. Beside it the same as a table.
import { CartesianGrid, Line, LineChart, ReferenceLine, Tooltip, XAxis, YAxis } from "recharts";
import type { Purchase } from "#core/kit/index.ts";
import type { Urgency } from "#core/release/index.ts";
import { AXIS, belowAxis, besideAxis, ChartFrame, GRID } from "../../ui/chart.tsx";

/** Each holds those below it. */
const LINES = [
  { key: "all", name: "all radios freed", dash: "2 4" },
  { key: "urgent", name: "of these a fix or safety", dash: "8 4" },
  { key: "safety", name: "of these safety", dash: "0" },
] as const;

export function Curve(props: {
  readonly points: readonly Purchase[];
  readonly chosen: Purchase | undefined;
  readonly money: (price: number) => string;
  /** How urgent what each radio needs is, by its id. */
  readonly urgencies: ReadonlyMap<string, Urgency>;
}) {
  const { points, money, chosen, urgencies } = props;
  const data = points.map((p) => {
    const of = (urgency: Urgency) => p.units.filter((unit) => urgencies.get(unit) === urgency).length;
    const [safety, fix, routine] = [of("safety"), of("fix"), of("routine")];
    return { money: p.money, safety, fix, routine, urgent: safety + fix, all: p.units.length };
  });
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
      <YAxis {...AXIS} width={44} allowDecimals={false} label={besideAxis("radios freed")} />
      <Tooltip
        formatter={(value, name) => [String(value), String(name)]}
        labelFormatter={(value) => money(Number(value))}
        contentStyle={{ background: "var(--color-base-100)", border: "1px solid var(--line)" }}
      />
      {chosen && <ReferenceLine x={chosen.money} stroke="var(--color-primary)" strokeDasharray="4 3" />}
      {LINES.map(({ key, name, dash }) => (
        <Line
          key={key}
          type="stepAfter"
          dataKey={key}
          name={name}
          stroke={key === "safety" ? "var(--color-error)" : "var(--color-primary)"}
          strokeWidth={2.5}
          strokeDasharray={dash}
          dot={{ r: 3 }}
          isAnimationActive={false}
        />
      ))}
    </LineChart>
  );
  return (
    <ChartFrame title="What more money would free" width={340} height={224} chart={chart}>
      <p className="text-xs text-quiet">
        Dotted: all radios freed; dashed: of these a fix or safety; solid: of these safety.
      </p>
      <details className="text-sm">
        <summary className="link w-fit cursor-pointer list-none">As a table</summary>
        <table className="table table-sm">
          <thead>
            <tr>
              <th className="text-right">Money</th>
              <th className="text-right">Safety</th>
              <th className="text-right">A fix</th>
              <th className="text-right">Routine</th>
              <th className="text-right">Radios</th>
            </tr>
          </thead>
          <tbody>
            {data.map((p) => (
              <tr key={p.money} className="text-right tabular-nums">
                <td>{money(p.money)}</td>
                <td>{p.safety}</td>
                <td>{p.fix}</td>
                <td>{p.routine}</td>
                <td>{p.all}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </ChartFrame>
  );
}
