// Sign-in with e-mail and password; what somebody typed when their session had ended is carried through.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { z } from "zod";
import { LONGEST_ADDRESS } from "#core/club/index.ts";
import { anyClub, findAccount, logSignIn } from "#db/club/index.ts";
import { orAway } from "../away.server.ts";
import { requestContext, sessionContext } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import type { Route } from "./+types/sign-in";
import { countAttempt, forgetAttempts, ofAccount, placeOf, sayWait } from "./attempts.server.ts";
import { AuthPage } from "./auth-page.tsx";
import { deviceOf } from "./device.server.ts";
import { ownPath } from "./pack.server.ts";
import { isPassword, pretendToCheck } from "./password.server.ts";
import { startSession } from "./session.server.ts";
import { SAYS_BUSY, unlessBusy } from "./turns.server.ts";

const shape = z.object({
  email: z.string({ error: "Your e-mail address." }).trim().max(LONGEST_ADDRESS, "No address is that long."),
  password: z.string({ error: "Your password." }).max(200, "No password of ours is that long."),
});

export const meta: Route.MetaFunction = () => [{ title: "Sign in · Mossy Cabinet" }];

export async function loader({ request, context }: Route.LoaderArgs) {
  const url = new URL(request.url);
  if (context.get(sessionContext)) throw redirect(ownPath(url.searchParams.get("back")));
  if (!(await orAway(anyClub()))) throw redirect("/first");
  const kept = url.searchParams.get("kept");
  return { ended: kept === null ? undefined : kept === "no" ? ("lost" as const) : ("kept" as const) };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { address, refusal } = context.get(requestContext);
  // Not read at all: whoever tries too often costs us no more than this.
  if (refusal) return data({ status: "error" as const, error: { "": [refusal.why] } }, { status: 429 });
  const submission = parseWithZod(await request.formData(), { schema: shape });
  const refuse = (status: number, why?: string) =>
    data(submission.reply({ hideFields: ["password"], ...(why && { formErrors: [why] }) }), { status });
  if (submission.status !== "success") return refuse(400);
  const { email, password } = submission.value;
  const account = await orAway(findAccount(email));
  const attempt = {
    email,
    address,
    device: ofAccount(await orAway(deviceOf(request.headers.get("cookie"))), account),
  };
  const wait = await orAway(countAttempt(attempt));
  if (wait) return refuse(429, sayWait(wait));
  const right = await unlessBusy(
    account ? isPassword(account.password_hash, password) : pretendToCheck(password),
  );
  if (!right) return refuse(429, SAYS_BUSY);
  if (!account || !right.value) {
    await orAway(logSignIn(account, "sign-in-failed", placeOf(address)));
    return refuse(400, "This e-mail and password do not belong together.");
  }
  await orAway(forgetAttempts(attempt));
  const headers = await orAway(startSession(request, account.club_id, account.person_id));
  await orAway(logSignIn(account, "signed-in", placeOf(address)));
  const search = new URL(request.url).searchParams;
  const asked = search.get("back");
  const back = asked === null ? "/" : ownPath(asked);
  const kept = search.get("kept");
  throw redirect(kept && kept !== "no" ? `/kept?${new URLSearchParams({ to: back, kept })}` : back, {
    headers,
  });
}

export const clientAction = offlineForm;

const SAYS = {
  kept: "Your session had ended. What you typed is kept; you can save it after signing in.",
  lost: "Your session had ended, and what you sent could not be kept: it has a file or a password in it, or this browser is new to us. Go back after signing in and send it again.",
  none: "For the keepers of the cabinet, and those who have a radio of it.",
} as const;

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <AuthPage title="Sign in" says={SAYS[loaderData.ended ?? "none"]}>
      <PostForm lastResult={actionData} submit="Sign in">
        {(fields) => (
          <>
            <Field of={fields.email} label="E-mail" type="email" autoComplete="username" autoFocus />
            <Field of={fields.password} label="Password" type="password" autoComplete="current-password" />
          </>
        )}
      </PostForm>
      <p className="mt-5 text-sm text-quiet">
        Forgotten it? A keeper of the club makes you a link with which you choose a new one.
      </p>
    </AuthPage>
  );
}
