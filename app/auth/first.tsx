// The first visit to a new install: makes the club and its keeper, once.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { z } from "zod";
import { anyClub, foundClub } from "#db/club/index.ts";
import { orAway } from "../away.server.ts";
import { requestContext } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import type { Route } from "./+types/first";
import { countTry, sayWait } from "./attempts.server.ts";
import { AuthPage } from "./auth-page.tsx";
import { hashPassword, tokenHash } from "./password.server.ts";
import { PASSWORD_HINT } from "./password-limits.ts";
import { newPassword, passwordTrouble } from "./password-rule.server.ts";
import { startSession } from "./session.server.ts";
import { SAYS_BUSY, unlessBusy } from "./turns.server.ts";

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
  password: newPassword,
  code: z.string().trim().max(40).optional(),
});

/** The code that the terminal shows where the server can be reached by others than who started it. */
const firstCode = (): string | undefined => process.env.MOSSY_FIRST_CODE || undefined;

const sameCode = (given: string | undefined, wanted: string): boolean =>
  tokenHash((given ?? "").toUpperCase()).equals(tokenHash(wanted.toUpperCase()));

export const meta: Route.MetaFunction = () => [{ title: "A new cabinet · Mossy Cabinet" }];

export async function loader() {
  if (await orAway(anyClub())) throw redirect("/cabinet");
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return {
    zones: ["UTC", ...Intl.supportedValuesOf("timeZone").filter((z) => z !== "UTC")],
    here,
    asksCode: firstCode() !== undefined,
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { address, refusal } = context.get(requestContext);
  if (refusal) return data({ status: "error" as const, error: { "": [refusal.why] } }, { status: 429 });
  if (await orAway(anyClub())) throw redirect("/sign-in");
  const submission = parseWithZod(await request.formData(), { schema: shape });
  const refuse = (status: number, fieldErrors?: Record<string, string[]>) =>
    data(submission.reply({ hideFields: ["password"], ...(fieldErrors && { fieldErrors }) }), { status });
  if (submission.status !== "success") return refuse(400);
  const { password, code, ...rest } = submission.value;
  const wanted = firstCode();
  if (wanted && !sameCode(code, wanted)) {
    const wait = await orAway(countTry(address));
    return refuse(wait ? 429 : 400, {
      code: [
        wait ? sayWait(wait) : "This is not the code that the terminal shows where the server was started.",
      ],
    });
  }
  const trouble = passwordTrouble(password, [rest.club, rest.keeper, rest.email]);
  if (trouble) return refuse(400, { password: [trouble] });
  const hashed = await unlessBusy(hashPassword(password));
  if (!hashed) return refuse(429, { password: [SAYS_BUSY] });
  const founded = await orAway(foundClub({ ...rest, passwordHash: hashed.value }));
  if (!founded) throw redirect("/sign-in");
  throw redirect("/cabinet", {
    headers: await orAway(startSession(request, founded.club_id, founded.person_id)),
  });
}

export const clientAction = offlineForm;

export default function First({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <AuthPage title="A new cabinet" says="There is no club here yet. Found one; you become its keeper.">
      <PostForm lastResult={actionData} submit="Found the club">
        {(fields) => (
          <>
            <Field of={fields.club} label="Name of the club" autoFocus />
            <Field
              of={fields.timeZone}
              label="Time zone"
              options={loaderData.zones}
              start={loaderData.here}
            />
            <Field of={fields.keeper} label="Your name" autoComplete="name" />
            <Field of={fields.email} label="Your e-mail" type="email" autoComplete="username" />
            <Field
              of={fields.password}
              label="A password"
              type="password"
              autoComplete="new-password"
              hint={PASSWORD_HINT}
            />
            {loaderData.asksCode && (
              <Field
                of={fields.code}
                label="The code from the terminal"
                autoComplete="one-time-code"
                hint="it was printed when the server was started"
              />
            )}
          </>
        )}
      </PostForm>
    </AuthPage>
  );
}
