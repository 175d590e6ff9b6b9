// The fields of a release: those that everyone fills in, and the folds of what else is known.
import { Field } from "../../forms/field.tsx";
import { CostFold, FileFold, SourceFold, WithdrawnFold } from "./release-how.tsx";
import { Offers } from "./release-rows.tsx";
import { FitsFold, FixesFold, type ReleaseParts, TrackFold, WhenFold } from "./release-when.tsx";

export function ReleaseFields(props: ReleaseParts) {
  const { fields, offers, components } = props;
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
      <TrackFold {...props} />
      <FixesFold {...props} />
      <FitsFold {...props} />
      <WhenFold {...props} />
      <CostFold {...props} />
      <FileFold {...props} />
      <SourceFold {...props} />
      {props.old && <WithdrawnFold {...props} />}
    </div>
  );
}
