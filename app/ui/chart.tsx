// What all charts share: the frame with its title, the look of axes and grid, labels. A chart is for the eye: what stands beside it says the same.
import type { ReactElement, ReactNode } from "react";
import { ResponsiveContainer } from "recharts";
import type { PlainDate } from "#core/quantities/index.ts";
import { sayDate } from "./words/time.ts";

const SMALL = { fill: "var(--quiet)", fontSize: 12 } as const;

/** For both axes. */
export const AXIS = { stroke: "var(--quiet)", fontSize: 12 } as const;
export const GRID = { stroke: "var(--color-base-300)", vertical: false } as const;

/** What a vertical axis counts, along it. */
export const besideAxis = (value: string) =>
  ({ ...SMALL, value, angle: -90, position: "insideLeft" }) as const;

/** What a horizontal axis counts, below it. */
export const belowAxis = (value: string) =>
  ({ ...SMALL, value, position: "insideBottom", offset: -12 }) as const;

/** What a line across stands for, at its upper end. */
export const atLine = (value: string, position: "insideTopLeft" | "insideTopRight") =>
  ({ ...SMALL, value, position }) as const;

/** An axis of instants, in days. */
export const dayAxis = (locale: string, padding: number) =>
  ({
    ...AXIS,
    dataKey: "at",
    type: "number",
    domain: ["dataMin", "dataMax"],
    padding: { left: padding, right: padding },
    tickFormatter: (at: number) => sayDate(new Date(at).toISOString().slice(0, 10) as PlainDate, locale),
  }) as const;

export function ChartFrame(props: {
  readonly title: ReactNode;
  /** In pixels; the width is that until the page knows better. */
  readonly height: number;
  readonly width: number;
  readonly chart: ReactElement;
  readonly children?: ReactNode;
}) {
  const { height, width } = props;
  return (
    <figure className="sheet p-3">
      <figcaption className="mb-2 flex flex-wrap items-baseline gap-x-5 font-serif font-bold">
        {props.title}
      </figcaption>
      <div style={{ height }} aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width, height }}>
          {props.chart}
        </ResponsiveContainer>
      </div>
      {props.children}
    </figure>
  );
}
