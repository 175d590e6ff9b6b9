// One thing of the kit: added, corrected, shelved. Every kind has the same page, with its own fields.

import { data, Link, redirect } from "react-router";
import { shelveThing } from "#acts/kit/shelve-thing.ts";
import { writeThing } from "#acts/kit/write-thing.ts";
import {
  KIND_NAMES,
  KINDS,
  type Kind,
  type KindName,
  type ShownField,
  shownKind,
  type Values,
} from "#core/kit/index.ts";
import { good, listed } from "#core/quantities/index.ts";
import { loadKnown, valuesOf } from "#db/kit/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { madeInPassing } from "../forms/choice/in-passing.server.ts";
import { type Makes, PickField } from "../forms/choice/pick.tsx";
import { Field } from "../forms/field.tsx";
import { type Fields, PostForm } from "../forms/form.tsx";
import { textsIn } from "../forms/merge.server.ts";
import { offlineForm } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { type Errors, notWhole, refusal, saveForm } from "../forms/save.server.ts";
import { besideField, isGone, refuseForm } from "../shared/refusals.server.ts";
import { strike, triesOf } from "../shared/tools/note-try.server.ts";
import { ConnectorPicture } from "../ui/connector.tsx";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/thing";
import { actOnCharge } from "./bluetooth/charge.server.ts";
import { DevicePanel } from "./bluetooth/device.tsx";
import { loadDevice } from "./bluetooth/load-device.server.ts";
import { actOnProfile } from "./bluetooth/profile.server.ts";
import { loadReach } from "./reach.server.ts";
import { ReachPanel } from "./reach.tsx";
import { Tries } from "./tries.tsx";

const kindNamed = (name: string | undefined): KindName | undefined =>
  KIND_NAMES.find((known) => known === name);

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? "Kit"} · Mossy Cabinet` },
];

export async function loader({ context, params, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-kit");
  const name = kindNamed(params.kind);
  if (!name) throw notFound("This kind of thing");
  return readInClub(context, async (tx) => {
    const known = await loadKnown(tx);
    const kind = KINDS[name];
    const isNew = params.id === "new";
    const row = isNew ? undefined : (await valuesOf(tx, name, known)).find((one) => one.id === params.id);
    if (!isNew && !row) throw notFound(`This ${kind.one}`);
    // Another like one that is there: all but what tells the two apart.
    const like = isNew
      ? (await valuesOf(tx, name, known)).find(
          (one) => one.id === new URL(request.url).searchParams.get("like"),
        )
      : undefined;
    const values = row
      ? fieldsOf(kind, row)
      : like
        ? { ...fieldsOf(kind, like), ...own(kind) }
        : (kind.begin ?? {});
    return {
      kind: shownKind(name, known),
      skipped: kind.skips?.(values) ?? [],
      id: params.id,
      title: row ? `${row[kind.name] ?? kind.one}` : `A new ${kind.one}`,
      values,
      like: like?.[kind.name],
      reach: isNew ? undefined : await loadReach(tx, name, params.id),
      where: row
        ? [row.holder ? `with ${row.holder}` : row.place, row.condition].filter(Boolean).join(", ")
        : "",
      isNew,
      tries: isNew ? [] : await triesOf(tx, name, params.id),
      device: isNew ? undefined : await loadDevice(tx, name, params.id),
      shape: name === "connectors" ? (row?.shape ?? "") : undefined,
    };
  });
}

/** What no two things share: its name, who has it, its address, what was noted of it. */
const own = (kind: Kind): Values =>
  Object.fromEntries(
    [kind.name, "holder", "person", "serial", "address", "note"].flatMap((name) =>
      kind.fields.some((field) => field.name === name) ? [[name, ""] as const] : [],
    ),
  );

const ON_CHARGE = ["charge", "read-level", "strike-charge", "tie"];

/** Beside its fields a row holds what they are called in the inventory. */
const fieldsOf = (kind: Kind, row: Values): Values =>
  Object.fromEntries(kind.fields.map(({ name }) => [name, row[name] ?? ""]));

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-kit");
  const name = kindNamed(params.kind);
  if (!name) throw notFound("This kind of thing");
  const kind = KINDS[name];
  const form = await request.formData();
  const intent = form.get("intent");
  const id = idIn(params.id, `This ${kind.one}`);
  if (intent === "keep-profile" || intent === "shelve-profile" || intent === "program")
    return readInClub(context, (tx, who) => actOnProfile(tx, who, form));
  if (ON_CHARGE.includes(String(intent))) return readInClub(context, (_tx, who) => actOnCharge(who, form));
  const there = redirect(`/kit/own#${name}`);
  const refuse = (errors: Errors) => refusal({ form, errors });
  return readInClub(context, async (tx, who) => {
    const row = async () => (await valuesOf(tx, name, await loadKnown(tx))).find((one) => one.id === id);
    if (id !== undefined && intent === "strike") {
      const trouble = await strike(who, (await row())?.[kind.name] ?? kind.one, form);
      return trouble ? data({ tries: trouble }, { status: 400 }) : redirect(`/kit/${name}/${id}#tries`);
    }
    if (id !== undefined && intent === "shelve") {
      const done = await performForm(shelveThing, who, form, { kind: name, thing: id });
      if (done.ok) return there;
      if (done.problem.kind === "no-thing") throw notFound(`This ${kind.one}`);
      if (done.problem.kind !== "in-use") return notWhole(form);
      const { users } = done.problem;
      const still = `${listed(users, 6)} still ${users.length === 1 ? "has" : "have"} it`;
      return refuse({ [kind.name]: `It cannot be shelved: ${still}.` });
    }
    const trouble = await madeInPassing(tx, who, form, madeBy(kind));
    if (trouble) return refuse(trouble);
    const done = await saveForm(writeThing, who, form, {
      read: (sent) => {
        const typed = textsIn(sent);
        return good({ kind: name, thing: id, values: fieldsOf(kind, typed) });
      },
      drawn: async () => {
        const now = await row();
        return now && fieldsOf(kind, now);
      },
    });
    // Quick entry goes on where it was: the next one is typed at once.
    if (done.ok) return intent === "next" ? redirect(`/kit/own?added=${name}#${name}`) : there;
    const { problem } = done;
    if (problem.kind === "fields") return refuse(problem.errors);
    return refuseForm(form, problem, {
      taken: besideField(kind.name, `There is another ${kind.one} of this ${kind.name} already.`),
      "no-thing": isGone(`This ${kind.one}`),
    });
  });
}

export const clientAction = offlineForm;

export { afterMaking as shouldRevalidate } from "../forms/choice/pick.tsx";

/** What its fields pick and can make in passing. */
const madeBy = (kind: Kind): Record<string, Makes | { adds: Makes }> =>
  Object.fromEntries(
    kind.fields.flatMap(({ name, makes, options }) =>
      makes ? [[name, options ? makes : { adds: makes }] as const] : [],
    ),
  );

function KindField({ field, fields }: { readonly field: ShownField; readonly fields: Fields }) {
  const { name, label, makes, mono = false, rows } = field;
  const look = {
    label,
    mono,
    ...(rows && { rows }),
    ...(field.options && { options: field.options }),
  };
  return makes ? (
    <PickField name={name} of={fields} makes={makes} {...look} />
  ) : (
    <Field of={fields[name]} {...look} />
  );
}

export default function Thing({ loaderData, actionData }: Route.ComponentProps) {
  const { kind, skipped } = loaderData;
  const tries = actionData && "tries" in actionData ? actionData.tries : undefined;
  const result = actionData && "status" in actionData ? actionData : undefined;
  const said = actionData && "says" in actionData ? actionData : undefined;
  return (
    <Page title={loaderData.title} says={kind.many}>
      <p className="mb-3">
        <Link className="link" to={`/kit/own#${kind.kind}`}>
          Back to the inventory
        </Link>
        {!loaderData.isNew && (
          <>
            {" · "}
            <Link className="link" to={`/kit/${kind.kind}/new?like=${loaderData.id}`} reloadDocument>
              Another like this one
            </Link>
          </>
        )}
      </p>
      {loaderData.like && (
        <p className="mb-3 text-quiet">
          As {loaderData.like}, but for its {kind.name}.
        </p>
      )}
      {loaderData.reach && (
        <ReachPanel
          reach={loaderData.reach}
          name={loaderData.title}
          tries={loaderData.tries}
          where={loaderData.where}
        />
      )}
      {loaderData.device && <DevicePanel device={loaderData.device} said={said} />}
      {loaderData.device && kind.kind === "leads" && (
        <p className="mb-3">
          <Link className="link" to={`/kit/devices/${loaderData.device.id}#form`}>
            Its app, name, address, charge minutes and lamp
          </Link>
        </p>
      )}
      <div id="form" className="flex flex-wrap items-start gap-8">
        <PostForm
          lastResult={result}
          submit="Save"
          defaults={loaderData.values}
          className="flex max-w-2xl grow flex-col gap-3"
          also={
            !loaderData.isNew && (
              <button type="submit" name="intent" value="shelve" className="link text-sm">
                Shelve it
              </button>
            )
          }
        >
          {(fields) => (
            <div className="grid gap-3 sm:grid-cols-2">
              {skipped.map((name) => (
                <input key={name} type="hidden" name={name} defaultValue={loaderData.values[name]} />
              ))}
              {kind.fields
                .filter(({ name }) => !skipped.includes(name))
                .map((field) => (
                  <div key={field.name} className={field.rows ? "sm:col-span-2" : ""}>
                    <KindField field={field} fields={fields} />
                  </div>
                ))}
            </div>
          )}
        </PostForm>
        {loaderData.shape && (
          <div className="sheet w-44 p-3">
            <ConnectorPicture shape={loaderData.shape} pins={Number(loaderData.values.pins) || undefined} />
          </div>
        )}
      </div>
      <Tries tries={loaderData.tries} trouble={tries} />
    </Page>
  );
}
