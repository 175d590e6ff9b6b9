// A group and its policy: which release its radios should run, and when.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { addGroup } from "#acts/add-group.ts";
import { changeGroup } from "#acts/change-group.ts";
import { groupById, pinnable } from "#db/club.ts";
import { idIn, mustBeAllowed, notFound, readInClub, writeInClub } from "../context.ts";
import { Field, PostForm } from "../forms/form.tsx";
import { mergeForm } from "../forms/merge.server.ts";
import { offlineForm } from "../forms/offline.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/group";
import { fieldsOf, groupShape, policyFrom } from "./policy-form.ts";

export const meta: Route.MetaFunction = () => [{ title: "Group · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return readInClub(context, async (tx) => {
    const group = params.group === "new" ? undefined : await groupById(tx, params.group);
    if (params.group !== "new" && !group) throw notFound("This group");
    return { name: group?.name, releases: await pinnable(tx), fields: fieldsOf(group) };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  let submission = parseWithZod(form, { schema: groupShape });
  const refuse = (fieldErrors?: Record<string, string[]>, status = 400) =>
    data(submission.reply(fieldErrors && { fieldErrors }), { status });
  return writeInClub(context, async (tx, who) => {
    const id = idIn(params.group, "This group");
    const held = await mergeForm(tx, `group ${id}`, form, async () => {
      const group = id && (await groupById(tx, id));
      return group ? fieldsOf(group) : undefined;
    });
    submission = parseWithZod(held.form, { schema: groupShape });
    if (submission.status !== "success") return refuse();
    if (Object.keys(held.errors).length > 0) return refuse(held.errors, 409);
    const policy = policyFrom(submission.value, await pinnable(tx));
    if (!policy.ok) return refuse({ [policy.problem.field]: [policy.problem.says] });
    const { name, purpose } = submission.value;
    const fields = { name, purpose, policy: policy.value };
    const done = id
      ? await performForm(tx, changeGroup, who, form, { ...fields, group: id })
      : await performForm(tx, addGroup, who, form, fields);
    if (done.ok) return redirect("/club");
    switch (done.problem.kind) {
      case "no-group":
        throw notFound("This group");
      case "taken":
        return refuse({ name: ["There is a group of that name already."] });
      case "no-key":
      case "input":
        return refuse({ "": [NOT_WHOLE] });
    }
  });
}

export const clientAction = offlineForm;

export default function Group({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page title={loaderData.name ?? "A new group"} says="the rule its radios follow">
      <PostForm
        lastResult={actionData}
        submit="Save"
        defaults={loaderData.fields}
        className="group/rule flex max-w-xl flex-col gap-3"
      >
        {(fields) => (
          <>
            <Field of={fields.name} label="Name" />
            <Field of={fields.purpose} label="What they are for" />
            <Field
              of={fields.rule}
              label="Which release they should run"
              options={[
                ["newest", "always the newest"],
                ["settled", "the newest, once it has settled"],
                ["fixes", "newer only if it mends something that matters"],
                ["pinned", "just these releases"],
              ]}
            />
            <div className="hidden group-has-[option[value=settled]:checked]/rule:block">
              <Field of={fields.days} label="Settled after days" type="number" />
            </div>
            <div className="hidden group-has-[option[value=fixes]:checked]/rule:block">
              <Field of={fields.tags} label="What matters (tags of fixes, parted by commas)" />
            </div>
            <div className="hidden group-has-[option[value=fixes]:checked]/rule:block">
              <Field
                of={fields.atLeast}
                label="or a fix at least this urgent"
                options={[
                  ["", "no matter how urgent"],
                  ["fix", "a fix"],
                  ["safety", "a matter of safety"],
                ]}
              />
            </div>
            <div className="hidden group-has-[option[value=pinned]:checked]/rule:block">
              <Field
                of={fields.pinned}
                label="Pinned to"
                multiple
                options={loaderData.releases.map((r) => [r.id, r.name])}
                hint="at most one for each part of a model; parts without one follow the newest"
              />
            </div>
            <div className="hidden group-has-[option[value=pinned]:checked]/rule:block">
              <Field of={fields.pinnedUntil} label="Pinned until" type="date" hint="may stay empty" />
            </div>
            <fieldset className="flex gap-5">
              <legend className="mb-1 text-sm font-semibold">Tracks beside the maker's own</legend>
              <Field of={fields.beta} label="beta" type="checkbox" />
              <Field
                of={fields.community}
                label="community (not the maker's; at the club's own risk)"
                type="checkbox"
              />
            </fieldset>
            <Field of={fields.recheckAfterDays} label="Readings are good for days" type="number" />
            <Field of={fields.holdUntil} label="On hold until" type="date" hint="may stay empty" />
            <Field of={fields.holdWhy} label="Why it is on hold" />
            <Field of={fields.safetyBreaksHold} label="A safety fix breaks through a hold" type="checkbox" />
          </>
        )}
      </PostForm>
    </Page>
  );
}
