// The fields of a release: what it is on the left, when it can be installed and at what cost on the right.
import { ERASES, WAYS } from "#core/release/conditions.ts";
import type { RevisionRow } from "#db/models.ts";
import { Input } from "../forms/input.tsx";
import { listed } from "../ui/words/count.ts";
import { ERASES_WORD, RISK_WORD } from "../ui/words/route.ts";
import { SourceFields } from "./shared-fields.tsx";

export function ReleaseFields(props: {
  readonly values: Readonly<Record<string, string>>;
  readonly errors: Readonly<Record<string, string>>;
  readonly components: readonly { readonly id: string; readonly name: string }[];
  readonly revisions: readonly RevisionRow[];
  /** It stands in the catalogue already, so it can be withdrawn. */
  readonly old: boolean;
}) {
  const { values, errors, components, revisions } = props;
  const of = (name: string) => ({ name, value: values[name], error: errors[name] });
  const others = components.map((c) => c.name);
  return (
    <div className="grid gap-x-8 gap-y-5 lg:grid-cols-2">
      <fieldset className="flex min-w-0 flex-col gap-3">
        <legend className="mb-2 font-serif text-lg font-bold">What it is</legend>
        <div className="grid grid-cols-2 gap-3">
          <Input {...of("component")} label="Part" options={components.map((c) => [c.id, c.name])} />
          <Input {...of("version")} label="Version" mono />
          <Input {...of("releasedOn")} label="Released on" type="date" />
          <Input
            {...of("track")}
            label="Track"
            options={[
              ["factory", "factory"],
              ["beta", "beta"],
              ["community", "community: not the maker's"],
            ]}
          />
        </div>
        <Input {...of("aliases")} label="Also shown as (parted by commas)" mono />
        {revisions.length > 0 && (
          <Input
            {...of("revisions")}
            label={`Fits hardware (parted by commas; empty: all of ${listed(revisions.map((r) => r.name))})`}
          />
        )}
        <Input {...of("regions")} label="Regions (parted by commas; empty: all)" />
        <Input
          {...of("fixes")}
          label="What it mends: a line each, as tag, urgency (routine, fix, safety), words"
          rows={3}
        />
        <Input {...of("unchanged")} label="What has not changed, though one might think so" />
        <Input {...of("notes")} label="Notes" />
        <div className="grid grid-cols-2 gap-3">
          <SourceFields of={of} open />
        </div>
        {props.old && (
          <div className="grid grid-cols-[10rem_minmax(0,1fr)] gap-3">
            <Input {...of("withdrawnOn")} label="Withdrawn on" type="date" />
            <Input {...of("withdrawnWhy")} label="Why it was withdrawn" />
          </div>
        )}
      </fieldset>
      <fieldset className="flex min-w-0 flex-col gap-3">
        <legend className="mb-2 font-serif text-lg font-bold">
          When it can be installed, and at what cost
        </legend>
        <Input {...of("from")} label="Only over versions (such as >= 1.06, or 1.06 to 1.12)" mono />
        <Input {...of("fromTracks")} label="Only over tracks (factory, beta, community; empty: any)" />
        <Input
          {...of("requires")}
          label={`Other parts must run: a line each, such as ${others[1] ?? "dsp"} >= 2.0`}
          rows={2}
          mono
        />
        <Input {...of("rollbackFloor")} label="Once on, nothing older goes on than" mono />
        <div className="grid grid-cols-[minmax(0,1fr)_6rem_minmax(0,1fr)] gap-3">
          <Input {...of("erases")} label="It" options={ERASES.map((e) => [e, ERASES_WORD[e]])} />
          <Input {...of("minutes")} label="Minutes" type="number" />
          <Input
            {...of("risk")}
            label="Risk"
            options={[1, 2, 3, 4, 5].map((n) => [String(n), `${n}: ${RISK_WORD[n]}`])}
          />
        </div>
        <Input {...of("ways")} label={`How it can be brought in (${WAYS.join(", ")}; empty: any)`} />
        <Input {...of("tool")} label="Software that must match: name, versions" mono />
        <div className="grid grid-cols-[minmax(0,1fr)_9rem] gap-3">
          <Input {...of("fileName")} label="File" mono />
          <Input {...of("fileSize")} label="Bytes" type="number" />
        </div>
        <Input {...of("sha256")} label="SHA-256 of the file" mono />
        <label className="text-sm font-semibold">
          <span className="mb-1 block">Or put the file itself here: it is kept by its content</span>
          <input
            type="file"
            name="content"
            className="file-input w-full"
            aria-describedby="content-trouble"
          />
        </label>
        {errors.content && (
          <p id="content-trouble" role="alert" className="text-sm font-semibold text-rust">
            {errors.content}
          </p>
        )}
      </fieldset>
    </div>
  );
}
