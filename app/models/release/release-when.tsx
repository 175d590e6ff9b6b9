// The folds of a release that say what it is, what it mends, and which radios it can go on.
import {
  FIX_SAYS,
  requirement,
  requirementsSaid,
  revisionMark,
  rowsSaid,
  SPARE_ROWS,
  stretchesSaid,
  TRACKS,
} from "#core/release/index.ts";
import type { ReleaseOffers, RevisionRow } from "#db/model/index.ts";
import { Field } from "../../forms/field.tsx";
import type { Fields } from "../../forms/form.tsx";
import { Fold, Names } from "./release-folds.tsx";
import { Cell, FixRow, type Held, Marks, RangePick, RequirementRow, Rows, Wrong } from "./release-rows.tsx";

export type ReleaseParts = {
  readonly fields: Fields;
  readonly held: Held;
  readonly offers: ReleaseOffers;
  readonly components: readonly { readonly id: string; readonly name: string }[];
  readonly revisions: readonly RevisionRow[];
  /** It stands in the catalogue already, so it can be withdrawn. */
  readonly old: boolean;
};

export function TrackFold({ fields, held, old }: ReleaseParts) {
  return (
    <Fold
      title="Its track, and how it is shown"
      all={old}
      held={held}
      rows="alias"
      names={["track", "aliases"]}
      usual={{ track: "factory" }}
    >
      <Field
        of={fields.track}
        label="Track"
        options={[
          ["factory", "factory"],
          ["beta", "beta"],
          ["community", "community: not the maker's"],
        ]}
      />
      <Names held={held} rows="alias" title="Also shown as" hint="exactly as on a screen" mono />
      <Wrong held={held} field="aliases" />
    </Fold>
  );
}

export function FixesFold({ fields, held, old }: ReleaseParts) {
  return (
    <Fold title="What it mends" all={old} held={held} rows="fix" names={["fixes", "unchanged", "notes"]}>
      <fieldset className="flex flex-col gap-2">
        <legend className="text-sm font-semibold">
          Fixes{" "}
          <span className="font-normal text-quiet">
            a word to watch for, how urgent, what it mends; a row that is emptied is gone
          </span>
        </legend>
        <Rows
          said={rowsSaid(held.values, "fix", FIX_SAYS)}
          spare={SPARE_ROWS.fix}
          more="more fixes"
          row={(at) => <FixRow key={at} held={held} at={at} />}
        />
        <Wrong held={held} field="fixes" />
      </fieldset>
      <Field of={fields.unchanged} label="What has not changed, though one might think so" most={2000} />
      <Field of={fields.notes} label="Notes" most={2000} />
    </Fold>
  );
}

export function FitsFold({ held, revisions, old }: ReleaseParts) {
  return (
    <Fold
      title="Which radios it fits"
      all={old}
      held={held}
      rows="region"
      names={["revisions", ...revisions.map(revisionMark)]}
    >
      {revisions.length > 0 && (
        <Marks
          held={held}
          title="Hardware"
          hint="none marked: all of it"
          marks={revisions.map((one) => [revisionMark(one), one.name] as const)}
          wrong="revisions"
        />
      )}
      <Names held={held} rows="region" title="Regions" hint="none: all of them" list="known-regions" />
      <Wrong held={held} field="regions" />
    </Fold>
  );
}

export function WhenFold({ held, components, old }: ReleaseParts) {
  const isOnePart = components.length < 2;
  return (
    <Fold
      title="When it can be installed"
      all={old}
      held={held}
      rows="requires"
      names={[
        "from",
        "from-0-low",
        "from-0-high",
        ...TRACKS.map((track) => `over-${track}`),
        "rollbackFloor",
      ]}
    >
      <fieldset>
        <legend className="text-sm font-semibold">Only over these versions</legend>
        <RangePick
          held={held}
          name="from"
          what="Only over"
          said={stretchesSaid(held.values, "from")}
          list="known-versions"
        />
        <Wrong held={held} field="from" />
      </fieldset>
      <Marks
        held={held}
        title="Only over tracks"
        hint="none marked: any"
        marks={TRACKS.map((track) => [`over-${track}`, track] as const)}
      />
      {(!isOnePart || requirementsSaid(held.values).length > 0) && (
        <fieldset className="flex flex-col gap-2">
          <legend className="text-sm font-semibold">Other parts that must run something first</legend>
          <Rows
            said={(requirementsSaid(held.values).at(-1) ?? -1) + 1}
            spare={SPARE_ROWS.requires}
            more="more parts"
            row={(at) => (
              <RequirementRow
                key={at}
                held={held}
                at={at}
                list="known-versions"
                parts={components.map((c) => c.name)}
                said={stretchesSaid(held.values, requirement(at))}
              />
            )}
          />
          <Wrong held={held} field="requires" />
        </fieldset>
      )}
      <Cell
        held={held}
        field="rollbackFloor"
        label="Once on, nothing older goes on than"
        mono
        list="known-versions"
        box="max-w-60"
      />
    </Fold>
  );
}
