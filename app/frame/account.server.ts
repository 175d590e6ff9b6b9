// What a person does about their own account: light, password, sessions.
import type { RouterContextProvider } from "react-router";
import { z } from "zod";
import { changePassword as change } from "#acts/person/change-password.ts";
import { endSessions } from "#acts/person/end-sessions.ts";
import { setTheme } from "#acts/person/set-theme.ts";
import { passwordHashOf, sessionsOf } from "#db/club/index.ts";
import type { Tx } from "#db/pool.ts";
import { countOwn, forgetOwn, sayWait } from "../auth/attempts.server.ts";
import { hashPassword, isPassword } from "../auth/password.server.ts";
import { newPassword, passwordTrouble } from "../auth/password-rule.server.ts";
import { SAYS_BUSY, unlessBusy } from "../auth/turns.server.ts";
import { orAway } from "../away.server.ts";
import { readInClub, type SignedIn, signedIn } from "../context.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { counted } from "../ui/words/count.ts";

type Context = Readonly<RouterContextProvider>;

export async function mySessions(tx: Tx, who: SignedIn) {
  return (await sessionsOf(tx, who.person)).map(({ id, browser, created_at, seen_at }) => ({
    id,
    browser,
    since: created_at.toISOString(),
    seen: seen_at.toISOString(),
    here: id === who.session,
  }));
}

export const passwordShape = z.object({
  present: z.string({ error: "The password you have." }).max(200),
  password: newPassword,
});

/** Answers what is wrong, by field; undefined if it is changed. */
export async function changePassword(
  context: Context,
  { present, password }: z.infer<typeof passwordShape>,
  form: FormData,
): Promise<Record<string, string[]> | undefined> {
  const who = signedIn(context);
  // Counted before it is compared: otherwise the right one would tell itself however often was guessed.
  const wait = await orAway(countOwn(who.person));
  if (wait) return { present: [sayWait(wait)] };
  const stored = await readInClub(context, (tx) => passwordHashOf(tx, who.person));
  const right = await unlessBusy(stored ? isPassword(stored, present) : Promise.resolve(false));
  if (!right) return { present: [SAYS_BUSY] };
  if (!right.value) return { present: ["That is not your password."] };
  await orAway(forgetOwn(who.person));
  const trouble = passwordTrouble(password, [who.name, who.clubName]);
  if (trouble) return { password: [trouble] };
  const hashed = await unlessBusy(hashPassword(password));
  if (!hashed) return { password: [SAYS_BUSY] };
  const done = await performForm(change, who, form, { hash: hashed.value, session: who.session });
  return done.ok ? undefined : { "": [NOT_WHOLE] };
}

/** Ends one session of mine, or all others; says how many. */
export async function endMine(context: Context, told: unknown, form: FormData): Promise<string> {
  const who = signedIn(context);
  const which =
    typeof told === "string" && /^\d{1,18}$/.test(told) ? { only: told } : { butFor: who.session };
  const done = await performForm(endSessions, who, form, { which });
  if (!done.ok) return NOT_WHOLE;
  const { count } = done.value.answer;
  return count === 0 ? "That session had ended already." : `${counted(count, "session")} ended.`;
}

export async function changeTheme(context: Context, told: unknown, form: FormData): Promise<void> {
  const theme = z.enum(["auto", "fern", "lamp"]).catch("auto").parse(told);
  await performForm(setTheme, signedIn(context), form, { theme });
}
