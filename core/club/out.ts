// What the club can take out: units with their standings, needs and releases. The Zod shapes are the format.
import { z } from "zod";
import { NEED_CAUSES, NEED_KINDS } from "../needs/index.ts";
import { plainDate } from "../quantities/index.ts";
import { TRACKS, URGENCIES } from "../release/index.ts";
import { STANDINGS } from "../unit/index.ts";

export const outUnit = z.object({
  tag: z.string(),
  maker: z.string(),
  model: z.string(),
  hardwareRevision: z.string().nullable(),
  region: z.string().nullable(),
  serial: z.string(),
  place: z.string().nullable(),
  group: z.string().nullable(),
  with: z.string().nullable(),
  components: z.array(
    z.object({
      name: z.string(),
      reading: z.string().nullable(),
      readOn: plainDate.nullable(),
      standing: z.enum(STANDINGS),
      behindBy: z.number().int(),
      behindSince: plainDate.nullable(),
    }),
  ),
  needs: z.array(
    z.object({
      kind: z.enum(NEED_KINDS),
      component: z.string(),
      cause: z.enum(NEED_CAUSES),
      urgency: z.enum(URGENCIES),
      dueFrom: plainDate,
      target: z.string().nullable(),
    }),
  ),
});

export const outRelease = z.object({
  maker: z.string(),
  model: z.string(),
  component: z.string(),
  version: z.string(),
  track: z.enum(TRACKS),
  releasedOn: plainDate,
  withdrawnOn: plainDate.nullable(),
  withdrawnWhy: z.string().nullable(),
  /** Known by name, but not settled: no radio is sent to it. */
  draft: z.boolean(),
});

export const outDocument = z.object({
  format: z.literal("mossy-cabinet/units"),
  version: z.literal(1),
  club: z.string(),
  asOf: plainDate,
  units: z.array(outUnit),
  releases: z.array(outRelease),
});

export type OutUnit = z.infer<typeof outUnit>;
export type OutDocument = z.infer<typeof outDocument>;

/** One row for each component of each unit: flat, for a spreadsheet. */
export function csvRows(units: readonly OutUnit[]): Record<string, string | number>[] {
  return units.flatMap((unit) =>
    unit.components.map((component) => {
      const needs = unit.needs.filter((n) => n.component === component.name);
      return {
        tag: unit.tag,
        maker: unit.maker,
        model: unit.model,
        hardware_revision: unit.hardwareRevision ?? "",
        region: unit.region ?? "",
        serial: unit.serial,
        place: unit.place ?? "",
        group: unit.group ?? "",
        with: unit.with ?? "",
        component: component.name,
        reading: component.reading ?? "",
        read_on: component.readOn ?? "",
        standing: component.standing,
        behind_by: component.behindBy,
        behind_since: component.behindSince ?? "",
        needs: needs
          .map((n) => `${n.kind} ${n.cause}${n.target ? ` ${n.target}` : ""} since ${n.dueFrom}`)
          .join("; "),
      };
    }),
  );
}

/** One row for each open need. */
export const needRows = (units: readonly OutUnit[]): Record<string, string>[] =>
  units.flatMap((unit) =>
    unit.needs.map((need) => ({
      tag: unit.tag,
      model: unit.model,
      place: unit.place ?? "",
      group: unit.group ?? "",
      kind: need.kind,
      component: need.component,
      cause: need.cause,
      urgency: need.urgency,
      due_from: need.dueFrom,
      target: need.target ?? "",
    })),
  );

/** One row for each release. */
export const releaseRows = (releases: OutDocument["releases"]): Record<string, string>[] =>
  releases.map((release) => ({
    maker: release.maker,
    model: release.model,
    component: release.component,
    version: release.version,
    track: release.track,
    released_on: release.releasedOn,
    withdrawn_on: release.withdrawnOn ?? "",
    withdrawn_why: release.withdrawnWhy ?? "",
    draft: release.draft ? "draft" : "",
  }));
