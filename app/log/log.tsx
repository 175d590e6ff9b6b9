// The log: what happened, who, when; filtered by radio, person, kind and day. The address carries the filter.

import { Form, Link } from "react-router";
import { LOG_KINDS } from "#core/club/index.ts";
import { dateInZone, isPlainDate } from "#core/quantities/index.ts";
import { type LogFilter, people, readLog } from "#db/club/index.ts";
import { someTags } from "#db/model/index.ts";
import { unitByTag } from "#db/unit/index.ts";
import { readInClub } from "../context.ts";
import { Labelled } from "../forms/field.tsx";
import { useClub } from "../ui/club.ts";
import { Page } from "../ui/page.tsx";
import { Wide } from "../ui/wide.tsx";
import { sayEntry } from "../ui/words/log/log.ts";
import { sayDate, sayInstant } from "../ui/words/time.ts";
import type { Route } from "./+types/log";

const PAGE = 60;

export const meta: Route.MetaFunction = () => [{ title: "Log · Mossy Cabinet" }];

export const handle = { follows: ["log"] };

export async function loader({ context, request }: Route.LoaderArgs) {
  const search = new URL(request.url).searchParams;
  const asked = (name: string) => search.get(name)?.trim() || undefined;
  const number = (text: string | undefined) => (text && /^\d{1,18}$/.test(text) ? text : undefined);
  const date = (text: string | undefined) => (text && isPlainDate(text) ? text : undefined);
  return readInClub(context, async (tx, who) => {
    const tag = asked("tag");
    const unit = tag ? (await unitByTag(tx, tag))?.id : number(asked("unit"));
    const filter: LogFilter = {
      unit: tag && !unit ? "0" : unit,
      person: number(asked("person")),
      kind: LOG_KINDS.find((k) => k === asked("kind")),
      from: date(asked("from")),
      to: date(asked("to")),
      before: number(asked("before")),
      words: asked("words")?.slice(0, 200),
      asWritten: asked("order") === "written",
    };
    const rows = await readLog(tx, filter, PAGE + 1, who.role);
    const shown = rows.slice(0, PAGE);
    const next = rows.length > PAGE ? shown.at(-1)?.id : undefined;
    const more = next === undefined ? undefined : new URLSearchParams(search);
    more?.set("before", next ?? "");
    return {
      entries: shown.map((row) => ({ ...row, at: row.at.toISOString() })),
      people: (await people(tx)).map((p) => ({ id: p.id, name: p.name })),
      asked: Object.fromEntries(search),
      tag: tag ?? (unit ? ((await someTags(tx, [unit])).tags[0] ?? "") : ""),
      unknownTag: tag !== undefined && unit === undefined,
      more: more?.toString(),
    };
  });
}

export default function Log({ loaderData }: Route.ComponentProps) {
  const { locale, timeZone, today } = useClub();
  const { entries, asked } = loaderData;
  return (
    <Page title="Log" says="what happened; it only grows">
      <Form className="mb-4 flex flex-wrap items-end gap-3 text-sm">
        <Labelled
          name="words"
          label="Words"
          small
          most={200}
          value={asked.words}
          placeholder="flash K-07 failed"
          box="w-52"
        />
        <Labelled name="tag" label="Radio" small mono value={loaderData.tag} placeholder="W-03" box="w-28" />
        <Labelled
          name="person"
          label="Person"
          small
          value={asked.person ?? ""}
          options={[["", "anybody"], ...loaderData.people.map((p) => [p.id, p.name] as const)]}
          box="w-44"
        />
        <Labelled
          name="kind"
          label="Kind"
          small
          value={asked.kind ?? ""}
          options={[
            ["", "everything"],
            ...LOG_KINDS.map((kind) => [kind, kind.replaceAll("-", " ")] as const),
          ]}
          box="w-44"
        />
        <Labelled name="from" label="From" type="date" small value={asked.from} box="w-36" />
        <Labelled name="to" label="To" type="date" small value={asked.to} box="w-36" />
        <Labelled
          name="order"
          label="In order of"
          small
          value={asked.order ?? ""}
          options={[
            ["", "the day it was"],
            ["written", "when it was written"],
          ]}
          box="w-44"
        />
        <button type="submit" className="btn btn-primary btn-sm">
          Show
        </button>
        <Link to="/log" className="link">
          everything
        </Link>
      </Form>
      {loaderData.unknownTag && <p className="doubt w-fit p-3">No radio goes by “{loaderData.tag}”.</p>}
      {entries.length === 0 && !loaderData.unknownTag && (
        <p className="doubt w-fit p-3">Nothing in the log matches.</p>
      )}
      {entries.length > 0 && (
        <Wide label="The log">
          <table className="table table-sm">
            <thead className="max-sm:sr-only">
              <tr>
                <th>When</th>
                <th>Radio or model</th>
                <th>What</th>
                <th>Who</th>
              </tr>
            </thead>
            <tbody>
              {entries.map((entry) => (
                <tr
                  key={entry.id}
                  className="max-sm:flex max-sm:flex-wrap max-sm:gap-x-3 max-sm:px-3 max-sm:py-2 max-sm:[&>td]:border-0 max-sm:[&>td]:p-0 max-sm:border-b max-sm:border-line"
                >
                  <td className="whitespace-nowrap text-quiet">
                    {dateInZone(new Date(entry.at), timeZone) === entry.on_day ? (
                      sayInstant(entry.at, locale, timeZone)
                    ) : (
                      <>
                        {sayDate(entry.on_day, locale, today)}
                        <span className="block text-xs">
                          written {sayInstant(entry.at, locale, timeZone)}
                        </span>
                      </>
                    )}
                  </td>
                  <td className="whitespace-nowrap">
                    {entry.tag && (
                      <Link className="link tag" to={`/units/${encodeURIComponent(entry.tag)}`}>
                        {entry.tag}
                      </Link>
                    )}
                    {!entry.tag && entry.model}
                  </td>
                  <td className="[overflow-wrap:anywhere] max-sm:basis-full">{sayEntry(entry, locale)}</td>
                  <td className="whitespace-nowrap">{entry.person}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      )}
      {loaderData.more && (
        <Link className="link mt-3 inline-block" to={`/log?${loaderData.more}`}>
          Earlier
        </Link>
      )}
    </Page>
  );
}
