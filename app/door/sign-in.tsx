// Sign-in with e-mail and password; what somebody typed when their session had ended is carried through.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { z } from "zod";
import { anyClub, findAccount } from "#db/people.ts";
import { requestContext, sessionContext } from "../context.ts";
import { orAway } from "../frame/away.server.ts";
import { Field, PostForm } from "../ui/form.tsx";
import { unsentForm } from "../ui/unsent.ts";
import type { Route } from "./+types/sign-in";
import { countAttempt, forgetAttempts } from "./attempts.server.ts";
import { DoorPage } from "./door-page.tsx";
import { ownPath } from "./pack.server.ts";
import { isPassword, pretendToCheck } from "./password.server.ts";
import { startSession } from "./session.server.ts";

const shape = z.object({
  email: z.string({ error: "Your e-mail address." }).trim().max(200),
  password: z.string({ error: "Your password." }).max(200),
});

export const meta: Route.MetaFunction = () => [{ title: "Sign in · Mossy Cabinet" }];

export async function loader({ request, context }: Route.LoaderArgs) {
  const url = new URL(request.url);
  if (context.get(sessionContext)) throw redirect(ownPath(url.searchParams.get("back")));
  if (!(await orAway(anyClub()))) throw redirect("/first");
  return { ended: url.searchParams.has("kept") };
}

export async function action({ request, context }: Route.ActionArgs) {
  const submission = parseWithZod(await request.formData(), { schema: shape });
  const refuse = (status: number, why?: string) =>
    data(submission.reply({ hideFields: ["password"], ...(why && { formErrors: [why] }) }), { status });
  if (submission.status !== "success") return refuse(400);
  const { email, password } = submission.value;
  const wait = await orAway(countAttempt(email, context.get(requestContext).address));
  if (wait)
    return refuse(429, `Too many attempts. Try again in ${wait === 1 ? "a minute" : `${wait} minutes`}.`);
  const account = await orAway(findAccount(email));
  const right = account ? await isPassword(account.password_hash, password) : await pretendToCheck(password);
  if (!account || !right) return refuse(400, "This e-mail and password do not belong together.");
  await forgetAttempts(email);
  const search = new URL(request.url).searchParams;
  const back = ownPath(search.get("back"));
  const kept = search.get("kept");
  const to = kept ? `/kept?${new URLSearchParams({ to: back, kept })}` : back;
  throw redirect(to, {
    headers: { "Set-Cookie": await startSession(request, account.club_id, account.person_id) },
  });
}

export const clientAction = unsentForm;

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <DoorPage
      title="Sign in"
      says={
        loaderData.ended
          ? "Your session had ended. What you typed is kept; you can save it after signing in."
          : "For the keepers of the cabinet, and those who have a radio of it."
      }
    >
      <PostForm lastResult={actionData} submit="Sign in">
        {(fields) => (
          <>
            <Field of={fields.email} label="E-mail" type="email" autoComplete="username" autoFocus />
            <Field of={fields.password} label="Password" type="password" autoComplete="current-password" />
          </>
        )}
      </PostForm>
    </DoorPage>
  );
}
