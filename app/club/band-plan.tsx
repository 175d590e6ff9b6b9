// The club's band plan: for each class or service where it may transmit, how strong and how wide, from which day on. No one's law.
import { data, Link } from "react-router";
import { importBandPlan } from "#acts/mode/import-band-plan.ts";
import { classesOf, privilegesOn } from "#core/modes/index.ts";
import { bandPlan } from "#db/model/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { performForm } from "../forms/perform.server.ts";
import { refusalOf } from "../shared/refusals.server.ts";
import { useClub, useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { Ruler } from "../ui/ruler.tsx";
import { Said } from "../ui/said.tsx";
import { Wide } from "../ui/wide.tsx";
import { counted } from "../ui/words/count.ts";
import { sayHertz, sayWidth } from "../ui/words/frequency.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/band-plan";
import { LARGEST_PLAN, readPlan, sayPlanProblem } from "./band-plan.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "Band plan · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

export async function loader({ context }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  return readInClub(context, async (tx, who) => {
    const plan = await bandPlan(tx);
    return {
      plan,
      classes: classesOf(plan).map((name) => ({ name, now: privilegesOn(plan, name, who.today) ?? [] })),
    };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "edit-club");
  const form = await request.formData();
  const file = form.get("file");
  const refused = (status: number, says: string) => data({ ok: false, says }, { status });
  if (!(file instanceof File) || file.size === 0) return refused(400, "Choose a file first.");
  if (file.size > LARGEST_PLAN) return refused(413, "A band plan has 2 MB at most.");
  const plan = readPlan(await file.text());
  if (!plan.ok) return refused(400, sayPlanProblem(plan.problem));
  return readInClub(context, async (_tx, who) => {
    const done = await performForm(importBandPlan, who, form, { plan: plan.value });
    if (done.ok) {
      const lines = counted(done.value.answer.lines, "line");
      return data({
        ok: true,
        says: `${lines} of ${file.name.slice(0, 80)} stand now; what these classes had before is on the shelf.`,
      });
    }
    const { status, says } = refusalOf(done.problem, { full: "The plan would have more lines than it may." });
    return refused(status, says);
  });
}

export const clientAction = offlineSaid;

export default function BandPlan({ loaderData, actionData }: Route.ComponentProps) {
  const { plan, classes } = loaderData;
  const { locale, today } = useClub();
  const mayEdit = useMay("edit-club");
  return (
    <Page
      title="Band plan"
      says="where each class or service may transmit, as this club has entered it; no one's law"
      acts={
        mayEdit && (
          <Link className="btn btn-primary btn-sm" to="/club/band-plan/new">
            Add a line
          </Link>
        )
      }
    >
      {actionData && <Said answer={actionData} />}
      {plan.length === 0 && (
        <p className="doubt max-w-2xl p-5 text-lg">
          Nothing is entered yet. With the classes of your people and what each may use, every radio says
          where it transmits and should not. Local rules decide; the plan is only what the club has written
          down of them.
        </p>
      )}
      {classes.length > 0 && (
        <div className="sheet mb-5 p-4 pb-6">
          <Ruler
            name="Where each class may transmit today"
            lanes={classes.map(({ name, now }) => ({ name, bands: now, light: true }))}
          />
        </div>
      )}
      {classes.map(({ name }) => (
        <section key={name} className="mb-5">
          <h2 className="mb-1">{name}</h2>
          <Wide label={name}>
            <table className="table table-sm">
              <thead>
                <tr>
                  <th>From</th>
                  <th>To</th>
                  <th className="text-right">Watts</th>
                  <th className="text-right">Width</th>
                  <th>Holds</th>
                  <th>Note</th>
                </tr>
              </thead>
              <tbody>
                {plan
                  .filter((one) => one.class.toLowerCase() === name.toLowerCase())
                  .map((one) => {
                    const isNow =
                      (one.since === undefined || one.since <= today) &&
                      (one.until === undefined || today < one.until);
                    return (
                      <tr key={one.id} className={isNow ? "" : "text-quiet"}>
                        <td className="ver whitespace-nowrap">
                          {mayEdit ? (
                            <Link className="link" to={`/club/band-plan/${one.id}`}>
                              {sayHertz(one.from)}
                            </Link>
                          ) : (
                            sayHertz(one.from)
                          )}
                        </td>
                        <td className="ver whitespace-nowrap">{sayHertz(one.to)}</td>
                        <td className="text-right whitespace-nowrap">{one.watts && `${one.watts} W`}</td>
                        <td className="text-right whitespace-nowrap">
                          {one.bandwidth && sayWidth(one.bandwidth)}
                        </td>
                        <td className="whitespace-nowrap">
                          {[
                            one.since && `from ${sayDate(one.since, locale, today)}`,
                            one.until && `until ${sayDate(one.until, locale, today)}`,
                          ]
                            .filter(Boolean)
                            .join(", ") || "always"}
                        </td>
                        <td className="text-quiet">{one.note}</td>
                      </tr>
                    );
                  })}
              </tbody>
            </table>
          </Wide>
        </section>
      ))}
      <p className="flex flex-wrap gap-x-6 text-sm">
        <a className="link" href="/out/band-plan.csv" download>
          Take it as a table
        </a>
        <a className="link" href="/out/band-plan.json" download>
          Take it as JSON
        </a>
      </p>
      {mayEdit && (
        <details className="mt-3">
          <summary className="btn btn-outline btn-primary btn-sm">Bring one in</summary>
          <ActForm encType="multipart/form-data" className="sheet mt-2 flex flex-wrap items-end gap-3 p-3">
            <Labelled
              name="file"
              label="A table or JSON; of the classes in it, what stands now goes on the shelf"
              type="file"
              small
              value={undefined}
              box="w-96"
            />
            <button type="submit" className="btn btn-primary btn-sm">
              Bring it in
            </button>
          </ActForm>
        </details>
      )}
    </Page>
  );
}
