// A link that a keeper handed over: whoever has it chooses the password of the person it was made for, once.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, Link, redirect } from "react-router";
import { z } from "zod";
import { findLink, redeemLink } from "#db/club/index.ts";
import { orAway } from "../away.server.ts";
import { requestContext } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import type { Route } from "./+types/join";
import { countTry } from "./attempts.server.ts";
import { AuthPage } from "./auth-page.tsx";
import { hashPassword, tokenHash } from "./password.server.ts";
import { PASSWORD_HINT } from "./password-limits.ts";
import { newPassword, passwordTrouble } from "./password-rule.server.ts";
import { startSession } from "./session.server.ts";
import { SAYS_BUSY, unlessBusy } from "./turns.server.ts";

const shape = z.object({ password: newPassword });

export const meta: Route.MetaFunction = () => [{ title: "Choose a password · Mossy Cabinet" }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const link = await orAway(findLink(tokenHash(params.link)));
  if (!link) {
    // Whatever is wrong with it, and however often somebody tried, the answer is the same; the tries count for the address.
    await orAway(countTry(context.get(requestContext).address));
    return data({ found: undefined }, { status: 404 });
  }
  return data({
    found: { name: link.name, email: link.email, club: link.club_name, again: link.has_password },
  });
}

export async function action({ params, request, context }: Route.ActionArgs) {
  const { refusal } = context.get(requestContext);
  if (refusal) return data({ status: "error" as const, error: { "": [refusal.why] } }, { status: 429 });
  const hash = tokenHash(params.link);
  const link = await orAway(findLink(hash));
  if (!link) throw redirect(`/join/${params.link}`);
  const submission = parseWithZod(await request.formData(), { schema: shape });
  const refuse = (says?: string, status = 400) =>
    data(submission.reply({ hideFields: ["password"], ...(says && { fieldErrors: { password: [says] } }) }), {
      status,
    });
  if (submission.status !== "success") return refuse();
  const { password } = submission.value;
  const trouble = passwordTrouble(password, [link.name, link.email, link.club_name]);
  if (trouble) return refuse(trouble);
  const hashed = await unlessBusy(hashPassword(password));
  if (!hashed) return refuse(SAYS_BUSY, 429);
  const person = await orAway(redeemLink(hash, hashed.value));
  if (!person) throw redirect(`/join/${params.link}`);
  throw redirect("/cabinet", {
    headers: await orAway(startSession(request, person.club_id, person.person_id)),
  });
}

export const clientAction = offlineForm;

export default function Join({ loaderData, actionData }: Route.ComponentProps) {
  const { found } = loaderData;
  if (!found)
    return (
      <AuthPage
        title="This link is good no more"
        says="It was used already, is older than a day, or another was made after it. A keeper can make you a new one."
      >
        <Link className="link" to="/sign-in">
          To the sign-in
        </Link>
      </AuthPage>
    );
  return (
    <AuthPage
      title={found.again ? "A new password" : `Welcome to ${found.club}`}
      says={`For ${found.name}. You sign in with ${found.email} and the password you choose here.`}
    >
      <PostForm lastResult={actionData} submit="Take it and sign in">
        {(fields) => (
          <>
            <input type="hidden" autoComplete="username" value={found.email} readOnly />
            <Field
              of={fields.password}
              label="A password"
              type="password"
              autoComplete="new-password"
              autoFocus
              hint={PASSWORD_HINT}
            />
          </>
        )}
      </PostForm>
    </AuthPage>
  );
}
