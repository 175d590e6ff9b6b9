// A person of the club: name, role, and how they come to sign in: by a link that a keeper hands over.
import { data, redirect } from "react-router";
import { addPerson } from "#acts/person/add-person.ts";
import { changePerson } from "#acts/person/change-person.ts";
import { personShape } from "#acts/person/person-fields.ts";
import { recoverPerson } from "#acts/person/recover-person.ts";
import { shelvePerson } from "#acts/person/shelve-person.ts";
import { ROLES } from "#core/club/index.ts";
import { mapped } from "#core/quantities/index.ts";
import { type PersonRow, personById } from "#db/club/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { type Refused, readBy, replyOf, saveForm } from "../forms/save.server.ts";
import { besideField, isGone, refusedBy } from "../shared/refusals.server.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/person";
import { LinkFor } from "./link.tsx";
import { linkFor } from "./make-link.server.ts";

const fieldsOf = (person: PersonRow | undefined): Record<string, string> => ({
  name: person?.name ?? "",
  role: person?.role ?? "member",
  email: person?.email ?? "",
  callSign: person?.call_sign ?? "",
  licence: person?.licence_class ?? "",
});

export const meta: Route.MetaFunction = () => [{ title: "Person · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  const id = idIn(params.person, "This person");
  return readInClub(context, async (tx) => {
    const person = id ? await personById(tx, id) : undefined;
    if (id && !person) throw notFound("This person");
    return {
      name: person?.name,
      shelved: person?.shelved_at != null,
      canSignIn: person?.can_sign_in === true,
      hasEmail: person?.email != null,
      fields: fieldsOf(person),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  const id = idIn(params.person, "This person");
  const refuse = (refused: Refused) =>
    data({ result: replyOf(refused.form, refused.errors) }, { status: refused.status });
  return readInClub(context, async (tx, who) => {
    const intent = form.get("intent");
    if (intent === "link") return data({ link: await linkFor(who, id, new URL(request.url).origin, form) });
    if (intent === "recover" || intent === "shelve") {
      const act = intent === "recover" ? recoverPerson : shelvePerson;
      const done = await performForm(act, who, form, { person: id });
      if (done.ok) return redirect(intent === "recover" ? `/club/people/${id}` : "/club");
      return refuse(refusedBy(form, done.problem, REFUSED));
    }
    const read = readBy(personShape);
    if (id) {
      const done = await saveForm(changePerson, who, form, {
        read: (sent) => mapped(read(sent), (value) => ({ ...value, person: id })),
        drawn: async () => fieldsOf(await personById(tx, id)),
      });
      if (done.ok) return redirect("/club");
      return refuse(refusedBy(form, done.problem, REFUSED));
    }
    const done = await saveForm(addPerson, who, form, { read, drawn: async () => undefined });
    if (done.ok) return redirect(`/club/people/${done.value.person}`);
    return refuse(refusedBy(form, done.problem, REFUSED));
  });
}

const REFUSED = {
  "no-person": isGone("This person"),
  "address-taken": besideField("email", "This address is taken."),
  "last-keeper": besideField("role", "The club needs a keeper who can sign in; make another one first."),
};

export async function clientAction(sending: Route.ClientActionArgs) {
  const answer = await offlineForm(sending);
  // What was not sent comes back as the form's own answer.
  return "error" in answer.data && answer.data.error
    ? data({ result: answer.data }, { status: 503 })
    : (answer as unknown as ReturnType<typeof data<Awaited<ReturnType<typeof action>>>>);
}

type Answer = {
  readonly result?: Parameters<typeof PostForm>[0]["lastResult"];
  readonly link?: string | undefined;
};

export default function Person({ loaderData, actionData }: Route.ComponentProps) {
  const { name, shelved } = loaderData;
  const answer = actionData as Answer | undefined;
  return (
    <Page
      title={name ?? "A new person"}
      says={shelved ? "on the shelf: cannot sign in, stays in the history" : undefined}
    >
      <div className="grid max-w-5xl gap-10 lg:grid-cols-2">
        <PostForm lastResult={answer?.result} submit="Save" defaults={loaderData.fields}>
          {(fields) => (
            <>
              <Field of={fields.name} label="Name" />
              <Field
                of={fields.role}
                label="Role"
                options={ROLES}
                hint="keepers decide, bench hands do the work, members have a radio at home"
              />
              <Field
                of={fields.email}
                label="E-mail"
                type="email"
                autoComplete="off"
                hint="only to sign in; whose address or role changes signs in anew"
              />
              <Field of={fields.callSign} label="Call sign" />
              <Field of={fields.licence} label="Licence class" />
            </>
          )}
        </PostForm>
        {name !== undefined && <LinkFor {...loaderData} link={answer?.link} />}
      </div>
    </Page>
  );
}
