// How a radio is paired with a device of ours: the menu, the wrong one, the presses, what is seen, what is set and why; then how it went.
import { useActionData } from "react-router";
import { deviceOf } from "#db/kit/index.ts";
import { idIn, mustBeAllowed, readInClub } from "../../context.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { offlineSaid } from "../../forms/offline.ts";
import type { ActAnswer } from "../../shared/act-answer.server.ts";
import { leadToTag, loadUnit } from "../../shared/load-unit.server.ts";
import { Caution } from "../../ui/caution.tsx";
import { following, useMay } from "../../ui/club.ts";
import { Go } from "../../ui/go.tsx";
import { Page } from "../../ui/page.tsx";
import { Said } from "../../ui/said.tsx";
import type { Route } from "./+types/pairing";
import { loadPairPlan, shownPairings } from "./load-pairings.server.ts";
import { Begin, NoteIt, Plan, Went } from "./pair-plan.tsx";
import { actOnPairing } from "./pairing.server.ts";

export const meta: Route.MetaFunction = ({ params }) => [{ title: `${params.tag}, pairing · Mossy Cabinet` }];

export const handle = { follows: following<typeof loader>(({ unit }) => [`unit:${unit.id}`, "club"]) };

export async function loader({ context, params, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const asked = new URL(request.url).searchParams.get("device");
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    leadToTag(row, params.tag);
    const device = asked === null || asked === "" ? undefined : idIn(asked, "This device");
    return {
      unit: { id: row.id, tag: row.tag, model: row.model, shelved: row.shelved_at !== null },
      found: await loadPairPlan(tx, row, device),
      pairings: await shownPairings(tx, { unit: row.id }),
      battery: (await deviceOf(tx, "unit", row.id))?.id,
    };
  });
}

export async function action({ context, params, request }: Route.ActionArgs) {
  const form = await request.formData();
  return readInClub(context, async (tx, who) => {
    const { row } = await loadUnit(tx, params.tag, who.today);
    return actOnPairing(tx, who, row, form);
  });
}

export const clientAction = offlineSaid;

export default function Pairing({ loaderData }: Route.ComponentProps) {
  const { unit, found, battery } = loaderData;
  const said = useActionData<ActAnswer>();
  const mayWork = useMay("work-at-bench") && !unit.shelved;
  const { device } = found;
  return (
    <Page
      title={device ? `${unit.tag} with ${device.tag}` : `Pair ${unit.tag} with something`}
      says={[unit.model, device && (device.what || device.kind)].filter(Boolean).join("; ")}
    >
      <p className="mb-3">
        <Go to={`/units/${encodeURIComponent(unit.tag)}#pairings`} className="link">
          Back to {unit.tag}
        </Go>
      </p>
      {said && <Said answer={said} />}
      <form className="mb-4 flex flex-wrap items-end gap-3">
        <Labelled name="device" label="With" small value={device?.id} options={found.choices} box="w-72" />
        <button type="submit" className="btn btn-outline btn-primary btn-sm">
          Show how
        </button>
      </form>
      {device && found.plan && (
        <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
          <Plan found={found} tag={unit.tag} />
          <div className="flex flex-col gap-5">
            {mayWork && <Begin device={device} tag={unit.tag} />}
            {found.own ? (
              <Went own={found.own} mayWork={mayWork} kept={said?.ok === false ? said.kept : undefined} />
            ) : (
              mayWork && <NoteIt device={device} open={said?.ok === false && said.intent === "pair"} />
            )}
            {device.kind === "vehicle" && <Caution of="driving" />}
            <Caution of="batteries" />
          </div>
        </div>
      )}
      {mayWork && !device && battery === undefined && (
        <ActForm intent="battery" className="mt-4">
          <button type="submit" className="btn btn-outline btn-primary btn-sm">
            Look after its own battery, too
          </button>
        </ActForm>
      )}
    </Page>
  );
}
