// The fields of a release: what it is on the left, when it can be installed and at what cost on the right.
import type { ReactNode } from "react";
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
    <div className="flex flex-col gap-3">
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
        all={props.old}
        of={fields}
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
        <Field of={fields.aliases} label="Also shown as (parted by commas)" mono />
      </Fold>
      <Fold title="What it mends" all={props.old} of={fields} names={["fixes", "unchanged", "notes"]}>
        <Field
          of={fields.fixes}
          label="What it mends: a line each, as tag, urgency (routine, fix, safety), words"
          rows={3}
        />
        <Field of={fields.unchanged} label="What has not changed, though one might think so" most={2000} />
        <Field of={fields.notes} label="Notes" most={2000} />
      </Fold>
      <Fold title="Which radios it fits" all={props.old} of={fields} names={["revisions", "regions"]}>
        {revisions.length > 0 && (
          <Field
            of={fields.revisions}
            label={`Fits hardware (parted by commas; empty: all of ${listed(revisions.map((r) => r.name))})`}
          />
        )}
        <Field of={fields.regions} label="Regions (parted by commas; empty: all)" />
      </Fold>
      <Fold
        title="When it can be installed"
        all={props.old}
        of={fields}
        names={["from", "fromTracks", "requires", "rollbackFloor"]}
      >
        <Field of={fields.from} label="Only over versions (such as >= 1.06, or 1.06 to 1.12)" mono />
        <Field of={fields.fromTracks} label="Only over tracks (factory, beta, community; empty: any)" />
        <Field
          of={fields.requires}
          label={`Other parts must run: a line each, such as ${others[1] ?? "dsp"} >= 2.0`}
          rows={2}
          mono
        />
        <Field of={fields.rollbackFloor} label="Once on, nothing older goes on than" mono />
      </Fold>
      <Fold
        title="How it is brought in, and at what cost"
        all={props.old}
        of={fields}
        names={["erases", "minutes", "risk", "ways", "tool"]}
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
        <Field of={fields.ways} label={`How it can be brought in (${WAYS.join(", ")}; empty: any)`} />
        <Field of={fields.tool} label="Software that must match: name, versions" mono />
      </Fold>
      <Fold
        title="Its file"
        all={props.old}
        of={fields}
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
        all={props.old}
        of={fields}
        names={["sourceKind", "sourceWhat"]}
        usual={{ sourceKind: "" }}
      >
        <div className="grid items-end gap-3 sm:grid-cols-2">
          <SourceFields of={(name) => fields[name]} open />
        </div>
      </Fold>
      {props.old && (
        <Fold title="It was withdrawn" all={props.old} of={fields} names={["withdrawnOn", "withdrawnWhy"]}>
          <div className="grid items-end gap-3 sm:grid-cols-[10rem_minmax(0,1fr)]">
            <Field of={fields.withdrawnOn} label="Withdrawn on" type="date" />
            <Field of={fields.withdrawnWhy} label="Why it was withdrawn" />
          </div>
        </Fold>
      )}
    </div>
  );
}

/** Fields under what they are about: open where all are wanted, one of them says something, or is wrong. `usual`: what says nothing. */
function Fold(props: {
  readonly title: string;
  readonly of: Fields;
  readonly names: readonly string[];
  readonly usual?: Readonly<Record<string, string>>;
  readonly all: boolean;
  readonly children: ReactNode;
}) {
  const { title, of, names, usual = {}, all, children } = props;
  const says = (name: string) => {
    const value = of[name]?.initialValue;
    return typeof value === "string" && value !== (usual[name] ?? "");
  };
  const isOpen = all || names.some((name) => of[name]?.errors !== undefined || says(name));
  return (
    <details open={isOpen} className="max-w-3xl">
      <summary className="link w-fit cursor-pointer">{title}</summary>
      <div className="mt-2 mb-2 flex flex-col gap-3 border-l-2 border-line pl-4">{children}</div>
    </details>
  );
}
