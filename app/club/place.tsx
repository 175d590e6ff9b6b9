// A place where radios live.
import { redirect } from "react-router";
import { addPlace } from "#acts/club/add-place.ts";
import { changePlace } from "#acts/club/change-place.ts";
import { PLACE_KINDS, placeShape } from "#acts/club/place-fields.ts";
import { mapped } from "#core/quantities/index.ts";
import { type PlaceRow, places } from "#db/club/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { Field } from "../forms/field.tsx";
import { PostForm } from "../forms/form.tsx";
import { offlineForm } from "../forms/offline.ts";
import { readBy, saveForm } from "../forms/save.server.ts";
import { besideField, isGone, refuseForm } from "../shared/refusals.server.ts";
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
  return readInClub(context, async (tx, who) => {
    const id = idIn(params.place, "This place");
    const read = readBy(placeShape);
    const place = async () => (await places(tx)).find((p) => p.id === id);
    const done = id
      ? await saveForm(changePlace, who, form, {
          read: (sent) => mapped(read(sent), (value) => ({ ...value, place: id })),
          drawn: async () => fieldsOf(await place()),
        })
      : await saveForm(addPlace, who, form, { read, drawn: async () => undefined });
    if (done.ok) return redirect("/club");
    return refuseForm(form, done.problem, {
      "no-place": isGone("This place"),
      taken: besideField("name", "There is a place of that name already."),
    });
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
