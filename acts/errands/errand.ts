// What a radio may be taken to the bench for: one file each, with what is asked of it and what is planned for it.
import type { z } from "zod";
import type { PlainDate, Result } from "#core/quantities/index.ts";
import type { KnownProcedure } from "#core/run/index.ts";
import type { Tx } from "#db/pool.ts";
import type { LoadedSituation } from "#db/unit/index.ts";
import type { Planned, PlanProblem } from "./planned.ts";

/** What is known of the radio when it is planned for. */
export type Known = {
  readonly tx: Tx;
  readonly situation: LoadedSituation;
  readonly procedures: readonly KnownProcedure[];
  readonly today: PlainDate;
};

export type ErrandKind<Shape extends z.ZodType> = {
  /** What is asked for; it is sent and stored under the errand's name. */
  readonly shape: Shape;
  /** It changes or reads out the radio, which must be here then, or with whoever begins. */
  readonly isWork: boolean;
  readonly plan: (known: Known, asked: z.output<Shape>) => Promise<Result<Planned, PlanProblem>>;
};

export const defineErrand = <Shape extends z.ZodType>(kind: ErrandKind<Shape>): ErrandKind<Shape> => kind;
