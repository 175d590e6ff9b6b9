// A person of the club: name, role, and whether they can sign in.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { z } from "zod";
import { ROLES } from "#core/club/acts.ts";
import { tell } from "#db/log.ts";
import { otherKeepers, type PersonRow, people, putPerson, shelvePerson } from "#db/people.ts";
import { isDuplicate } from "#db/pool.ts";
import { idIn, inClub, lookInClub, mustBeAllowed, notFound } from "../context.ts";
import { hashPassword } from "../door/password.server.ts";
import { meanwhileIn } from "../frame/meanwhile.server.ts";
import { Field, PostForm } from "../ui/form.tsx";
import { Page } from "../ui/page.tsx";
import { unsentForm } from "../ui/unsent.ts";
import type { Route } from "./+types/person";

const shape = z
  .object({
    name: z.string({ error: "A person has a name." }).trim().min(1).max(100),
    role: z.enum(ROLES),
    email: z.email({ error: "An e-mail address such as wren@example.org, or nothing." }).optional(),
    password: z.string().min(10, "At least 10 characters.").max(200).optional(),
    callSign: z.string().trim().max(20).optional(),
    licence: z.string().trim().max(60).optional(),
    shelve: z.stringbool({ truthy: ["on"], falsy: [] }).default(false),
  })
  .refine((p) => !p.password || p.email, {
    path: ["email"],
    error: "To sign in, a person needs an e-mail address too.",
  });

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
  return lookInClub(context, async (tx) => {
    const person = (await people(tx)).find((p) => p.id === params.person);
    if (params.person !== "new" && !person) throw notFound("This person");
    return {
      name: person?.name,
      fields: fieldsOf(person),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  let submission = parseWithZod(form, { schema: shape });
  const refuse = (fieldErrors?: Record<string, string[]>, status = 400) =>
    data(submission.reply({ hideFields: ["password"], ...(fieldErrors && { fieldErrors }) }), { status });
  const id = idIn(params.person, "This person");
  try {
    return await inClub(context, async (tx) => {
      const held = await meanwhileIn(tx, `person ${id}`, form, async () => {
        const person = (await people(tx)).find((p) => p.id === id);
        return person && fieldsOf(person);
      });
      submission = parseWithZod(held.form, { schema: shape });
      if (submission.status !== "success") return refuse();
      if (Object.keys(held.errors).length > 0) return refuse(held.errors, 409);
      const { name, role, email, password, callSign, licence, shelve } = submission.value;
      const passwordHash = password ? await hashPassword(password) : undefined;
      if (id && (role !== "keeper" || shelve) && (await otherKeepers(tx, id)) === 0) {
        return refuse({ role: ["The club needs a keeper who can sign in; make another one first."] });
      }
      const saved = await putPerson(tx, id, {
        name,
        role,
        email: email ?? null,
        callSign: callSign ?? null,
        licence: licence ?? null,
        ...(passwordHash && { passwordHash }),
      });
      if (!saved) throw notFound("This person");
      if (id && shelve) await shelvePerson(tx, id);
      await tell(
        tx,
        id
          ? {
              kind: "person-changed",
              name,
              what: shelve ? "shelved" : `role ${role}${password ? ", new password" : ""}`,
            }
          : { kind: "person-added", name, role },
      );
      return redirect("/club");
    });
  } catch (error) {
    if (isDuplicate(error, "person_email")) return refuse({ email: ["This address is taken."] });
    throw error;
  }
}

export const clientAction = unsentForm;

export default function Person({ loaderData, actionData }: Route.ComponentProps) {
  const known = loaderData.name !== undefined;
  return (
    <Page title={loaderData.name ?? "A new person"}>
      <PostForm lastResult={actionData} submit="Save" defaults={loaderData.fields}>
        {(fields) => (
          <>
            <Field of={fields.name} label="Name" />
            <Field
              of={fields.role}
              label="Role"
              options={ROLES}
              hint="keepers decide, bench hands do the work, members have a radio at home"
            />
            <Field of={fields.email} label="E-mail" type="email" autoComplete="off" hint="only to sign in" />
            <Field
              of={fields.password}
              label={known ? "A new password" : "A password"}
              type="password"
              autoComplete="new-password"
              hint={known ? "empty: stays as it is" : "empty: cannot sign in"}
            />
            <Field of={fields.callSign} label="Call sign" />
            <Field of={fields.licence} label="Licence class" />
            {known && (
              <Field
                of={fields.shelve}
                label="Put on the shelf: can sign in no more, stays in the history"
                type="checkbox"
              />
            )}
          </>
        )}
      </PostForm>
    </Page>
  );
}
