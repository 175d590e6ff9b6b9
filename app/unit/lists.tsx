// Lists that a radio refers to by position: what is in them, and another merged in without moving anything.
import { LIST_KINDS } from "#core/codeplug/index.ts";
import { ActForm } from "../forms/act-form.tsx";
import { Labelled } from "../forms/field.tsx";
import { useMay } from "../ui/club.ts";
import { counted } from "../ui/words/count.ts";
import type { ChannelsAnswer } from "./channels/channels.server.ts";
import type { ChannelsData } from "./channels/load-channels.server.ts";

/** So many members and slips are shown. */
const SHOWN = 40;

export function Lists({
  data,
  said,
}: {
  readonly data: ChannelsData;
  readonly said: ChannelsAnswer | undefined;
}) {
  const mayWork = useMay("work-at-bench");
  const { shown, unit } = data;
  if (!shown?.known) return null;
  const lists = LIST_KINDS.flatMap((kind) => (shown.lists[kind] ? [[kind, shown.lists[kind]] as const] : []));
  const merge = said?.merge;
  const kept = said?.ok === false && said.intent.startsWith("list") ? said.kept : undefined;
  return (
    <section aria-labelledby="lists">
      <h2 id="lists" className="mb-1.5">
        Its lists
      </h2>
      {lists.length === 0 && (
        <p className="text-quiet">None is known: its channels may refer to some all the same.</p>
      )}
      {lists.map(([kind, list]) => (
        <details key={kind} className="mb-1">
          <summary className="cursor-pointer">
            <strong>{kind}</strong>, {counted(list.members.filter((one) => one !== null).length, "member")}{" "}
            <span className="text-quiet">
              (the radio goes by {list.by === "position" ? "their numbers" : "what they are"})
            </span>
          </summary>
          <ol className="sheet mt-1 columns-2 px-4 py-2 text-sm md:columns-3">
            {list.members.slice(0, SHOWN).map((one, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: their number is what they are known by
              <li key={i}>
                <span className="ver text-quiet">{i + 1}</span> {one ? `${one.name} (${one.key})` : "empty"}
              </li>
            ))}
            {list.members.length > SHOWN && <li>and {list.members.length - SHOWN} more</li>}
          </ol>
        </details>
      ))}
      {merge && (
        <div className="doubt my-3 p-3">
          <h3>
            {merge.list}: {merge.added} come in, {merge.renamed} are renamed, {merge.gone} stay though they
            are not in the new one
          </h3>
          {merge.broken.length === 0 ? (
            <p>Laid over the old one, it would have broken nothing.</p>
          ) : (
            <>
              <p>
                Laid over the old one, {counted(merge.brokenCount, "number")} would have come to mean
                something else:
              </p>
              <ul className="list-inside list-disc text-sm">
                {merge.broken.map((one) => (
                  <li key={one.position}>
                    {one.position}: {one.meant} would have been {one.would ?? "nothing"}
                  </li>
                ))}
              </ul>
            </>
          )}
          <ActForm intent="list-merge" className="mt-2">
            <textarea name="text" defaultValue={merge.text} hidden readOnly aria-label="The list" />
            <input type="hidden" name="list" value={merge.list} />
            <input type="hidden" name="codeplug" value={shown.id} />
            <button type="submit" className="btn btn-primary btn-sm">
              Merge it, nothing moves
            </button>
          </ActForm>
        </div>
      )}
      {mayWork && !unit.gone && (
        <details open={kept !== undefined}>
          <summary className="btn btn-outline btn-primary btn-sm">Merge a list in</summary>
          <ActForm intent="list-look" className="sheet mt-2 flex max-w-xl flex-col gap-2 p-3">
            <input type="hidden" name="codeplug" value={shown.id} />
            <Labelled
              name="list"
              label="Which"
              small
              value={kept?.list ?? "talkgroups"}
              options={LIST_KINDS}
              box="w-40"
            />
            <Labelled
              name="text"
              label="A member a line: number, then name"
              mono
              small
              rows={5}
              most={2_000_000}
              value={kept?.text}
            />
            <button type="submit" className="btn btn-primary btn-sm w-fit">
              Look at it
            </button>
          </ActForm>
        </details>
      )}
    </section>
  );
}
