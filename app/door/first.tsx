// The first visit to a new install: makes the club and its keeper, once.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { z } from "zod";
import { anyClub, foundClub } from "#db/people.ts";
import { orAway } from "../frame/away.server.ts";
import { Field, PostForm } from "../ui/form.tsx";
import { unsentForm } from "../ui/unsent.ts";
import type { Route } from "./+types/first";
import { DoorPage } from "./door-page.tsx";
import { hashPassword } from "./password.server.ts";
import { startSession } from "./session.server.ts";

const shape = z.object({
  club: z.string({ error: "The club needs a name." }).trim().min(1).max(100),
  timeZone: z
    .string({ error: "Choose the club's time zone." })
    .refine(
      (zone) => Intl.supportedValuesOf("timeZone").includes(zone) || zone === "UTC",
      "No time zone goes by that name.",
    ),
  keeper: z.string({ error: "Say your name." }).trim().min(1).max(100),
  email: z.email({ error: "An e-mail address such as wren@example.org." }),
  password: z
    .string({ error: "Choose a password." })
    .min(10, "At least 10 characters: a few words are easy to keep in mind.")
    .max(200),
});

export const meta: Route.MetaFunction = () => [{ title: "A new cabinet · Mossy Cabinet" }];

export async function loader() {
  if (await orAway(anyClub())) throw redirect("/cabinet");
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return { zones: ["UTC", ...Intl.supportedValuesOf("timeZone").filter((z) => z !== "UTC")], here };
}

export async function action({ request }: Route.ActionArgs) {
  const submission = parseWithZod(await request.formData(), { schema: shape });
  if (submission.status !== "success") {
    return data(submission.reply({ hideFields: ["password"] }), { status: 400 });
  }
  const { password, ...rest } = submission.value;
  const founded = await foundClub({ ...rest, passwordHash: await hashPassword(password) });
  if (!founded) throw redirect("/sign-in");
  throw redirect("/cabinet", {
    headers: { "Set-Cookie": await startSession(request, founded.club_id, founded.person_id) },
  });
}

export const clientAction = unsentForm;

export default function First({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <DoorPage title="A new cabinet" says="There is no club here yet. Found one; you become its keeper.">
      <PostForm lastResult={actionData} submit="Found the club">
        {(fields) => (
          <>
            <Field of={fields.club} label="Name of the club" autoFocus />
            <Field
              of={fields.timeZone}
              label="Time zone"
              options={loaderData.zones}
              defaultValue={loaderData.here}
            />
            <Field of={fields.keeper} label="Your name" autoComplete="name" />
            <Field of={fields.email} label="Your e-mail" type="email" autoComplete="username" />
            <Field
              of={fields.password}
              label="A password"
              type="password"
              autoComplete="new-password"
              hint="at least 10 characters"
            />
          </>
        )}
      </PostForm>
    </DoorPage>
  );
}
