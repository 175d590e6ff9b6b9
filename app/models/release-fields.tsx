// The fields of a release: what it is on the left, when it can be installed and at what cost on the right.
import { listed } from "#core/quantities/list.ts";
import { ERASES, WAYS } from "#core/release/conditions.ts";
import type { RevisionRow } from "#db/models.ts";
import { Field } from "../forms/field.tsx";
import type { Fields } from "../forms/form.tsx";
import { ERASES_WORD, RISK_WORD } from "../ui/words/route.ts";
import { SourceFields } from "./shared-fields.tsx";

export function ReleaseFields(props: {
  readonly fields: Fields;
  readonly components: readonly { readonly id: string; readonly name: string }[];
  readonly revisions: readonly RevisionRow[];
  /** It stands in the catalogue already, so it can be withdrawn. */
  readonly old: boolean;
}) {
  const { fields, components, revisions } = props;
  const others = components.map((c) => c.name);
  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-2">
      <fieldset className="flex min-w-0 flex-col gap-3">
        <legend className="mb-2 font-serif text-lg font-bold">What it is</legend>
        <div className="grid grid-cols-2 gap-3">
          <Field
            of={fields.component}
            label="Part"
            options={components.map((c) => [c.id, c.name] as const)}
          />
          <Field of={fields.version} label="Version" mono />
          <Field of={fields.releasedOn} label="Released on" type="date" />
          <Field
            of={fields.track}
            label="Track"
            options={[
              ["factory", "factory"],
              ["beta", "beta"],
              ["community", "community: not the maker's"],
            ]}
          />
        </div>
        <Field of={fields.aliases} label="Also shown as (parted by commas)" mono />
        {revisions.length > 0 && (
          <Field
            of={fields.revisions}
            label={`Fits hardware (parted by commas; empty: all of ${listed(revisions.map((r) => r.name))})`}
          />
        )}
        <Field of={fields.regions} label="Regions (parted by commas; empty: all)" />
        <Field
          of={fields.fixes}
          label="What it mends: a line each, as tag, urgency (routine, fix, safety), words"
          rows={3}
        />
        <Field of={fields.unchanged} label="What has not changed, though one might think so" most={2000} />
        <Field of={fields.notes} label="Notes" most={2000} />
        <div className="grid items-end gap-3 sm:grid-cols-2">
          <SourceFields of={(name) => fields[name]} open />
        </div>
        {props.old && (
          <div className="grid items-end gap-3 sm:grid-cols-[10rem_minmax(0,1fr)]">
            <Field of={fields.withdrawnOn} label="Withdrawn on" type="date" />
            <Field of={fields.withdrawnWhy} label="Why it was withdrawn" />
          </div>
        )}
      </fieldset>
      <fieldset className="flex min-w-0 flex-col gap-3">
        <legend className="mb-2 font-serif text-lg font-bold">
          When it can be installed, and at what cost
        </legend>
        <Field of={fields.from} label="Only over versions (such as >= 1.06, or 1.06 to 1.12)" mono />
        <Field of={fields.fromTracks} label="Only over tracks (factory, beta, community; empty: any)" />
        <Field
          of={fields.requires}
          label={`Other parts must run: a line each, such as ${others[1] ?? "dsp"} >= 2.0`}
          rows={2}
          mono
        />
        <Field of={fields.rollbackFloor} label="Once on, nothing older goes on than" mono />
        <div className="grid items-end gap-3 sm:grid-cols-[minmax(0,1fr)_6rem_minmax(0,1fr)]">
          <Field of={fields.erases} label="It" options={ERASES.map((e) => [e, ERASES_WORD[e]] as const)} />
          <Field of={fields.minutes} label="Minutes" type="number" />
          <Field
            of={fields.risk}
            label="Risk"
            options={[1, 2, 3, 4, 5].map((n) => [String(n), `${n}: ${RISK_WORD[n]}`] as const)}
          />
        </div>
        <Field of={fields.ways} label={`How it can be brought in (${WAYS.join(", ")}; empty: any)`} />
        <Field of={fields.tool} label="Software that must match: name, versions" mono />
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
      </fieldset>
    </div>
  );
}
