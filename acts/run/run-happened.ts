// What happened in a run, and what it comes to beyond it.
import type { Run, SentEvent } from "#core/run/index.ts";
import type { RunRow } from "#db/run/index.ts";
import type { Done, Who } from "../define.ts";

/** What it comes to, gathered over the events of one sending. */
export type Outcome = {
  readonly log: Done<unknown>["log"][number][];
  readonly touches: NonNullable<Done<unknown>["touches"]>[number][];
  readonly topics: string[];
};

export type Happened = {
  readonly row: RunRow;
  readonly before: Run;
  readonly run: Run;
  readonly event: SentEvent;
  readonly who: Who;
  readonly takeOver?: boolean | undefined;
};
