// A group and its policy: which release its radios should run, and when.
import { data, redirect } from "react-router";
import { addGroup } from "#acts/club/add-group.ts";
import { changeGroup } from "#acts/club/change-group.ts";
import { classesOf, TRANSMIT_RULES } from "#core/modes/index.ts";
import { policyEffect } from "#core/needs/index.ts";
import { bad, good, listed, mapped, type PlainDate } from "#core/quantities/index.ts";
import type { Policy } from "#core/unit/index.ts";
import { groupById, pinnable } from "#db/club/index.ts";
import { bandPlan } from "#db/model/index.ts";
import type { Tx } from "#db/pool.ts";
import { loadSituations } from "#db/unit/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import { type Read, readBy, refusal, replyOf, saveForm } from "../forms/save.server.ts";
import { touchedBy } from "../shared/load-touched.server.ts";
import { besideField, isGone, refuseForm } from "../shared/refusals.server.ts";
import { TouchedUnits } from "../shared/touched.tsx";
import { useClub } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { RULE_WORDS } from "../ui/words/facts.ts";
import { RULE_WORD } from "../ui/words/mode.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/group";
import { APPROVED_PAIRS, approvedName, fieldsOf, groupShape, policyFrom } from "./policy-form.ts";

export const meta: Route.MetaFunction = () => [{ title: "Group · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return readInClub(context, async (tx) => {
    const group = params.group === "new" ? undefined : await groupById(tx, params.group);
    if (params.group !== "new" && !group) throw notFound("This group");
    return {
      name: group?.name,
      releases: await pinnable(tx),
      fields: fieldsOf(group),
      classes: classesOf(await bandPlan(tx)),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const id = idIn(params.group, "This group");
    const releases = await pinnable(tx);
    const read = (sent: FormData): Read<GroupInput> => {
      const typed = readBy(groupShape)(sent);
      if (!typed.ok) return typed;
      const policy = policyFrom(typed.value, releases);
      if (!policy.ok) return bad({ kind: "fields", errors: { [policy.problem.field]: policy.problem.says } });
      const { name, purpose } = typed.value;
      return good({ name, purpose, policy: policy.value });
    };
    if (id && form.get("intent") === "look") {
      const typed = read(form);
      if (!typed.ok) return refusal({ form, errors: typed.problem.errors });
      return data({ result: replyOf(form, {}), ...(await weighed(tx, id, typed.value.policy, who.today)) });
    }
    const done = id
      ? await saveForm(changeGroup, who, form, {
          read: (sent) => mapped(read(sent), (value) => ({ ...value, group: id })),
          drawn: async () => fieldsOf(await groupById(tx, id)),
        })
      : await saveForm(addGroup, who, form, { read, drawn: async () => undefined });
    if (done.ok) return redirect("/club");
    return refuseForm(form, done.problem, {
      "no-group": isGone("This group"),
      taken: besideField("name", "There is a group of that name already."),
    });
  });
}

type GroupInput = { readonly name: string; readonly purpose: string; readonly policy: Policy };

/** Whom the policy would touch, and from when on; nothing is saved. */
async function weighed(tx: Tx, group: string, policy: Policy, today: PlainDate) {
  const { all } = await loadSituations(tx, { of: "group", id: group }, today);
  const { firstOn, ...effect } = policyEffect(all, policy);
  return { touched: await touchedBy(tx, effect), firstOn, radios: all.length };
}

export const clientAction = offlineForm;

type Fields = Readonly<Record<string, Parameters<typeof Field>[0]["of"]>>;
const approved = (fields: unknown, end: "from" | "to", i: number) => (fields as Fields)[approvedName(end, i)];

export default function Group({ loaderData, actionData }: Route.ComponentProps) {
  const told = actionData && "touched" in actionData ? actionData : undefined;
  const result = actionData && "touched" in actionData ? actionData.result : actionData;
  return (
    <Page title={loaderData.name ?? "A new group"} says="the rule its radios follow">
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <PostForm
          lastResult={result}
          also={<Buttons old={loaderData.name !== undefined} />}
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
                options={Object.entries(RULE_WORDS)}
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
              <Field
                of={fields.measureDays}
                label="Their power is measured every so many days"
                hint="may stay empty: nobody asks for it"
              />
              <Field of={fields.measureFlash} label="It is measured again after a flash" type="checkbox" />
              <Field
                of={fields.carriesPlan}
                label="Its radios carry the club's plan of channels"
                type="checkbox"
              />
              <Field
                of={fields.transmit}
                label="Where its radios transmit"
                options={TRANSMIT_RULES.map((rule) => [rule, RULE_WORD[rule]] as const)}
              />
              <div className="group-has-[option[value=legacy]:checked]/rule:hidden">
                <Field
                  of={fields.transmitClass}
                  label="Whose privileges count while nobody has the radio"
                  hint={
                    loaderData.classes.length > 0
                      ? `a class or service of the band plan: ${listed(loaderData.classes, 9)}`
                      : "a class or service of the club's band plan, which has none yet"
                  }
                />
              </div>
              <fieldset className="hidden group-has-[option[value=legacy]:checked]/rule:block">
                <legend className="mb-1 text-sm font-semibold">What they were approved for, in MHz</legend>
                <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2">
                  {Array.from({ length: APPROVED_PAIRS }, (_, i) => (
                    <div key={approvedName("from", i)} className="grid grid-cols-2 gap-2">
                      <Field of={approved(fields, "from", i)} label={`${i + 1}: from`} mono />
                      <Field of={approved(fields, "to", i)} label="to" mono />
                    </div>
                  ))}
                </div>
              </fieldset>
              <Field
                of={fields.safetyBreaksHold}
                label="A safety fix breaks through a hold"
                type="checkbox"
              />
            </>
          )}
        </PostForm>
        {loaderData.name !== undefined && <Weighed told={told} />}
      </div>
    </Page>
  );
}

/** To look first is the usual press: it changes nothing. */
const Buttons = ({ old }: { readonly old: boolean }) => (
  <>
    {old && (
      <button type="submit" name="intent" value="look" className="btn btn-outline btn-primary">
        See whom it touches
      </button>
    )}
    <button type="submit" name="intent" value="save" className="btn btn-primary">
      Save
    </button>
  </>
);

type Told = Awaited<ReturnType<typeof weighed>>;

/** Beside the form: what the rule would do, before it is saved. */
function Weighed({ told }: { readonly told: Told | undefined }) {
  const { locale, today } = useClub();
  if (!told)
    return (
      <p className="doubt h-fit max-w-md p-5">
        What is written here can be weighed before it is saved: which radios become due, which are relieved,
        and from which day on.
      </p>
    );
  const { touched, firstOn, radios } = told;
  return (
    <div className="flex flex-col gap-3 lg:sticky lg:top-4 lg:h-fit">
      <TouchedUnits key={JSON.stringify(touched)} touched={touched} />
      <p className="text-quiet">
        {firstOn === undefined
          ? `Of ${counted(radios, "radio")}, as far as is known today.`
          : `The first day on which anything is other than now: ${firstOn === today ? "today" : sayDate(firstOn, locale, today)}.`}
      </p>
    </div>
  );
}
