// A place where radios live.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { z } from "zod";
import { FIELD_LIMITS } from "#core/club/unit-fields.ts";
import { type PlaceRow, places, putPlace } from "#db/club.ts";
import { tell } from "#db/log.ts";
import { isDuplicate } from "#db/pool.ts";
import { idIn, inClub, lookInClub, mustBeAllowed, notFound } from "../context.ts";
import { meanwhileIn } from "../frame/meanwhile.server.ts";
import { Field, PostForm } from "../ui/form.tsx";
import { Page } from "../ui/page.tsx";
import { unsentForm } from "../ui/unsent.ts";
import type { Route } from "./+types/place";

const KINDS = ["shelf", "hut", "vehicle", "room"] as const;
const shape = z.object({
  name: z.string({ error: "A place has a name." }).trim().min(1).max(FIELD_LIMITS.place),
  kind: z.enum(KINDS),
  note: z.string().trim().max(200).default(""),
});

const fieldsOf = (place: PlaceRow | undefined): Record<string, string> => ({
  name: place?.name ?? "",
  kind: place?.kind ?? "shelf",
  note: place?.note ?? "",
});

export const meta: Route.MetaFunction = () => [{ title: "Place · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return lookInClub(context, async (tx) => {
    const place = (await places(tx)).find((p) => p.id === params.place);
    if (params.place !== "new" && !place) throw notFound("This place");
    return {
      name: place?.name,
      fields: fieldsOf(place),
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  let submission = parseWithZod(form, { schema: shape });
  const refuse = (fieldErrors?: Record<string, string[]>, status = 400) =>
    data(submission.reply(fieldErrors && { fieldErrors }), { status });
  try {
    return await inClub(context, async (tx) => {
      const id = idIn(params.place, "This place");
      const held = await meanwhileIn(tx, `place ${id}`, form, async () => {
        const place = (await places(tx)).find((p) => p.id === id);
        return place && fieldsOf(place);
      });
      submission = parseWithZod(held.form, { schema: shape });
      if (submission.status !== "success") return refuse();
      if (Object.keys(held.errors).length > 0) return refuse(held.errors, 409);
      if (held.unchanged) return redirect("/club");
      const { value } = submission;
      if (!(await putPlace(tx, id, value))) throw notFound("This place");
      await tell(
        tx,
        id
          ? { kind: "club-changed", what: `the place ${value.name}` }
          : { kind: "place-added", name: value.name },
      );
      return redirect("/club");
    });
  } catch (error) {
    if (isDuplicate(error)) return refuse({ name: ["There is a place of that name already."] });
    throw error;
  }
}

export const clientAction = unsentForm;

export default function Place({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page title={loaderData.name ?? "A new place"}>
      <PostForm lastResult={actionData} submit="Save" defaults={loaderData.fields}>
        {(fields) => (
          <>
            <Field of={fields.name} label="Name" />
            <Field of={fields.kind} label="Kind" options={KINDS} />
            <Field of={fields.note} label="Note" />
          </>
        )}
      </PostForm>
    </Page>
  );
}
