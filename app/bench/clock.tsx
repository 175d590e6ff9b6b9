// How long a step has been going on, counted in the browser; without scripts only what is usual stands there.
import { useEffect, useState } from "react";
import { sayClock } from "../ui/words/duration.ts";

/** `since`: the instant by the server's clock; `before`: milliseconds that the step had taken before that. */
export function Clock({ since, before }: { readonly since: string; readonly before: number }) {
  const [now, setNow] = useState<number>();
  useEffect(() => {
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 1000);
    return () => clearInterval(timer);
  }, []);
  if (now === undefined) return null;
  return (
    <span className="ver mr-3" role="timer" aria-label="How long it has taken">
      {sayClock(before + Math.max(0, now - Date.parse(since)))}
    </span>
  );
}
