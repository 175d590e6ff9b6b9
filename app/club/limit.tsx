// One of the club's limits for harmonics: so far below the carrier, so much at most, or both; and where it is from.
import { shelveLimit } from "#acts/measurement/shelve-limit.ts";
import { writeLimit } from "#acts/measurement/write-limit.ts";
import { limitShape, type NamedLimit } from "#core/measure/index.ts";
import { bad, good } from "#core/quantities/index.ts";
import { limitsOf } from "#db/unit/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { boundsOf } from "../forms/edit/bounds.server.ts";
import { EditOne } from "../forms/edit/edit-one.tsx";
import { Field } from "../forms/field.tsx";
import { textsIn } from "../forms/merge.server.ts";
import { offlineForm } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { editOne } from "../shared/edit/edit-one.server.ts";
import { besideField, isGone } from "../shared/refusals.server.ts";
import type { Route } from "./+types/limit";

export const meta: Route.MetaFunction = () => [{ title: "Limit · Mossy Cabinet" }];

const valuesOf = (limit: NamedLimit | undefined): Record<string, string> => ({
  name: limit?.name ?? "",
  source: limit?.source ?? "",
  both: limit?.both ?? "stricter",
  dbc: limit?.dbc === undefined ? "" : String(limit.dbc),
  dbm: limit?.dbm === undefined ? "" : String(limit.dbm),
});

function read(values: Readonly<Record<string, string>>) {
  const text = (name: string) => (values[name] ?? "").trim();
  const errors: Record<string, string> = {};
  const number = (name: string, example: string) => {
    if (text(name) === "") return undefined;
    const value = Number(text(name).replace(",", ".").replace("−", "-"));
    if (!Number.isFinite(value)) errors[name] = example;
    return value;
  };
  const dbc = number("dbc", "Decibels, such as 60.");
  const dbm = number("dbm", "dBm, such as -16.");
  if (Object.keys(errors).length > 0) return bad({ kind: "fields" as const, errors });
  const parsed = limitShape.safeParse({
    name: text("name"),
    source: text("source"),
    ...(dbc !== undefined && { dbc }),
    ...(dbm !== undefined && { dbm }),
    ...(dbc !== undefined && dbm !== undefined && { both: text("both") }),
  });
  if (parsed.success) return good(parsed.data);
  for (const issue of parsed.error.issues) errors[String(issue.path[0])] ??= issue.message;
  return bad({ kind: "fields" as const, errors });
}

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return readInClub(context, async (tx) => {
    const limit = (await limitsOf(tx)).find((one) => one.id === params.limit);
    if (params.limit !== "new" && !limit) throw notFound("This limit");
    return { known: limit !== undefined, values: valuesOf(limit), bounds: boundsOf(writeLimit) };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const id = idIn(params.limit, "This limit");
    return editOne(who, form, {
      write: writeLimit,
      shelve: id === undefined ? undefined : () => performForm(shelveLimit, who, form, { limit: id }),
      there: "/club/limits",
      own: {
        "no-limit": isGone("This limit"),
        taken: besideField("name", "There is a limit of that name already."),
        full: besideField("name", "There are as many limits as there may be."),
      },
      read: (sent) => {
        const limit = read(textsIn(sent));
        return limit.ok ? good({ ...limit.value, limit: id }) : limit;
      },
      drawn: async () => {
        const now = (await limitsOf(tx)).find((one) => one.id === id);
        return now && valuesOf(now);
      },
    });
  });
}

export const clientAction = offlineForm;

export default function LimitPage({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <EditOne
      title="A limit for harmonics"
      says="our own entry, and no one's law"
      back={{ to: "/club/limits", says: "Back to our limits" }}
      loaded={loaderData}
      lastResult={actionData}
      shelve="Shelve it"
    >
      {(fields) => (
        <>
          <Field of={fields.name} label="What it is called" />
          <div className="grid gap-3 sm:grid-cols-3">
            <Field of={fields.dbc} label="Below the carrier by, dB" mono />
            <Field of={fields.dbm} label="No more than, dBm" mono />
            <Field
              of={fields.both}
              label="Where both are given"
              options={[
                ["stricter", "the stricter one counts"],
                ["laxer", "the laxer one counts"],
              ]}
            />
          </div>
          <Field of={fields.source} label="Where it is from" />
        </>
      )}
    </EditOne>
  );
}
