// My page: day or night, my password, where I am signed in, and the way out.
import { parseWithZod } from "@conform-to/zod/v4";
import { data } from "react-router";
import { PASSWORD_HINT } from "../auth/password-limits.ts";
import { readInClub, signedIn } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import { useClub } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { sayBrowser } from "../ui/words/browser.ts";
import { sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/me";
import { changePassword, changeTheme, endMine, mySessions, passwordShape } from "./account.server.ts";

const THEMES = [
  ["auto", "As the computer has it"],
  ["fern", "Fern: by day"],
  ["lamp", "Lamp: at the bench by night"],
] as const;

export const meta: Route.MetaFunction = () => [{ title: "Me · Mossy Cabinet" }];

export async function loader({ context }: Route.LoaderArgs) {
  const who = signedIn(context);
  return { sessions: await readInClub(context, (tx) => mySessions(tx, who)) };
}

export async function action({ context, request }: Route.ActionArgs) {
  const form = await request.formData();
  const intent = form.get("intent");
  if (intent === "password") {
    const submission = parseWithZod(form, { schema: passwordShape });
    if (submission.status !== "success") return data(submission.reply(HIDDEN), { status: 400 });
    const trouble = await changePassword(context, submission.value, form);
    if (trouble) return data(submission.reply({ ...HIDDEN, fieldErrors: trouble }), { status: 400 });
    return data({
      ...submission.reply({ resetForm: true }),
      says: "Your password is changed; other sessions have ended.",
    });
  }
  if (intent === "end") return data({ says: await endMine(context, form.get("session"), form) });
  await changeTheme(context, form.get("theme"), form);
  return data({ says: undefined });
}
const HIDDEN = { hideFields: ["present", "password"] };

export const clientAction = offlineForm;

type Answer = Parameters<typeof PostForm>[0]["lastResult"] & { readonly says?: string };

export default function Me({ loaderData, actionData }: Route.ComponentProps) {
  const { personName, role, clubName, theme } = useClub();
  const answer = actionData as Answer | undefined;
  return (
    <Page title={personName} says={`${role} of ${clubName}`}>
      {answer?.says && <Said answer={{ ok: true, says: answer.says }} />}
      <div className="grid max-w-5xl gap-10 lg:grid-cols-2">
        <div>
          <ActForm reloadDocument className="flex max-w-sm flex-col gap-2">
            <fieldset>
              <legend className="mb-1 font-serif font-bold">Light</legend>
              {THEMES.map(([value, text]) => (
                <label key={value} className="flex items-center gap-2 py-1">
                  <input
                    type="radio"
                    name="theme"
                    value={value}
                    defaultChecked={theme === value}
                    className="radio radio-primary radio-sm"
                  />
                  {text}
                </label>
              ))}
            </fieldset>
            <button type="submit" className="btn btn-primary w-fit">
              Keep
            </button>
          </ActForm>
          <section className="mt-10">
            <h2 className="mb-2">A new password</h2>
            <PostForm lastResult={answer?.status ? answer : undefined} submit="Change it">
              {(fields) => (
                <>
                  <input type="hidden" name="intent" value="password" />
                  <Field
                    of={fields.present}
                    label="The one you have"
                    type="password"
                    autoComplete="current-password"
                  />
                  <Field
                    of={fields.password}
                    label="The new one"
                    type="password"
                    autoComplete="new-password"
                    hint={`${PASSWORD_HINT}; your other sessions end`}
                  />
                </>
              )}
            </PostForm>
          </section>
        </div>
        <Sessions sessions={loaderData.sessions} />
      </div>
    </Page>
  );
}

function Sessions({ sessions }: { readonly sessions: Route.ComponentProps["loaderData"]["sessions"] }) {
  const { locale, timeZone } = useClub();
  const others = sessions.filter((session) => !session.here);
  return (
    <section>
      <h2 className="mb-2">Where you are signed in</h2>
      <ul className="sheet divide-y divide-line">
        {sessions.map((session) => (
          <li key={session.id} className="flex flex-wrap items-baseline gap-x-4 px-4 py-2.5">
            <span>
              <strong>{sayBrowser(session.browser)}</strong>
              {session.here && ", here"}
              <br />
              <span className="text-sm text-quiet">
                since {sayInstant(session.since, locale, timeZone)}, last seen{" "}
                {sayInstant(session.seen, locale, timeZone)}
              </span>
            </span>
            {!session.here && (
              <ActForm intent="end" className="ml-auto">
                <button type="submit" name="session" value={session.id} className="btn btn-sm btn-outline">
                  End it
                </button>
              </ActForm>
            )}
          </li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap gap-3">
        {others.length > 1 && (
          <ActForm intent="end">
            <button type="submit" name="session" value="others" className="btn btn-outline btn-primary">
              End all others
            </button>
          </ActForm>
        )}
        <ActForm action="/sign-out">
          <button type="submit" className="btn btn-outline btn-primary">
            Sign out
          </button>
        </ActForm>
      </div>
    </section>
  );
}
