// A place where radios live.
import { parseWithZod } from "@conform-to/zod/v4";
import { data, redirect } from "react-router";
import { addPlace } from "#acts/add-place.ts";
import { changePlace } from "#acts/change-place.ts";
import { PLACE_KINDS, placeShape } from "#acts/place-fields.ts";
import { type PlaceRow, places } from "#db/club.ts";
import { idIn, mustBeAllowed, notFound, readInClub, writeInClub } from "../context.ts";
import { Field, PostForm } from "../forms/form.tsx";
import { mergeForm } from "../forms/merge.server.ts";
import { offlineForm } from "../forms/offline.ts";
import { NOT_WHOLE, performForm } from "../forms/perform.server.ts";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/place";

const fieldsOf = (place: PlaceRow | undefined): Record<string, string> => ({
  name: place?.name ?? "",
  kind: place?.kind ?? "shelf",
  note: place?.note ?? "",
});

export const meta: Route.MetaFunction = () => [{ title: "Place · Mossy Cabinet" }];

export async function loader({ context, params }: Route.LoaderArgs) {
  mustBeAllowed(context, "edit-club");
  return readInClub(context, async (tx) => {
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
  let submission = parseWithZod(form, { schema: placeShape });
  const refuse = (fieldErrors?: Record<string, string[]>, status = 400) =>
    data(submission.reply(fieldErrors && { fieldErrors }), { status });
  return writeInClub(context, async (tx, who) => {
    const id = idIn(params.place, "This place");
    const held = await mergeForm(tx, `place ${id}`, form, async () => {
      const place = (await places(tx)).find((p) => p.id === id);
      return place && fieldsOf(place);
    });
    submission = parseWithZod(held.form, { schema: placeShape });
    if (submission.status !== "success") return refuse();
    if (Object.keys(held.errors).length > 0) return refuse(held.errors, 409);
    const { value } = submission;
    const done = id
      ? await performForm(tx, changePlace, who, form, { ...value, place: id })
      : await performForm(tx, addPlace, who, form, value);
    if (done.ok) return redirect("/club");
    switch (done.problem.kind) {
      case "no-place":
        throw notFound("This place");
      case "taken":
        return refuse({ name: ["There is a place of that name already."] });
      case "no-key":
      case "input":
        return refuse({ "": [NOT_WHOLE] });
    }
  });
}

export const clientAction = offlineForm;

export default function Place({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page title={loaderData.name ?? "A new place"}>
      <PostForm lastResult={actionData} submit="Save" defaults={loaderData.fields}>
        {(fields) => (
          <>
            <Field of={fields.name} label="Name" />
            <Field of={fields.kind} label="Kind" options={PLACE_KINDS} />
            <Field of={fields.note} label="Note" />
          </>
        )}
      </PostForm>
    </Page>
  );
}
