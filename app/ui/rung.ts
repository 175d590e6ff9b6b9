// What a ladder is drawn from.
import type { PlainDate } from "#core/quantities/index.ts";
import type { Track } from "#core/release/index.ts";

export type Rung = {
  readonly id: string;
  readonly version: string;
  readonly track: Track;
  readonly on: PlainDate;
  readonly withdrawn: boolean;
  readonly units: readonly string[];
  /** Installing it erases something. */
  readonly erases?: boolean;
  readonly draft?: boolean;
};

/** A unit's way over the rungs: where it stands now (nowhere, if that is none of them), and the rungs it steps on. */
export type LadderRoute = { readonly from: string | undefined; readonly over: readonly string[] };
