// My page: day or night, and the way out.
import { Form } from "react-router";
import { z } from "zod";
import { setTheme } from "#db/people.ts";
import { inClub } from "../context.ts";
import { useClub } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/me";

const THEMES = [
  ["auto", "As the computer has it"],
  ["fern", "Fern: by day"],
  ["lamp", "Lamp: at the bench by night"],
] as const;

export async function action({ context, request }: Route.ActionArgs) {
  const theme = z
    .enum(["auto", "fern", "lamp"])
    .catch("auto")
    .parse((await request.formData()).get("theme"));
  await inClub(context, (tx, who) => setTheme(tx, who.person, theme));
  return { ok: true };
}

export default function Me() {
  const { personName, role, clubName, theme } = useClub();
  return (
    <Page title={personName} says={`${role} of ${clubName}`}>
      <Form method="post" reloadDocument className="flex max-w-sm flex-col gap-2">
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
      </Form>
      <Form method="post" action="/sign-out" className="mt-8">
        <button type="submit" className="btn btn-outline btn-primary">
          Sign out
        </button>
      </Form>
    </Page>
  );
}
