// A chart is drawn by a library that few pages need: its scripts are fetched where one is drawn, and its space is kept meanwhile.
import { type ComponentType, lazy, Suspense } from "react";

/** A chart from a file of its own; so many pixels high without its title. The server draws it at once. */
export function chartFrom<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  height: number,
): ComponentType<Props> {
  const Chart = lazy(async () => ({ default: (await load()) as ComponentType<object> }));
  return (props) => (
    <Suspense fallback={<div className="sheet p-3" style={{ height: height + TITLE_AND_EDGES }} />}>
      <Chart {...props} />
    </Suspense>
  );
}
const TITLE_AND_EDGES = 58;
