// Due: every open need, grouped by what can be done about it; filtered and sorted by the address.
import { data, Link } from "react-router";
import {
  BOARD_GROUPS,
  BOARD_SORTS,
  type BoardGroup,
  boardGroups,
  boardNames,
  releaseNames,
  unitsDue,
} from "#db/unit/index.ts";
import { mustBeAllowed, readInClub } from "../context.ts";
import { orOffline } from "../forms/offline.ts";
import { useMay } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { GROUP_WORDS } from "../ui/words/needs/index.ts";
import type { Route } from "./+types/due";
import { bundled } from "./alike.ts";
import { countingOf } from "./counting.server.ts";
import { choicesOf, Filters } from "./filters.tsx";
import { HoldPicked } from "./hold.tsx";
import { type HoldAnswer, keptOf } from "./hold-answer.ts";
import { holdSeveral } from "./hold-several.server.ts";
import { NeedRows } from "./rows.tsx";
import { shownRows } from "./shown.server.ts";
import { toolingOfRows } from "./tooling.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "Due · Mossy Cabinet" }];

export const handle = { follows: ["need", "unit", "club"] };

const HELD = { title: "On hold", says: "would be due, but are left alone for now" };
const wordsOf = (group: BoardGroup) => (group === "held" ? HELD : GROUP_WORDS[group]);

/** So many rows of each group at first, alike ones counted once. */
const FIRST = 50;
/** So many needs of a group are looked at, if the club is not too large for that: alike ones are one row. */
const LOOKED_AT = 500;
const LARGE_CLUB = 900;

export async function loader({ context, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const id = (name: string) =>
    /^\d{1,18}$/.test(search.get(name) ?? "") ? (search.get(name) ?? undefined) : undefined;
  const urgency = ["routine", "fix", "safety"].indexOf(search.get("urgency") ?? "");
  const filter = {
    place: id("place"),
    model: id("model"),
    group: id("group"),
    person: id("person"),
    urgency: urgency === 0 || urgency === 1 || urgency === 2 ? urgency : undefined,
  } as const;
  const sort = BOARD_SORTS.find((s) => s === search.get("sort")) ?? "urgency";
  const only = BOARD_GROUPS.find((group) => group === search.get("do"));
  return readInClub(context, async (tx, who) => {
    const due = await unitsDue(tx, who.today);
    const limit = only || due < LARGE_CLUB ? LOOKED_AT : FIRST;
    const keys = only ? [only] : BOARD_GROUPS;
    const [known, found] = await Promise.all([
      boardNames(tx),
      boardGroups(tx, keys, who.today, filter, sort, limit + 1),
    ]);
    const groups = keys.map((key) => {
      const rows = found.get(key) ?? [];
      return { key, rows: rows.slice(0, limit), more: rows.length > limit };
    });
    const all = groups.flatMap((g) => g.rows);
    const mentioned = all.flatMap((row) => row.targets.map((t) => t.release));
    const [tooling, counting, releases] = await Promise.all([
      toolingOfRows(tx, who, all),
      countingOf(tx, all, who.today),
      releaseNames(tx, [...new Set(mentioned)]),
    ]);
    return {
      groups: groups.map((g) => {
        const rows = bundled(shownRows(g.rows, { known, releases, tooling, counting }, who));
        const most = only ? LOOKED_AT : FIRST;
        const units = new Set(g.rows.map((row) => row.unit_id)).size;
        return {
          ...g,
          rows: rows.slice(0, most),
          needs: g.rows.length,
          units,
          more: g.more || rows.length > most,
        };
      }),
      // Those on hold need nothing today. Unfiltered it is the rail's own number.
      units: new Set(groups.filter((g) => g.key !== "held").flatMap((g) => g.rows.map((row) => row.unit_id)))
        .size,
      isAll: [...search.keys()].every((name) => name === "sort"),
      due,
      order: BOARD_GROUPS,
      choices: choicesOf(known),
      asked: Object.fromEntries(search),
    };
  });
}

export async function action({ context, request }: Route.ActionArgs) {
  mustBeAllowed(context, "hold-unit");
  const form = await request.formData();
  const answer = await readInClub(context, (tx, who) => holdSeveral(tx, who, form));
  return data(answer, { status: answer.ok ? 200 : 400 });
}

export const clientAction = (sending: Route.ClientActionArgs) =>
  orOffline(sending, (form, says): HoldAnswer => ({ ok: false, says, kept: keptOf(form) }));

export default function Due({ loaderData, actionData }: Route.ComponentProps) {
  const { groups } = loaderData;
  const shown = groups.filter((g) => g.rows.length > 0);
  const mayHold = useMay("hold-unit");
  const mayWork = useMay("work-at-bench");
  const { isAll, due } = loaderData;
  const units = isAll ? due : loaderData.units;
  const isMore = isAll ? due > 999 : groups.some((g) => g.more && g.key !== "held" && g.needs >= LOOKED_AT);
  return (
    <Page
      list
      title="Due"
      says={`${counted(units, "radio")}${isMore ? " or more" : ""} ${units === 1 ? "needs" : "need"} something`}
    >
      <Filters
        asked={loaderData.asked}
        choices={loaderData.choices}
        groups={loaderData.order.map((key) => ({ key, title: wordsOf(key).title }))}
      />
      {shown.length === 0 && (
        <p className="doubt w-fit p-5 text-lg">
          Nothing is due. {Object.keys(loaderData.asked).length > 0 && "Not with this filter, at least."}
        </p>
      )}
      <div className="flex flex-col gap-6">
        {shown.map((group) => {
          const about = wordsOf(group.key);
          return (
            <section key={group.key} aria-labelledby={`g-${group.key}`}>
              <h2 id={`g-${group.key}`} className="mb-1.5">
                {about.title}{" "}
                <span className="font-sans text-sm font-normal text-quiet">
                  {counted(group.needs, "need")}
                  {group.more && group.needs >= LOOKED_AT && " and more"}: {about.says}
                </span>
              </h2>
              <NeedRows
                rows={group.rows}
                picked={actionData && "kept" in actionData ? actionData.kept.units : []}
              />
              {group.more && (
                <Link
                  className="link mt-2 inline-block"
                  to={`?${new URLSearchParams({ ...loaderData.asked, do: group.key })}`}
                >
                  All of these
                </Link>
              )}
            </section>
          );
        })}
      </div>
      {mayHold && shown.length > 0 && <HoldPicked answer={actionData} mayWork={mayWork} />}
    </Page>
  );
}
