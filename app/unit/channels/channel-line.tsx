// The line of a radio's codeplugs through time: read, made, written, written back; each with its table, its file, and who.
import { Link } from "react-router";
import { ActForm } from "../../forms/act-form.tsx";
import { Labelled } from "../../forms/field.tsx";
import { useClub, useMay } from "../../ui/club.ts";
import { counted } from "../../ui/words/count.ts";
import { sayInstant } from "../../ui/words/time.ts";
import type { ChannelsData } from "./load-channels.server.ts";

const SOURCE = {
  read: "read out of it",
  written: "written into it",
  restored: "written back",
  brought: "brought in as a table",
  made: "made, not written yet",
  erased: "erased",
} as const;

export function ChannelLine({ data }: { readonly data: ChannelsData }) {
  const { locale, timeZone } = useClub();
  const { line, shown, now, unit } = data;
  const mayWork = useMay("work-at-bench");
  if (line.length === 0) return null;
  const page = `/units/${encodeURIComponent(unit.tag)}/channels`;
  return (
    <section aria-labelledby="line">
      <h2 id="line" className="mb-1.5">
        What it had, and when
      </h2>
      {line.filter((one) => one.kind === "codeplug" && one.count !== null).length > 1 && (
        <AnyTwo data={data} />
      )}
      <ol className="plug-line">
        {line.map((one) => (
          <li
            key={`${one.kind} ${one.id}`}
            className={one.kind === "codeplug" && one.id === shown?.id ? "plug-shown" : ""}
          >
            <span className="block text-sm text-quiet">
              {sayInstant(one.at, locale, timeZone)}, {one.by}
            </span>
            {one.kind === "backup" ? (
              <>
                <strong>read out and kept</strong>: {one.name}{" "}
                <a href={`/backups/${one.id}`} download className="link text-sm">
                  Take the file
                </a>
                <Write unit={unit} backup={one.id} name={one.name} may={mayWork && !unit.gone} />
              </>
            ) : (
              <>
                <strong>{SOURCE[one.source]}</strong>
                {one.plan !== null && one.source === "brought" && `: ${one.name}`}
                {one.id === now && <span className="ml-1 border border-primary px-1 text-xs">in it now</span>}
                <span className="block">
                  {one.count === null ? (
                    one.source === "erased" ? (
                      "nobody knows what it has since"
                    ) : (
                      "its channels are not known"
                    )
                  ) : (
                    <Link to={`${page}?of=${one.id}`} className="link inline-block py-0.5">
                      {one.plan === null ? one.name || "a table" : `plan ${one.plan}`},{" "}
                      {counted(one.count, "channel")}
                    </Link>
                  )}
                </span>
                <span className="flex flex-wrap gap-x-3 text-sm">
                  {one.backup_id && (
                    <a href={`/backups/${one.backup_id}`} download className="link inline-block py-0.5">
                      Take the file
                    </a>
                  )}
                  {one.count !== null && one.id !== now && now !== undefined && (
                    <Link to={`/codeplugs/compare?a=${one.id}&b=${now}`} className="link inline-block py-0.5">
                      Compare with now
                    </Link>
                  )}
                  {one.run_id && (
                    <Link to={`/bench/${one.run_id}`} className="link inline-block py-0.5">
                      The run
                    </Link>
                  )}
                </span>
                {one.id !== now && one.count !== null && (
                  <Write
                    unit={unit}
                    codeplug={one.id}
                    name={one.name}
                    made={one.source === "made"}
                    may={mayWork && !unit.gone}
                  />
                )}
              </>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Any two of them, chosen by hand. */
function AnyTwo({ data }: { readonly data: ChannelsData }) {
  const { locale, timeZone } = useClub();
  const known = data.line.flatMap((one) => (one.kind === "codeplug" && one.count !== null ? [one] : []));
  const options = known.map(
    (one) =>
      [
        one.id,
        `${sayInstant(one.at, locale, timeZone)}, ${one.plan === null ? one.name || "a table" : `plan ${one.plan}`}`,
      ] as const,
  );
  return (
    <details className="mb-3">
      <summary className="link w-fit cursor-pointer text-sm">Compare any two</summary>
      <form action="/codeplugs/compare" className="mt-1 flex flex-col gap-2">
        <Labelled name="a" label="First" small value={known[1]?.id} options={options} />
        <Labelled name="b" label="then" small value={known[0]?.id} options={options} />
        <button type="submit" className="btn btn-outline btn-primary btn-sm w-fit">
          Compare them
        </button>
      </form>
    </details>
  );
}

function Write(props: {
  readonly unit: ChannelsData["unit"];
  readonly codeplug?: string;
  readonly backup?: string;
  readonly name: string;
  readonly made?: boolean;
  readonly may: boolean;
}) {
  const { codeplug, backup, name, made, may } = props;
  if (!may) return null;
  const word = made ? "Write it in" : "Write it back";
  return (
    <ActForm intent="bench" className="mt-1">
      {codeplug && <input type="hidden" name="codeplug" value={codeplug} />}
      {backup && <input type="hidden" name="backup" value={backup} />}
      <button
        type="submit"
        name="for"
        value={codeplug ? "write" : "restore"}
        className="btn btn-outline btn-primary btn-xs"
        aria-label={`${word}: ${name || "this table"}`}
      >
        {word}
      </button>
    </ActForm>
  );
}
