// One release: add it, correct it, withdraw it; first shown is which units that touches, then it is done.
import { Form, Link } from "react-router";
import { inClub, mustBeAllowed } from "../context.ts";
import { Page } from "../ui/page.tsx";
import { listed } from "../ui/words/count.ts";
import type { Route } from "./+types/release";
import { actOnRelease, loadRelease, type Touched } from "./release.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "Release · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-release");
  return inClub(context, (tx, who) => loadRelease(tx, params.model, params.release, who.today));
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-release");
  const form = await request.formData();
  return inClub(context, (tx, who) => actOnRelease(tx, who, params.model, params.release, form));
}

export default function Release({ loaderData, actionData }: Route.ComponentProps) {
  const { model, release, components, revisions } = loaderData;
  const values = actionData?.values ?? loaderData.values;
  const errors: Readonly<Record<string, string>> = actionData?.errors ?? {};
  return (
    <Page title={release ? `${model.name} ${release.version}` : `A new release for the ${model.name}`}>
      <p className="mb-4">
        <Link className="link" to={`/models/${model.id}`}>
          Back to the {model.name}
        </Link>
      </p>
      <div className="grid gap-6 lg:grid-cols-[26rem_minmax(0,1fr)]">
        <Form method="post" className="sheet flex flex-col gap-3 p-4" noValidate key={JSON.stringify(values)}>
          <Input
            name="component"
            label="Part"
            value={values.component}
            error={errors.component}
            options={components.map((c) => [c.id, c.name])}
          />
          <Input name="version" label="Version" value={values.version} error={errors.version} mono />
          <Input
            name="releasedOn"
            label="Released on"
            value={values.releasedOn}
            error={errors.releasedOn}
            type="date"
          />
          <Input
            name="track"
            label="Track"
            value={values.track}
            error={errors.track}
            options={[
              ["factory", "factory"],
              ["beta", "beta"],
              ["community", "community: not the maker's, at the club's own risk"],
            ]}
          />
          <Input
            name="aliases"
            label="Also shown as (parted by commas)"
            value={values.aliases}
            error={errors.aliases}
            mono
          />
          {revisions.length > 0 && (
            <Input
              name="revisions"
              label={`Fits hardware (parted by commas; empty: all of ${listed(revisions.map((r) => r.name))})`}
              value={values.revisions}
              error={errors.revisions}
            />
          )}
          <Input
            name="regions"
            label="Regions (parted by commas; empty: all)"
            value={values.regions}
            error={errors.regions}
          />
          <Input
            name="fixes"
            label="What it mends: a line each, as tag, urgency (routine, fix, safety), words"
            value={values.fixes}
            error={errors.fixes}
            rows={3}
          />
          <Input name="notes" label="Notes" value={values.notes} error={errors.notes} />
          <Input name="source" label="Source" value={values.source} error={errors.source} />
          {release && (
            <>
              <Input
                name="withdrawnOn"
                label="Withdrawn on (empty: not withdrawn)"
                value={values.withdrawnOn}
                error={errors.withdrawnOn}
                type="date"
              />
              <Input
                name="withdrawnWhy"
                label="Why it was withdrawn"
                value={values.withdrawnWhy}
                error={errors.withdrawnWhy}
              />
            </>
          )}
          <div className="flex flex-wrap gap-3">
            <button type="submit" name="intent" value="look" className="btn btn-outline btn-primary">
              See what it touches
            </button>
            <button type="submit" name="intent" value="save" className="btn btn-primary">
              {release ? "Save" : "Add it"}
            </button>
          </div>
        </Form>
        {actionData?.touched && <TouchedUnits touched={actionData.touched} />}
      </div>
    </Page>
  );
}

function TouchedUnits({ touched }: { readonly touched: Touched }) {
  const parts = [
    ["would need something", touched.newlyDue],
    ["would need something else than now", touched.changed],
    ["would be due later, or another day", touched.later],
    ["would need nothing more", touched.freed],
  ] as const;
  return (
    <section role="status">
      <h2 className="mb-2">What it would touch</h2>
      {parts.every(([, tags]) => tags.length === 0) && <p>No radio: nothing would change for any of them.</p>}
      <ul className="flex flex-col gap-3">
        {parts
          .filter(([, tags]) => tags.length > 0)
          .map(([words, tags]) => (
            <li key={words}>
              <strong>
                {tags.length} {words}
              </strong>
              <p className="tag">{tags.join(" ")}</p>
            </li>
          ))}
      </ul>
    </section>
  );
}

function Input(props: {
  readonly name: string;
  readonly label: string;
  readonly value: string | undefined;
  readonly error: string | undefined;
  readonly type?: string;
  readonly mono?: boolean;
  readonly rows?: number;
  readonly options?: readonly (readonly [string, string])[];
}) {
  const shared = {
    id: props.name,
    name: props.name,
    defaultValue: props.value,
    "aria-invalid": props.error ? true : undefined,
    "aria-describedby": props.error ? `${props.name}-trouble` : undefined,
  };
  const look = `w-full ${props.mono ? "ver" : ""}`;
  return (
    <div>
      <label htmlFor={props.name} className="mb-1 block text-sm font-semibold">
        {props.label}
      </label>
      {props.options ? (
        <select {...shared} className={`select ${look}`}>
          {props.options.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      ) : props.rows ? (
        <textarea {...shared} rows={props.rows} className={`textarea ${look}`} />
      ) : (
        <input {...shared} type={props.type ?? "text"} className={`input ${look}`} />
      )}
      {props.error && (
        <p id={`${props.name}-trouble`} role="alert" className="mt-1 text-sm font-semibold text-rust">
          {props.error}
        </p>
      )}
    </div>
  );
}
