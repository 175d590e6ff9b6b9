// The club's own directory of repeaters: who heard which when, in one press from a phone; where they are; brought in as a table.
import { useActionData } from "react-router";
import { distance, formOf, memberOf } from "#core/codeplug/index.ts";
import type { PlainDate } from "#core/quantities/index.ts";
import { listed, planNow, repeaters } from "#db/codeplug/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { offlineSaid } from "../forms/offline.ts";
import { useClub, useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { Said } from "../ui/said.tsx";
import { counted } from "../ui/words/count.ts";
import { sayHertz } from "../ui/words/frequency.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/repeaters";
import { RepeaterForm } from "./repeater-form.tsx";
import { type RepeaterAnswer, repeatersByForm } from "./repeaters.server.ts";
import { CodeplugTabs } from "./tabs.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Repeaters · Mossy Cabinet" }];

export const handle = { follows: ["club"] };

const MOST = 150;

export async function loader({ context, request }: Route.LoaderArgs) {
  mustBeAllowed(context, "look");
  const typed = (new URL(request.url).searchParams.get("q") ?? "").trim().slice(0, 60);
  return readInClub(context, async (tx) => {
    const rule = (await planNow(tx))?.blocks.find((block) => block.rule)?.rule;
    const all = (await repeaters(tx)).map((row) => {
      const one = listed(row);
      return {
        id: row.id,
        name: row.name,
        receive: row.receive,
        digital: row.digital,
        open: row.open,
        note: row.note,
        form: formOf(memberOf(one)),
        latitude: row.latitude,
        longitude: row.longitude,
        last: row.last_on === null ? undefined : { on: row.last_on, how: row.last_how, by: row.last_by },
        away: rule && one.place ? Math.round(distance(rule.place, one.place)) : undefined,
      };
    });
    const found = all
      .filter(
        ({ name, receive }) =>
          name.toLowerCase().includes(typed.toLowerCase()) || String(receive / 1e6).startsWith(typed),
      )
      .sort((a, b) => (a.away ?? Number.POSITIVE_INFINITY) - (b.away ?? Number.POSITIVE_INFINITY));
    return {
      typed,
      count: all.length,
      found: found.length,
      around: rule?.around ?? "",
      never: all.filter(({ last }) => last === undefined).length,
      unplaced: all.filter(({ latitude }) => latitude === null).length,
      rows: found.slice(0, MOST),
    };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "look");
  const form = await request.formData();
  return readInClub(context, (tx, who) => repeatersByForm(tx, who, form));
}

export const clientAction = offlineSaid;

type Data = Route.ComponentProps["loaderData"];

export default function Repeaters({ loaderData }: Route.ComponentProps) {
  const { rows, count, found, typed, never, unplaced } = loaderData;
  const said = useActionData<RepeaterAnswer>();
  const mayPlan = useMay("edit-plan");
  const refused = (intent: string) => (said?.ok === false && said.intent === intent ? said : undefined);
  return (
    <Page
      title="Repeaters"
      says={
        count === 0
          ? "none in the directory"
          : `${counted(count, "repeater")}; ${never} nobody has heard, ${unplaced} nobody has placed`
      }
      acts={<CodeplugTabs here="repeaters" />}
    >
      {said?.says && <Said answer={said} />}
      <form className="mb-3 flex items-end gap-2">
        <Labelled name="q" label="Name, or the beginning of its frequency" small value={typed} box="w-72" />
        <button type="submit" className="btn btn-outline btn-primary btn-sm mb-1">
          Find
        </button>
      </form>
      {rows.length > 0 ? (
        <ul className="sheet divide-y divide-line">
          {rows.map((row) => (
            <Row key={row.id} row={row} around={loaderData.around} said={refused("write")} />
          ))}
        </ul>
      ) : (
        <p className="doubt w-fit p-5">
          {typed ? "None is called so." : "Write the first one down, or bring in a table."}
        </p>
      )}
      {found > rows.length && (
        <p className="mt-1 text-sm text-quiet">
          The first {rows.length} of {found}.
        </p>
      )}
      {mayPlan && (
        <div className="mt-5 grid items-start gap-5 lg:grid-cols-2">
          <details open={refused("write") !== undefined && !refused("write")?.kept?.repeater}>
            <summary className="btn btn-outline btn-primary btn-sm">Write one down</summary>
            <RepeaterForm said={refused("write")?.kept?.repeater ? undefined : refused("write")} />
          </details>
          <details open={refused("import") !== undefined}>
            <summary className="btn btn-outline btn-primary btn-sm">Bring in a table</summary>
            <ActForm
              intent="import"
              encType="multipart/form-data"
              className="sheet mt-2 flex flex-col gap-2 p-3"
            >
              <Labelled
                name="file"
                label="CSV, with headings such as Name, RX MHz, TX MHz, Lat, Lon"
                type="file"
                small
                value={undefined}
              />
              <Labelled
                name="text"
                label="Or pasted"
                mono
                small
                rows={4}
                most={2 * 1024 * 1024}
                value={refused("import")?.kept?.text}
              />
              {refused("import") && (
                <Labelled
                  name="anyway"
                  label="Leave out what cannot be read"
                  type="checkbox"
                  small
                  value={undefined}
                />
              )}
              <button type="submit" className="btn btn-primary btn-sm w-fit">
                Bring it in
              </button>
            </ActForm>
          </details>
        </div>
      )}
    </Page>
  );
}

function Row(props: {
  readonly row: Data["rows"][number];
  readonly around: string;
  readonly said: RepeaterAnswer | undefined;
}) {
  const { row, around, said } = props;
  const { locale, today } = useClub();
  const mayPlan = useMay("edit-plan");
  const own = said?.kept?.repeater === row.id ? said : undefined;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-1.5">
      <strong className="w-40">{row.name}</strong>
      <span className="ver w-32 text-sm">{sayHertz(row.receive)}</span>
      <span className="w-56 text-sm text-quiet">
        {row.away === undefined
          ? row.latitude === null
            ? "nobody has placed it"
            : ""
          : `${(row.away / 1000).toFixed(1)} km${around ? ` from ${around}` : ""}`}
      </span>
      <span className="grow text-sm">
        {row.last ? (
          `${row.last.how} on ${sayDate(row.last.on as PlainDate, locale, today)} by ${row.last.by}`
        ) : (
          <span className="doubt px-2">nobody has heard it</span>
        )}
        {!row.open && "; not open to all"}
        {row.digital && "; digital"}
        {row.note && `; ${row.note}`}
      </span>
      <ActForm intent="heard">
        <input type="hidden" name="repeater" value={row.id} />
        <button
          type="submit"
          className="btn btn-outline btn-primary btn-sm max-md:btn-lg"
          aria-label={`Heard ${row.name} today`}
        >
          Heard it
        </button>
      </ActForm>
      {mayPlan && (
        <details className="basis-auto open:basis-full" open={own !== undefined}>
          <summary className="link cursor-pointer text-sm" aria-label={`Change ${row.name}`}>
            Change
          </summary>
          <RepeaterForm row={row} said={own} />
          <div className="mt-2 flex gap-4">
            <ActForm intent="confirmed">
              <input type="hidden" name="repeater" value={row.id} />
              <button type="submit" className="link text-sm">
                It is as it stands here
              </button>
            </ActForm>
            <ActForm intent="shelve">
              <input type="hidden" name="repeater" value={row.id} />
              <button type="submit" className="link text-sm text-rust">
                Take it out
              </button>
            </ActForm>
          </div>
        </details>
      )}
    </li>
  );
}
