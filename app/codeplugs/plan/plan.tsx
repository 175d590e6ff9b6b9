// The plan of channels: its blocks in their order, how they lie in each model, what a draft changes, and which radios it would touch.
import { useActionData } from "react-router";
import { mustBeAllowed, readInClub } from "../../context.ts";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { offlineSaid } from "../../forms/offline.ts";
import { useClub, useMay } from "../../ui/club.ts";
import { Page } from "../../ui/page.tsx";
import { Said } from "../../ui/said.tsx";
import { StripLegend, Strips } from "../../ui/strips.tsx";
import { counted } from "../../ui/words/count.ts";
import { sayInstant } from "../../ui/words/time.ts";
import { CodeplugTabs } from "../tabs.tsx";
import type { Route } from "./+types/plan";
import { Block } from "./block.tsx";
import { Blocks } from "./blocks.tsx";
import { loadPlan, type PlanData } from "./load-plan.server.ts";
import { type PlanAnswer, planByForm } from "./plan.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "The plan of channels · Mossy Cabinet" }];

export const handle = { follows: ["club", "model"] };

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const search = new URL(request.url).searchParams;
  return readInClub(context, (tx, who) => loadPlan(tx, who.today, { block: search.get("block") }));
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-plan");
  const form = await request.formData();
  return readInClub(context, (_, who) => planByForm(who, form));
}

export const clientAction = offlineSaid;

export default function Plan({ loaderData }: Route.ComponentProps) {
  const said = useActionData<PlanAnswer>();
  const { locale, timeZone } = useClub();
  const { draft, plan, blocks } = loaderData;
  return (
    <Page
      title="The plan"
      says={
        draft
          ? `draft ${draft.number}, last changed by ${draft.by}; ${plan ? `plan ${plan.number} counts until it is issued` : "none counts yet"}`
          : plan
            ? `plan ${plan.number} counts since ${sayInstant(plan.issued, locale, timeZone)}; what you change makes a draft`
            : "nobody has begun one"
      }
      acts={<CodeplugTabs here="plan" />}
    >
      {said?.says && <Said answer={said} />}
      {draft && <Draft data={loaderData} said={said} />}
      <div className="grid gap-5 lg:grid-cols-[19rem_minmax(0,1fr)]">
        <Blocks data={loaderData} said={said} />
        <div className="flex min-w-0 flex-col gap-5">
          {loaderData.chosen ? (
            <Block key={loaderData.chosen.index} data={loaderData} said={said} />
          ) : (
            blocks.length > 0 && (
              <section>
                <Strips
                  blocks={blocks}
                  models={loaderData.models.map((model) => ({
                    ...model,
                    to: `/codeplugs/models/${model.id}`,
                  }))}
                />
                <StripLegend />
              </section>
            )
          )}
          {loaderData.issued.length > 0 && !loaderData.chosen && <Issued data={loaderData} />}
        </div>
      </div>
    </Page>
  );
}

/** What the draft changes and whom it would touch, and the press that makes it count. */
function Draft({ data, said }: { readonly data: PlanData; readonly said: PlanAnswer | undefined }) {
  const mayPlan = useMay("edit-plan");
  const { touched, changes, version } = data;
  if (!touched) return null;
  const { radios, models } = touched;
  const kept = said?.ok === false && said.intent === "issue" ? said.kept : undefined;
  return (
    <section aria-labelledby="draft" className="doubt mb-5 p-4">
      <h2 id="draft" className="mb-1">
        {radios.n === 0
          ? "Issuing the draft touches no radio"
          : `Issuing the draft: ${counted(radios.n, "radio")} ${radios.n === 1 ? "needs" : "need"} it then`}
      </h2>
      <p className="max-w-3xl">
        {radios.n > 0 && (
          <>
            <span className="tag">{radios.tags.join(" ")}</span>
            {radios.n > radios.tags.length && ` and ${radios.n - radios.tags.length} more`}.{" "}
          </>
        )}
        {models.length === 0
          ? "No model's table becomes another."
          : `The table becomes another for ${models.join(", ")}.`}
      </p>
      {changes.length > 0 && (
        <ul className="mt-1 list-inside list-disc text-sm">
          {changes.map((change) => (
            <li key={`${change.kind} ${change.block}`}>
              {change.block}:{" "}
              {change.kind !== "changed"
                ? { added: "new", removed: "taken out", moved: "at another place" }[change.kind]
                : [
                    change.added > 0 && `${change.added} added`,
                    change.removed > 0 && `${change.removed} taken out`,
                    change.changed > 0 && `${change.changed} changed`,
                    change.head && "its rule, place or weight",
                  ]
                    .filter(Boolean)
                    .join(", ")}
            </li>
          ))}
        </ul>
      )}
      {mayPlan && (
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <ActForm intent="issue" className="flex flex-wrap items-end gap-3">
            <input type="hidden" name="version" value={version} />
            <Labelled name="note" label="What is new in it" most={300} small value={kept?.note} box="w-80" />
            <button type="submit" className="btn btn-primary btn-sm mb-1">
              Issue it
            </button>
          </ActForm>
          <ActForm intent="drop">
            <input type="hidden" name="version" value={version} />
            <button type="submit" className="btn btn-outline btn-error btn-sm mb-1">
              Drop the draft
            </button>
          </ActForm>
        </div>
      )}
    </section>
  );
}

function Issued({ data }: { readonly data: PlanData }) {
  const { locale, timeZone } = useClub();
  return (
    <section>
      <h2 className="mb-1.5">Issued so far</h2>
      <ul className="sheet w-fit divide-y divide-line">
        {data.issued.map((one) => (
          <li key={one.number} className="px-4 py-1.5">
            <strong>Plan {one.number}</strong>, {sayInstant(one.at, locale, timeZone)}, {one.by}
            {one.note && <span className="text-quiet">: {one.note}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}
