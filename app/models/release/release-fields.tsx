// The fields of a release: what it is on the left, when it can be installed and at what cost on the right.
import {
  ERASES,
  FIX_SAYS,
  requirement,
  requirementsSaid,
  revisionMark,
  rowsSaid,
  SPARE_ROWS,
  stretchesSaid,
  TRACKS,
  WAYS,
} from "#core/release/index.ts";
import type { ReleaseOffers, RevisionRow } from "#db/model/index.ts";
import { Field } from "../../forms/field.tsx";
import type { Fields } from "../../forms/form.tsx";
import { ERASES_WORD, RISK_WORD, WAY_WORD } from "../../ui/words/route.ts";
import { SourceFields } from "../procedure/shared-fields.tsx";
import { Fold, Names } from "./release-folds.tsx";
import {
  Cell,
  FixRow,
  type Held,
  Marks,
  Offers,
  RangePick,
  RequirementRow,
  Rows,
  Wrong,
} from "./release-rows.tsx";

export function ReleaseFields(props: {
  readonly fields: Fields;
  readonly held: Held;
  readonly offers: ReleaseOffers;
  readonly components: readonly { readonly id: string; readonly name: string }[];
  readonly revisions: readonly RevisionRow[];
  /** It stands in the catalogue already, so it can be withdrawn. */
  readonly old: boolean;
}) {
  const { fields, held, offers, components, revisions } = props;
  const isOnePart = components.length < 2;
  return (
    <div className="flex flex-col gap-3">
      <Offers
        id="known-versions"
        names={offers.versions.map(({ version, part }) => (isOnePart ? version : ([version, part] as const)))}
      />
      <Offers id="known-tools" names={offers.tools} />
      <Offers id="known-tool-versions" names={offers.toolVersions} />
      <Offers id="known-regions" names={offers.regions} />
      <div className="grid max-w-3xl grid-cols-2 gap-3 sm:grid-cols-3">
        {components.length > 1 ? (
          <Field
            of={fields.component}
            label="Part"
            options={components.map((c) => [c.id, c.name] as const)}
          />
        ) : (
          <input type="hidden" name="component" value={components[0]?.id} />
        )}
        <Field of={fields.version} label="Version" mono autoFocus={!props.old} />
        <Field of={fields.releasedOn} label="Released on" type="date" />
      </div>
      {!props.old && (
        <p className="text-sm text-quiet">That is enough. What else is known of it stands folded below.</p>
      )}
      <Fold
        title="Its track, and how it is shown"
        {...{ all: props.old, held }}
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
        <Names
          {...{ held, rows: "alias", title: "Also shown as", hint: "exactly as on a screen", mono: true }}
        />
        <Wrong held={held} field="aliases" />
      </Fold>
      <Fold
        title="What it mends"
        {...{ all: props.old, held }}
        rows="fix"
        names={["fixes", "unchanged", "notes"]}
      >
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
      <Fold
        title="Which radios it fits"
        {...{ all: props.old, held }}
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
        <Names
          {...{ held, rows: "region", title: "Regions", hint: "none: all of them", list: "known-regions" }}
        />
        <Wrong held={held} field="regions" />
      </Fold>
      <Fold
        title="When it can be installed"
        {...{ all: props.old, held }}
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
                  {...{ held, at, list: "known-versions", parts: components.map((c) => c.name) }}
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
      <Fold
        title="How it is brought in, and at what cost"
        {...{ all: props.old, held }}
        names={[
          "erases",
          "minutes",
          "risk",
          ...WAYS.map((way) => `way-${way}`),
          "tool",
          "tool-0-low",
          "tool-0-high",
        ]}
        usual={{ erases: "nothing", minutes: "5", risk: "2" }}
      >
        <div className="grid items-end gap-3 sm:grid-cols-[minmax(0,1fr)_6rem_minmax(0,1fr)]">
          <Field of={fields.erases} label="It" options={ERASES.map((e) => [e, ERASES_WORD[e]] as const)} />
          <Field of={fields.minutes} label="Minutes" type="number" />
          <Field
            of={fields.risk}
            label="Risk"
            options={[1, 2, 3, 4, 5].map((n) => [String(n), `${n}: ${RISK_WORD[n]}`] as const)}
          />
        </div>
        <Marks
          held={held}
          title="How it can be brought in"
          hint="none marked: any way"
          marks={WAYS.map((way) => [`way-${way}`, WAY_WORD[way]] as const)}
        />
        <fieldset className="flex flex-col gap-1">
          <legend className="text-sm font-semibold">Software that must match it</legend>
          <Cell
            held={held}
            field="tool"
            label="Its name"
            list="known-tools"
            placeholder="any"
            box="max-w-80"
          />
          <RangePick
            held={held}
            name="tool"
            what="Software"
            said={stretchesSaid(held.values, "tool")}
            list="known-tool-versions"
          />
        </fieldset>
      </Fold>
      <Fold
        title="Its file"
        {...{ all: props.old, held }}
        names={["fileName", "fileSize", "sha256", "content"]}
      >
        <div className="grid grid-cols-[minmax(0,1fr)_9rem] gap-3">
          <Field of={fields.fileName} label="File" mono />
          <Field of={fields.fileSize} label="Bytes" type="number" />
        </div>
        <Field of={fields.sha256} label="SHA-256 of the file" mono />
        <Field
          of={fields.content}
          type="file"
          label="Or put the file itself here: it is kept by its content"
        />
      </Fold>
      <Fold
        title="Whence it is known"
        {...{ all: props.old, held }}
        names={["sourceKind", "sourceWhat"]}
        usual={{ sourceKind: "" }}
      >
        <div className="grid items-end gap-3 sm:grid-cols-2">
          <SourceFields of={(name) => fields[name]} open />
        </div>
      </Fold>
      {props.old && (
        <Fold title="It was withdrawn" {...{ all: props.old, held }} names={["withdrawnOn", "withdrawnWhy"]}>
          <div className="grid items-end gap-3 sm:grid-cols-[10rem_minmax(0,1fr)]">
            <Field of={fields.withdrawnOn} label="Withdrawn on" type="date" />
            <Field of={fields.withdrawnWhy} label="Why it was withdrawn" />
          </div>
        </Fold>
      )}
    </div>
  );
}
