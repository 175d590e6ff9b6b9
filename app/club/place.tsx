// A place where radios live.
import { addPlace } from "#acts/club/add-place.ts";
import { changePlace } from "#acts/club/change-place.ts";
import { PLACE_KINDS, placeShape } from "#acts/club/place-fields.ts";
import { mapped } from "#core/quantities/index.ts";
import { type PlaceRow, places } from "#db/club/index.ts";
import { idIn, mustBeAllowed, notFound, readInClub } from "../context.ts";
import { boundsOf } from "../forms/edit/bounds.server.ts";
import { EditOne } from "../forms/edit/edit-one.tsx";
import { Field } from "../forms/field.tsx";
import { offlineForm } from "../forms/offline.ts";
import { readBy } from "../forms/save.server.ts";
import { editOne } from "../shared/edit/edit-one.server.ts";
import { besideField, isGone } from "../shared/refusals.server.ts";
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
      known: place !== undefined,
      values: fieldsOf(place),
      bounds: boundsOf(addPlace),
    };
  });
}

const read = readBy(placeShape);
const TAKEN = besideField("name", "There is a place of that name already.");

export async function action({ context, params, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  const id = idIn(params.place, "This place");
  return readInClub(context, async (tx, who) =>
    id === undefined
      ? editOne(who, form, {
          write: addPlace,
          there: "/club",
          own: { taken: TAKEN },
          read,
          drawn: async () => undefined,
        })
      : editOne(who, form, {
          write: changePlace,
          there: "/club",
          own: { "no-place": isGone("This place"), taken: TAKEN },
          read: (sent) => mapped(read(sent), (value) => ({ ...value, place: id })),
          drawn: async () => fieldsOf((await places(tx)).find((p) => p.id === id)),
        }),
  );
}

export const clientAction = offlineForm;

export default function Place({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <EditOne
      title={loaderData.name ?? "A new place"}
      back={{ to: "/club", says: "Back to the club" }}
      loaded={loaderData}
      lastResult={actionData}
    >
      {(fields) => (
        <>
          <Field of={fields.name} label="Name" />
          <Field of={fields.kind} label="Kind" options={PLACE_KINDS} />
          <Field of={fields.note} label="Note" />
        </>
      )}
    </EditOne>
  );
}
